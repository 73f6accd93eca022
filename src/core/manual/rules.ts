import { checkRules } from '../check/index.ts';
import { walkRules } from '../walk/rules.ts';
import type { Rule } from '../text/rule.ts';
import { rules } from '../text/rules.ts';

/** The rules of looks come last, behind those of finished pages. */
const firstOfLooks = 'bad-icon';

/** Every rule with its name, in the order of the manual. */
export const allRules: readonly (Rule & { name: string })[] = (() => {
  const onTheWay = Object.entries(rules).map(([name, rule]) => ({ name, ...rule }));
  const at = onTheWay.findIndex(one => one.name === firstOfLooks);
  const walked = Object.entries(walkRules).map(([name, rule]) => ({ name, ...rule }));
  return [...onTheWay.slice(0, at), ...checkRules, ...walked, ...onTheWay.slice(at)];
})();
