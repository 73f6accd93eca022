import { isLink } from '../hand/linked.ts';
import { contrast, readColor } from '../look/color.ts';
import type { StyleRule } from '../page/styles.ts';
import { type Tree, type TreeNode, descendants, isNode } from '../page/tree.ts';
import { valueFor } from './cascade.ts';
import { leastContrast } from './old-button.ts';
import { familyOf } from './old-look.ts';
import { markOf } from './old-marks.ts';
import { type DraftLook, type DraftMark, type DraftState, pageLook } from './types.ts';

/** The look of an old menu from the rules and old attributes of a page, as far as they can be read. */
export function lookFromStyles(tree: Tree, start: number, rules: readonly StyleRule[]): DraftLook {
  const menu = tree.nodes.find(one => one.start === start);
  const link = menu && descendants(menu).filter(isLink).at(1);
  if (!link) return pageLook;
  const words = descendants(link).at(-1)!;
  const own = (node: TreeNode, property: string): string | null => valueFor(node, property, tree, rules);
  const up = (node: TreeNode, property: string): string | null => {
    for (let one: TreeNode | null = node; one; one = one.parent) {
      const value = own(one, property);
      if (value !== null) return value;
    }
    return null;
  };
  const color = (value: string | null): string | null => (value === null ? null : readColor(value));
  const length = (value: string | null): string | null =>
    value !== null && /^[\d.]+(?:px|em|rem)?(?: [\d.]+(?:px|em|rem)?){0,3}$/.test(value) && value !== '0'
      ? value
      : null;
  return {
    ...pageLook,
    background: color(up(link, 'background-color')),
    color: color(words === link ? own(link, 'color') : (own(words, 'color') ?? own(link, 'color'))),
    fontFamily: familyOf(up(link, 'font-family')),
    fontSize: length(up(link, 'font-size')),
    fontWeight: /^(?:bold|[1-9]00)$/.exec(up(link, 'font-weight') ?? '')?.[0] ?? null,
    padding: length(own(link, 'padding')),
    radius: length(own(link, 'border-radius')),
  };
}

/**
 * How an old menu shows the pointer, and where one is, by the rules of its page.
 * @param start of the menu; @param current where the entry of this page stands in it, -1 for none
 */
export function statesFromStyles(
  tree: Tree,
  { start, current }: { start: number; current: number },
  rules: readonly StyleRule[],
): Omit<DraftLook['states'], 'within'> {
  const menu = tree.nodes.find(one => one.start === start);
  const links = menu ? descendants(menu).filter(isLink) : [];
  const link = links.find(one => one.start !== current) ?? links[0];
  if (!menu || !link) return { hover: null, current: null };
  const ruled = { menu, tree, rules };
  const here = current < 0 ? null : innermostAt(menu, current);
  return {
    hover: stateOf(link, { menu, tree, rules: hovered(rules) }),
    current: here && marked(stateOf(here, ruled, stateOf(link, ruled)), here, { link, ...ruled }),
  };
}

/** Rules for what lies under the pointer, as if it did. */
export function hovered(rules: readonly StyleRule[]): StyleRule[] {
  return rules
    .filter(({ selector }) => /:hover\b/.test(selector) && !/:(?:focus|active|visited)/.test(selector))
    .map(rule => ({ ...rule, selector: rule.selector.replace(/:hover\b/g, '') }));
}

function innermostAt(menu: TreeNode, at: number): TreeNode | null {
  let found: TreeNode | null = null;
  for (let next: TreeNode | undefined = menu; next;) {
    const inner: TreeNode | undefined = next.content
      .filter(isNode)
      .find(one => one.start <= at && at < Math.max(one.end, one.stop, one.open));
    if (inner) found = inner;
    next = inner;
  }
  return found;
}

/** A menu with the rules for what is in it. */
interface Ruled {
  menu: TreeNode;
  tree: Tree;
  rules: readonly StyleRule[];
}

