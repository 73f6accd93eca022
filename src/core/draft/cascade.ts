import { readColor } from '../look/color.ts';
import { matcher } from '../page/select.ts';
import { type StyleRule, atLeast } from '../page/styles.ts';
import { type Tree, type TreeNode, valueOf } from '../page/tree.ts';

/** What the cascade gives an element itself (https://www.w3.org/TR/css-cascade-4/#cascade-sort), without its conditions. */
export function valueFor(
  node: TreeNode,
  property: string,
  tree: Tree,
  rules: readonly StyleRule[],
): string | null {
  return declaredFor(node, property, tree, rules)?.value ?? null;
}

/** The same with the rule that gives it; null for an old attribute. */
export function declaredFor(
  node: TreeNode,
  property: string,
  tree: Tree,
  rules: readonly StyleRule[],
): { rule: StyleRule | null; value: string } | null {
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
  return best;
}

function sets(property: string, wanted: string): boolean {
  return property === wanted || (wanted === 'background-color' && property === 'background');
}

/** By what a rule selects, whatever its condition. */
export function matchesRule({ selector }: StyleRule, node: TreeNode, tree: Tree): boolean {
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
