import type { RuleWeights } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { RuleName } from '../text/rules.ts';
import { counted, shortened } from '../text/nearest.ts';
import { ruled } from './ruled.ts';

/** Rules of what a plan's look gives, which hold in the finished pages: a plan may weigh them. */
export const lookRules: readonly string[] = [
  'low-contrast',
  'unsure-contrast',
  'same-but-hue',
  'same-state',
  'low-rows',
  'see-through',
  'late-fold',
  'folded-wide',
  'broken-word',
  'long-label',
] satisfies RuleName[];

/** What is told of looks, as the plan weighs it; all else as it is. */
export function weighedLooks(findings: readonly Finding[], rules: RuleWeights): Finding[] {
  return findings.flatMap(one => (lookRules.includes(one.rule) ? ruled([one], rules) : [one]));
}

const mostNamed = 5;

/** What a build would do now, as far as a check asks. */
export interface WouldBuild {
  /** Paths of finished files that it would make, change or take away. */
  files: readonly string[];
  findings: readonly Finding[];
}

/**
 * Whether finished pages are what the plan and their sources say, and carry what they ought to: before an upload a page
 * without its menu is an error. @param command the build, as the user types it
 */
export function againstPlan({ files, findings }: WouldBuild, command: string): Finding[] {
  const lacking = findings.flatMap(one => {
    if (one.rule !== 'no-place') return [];
    const told = finding(
      'lacks-menu',
      one.place,
      `this page ought to carry \`${one.menu ?? ''}\`, and has no place for it`,
      one.remedy,
    );
    return [{ ...told, ...(one.also ? { also: one.also } : {}) }];
  });
  // Errors of a build are those of its output, too: a page that was left as it was.
  const errors = findings.filter(one => one.severity === 'error');
  const ofLooks = findings.filter(one => lookRules.includes(one.rule));
  return [...lacking, ...errors, ...ofLooks, ...(files.length > 0 ? [stale(files, command)] : [])];
}

function stale(files: readonly string[], command: string): Finding {
  const [is, are] = files.length === 1 ? ['is', 'it'] : ['are', 'them'];
  return finding(
    'stale-output',
    null,
    `${counted(files.length, 'finished file')} ${is} not as the plan and the pages would have ${are} now: ${shortened([...files].sort(), mostNamed)}`,
    `Build before you upload:  ${command}`,
  );
}
