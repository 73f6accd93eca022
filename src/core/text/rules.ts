import { outputRules } from './rules/output.ts';
import { pictureRules } from './rules/pictures.ts';
import { planRules } from './rules/plan.ts';
import { siteRules } from './rules/site.ts';

/**
 * The rules of what is found on the way, while a plan is read, resolved and built. Messages are worded where the problem
 * is found; tests ask for the name. What is looked for in finished pages has a file for each rule, in `check/rules`.
 */
export const rules = { ...planRules, ...siteRules, ...outputRules, ...pictureRules };

export type RuleName = keyof typeof rules;
