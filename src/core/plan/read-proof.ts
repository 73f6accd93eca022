import type { WrittenPlan } from './parts/plan.ts';
import type { PlanPlaces } from './places.ts';
import type { Question, RuleWeights } from './types.ts';

/** What visitors come with. */
export function readQuestions(written: WrittenPlan['questions'] = [], places: PlanPlaces): Question[] {
  return written.flatMap((one, at) => {
    if (!one) return [];
    const path = ['questions', at];
    return [
      {
        ask: one.ask,
        leadsTo: places.slashes(one['leads-to'], [...path, 'leads-to']),
        actions: one.actions === undefined ? null : Number(one.actions),
        mark: places.mark([...path, 'leads-to']),
      },
    ];
  });
}

/** How much rules weigh, and where they do not hold. */
export function readRules(written: WrittenPlan['rules'], places: PlanPlaces): RuleWeights {
  const { excuse = [], depth, ...own } = written ?? {};
  const weights = Object.entries(own as Record<string, 'off' | 'note' | 'warning' | 'error'>);
  return {
    depth: depth === undefined ? null : Number(depth),
    weights: new Map(
      weights.map(([name, weight]) => [name, { weight, mark: places.markKey(['rules', name]) }]),
    ),
    excuses: excuse.flatMap((one, at) =>
      one
        ? [
            {
              rule: one.rule,
              at: places.slashes(one.at, ['rules', 'excuse', at, 'at']),
              mark: places.mark(['rules', 'excuse', at, 'rule']),
            },
          ]
        : [],
    ),
  };
}
