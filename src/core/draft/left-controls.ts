import { matchedBy } from '../page/select.ts';
import type { StyleRule } from '../page/styles.ts';
import { type Tree, type TreeNode, valueOf } from '../page/tree.ts';
import { type Finding, finding } from '../text/finding.ts';
import { placeInRaw } from '../text/place.ts';
import { type Change, insideOf } from './left-behind.ts';

/** Check boxes by which style sheets opened the old menu and nothing else, each by what visitors press: its label, where it has one. */
export function leftControls({ path, before, removed }: Change, rules: readonly StyleRule[]): Finding[] {
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
    return [
      finding(
        'left-control',
        placeInRaw({ path, raw: before.raw, charset: before.charset }, start, open),
        'this opened the old menu, and opens nothing now',
        'Take it out of the pages, with its check box: the new menu has a toggle of its own.',
      ),
    ];
  });
}

function isLabel(node: TreeNode, control: TreeNode, { charset }: Tree): boolean {
  const id = valueOf(control, 'id', charset);
  return node.name === 'label' && id !== null && valueOf(node, 'for', charset) === id;
}
