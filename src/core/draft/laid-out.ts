import { menuClass, parts } from '../markup/names.ts';
import type { StyleRule } from '../page/styles.ts';
import { type Tree, type TreeNode, descendants, valueOf } from '../page/tree.ts';
import { freePath } from './pieces.ts';
import { declaredFor, matchesRule } from './old-styles.ts';
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

/** An old menu in its page. */
export interface OldElement {
  node: TreeNode;
  tree: Tree;
  /** Of the page, in order. */
  rules: readonly StyleRule[];
}

/** Whether a page has laid an old menu out beside its content: what stands in its place alone would stand in the flow. */
export function isLaidOut({ node, tree, rules }: OldElement, isColumn: boolean): boolean {
  const anywhere = rules.filter(onScreen).map(rule => ({ ...rule, condition: null }));
  const own = valueOf(node, 'style', tree.charset) ?? '';
  return leaving.some(([name, isUsual, isOfColumns]) => {
    if (isOfColumns && !isColumn) return false;
    const written = new RegExp(`(?:^|;)\\s*${name}\\s*:\\s*([^;]+)`, 'i').exec(own)?.[1];
    const value = (written ?? declaredFor(node, name, tree, anywhere)?.value ?? '').trim();
    return value !== '' && !isUsual.test(value);
  });
}

/** Whether rules for what is in it would go on holding, and be stronger than any of Kamino's: those with an id. */
export function rulesInside({ node, tree, rules }: OldElement): boolean {
  const inside = [...descendants(node)].filter(one => one !== node);
  return rules.some(
    rule => rule.specificity[0] > 0 && onScreen(rule) && inside.some(one => matchesRule(rule, one, tree)),
  );
}

/** The same layout for the new menu, as a style sheet. */
export function layoutOf({ node, tree, rules }: OldElement, name: string): string {
  const selector = `.${parts.menu}.${menuClass(name)}`;
  const own = (valueOf(node, 'style', tree.charset) ?? '').split(';').flatMap(one => {
    const [property = '', ...value] = one.split(':');
    return [{ property: property.trim().toLowerCase(), value: value.join(':').trim() }];
  });
  const ruled = rules
    .filter(rule => onScreen(rule) && matchesRule(rule, node, tree))
    .sort((one, other) => strength(one) - strength(other));
  return [...ruled, { condition: null, declarations: own }]
    .flatMap(({ condition, declarations }) => {
      const lines = declarations.filter(({ property, value }) => isOfLayout.test(property) && value !== '');
      if (lines.length === 0) return [];
      const body = lines.map(({ property, value }) => `  ${property}: ${value};\n`).join('');
      const rule = `${selector} {\n${body}}\n`;
      return [condition === null ? rule : `${condition} {\n${rule}}\n`];
    })
    .join('');
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
const strength = ({ specificity: [ids, classes, names] }: StyleRule): number =>
  ids * 1e6 + classes * 1e3 + names;
