import type { Finding } from './finding.ts';
import type { Rule, Severity } from './rule.ts';
import type { Place } from './source.ts';

const levels: Record<Severity, 'error' | 'warning' | 'note'> = {
  error: 'error',
  warning: 'warning',
  note: 'note',
};

/**
 * Findings in the format of OASIS for results of static analysis, SARIF 2.1.0
 * (https://docs.oasis-open.org/sarif/sarif/v2.1.0/sarif-v2.1.0.html).
 * @param rules those that are described; a finding of another is told without
 */
export function sarifOf(
  findings: readonly Finding[],
  rules: readonly (Rule & { name: string })[],
  version: string,
): object {
  const named = rules.filter(rule => findings.some(one => one.rule === rule.name));
  return {
    $schema: 'https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json',
    version: '2.1.0',
    runs: [
      {
        tool: {
          driver: {
            name: 'Kamino',
            semanticVersion: version,
            rules: named.map(({ name, about, why, severity }) => ({
              id: name,
              shortDescription: { text: about },
              fullDescription: { text: why },
              defaultConfiguration: { level: levels[severity] },
            })),
          },
        },
        columnKind: 'utf16CodeUnits',
        results: findings.map(one => resultOf(one, named)),
      },
    ],
  };
}

function resultOf(
  { rule, severity, message, place, also = [], remedy }: Finding,
  rules: readonly { name: string }[],
): object {
  const index = rules.findIndex(one => one.name === rule);
  const places = place ? [place, ...also] : [];
  return {
    ruleId: rule,
    ...(index < 0 ? {} : { ruleIndex: index }),
    level: levels[severity],
    message: { text: remedy === null ? message : `${message}\n${remedy}` },
    ...(places.length > 0 ? { locations: places.slice(0, 1).map(locationOf) } : {}),
    ...(places.length > 1 ? { relatedLocations: places.slice(1).map(locationOf) } : {}),
  };
}

function locationOf({ file, position, excerpt }: Place): object {
  const length = excerpt ? Math.max(1, excerpt.to - excerpt.from) : null;
  return {
    physicalLocation: {
      artifactLocation: { uri: file.split('/').map(encodeURIComponent).join('/') },
      ...(position
        ? {
            region: {
              startLine: position.line,
              startColumn: position.column,
              ...(length === null ? {} : { endColumn: position.column + length }),
            },
          }
        : {}),
    },
  };
}
