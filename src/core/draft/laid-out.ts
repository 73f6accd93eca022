import { isLink } from '../hand/linked.ts';
import { menuClass, parts } from '../markup/names.ts';
import { type StyleRule, atLeast } from '../page/styles.ts';
import { type Tree, type TreeNode, descendants, valueOf } from '../page/tree.ts';
import { freePath } from './pieces.ts';
import { declaredFor, matchesRule } from './cascade.ts';
import { inWideWindows } from './windows.ts';
import type { DraftMenu } from './types.ts';

/** Properties by which an element leaves the flow of its page, or has a place of its own in it, and values that do not. */
const leaving: readonly [name: string, isUsual: RegExp, isOfColumns: boolean][] = [
  ['position', /^(?:static|relative)$/, false],
  ['float', /^none$/, false],
  ['grid-area', /^auto$/, false],
  ['grid-column', /^auto$/, false],
  ['width', /^(?:auto|100%)$/, true],
  ['flex', /^(?:none|auto)$/, true],
];
/** What else goes with these. */
const isOfLayout =
  /^(?:position|top|right|bottom|left|inset|z-index|float|clear|order|(?:min-|max-)?(?:width|height|inline-size|block-size)|(?:inset|margin|grid|flex|align-self|justify-self|overflow)(?:-[a-z-]+)?)$/;

/** Values that cannot end the rule that they stand in. */
const isPlain = /^[-\w\s.,%()+*/"']+$/;

/** A declaration of a style sheet. */
export interface Declared {
  property: string;
  value: string;
}

/** An old menu in its page. */
export interface OldElement {
  node: TreeNode;
  tree: Tree;
  /** Of the page, in order. */
  rules: readonly StyleRule[];
}

/** Whether a page has laid an old menu out beside its content: what stands in its place alone would stand in the flow. */
export function isLaidOut({ node, tree, rules }: OldElement, isColumn: boolean): boolean {
  // What leaves the flow on a desk may come back into it on a phone.
  const windows = [inAnyWindow(rules), inAnyWindow(inWideWindows(rules))];
  return leaving.some(([name, isUsual, isOfColumns]) => {
    if (isOfColumns && !isColumn) return false;
    const values = windows.map(some => styleOf(node, name, tree, some));
    return values.some(value => value !== '' && !isUsual.test(value));
  });
}

/** Rules of the screen, whatever their conditions. */
export const inAnyWindow = (rules: readonly StyleRule[]): StyleRule[] =>
  rules.filter(onScreen).map(rule => ({ ...rule, condition: null }));

/** What is declared for an element, in its own attribute or by rules; empty where nothing is. */
export function styleOf(node: TreeNode, property: string, tree: Tree, rules: readonly StyleRule[]): string {
  const own = inlineOf(node, tree).findLast(one => one.property === property);
  return own?.value ?? declaredFor(node, property, tree, rules)?.value ?? '';
}

/** What its own attribute declares. */
function inlineOf(node: TreeNode, { charset }: Tree): { property: string; value: string }[] {
  return (valueOf(node, 'style', charset) ?? '').split(';').map(one => {
    const [property = '', ...value] = one.split(':');
    return { property: property.trim().toLowerCase(), value: value.join(':').trim() };
  });
}

/** Whether rules for what is in it would go on holding, and be stronger than any of Kamino's: those with an id. */
export function rulesInside({ node, tree, rules }: OldElement): boolean {
  const inside = descendants(node).filter(one => one !== node);
  return rules.some(
    rule => rule.specificity[0] > 0 && onScreen(rule) && inside.some(one => matchesRule(rule, one, tree)),
  );
}

/** The same layout for the new menu, as a style sheet. @param kept what becomes of each declaration */
export function layoutOf({ node, tree, rules }: OldElement, name: string, kept = ofLayout): string {
  const selector = `.${parts.menu}.${menuClass(name)}`;
  const ruled = rules.filter(rule => onScreen(rule) && matchesRule(rule, node, tree)).sort(byStrength);
  return [...ruled, { condition: null, declarations: inlineOf(node, tree) }]
    .flatMap(({ condition, declarations }) => {
      const lines = declarations.flatMap(kept).filter(({ value }) => isPlain.test(value));
      if (lines.length === 0) return [];
      const body = lines.map(({ property, value }) => `  ${property}: ${value};\n`).join('');
      return [within(condition, `${selector} {\n${body}}\n`)];
    })
    .join('');
}

const only =
  (properties: RegExp): typeof ofLayout =>
  one =>
    properties.test(one.property) ? [one] : [];

function ofLayout(one: Declared): readonly Declared[] {
  return isOfLayout.test(one.property) ? [one] : [];
}

/** A rule under its conditions, from the outermost on; in a layer it would be weaker than Kamino's. */
const within = (condition: string | null, rule: string): string =>
  (condition?.split(/ (?=@)/) ?? [])
    .filter(one => !one.startsWith('@layer'))
    .reduceRight((inner, one) => `${one} {\n${inner}}\n`, rule);

/** Where an old menu begins below what floats before it, by itself or by a list in it, the new one does. */
export function clearingOf({ node, tree, rules }: OldElement, name: string): string {
  const before = /::?before$/;
  // What comes first in an element and begins there brings the rest with it.
  const own = rules.flatMap(rule =>
    before.test(rule.selector) ? [rule, { ...rule, selector: rule.selector.replace(before, '') }] : [rule],
  );
  const texts = [node, ...listsIn(node)].map(one =>
    layoutOf({ node: one, tree, rules: own }, name, only(isOfFloats)),
  );
  return texts.find(text => /clear: (?!none)/.test(text)) ?? '';
}

const isOfFloats = /^clear$/;

/** Elements in a menu that hold all of its links. */
export function listsIn(menu: TreeNode): TreeNode[] {
  const links = descendants(menu).filter(isLink);
  return descendants(menu).filter(one => {
    const end = Math.max(one.open, one.stop, one.end);
    return (
      one !== menu && links.length > 1 && links.every(link => one.start < link.start && link.start < end)
    );
  });
}

/** The style sheet for menus that pages had laid out, where there are any. @param files of the site */
export function layoutSheet(
  menus: readonly DraftMenu[],
  files: ReadonlySet<string>,
): { path: string; text: string }[] {
  const rules = menus.map(({ layout = '' }) => layout).join('');
  if (rules === '') return [];
  const text = `/* Menus stand where the old ones stood. */\n${rules}`;
  return [{ path: freePath('menus.css', files), text }];
}

const onScreen = ({ condition }: StyleRule): boolean => condition === null || !/\bprint\b/.test(condition);
const byStrength = (one: StyleRule, other: StyleRule): number =>
  Number(atLeast(one.specificity, other.specificity)) - Number(atLeast(other.specificity, one.specificity));
