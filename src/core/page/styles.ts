import type { CssNode } from 'css-tree';
import generate from 'css-tree/generator';
import parse from 'css-tree/parser';
import walk from 'css-tree/walker';
import type { SitePath } from '../address/path.ts';
import { decode } from '../text/charset.ts';
import type { Place } from '../text/source.ts';
import { Source } from '../text/source.ts';
import { type Tree, type TreeNode, descendants, isNode, valueOf } from './tree.ts';

/** One selector of a rule of a style sheet, with what the rule sets. */
export interface StyleRule {
  selector: string;
  specificity: Specificity;
  declarations: readonly { property: string; value: string; isImportant: boolean }[];
  /** It holds under a condition: a width, print and the like. */
  condition: string | null;
  place: Place;
}

/** https://www.w3.org/TR/selectors-4/#specificity-rules */
export type Specificity = readonly [ids: number, classes: number, names: number];

/** A rule as its sheet has it, wherever that stands: `start` and `end` are offsets in it. */
type SheetRule = Omit<StyleRule, 'place'> & { start: number; end: number };

/** The rules of a style sheet. What cannot be read is passed over, as browsers do. */
export function readStyles(source: Source, from = 0, to = source.text.length): StyleRule[] {
  return rulesOf(source.text.slice(from, to)).map(
    ({ selector, specificity, declarations, condition, start, end }) => ({
      ...{ selector, specificity, declarations, condition },
      // Of most nobody asks where they stand.
      get place() {
        return source.place(from + start, from + end);
      },
    }),
  );
}

/** What was read last, by its text: many pages have the same in them. */
const known = new Map<string, readonly SheetRule[]>();
let knownLength = 0;
const mostKnown = 1 << 20;

function rulesOf(text: string): readonly SheetRule[] {
  const before = known.get(text);
  if (before) return before;
  // A copy: a piece of a page would keep the whole page.
  const own = JSON.parse(JSON.stringify(text)) as string;
  const rules = parsed(own);
  if (knownLength + own.length > mostKnown) {
    known.clear();
    knownLength = 0;
  }
  if (own.length <= mostKnown) {
    known.set(own, rules);
    knownLength += own.length;
  }
  return rules;
}

function parsed(text: string): SheetRule[] {
  const rules: SheetRule[] = [];
  const conditions: string[] = [];
  const sheet = parse(text, { positions: true, parseValue: false, onParseError: () => undefined });
  walk(sheet, {
    enter(node: CssNode) {
      if (node.type === 'Atrule')
        conditions.push(`@${node.name} ${node.prelude ? generate(node.prelude) : ''}`.trim());
      if (node.type !== 'Rule' || node.prelude.type !== 'SelectorList') return;
      if (conditions.some(one => /^@(?:-\w+-)?(?:keyframes|font-face|page)/.test(one))) return;
      const declarations = node.block.children.toArray().flatMap(one =>
        one.type === 'Declaration'
          ? [
              {
                property: one.property.toLowerCase(),
                value: generate(one.value).trim(),
                isImportant: one.important !== false,
              },
            ]
          : [],
      );
      for (const selector of node.prelude.children) {
        const { start, end } = selector.loc ?? node.loc!;
        rules.push({
          selector: generate(selector),
          specificity: specificityOf(selector),
          declarations,
          condition: conditions.length > 0 ? conditions.join(' ') : null,
          ...{ start: start.offset, end: end.offset },
        });
      }
    },
    leave(node: CssNode) {
      if (node.type === 'Atrule') conditions.pop();
    },
  });
  return rules;
}

/** A style sheet of a page: a file that it links to, or what stands in it. */
export type Sheet =
  { kind: 'file'; href: string; isOurs: boolean } | { kind: 'inside'; start: number; end: number };

/** The style sheets of a page, in order; what a `noscript` holds is none for a browser with scripts on. */
export function sheetsOf(tree: Tree): Sheet[] {
  return tree.sheets.flatMap((node): Sheet[] => {
    if (isInNoscript(node)) return [];
    const text = node.content.find(one => !isNode(one));
    if (node.name === 'style' && text) return [{ kind: 'inside', start: text.start, end: text.end }];
    if (node.name !== 'link') return [];
    const rel = (valueOf(node, 'rel', tree.charset) ?? '').toLowerCase().split(/\s+/);
    const href = valueOf(node, 'href', tree.charset);
    if (!rel.includes('stylesheet') || href === null) return [];
    return [{ kind: 'file', href, isOurs: valueOf(node, 'data-kamino', tree.charset) !== null }];
  });
}

function isInNoscript(node: TreeNode): boolean {
  for (let one = node.parent; one; one = one.parent) if (one.name === 'noscript') return true;
  return false;
}

/** The rules that stand in a page itself. */
export function inlineRules(path: SitePath, tree: Tree): StyleRule[] {
  return sheetsOf(tree).flatMap(one => {
    if (one.kind !== 'inside') return [];
    const { start, end } = one;
    // Line breaks stay where they are, so that places are those of the page.
    const before = decode(tree.raw.slice(0, start), tree.charset);
    const text = decode(tree.raw.slice(start, end), tree.charset);
    return readStyles(new Source(path, before + text), before.length);
  });
}

/** The same for a rule that stands in many pages. */
export function ruleKey({ place, selector, declarations }: StyleRule): string {
  return `${place.file.endsWith('.css') ? place.file : ''} ${selector} ${JSON.stringify(declarations)}`;
}

export function atLeast(one: Specificity, other: Specificity): boolean {
  for (const at of [0, 1, 2] as const) if (one[at] !== other[at]) return one[at] > other[at];
  return true;
}

function specificityOf(selector: CssNode): Specificity {
  let [ids, classes, names] = [0, 0, 0];
  const add = (node: CssNode): void => {
    if (node.type === 'IdSelector') ids += 1;
    else if (node.type === 'ClassSelector' || node.type === 'AttributeSelector') classes += 1;
    else if (node.type === 'TypeSelector') names += node.name === '*' ? 0 : 1;
    else if (node.type === 'PseudoElementSelector') names += 1;
    else if (node.type === 'PseudoClassSelector') addPseudo(node);
    else if ('children' in node && node.children) node.children.forEach(add);
  };
  const addPseudo = (node: Extract<CssNode, { type: 'PseudoClassSelector' }>): void => {
    if (node.name === 'where') return;
    const isOfItsList = ['not', 'is', 'has'].includes(node.name);
    if (!isOfItsList) classes += 1;
    const lists =
      node.children?.toArray().flatMap(one => (one.type === 'SelectorList' ? one.children.toArray() : [])) ??
      [];
    const [most] = lists.map(specificityOf).sort((one, other) => (atLeast(one, other) ? -1 : 1));
    if (isOfItsList && most) [ids, classes, names] = [ids + most[0], classes + most[1], names + most[2]];
  };
  add(selector);
  return [ids, classes, names];
}

/** The elements that lie in menus of Kamino's, each with the name of its menu. */
export function inMenus(tree: Tree): Map<TreeNode, string> {
  const menus = new Map<TreeNode, string>();
  for (const root of tree.ours) {
    const name = valueOf(root, 'data-kamino', tree.charset)!;
    // What lies in another one comes behind it, and has its own name.
    for (const node of descendants(root)) menus.set(node, name);
  }
  return menus;
}
