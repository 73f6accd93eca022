import type { Finding } from './finding.ts';
import { counted } from './nearest.ts';
import type { Excerpt } from './source.ts';
import { visibleName } from './visible.ts';

/** How parts of a finding are painted on a terminal; each takes text and gives it back with or without colour. */
export interface Paint {
  error: (text: string) => string;
  warning: (text: string) => string;
  note: (text: string) => string;
  strong: (text: string) => string;
  quiet: (text: string) => string;
}

const same = (text: string): string => text;
export const plain: Paint = { error: same, warning: same, note: same, strong: same, quiet: same };

/** `file:line:col: severity rule: message`, the excerpt with carets under it, and the remedy. */
export function renderFinding(one: Finding, paint: Paint = plain): string {
  const at = one.place?.position;
  const place = one.place ? `${visibleName(one.place.file)}${at ? `:${at.line}:${at.column}` : ''}: ` : '';
  const lines = [
    `${paint.strong(place)}${paint[one.severity](one.severity)} ${one.rule}: ${visibleName(one.message)}`,
  ];
  if (one.place?.excerpt && at) lines.push(...excerptLines(one.place.excerpt, at.line, paint));
  if (one.remedy) lines.push(...one.remedy.split('\n').map(line => `  ${line}`));
  return lines.join('\n');
}

/** All of them, an empty line between, and no count. */
export function renderFindings(findings: readonly Finding[], paint: Paint = plain): string {
  return findings.map(one => renderFinding(one, paint)).join('\n\n');
}

/** `2 errors, 1 warning`, or the empty string. */
export function countFindings(findings: readonly Finding[]): string {
  const count = (severity: string): number => findings.filter(one => one.severity === severity).length;
  const counts = [
    [count('error'), 'error'],
    [count('warning'), 'warning'],
    [count('note'), 'note'],
  ] as const;
  return counts
    .filter(([number]) => number > 0)
    .map(([number, word]) => counted(number, word))
    .join(', ');
}

const widest = 100;

function excerptLines(excerpt: Excerpt, line: number, paint: Paint): string[] {
  const margin = String(line).length;
  const room = widest - margin - 5;
  const start = excerpt.to > room ? Math.max(0, Math.min(excerpt.from - 20, excerpt.text.length - room)) : 0;
  const shown = excerpt.text.slice(start, start + room).replace(/[\t\p{Cc}\p{Cf}]/gu, ' ');
  const from = excerpt.from - start;
  const carets = Math.max(1, Math.min(excerpt.to - start, room) - from);
  return [
    `  ${paint.quiet(`${line} |`)} ${shown}`,
    `  ${paint.quiet(`${' '.repeat(margin)} |`)} ${' '.repeat(from)}${paint.error('^'.repeat(carets))}`,
  ];
}