/** What differs in an entry, from its words up to the menu. @param usual what other entries have */
function stateOf(
  node: TreeNode,
  { menu, tree, rules }: Ruled,
  usual: DraftState | null = null,
): DraftState | null {
  const value = (property: string): string | null => {
    for (let one: TreeNode | null = node; one && one !== menu; one = one.parent) {
      const found = valueFor(one, property, tree, rules);
      if (found !== null) return found;
    }
    return null;
  };
  const differs = (found: string | null, other: string | null): string | null =>
    found === other ? null : found;
  const color = differs(readIf(value('color')), usual?.color ?? null);
  const background = differs(seenIf(value('background-color')), usual?.background ?? null);
  const isBold = /^(?:bold|[6-9]00)$/.test(value('font-weight') ?? '') || isEmphasis(node, menu);
  const fontWeight = isBold && usual?.fontWeight !== '700' ? '700' : null;
  return orNull({ color, background, fontWeight, mark: null });
}

/** With the line that its usual neighbour has not. */
function marked(
  state: DraftState | null,
  node: TreeNode,
  { link, menu, ...styled }: Ruled & { link: TreeNode },
): DraftState | null {
  const [mark, usual] = [node, link].map(one => markOf(one, menu, styled)) as [
    DraftMark | null,
    DraftMark | null,
  ];
  const isOwn = mark !== null && (mark.at !== usual?.at || mark.color !== usual.color);
  return isOwn ? { ...(state ?? { color: null, background: null, fontWeight: null }), mark } : state;
}

function orNull(state: DraftState): DraftState | null {
  return (state.color ?? state.background ?? state.fontWeight ?? state.mark) === null ? null : state;
}

/** Without states in which words could not be read, and with marks that are seen. */
export function readable(look: DraftLook): DraftLook {
  const kept = (given: DraftState | null): DraftState | null => {
    const state = given && differing(given, look);
    const [color, background] = [state?.color ?? look.color, state?.background ?? look.background];
    if (!state || !color || !background || contrast(color, background) >= leastContrast) return state;
    // A ground of its own stays, under words that can be read on it.
    const legible = plain.find(one => contrast(one, background) >= leastContrast);
    return state.background !== null && legible ? { ...state, color: legible } : null;
  };
  // On a ground of its own the mark of the current entry is seen as the words are.
  const { hover, current, within } = look.states;
  const states = { hover: kept(hover), current: kept(current), within: kept(within) };
  const grounds = [states.hover, states.current, states.within].flatMap(state => state?.background ?? []);
  const isSeen =
    look.color !== null && grounds.every(ground => contrast(look.color!, ground) >= leastOfMarks);
  const accent = look.accent ?? (look.background !== null && isSeen ? look.color : null);
  // Corners are seen of grounds alone: where the old menu had none in any state, Kamino's own come to be seen.
  const radius = look.radius === '0' && grounds.length === 0 ? null : look.radius;
  return { ...look, accent, radius, states };
}

/** A state without what is as at rest; null where nothing is left. */
function differing(state: DraftState, { color, background, fontWeight }: DraftLook): DraftState | null {
  const isBold = fontWeight === '700' || fontWeight === 'bold';
  const left = {
    color: state.color === color ? null : state.color,
    background: state.background === background ? null : state.background,
    fontWeight: isBold ? null : state.fontWeight,
    mark: markSeen(state.mark, state.background ?? background),
  };
  return orNull(left);
}

function markSeen(mark: DraftMark | null, ground: string | null): DraftMark | null {
  return mark && ground !== null && contrast(mark.color, ground) < leastOfMarks ? null : mark;
}

const plain = ['#ffffff', '#000000'];
/** https://www.w3.org/TR/WCAG22/#non-text-contrast */
const leastOfMarks = 3;

const readIf = (value: string | null): ReturnType<typeof readColor> =>
  value === null ? null : readColor(value);

/** A ground that is seen. */
function seenIf(value: string | null): string | null {
  const color = readIf(value);
  return color?.length === 9 && color.endsWith('00') ? null : color;
}

function isEmphasis(node: TreeNode, menu: TreeNode): boolean {
  for (let one: TreeNode | null = node; one && one !== menu; one = one.parent)
    if (one.name === 'b' || one.name === 'strong') return true;
  return false;
}
