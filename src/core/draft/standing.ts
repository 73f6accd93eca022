import { childrenOf } from '../page/tree.ts';
import { hiddenBelow } from './hidden-below.ts';
import { type OldElement, inAnyWindow, styleOf } from './laid-out.ts';
import { isPutAway } from './put-away.ts';
import { standsBeside, standsInLine } from './stacked.ts';

/** How a page has an old menu. */
export interface Standing {
  /** Not seen until a script brings it; its entries below each other beside the content, or the words of a line; null for the usual ways. */
  way: 'away' | 'beside' | 'in-line' | null;
  /** See `hiddenBelow`. */
  hiddenBelow: number | null;
  /** It is one of several in a row: what opens in its place would open beside them. */
  isInRow: boolean;
}

export const usualStanding: Standing = { way: null, hiddenBelow: null, isInRow: false };

export function standingOf(old: OldElement): Standing {
  const way = wayOf(old);
  return { way, hiddenBelow: hiddenBelow(old), isInRow: isInRow(old) };
}

function wayOf(old: OldElement): Standing['way'] {
  if (isPutAway(old)) return 'away';
  if (standsBeside(old)) return 'beside';
  return standsInLine(old) ? 'in-line' : null;
}

/** Also in a narrow window. */
function isInRow({ node, tree, rules }: OldElement): boolean {
  const { parent } = node;
  if (!parent || childrenOf(parent).length < 2) return false;
  const always = rules.filter(({ condition }) => condition === null);
  return [always, inAnyWindow(rules)].every(some => {
    const style = (name: string): string => styleOf(parent, name, tree, some);
    return (
      /^(?:inline-)?flex$/.test(style('display')) &&
      !/column/.test(style('flex-direction') + style('flex-flow'))
    );
  });
}
