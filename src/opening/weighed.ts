import { checkRules } from '../core/check/index.ts';
import { lookRules } from '../core/check/carried.ts';
import { ruleProblems, ruled } from '../core/check/ruled.ts';
import type { Finding } from '../core/text/finding.ts';
import { walkRules } from '../core/walk/rules.ts';
import type { OpenPlan } from '../files/plan.ts';

/** The rules that a plan may weigh. */
const known = [...checkRules.map(one => one.name), ...Object.keys(walkRules), ...lookRules];

/** Findings in finished pages as the plan weighs them. */
export function weighed(findings: readonly Finding[], opened: OpenPlan | null): Finding[] {
  return opened?.plan ? ruled(findings, opened.plan.rules) : [...findings];
}

/** Names in `rules` that no rule has. */
export function ruleMistakes(opened: OpenPlan | null): Finding[] {
  return opened?.plan ? ruleProblems(opened.plan.rules, known, opened.source) : [];
}
