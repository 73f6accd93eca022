import { pathMatcher } from '../address/glob.ts';
import type { RuleWeights } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { nearest } from '../text/nearest.ts';
import type { Source } from '../text/source.ts';

/** Findings as the plan weighs them: without what is off, or excused where it is. */
export function ruled(findings: readonly Finding[], { weights, excuses }: RuleWeights): Finding[] {
  const excused = excuses.map(({ rule, at }) => ({ rule, matches: pathMatcher([at]) }));
  return findings.flatMap(one => {
    const weight = weights.get(one.rule)?.weight ?? one.severity;
    const isExcused = excused.some(
      ({ rule, matches }) => rule === one.rule && one.place !== null && matches(one.place.file),
    );
    return weight === 'off' || isExcused ? [] : [{ ...one, severity: weight }];
  });
}

/** Names of rules in the plan that no rule has. @param known those that a plan may weigh */
export function ruleProblems(
  { weights, excuses }: RuleWeights,
  known: readonly string[],
  source: Source,
): Finding[] {
  const named = [
    ...[...weights].map(([rule, { mark }]) => ({ rule, mark })),
    ...excuses.map(({ rule, mark }) => ({ rule, mark })),
  ];
  return named
    .filter(({ rule }) => !known.includes(rule))
    .map(({ rule, mark }) => {
      const near = nearest(rule, known);
      const remedy = near
        ? `Did you mean \`${near}\`?`
        : 'Name a rule as it is told:  kamino explain dead-link';
      return finding(
        'wrong-value',
        source.place(mark.start, mark.end),
        `\`${rule}\` is no rule of check or walk`,
        remedy,
      );
    });
}
