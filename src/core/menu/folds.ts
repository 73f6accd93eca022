import type { ResolvedMenu } from './types.ts';

/** Whether a menu ever folds away behind a toggle. */
export function folds({ fold }: Pick<ResolvedMenu, 'fold'>): boolean {
  return fold.belowEm !== null || fold.crowded;
}
