import type { Entry } from '../plan/types.ts';
import type { Finding } from '../text/finding.ts';

/** Menus that share entries find the same; it is told once. */
export function distinct(findings: readonly Finding[]): Finding[] {
  const seen = new Set<string>();
  return findings.filter(({ rule, place, message }) => {
    const key = `${rule} ${place?.position?.line ?? ''}:${place?.position?.column ?? ''} ${message}`;
    const isNew = !seen.has(key);
    seen.add(key);
    return isNew;
  });
}

/** Entries without what lies deeper. */
export function cutOff(entries: readonly Entry[], depth: number): Entry[] {
  return entries.map(one => ({ ...one, entries: depth > 1 ? cutOff(one.entries, depth - 1) : [] }));
}

/** An entry that the plan allows to be missing. */
export function leftOut(problem: Finding): Finding {
  return {
    ...problem,
    rule: 'left-out',
    severity: 'warning',
    message: `this entry was left out: ${problem.message}`,
  };
}
