import { readColor } from '../look/color.ts';
import { type StyleRule, atLeast } from '../page/styles.ts';
import type { Tree, TreeNode } from '../page/tree.ts';
import { declaredFor } from './cascade.ts';
import type { DraftMark } from './types.ts';

/** A menu's page, with the rules for what is in it. */
interface Styled {
  tree: Tree;
  rules: readonly StyleRule[];
}

const sides = { bottom: 'below', top: 'above', left: 'start' } as const;

/** The line at one side of an entry, from its words up to the menu: a border, or a shadow inside; null where there is none. */
export function markOf(node: TreeNode, menu: TreeNode, styled: Styled): DraftMark | null {
  for (let one: TreeNode | null = node; one && one !== menu; one = one.parent) {
    const found = borderOf(one, styled) ?? shadowOf(one, styled);
    if (found) return { ...found, isWhole: hasRoom(one, styled) };
  }
  return null;
}

type Line = Omit<DraftMark, 'isWhole'>;

function borderOf(node: TreeNode, styled: Styled): Line | null {
  const all = (['bottom', 'top', 'left', 'right'] as const).map(side => ({
    side,
    color: part(
      strongest(node, [`border-${side}-color`, `border-${side}`, 'border-color', 'border'], styled),
      seen,
    ),
    width: part(
      strongest(node, [`border-${side}-width`, `border-${side}`, 'border-width', 'border'], styled),
      length,
    ),
  }));
  const lines = all.filter(({ color, width }) => color !== null && width !== null);
  const [line] = lines;
  // A box has lines all around, or more than one.
  if (lines.length !== 1 || !line || line.side === 'right') return null;
  return { at: sides[line.side], thickness: line.width!, color: line.color! };
}

/** Such as `inset 0 -3px #5c8a3a`. */
function shadowOf(node: TreeNode, styled: Styled): Line | null {
  const value = declaredFor(node, 'box-shadow', styled.tree, styled.rules)?.value ?? '';
  const found = /^inset 0(?:px)? (-?)([\d.]+(?:px|em|rem))(?: 0(?:px)?){0,2} (.+)$/.exec(value.trim());
  const color = found ? seen(found[3]!) : null;
  return color === null ? null : { at: found![1] === '-' ? 'below' : 'above', thickness: found![2]!, color };
}

/** Of several properties the value that the cascade lets win. */
function strongest(node: TreeNode, properties: readonly string[], { tree, rules }: Styled): string {
  const all = properties.flatMap(property => declaredFor(node, property, tree, rules) ?? []);
  const [first, ...rest] = all.filter((one): one is { rule: StyleRule; value: string } => one.rule !== null);
  const place = (rule: StyleRule): number => rules.indexOf(rule);
  const isStronger = (one: StyleRule, other: StyleRule): boolean =>
    atLeast(one.specificity, other.specificity) &&
    (!atLeast(other.specificity, one.specificity) || place(one) > place(other));
  return (
    rest.reduce((best, one) => (best && isStronger(one.rule, best.rule) ? one : best), first)?.value ?? ''
  );
}

/** The first part of a value that is of a kind. */
function part(value: string, of: (text: string) => string | null): string | null {
  for (const one of value.split(/\s+(?![^(]*\))/)) {
    const found = of(one);
    if (found !== null) return found;
  }
  return null;
}

function seen(text: string): string | null {
  const color = readColor(text);
  return color === null || (color.length === 9 && color.endsWith('00')) ? null : color;
}

const length = (text: string): string | null =>
  /^(?!0)[\d.]*[1-9][\d.]*(?:px|em|rem)$/.test(text) ? text : null;

/** Whether words have room at their sides: then a line at its edge is longer than they are. */
function hasRoom(node: TreeNode, styled: Styled): boolean {
  const value = strongest(node, ['padding-left', 'padding-inline', 'padding'], styled).split(/\s+/);
  const side = value.length === 4 ? value[3]! : (value[1] ?? value[0]!);
  return /[1-9]/.test(side);
}
