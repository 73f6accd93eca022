import type { FoundWay } from '../explore.ts';
import type { Noter } from '../noter.ts';
import type { SpokenNode } from '../tab.ts';
import type { Visit } from '../visit.ts';

/** In the tree that screen readers get, menus are what they are to those who see them. */
export async function spoken(visit: Visit, found: readonly FoundWay[], noter: Noter): Promise<void> {
  await visit.fresh(noter.page);
  const tree = await visit.tab.spoken();
  if (tree === null) return;
  const said = (label: string, isRight: (node: SpokenNode) => boolean): number =>
    tree.filter(node => isRight(node) && plain(node.name).includes(plain(label))).length;
  const now = (await visit.links(found.map(one => one.link.index))).filter(one => one.at !== null);
  for (const { label, menu, href } of now) {
    if (menu === null) continue;
    const alike = now.filter(one => plain(one.label).includes(plain(label))).length;
    if (label === '')
      noter.told('unspoken', 'a link has no name', menu, href.slice(href.lastIndexOf('/') + 1));
    else if (said(label, node => node.role === 'link') < alike)
      noter.told(
        'unspoken',
        `what is read in ${menu} is no link of that name for screen readers`,
        menu,
        `“${label}”`,
      );
  }
  for (const { label, menu, at, isOpen } of await visit.controls()) {
    if (menu === null || at === null) continue;
    if (label === '') noter.told('unspoken', 'a control has no name', menu);
    else if (isOpen === null || said(label, node => node.isExpanded !== null) === 0)
      noter.told('unspoken', `a control in ${menu} does not say whether it is open`, menu, `“${label}”`);
  }
}

const plain = (text: string): string => text.replace(/\s+/g, ' ').trim().toLowerCase();
