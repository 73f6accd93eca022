import { matchedBy } from '../page/select.ts';
import type { StyleRule } from '../page/styles.ts';
import { type Tree, type TreeNode, descendants, valueOf } from '../page/tree.ts';
import { type Finding, finding } from '../text/finding.ts';
import { placeInRaw } from '../text/place.ts';
import { inAnyWindow, styleOf } from './laid-out.ts';
import { type Change, insideOf } from './left-behind.ts';
import { inWideWindows } from './windows.ts';

/** What visitors pressed to open the old menu, and nothing else. */
export function leftControls(change: Change, rules: readonly StyleRule[]): Finding[] {
  return [...leftBoxes(change, rules), ...leftButtons(change, rules)];
}

/** Check boxes by which style sheets opened the old menu and nothing else, each by what visitors press: its label, where it has one. */
function leftBoxes({ path, before, removed }: Change, rules: readonly StyleRule[]): Finding[] {
  const isGone = insideOf(removed);
  const opened = new Map<TreeNode, boolean>();
  for (const { selector } of rules) {
    const [, box] = /([^\s>+~(,]*):checked/.exec(selector) ?? [];
    if (box === undefined) continue;
    const subjects = matchedBy(selector.replaceAll(':checked', ''), before);
    for (const control of matchedBy(box || 'input', before).filter(node => !isGone(node)))
      // A label that looks otherwise while the box is checked is a part of it.
      if (subjects.some(one => !isLabel(one, control, before)))
        opened.set(control, (opened.get(control) ?? true) && subjects.every(isGone));
  }
  return [...opened].flatMap(([control, isIts]) => {
    if (!isIts) return [];
    const { start, open } = before.nodes.find(one => isLabel(one, control, before)) ?? control;
    return told({ path, tree: before, start, open }, ', with its check box');
  });
}

/** Buttons that say that they control what goes, or are called so and seen on phones alone, where the old menu was not. */
function leftButtons({ path, before, removed }: Change, rules: readonly StyleRule[]): Finding[] {
  const isGone = insideOf(removed);
  const gone = new Set(before.nodes.filter(isGone).map(node => valueOf(node, 'id', before.charset)));
  const value = (node: TreeNode, name: string): string => valueOf(node, name, before.charset) ?? '';
  const controls = (node: TreeNode): string[] => [
    ...value(node, 'aria-controls').split(/\s+/),
    ...(node.name === 'a' ? [value(node, 'href').replace(/^[^#]*#?/, '')] : []),
  ];
  const isCalledSo = (node: TreeNode): boolean =>
    opensMenus.test(['id', 'class', 'aria-label', 'title'].map(name => value(node, name)).join(' '));
  const windows = [inWideWindows(rules), rules].map(inAnyWindow);
  const isOfPhones = (node: TreeNode): boolean => {
    const [onDesk, onPhone] = windows.map(some => styleOf(node, 'display', before, some) === 'none');
    return onDesk === true && onPhone === false;
  };
  const opensIt = (node: TreeNode): boolean => {
    if (controls(node).some(id => id !== '' && gone.has(id))) return node.name !== 'a' || isOfPhones(node);
    return isCalledSo(node) && isOfPhones(node);
  };
  return (
    before.nodes
      .filter(node => pressed.has(node.name) && !isGone(node))
      // What an element holds is looked through last, and for few.
      .filter(node => opensIt(node) && !leadsElsewhere(node, value))
      .flatMap(({ start, open }) => told({ path, tree: before, start, open }, ''))
  );
}

const pressed: ReadonlySet<string> = new Set(['button', 'a', 'div', 'span']);
const opensMenus = /menu|nav|burger|toggle/i;

/** It is a link to something, or holds one. */
function leadsElsewhere(node: TreeNode, value: (node: TreeNode, name: string) => string): boolean {
  return [node, ...descendants(node)].some(
    one => one.name === 'a' && !/^(?:$|#|javascript:)/i.test(value(one, 'href')),
  );
}

function told(
  { path, tree: { raw, charset }, start, open }: { path: string; tree: Tree; start: number; open: number },
  more: string,
): Finding[] {
  return [
    finding(
      'left-control',
      placeInRaw({ path, raw, charset }, start, open),
      'this opened the old menu, and opens nothing now',
      `Take it out of the pages${more}: the new menu has a toggle of its own.`,
    ),
  ];
}

function isLabel(node: TreeNode, control: TreeNode, { charset }: Tree): boolean {
  const id = valueOf(control, 'id', charset);
  return node.name === 'label' && id !== null && valueOf(node, 'for', charset) === id;
}
