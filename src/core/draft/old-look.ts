import { readColor } from '../look/color.ts';
import { type StyleRule, atLeast } from '../page/styles.ts';
import { matcher } from '../page/select.ts';
import { type Tree, type TreeNode, descendants, valueOf } from '../page/tree.ts';
import { isLink } from '../hand/entries.ts';
import { type DraftLook, pageLook } from './types.ts';

/** What a browser computes for an old menu: CSS values, lengths in px. */
export interface ComputedLook {
  /** What lies behind an entry; null for nothing. */
  background: string | null;
  linkBackground: string | null;
  pageBackground: string | null;
  color: string;
  fontFamily: string;
  fontSize: string;
  fontWeight: string;
  rootSize: string;
  pageFamily: string;
  padding: [top: string, right: string, bottom: string, left: string];
  /** Above and below the entries, in the menu's own box. */
  room: [top: string, bottom: string];
  radius: string;
  /** Behind each link. */
  grounds: (string | null)[];
}

/** A plan's look from what a browser computed. */
export function lookFromBrowser(computed: ComputedLook): DraftLook {
  const root = Number.parseFloat(computed.rootSize) || 16;
  const rem = (px: string): string => `${round(Number.parseFloat(px) / root)}rem`;
  const [top, right, bottom, left] = computed.padding.map(one => Number.parseFloat(one) || 0) as [
    number,
    number,
    number,
    number,
  ];
  const background = computed.background === computed.pageBackground ? null : computed.background;
  // The room of the old menu's box goes into its entries, so that the whole height answers to the pointer.
  const room = Math.max(...computed.room.map(one => Number.parseFloat(one) || 0));
  const hasPadding = top + right + bottom + left + room > 0;
  const usual = computed.grounds.filter(one => one === computed.background).length;
  const odd = computed.grounds.find(one => one !== computed.background && one !== null);
  return {
    accent: usual > computed.grounds.length / 2 && odd ? readColor(odd) : null,
    background: background === null ? null : readColor(background),
    color: readColor(computed.color),
    fontFamily: computed.fontFamily === computed.pageFamily ? null : familyOf(computed.fontFamily),
    fontSize: computed.fontSize === computed.rootSize ? null : rem(computed.fontSize),
    fontWeight: computed.fontWeight === '400' ? null : computed.fontWeight,
    padding: hasPadding
      ? pair(rem(String(Math.max(top, bottom) + room)), rem(String(Math.max(left, right))))
      : null,
    radius: computed.radius === '0px' ? null : rem(computed.radius),
  };
}

/** The same from the rules and old attributes of a page, as far as they can be read. */
export function lookFromStyles(tree: Tree, start: number, rules: readonly StyleRule[]): DraftLook {
  const menu = tree.nodes.find(one => one.start === start);
  const link = menu && [...descendants(menu)].filter(isLink).at(1);
  if (!link) return pageLook;
  const words = [...descendants(link)].at(-1)!;
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

/** What the cascade gives an element itself (https://www.w3.org/TR/css-cascade-4/#cascade-sort), without its conditions. */
function valueFor(node: TreeNode, property: string, tree: Tree, rules: readonly StyleRule[]): string | null {
  let best: { rule: StyleRule | null; value: string; isImportant: boolean } | null = presentational(
    node,
    property,
    tree,
  );
  for (const rule of rules) {
    const found =
      rule.condition === null ? rule.declarations.find(one => sets(one.property, property)) : undefined;
    if (!found || !matchesRule(rule, node, tree)) continue;
    const value = property === 'background-color' ? colorIn(found.value) : found.value;
    if (value === null) continue;
    const isStronger =
      best === null ||
      (found.isImportant && !best.isImportant) ||
      (found.isImportant === best.isImportant &&
        (best.rule === null || atLeast(rule.specificity, best.rule.specificity)));
    if (isStronger) best = { rule, value, isImportant: found.isImportant };
  }
  return best?.value ?? null;
}

function sets(property: string, wanted: string): boolean {
  return property === wanted || (wanted === 'background-color' && property === 'background');
}

function matchesRule({ selector }: StyleRule, node: TreeNode, tree: Tree): boolean {
  if (/:(?:hover|focus|active|visited|before|after)/.test(selector)) return false;
  try {
    return matcher(tree, selector.replace(/:(?:link|any-link)\b/g, '') || '*')(node);
  } catch {
    return false;
  }
}

/** Old attributes are weaker than any rule. */
function presentational(
  node: TreeNode,
  property: string,
  tree: Tree,
): { rule: null; value: string; isImportant: false } | null {
  const names: Record<string, string> = {
    'background-color': 'bgcolor',
    color: 'color',
    'font-family': 'face',
  };
  const name = names[property];
  const isOf = name === 'bgcolor' || node.name === 'font';
  const value = name !== undefined && isOf ? valueOf(node, name, tree.charset) : null;
  return value === null ? null : { rule: null, value, isImportant: false };
}

function colorIn(value: string): string | null {
  return value.split(/\s+(?![^(]*\))/).find(part => readColor(part) !== null) ?? null;
}

/** Names of fonts as a plan takes them; null for what is more than that. */
function familyOf(value: string | null): string | null {
  const names = value?.replace(/"/g, "'") ?? '';
  return names !== '' && /^[\p{L}\p{N} ,'_-]+$/u.test(names) ? names : null;
}

function pair(one: string, other: string): string {
  return one === other ? one : `${one} ${other}`;
}

function round(number: number): number {
  return Math.round(number * 100) / 100;
}
