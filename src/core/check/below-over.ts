import { readAddress, baseFolder } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import type { JudgedPage } from '../page/reader.ts';
import { styleResources } from '../page/resources.ts';
import { ruleMatcher } from '../page/select.ts';
import { type TreeNode, isNode, textOf, valueOf } from '../page/tree.ts';
import type { PlacedMenus } from './placed.ts';

/** So deep a picture may lie in what follows a menu. */
const mostSteps = 5;

/**
 * The pictures that menus over the page lie on, by the names of the menus, on one page of each folder. A menu that lies on
 * anything else on one of them, or on what style sheets do not tell, is not among them.
 */
export function picturesBelow(placed: PlacedMenus): Map<string, SitePath[]> {
  const found = new Map<string, SitePath[]>();
  const others = new Set<string>();
  for (const { menu, page, point } of placed.of(one => one.over)) {
    if (point.kind !== 'at') continue;
    const first = page.tree.nodes.find(one => one.open >= point.at);
    const seen = first ? new Below(page).pictures(first) : [];
    if (seen.length === 0) others.add(menu.name);
    found.set(menu.name, [...(found.get(menu.name) ?? []), ...seen]);
  }
  return new Map([...found].filter(([name]) => !others.has(name)));
}

const isGround = (property: string): boolean => /^background(?:-image)?$/.test(property);
/** What makes of a picture something else than is in its file. */
const isChange = (property: string): boolean => /^(?:opacity|filter|mix-blend-mode)$/.test(property);

/** What a page shows from an element on. */
class Below {
  readonly #page: JudgedPage;

  constructor(page: JudgedPage) {
    this.#page = page;
  }

  /** The pictures of an element and of what it begins with; none where more than they lies there. */
  pictures(first: TreeNode): SitePath[] {
    const all: SitePath[] = [];
    const nodes = [...this.#begins(first)];
    for (const own of nodes.map(node => this.#of(node))) {
      if (own === null) return [];
      all.push(...own);
    }
    return all;
  }

  /** An element, and what it begins with, inwards. */
  *#begins(first: TreeNode): Generator<TreeNode> {
    let node: TreeNode | null = first;
    for (let steps = 0; node && steps < mostSteps; steps += 1) {
      yield node;
      node = node.name === 'img' ? null : this.#begin(node);
    }
  }

  /** Where an element begins with another one: that. */
  #begin(node: TreeNode): TreeNode | null {
    const inside = node.content.find(one => isNode(one) || textOf(this.#page.tree, one).trim() !== '');
    return inside && isNode(inside) ? inside : null;
  }

  #of(node: TreeNode): SitePath[] | null {
    const { tree, path, frame, rules } = this.#page;
    if (['video', 'canvas', 'iframe', 'svg', 'object', 'source'].includes(node.name)) return null;
    const grounds: { value: string; folder: SitePath }[] = [];
    const pageFolder = baseFolder(path, frame.base);
    for (const { selector, declarations, place } of rules) {
      const said = declarations.filter(({ property }) => isGround(property) || isChange(property));
      if (said.length === 0 || !ruleMatcher(tree, selector)(node)) continue;
      const isLayer = /::?(?:before|after)\b/.test(selector);
      if (isLayer || said.some(({ property }) => isChange(property))) return null;
      const folder = place.file === path ? pageFolder : folderOf(place.file);
      grounds.push(...said.map(({ value }) => ({ value, folder })));
    }
    const style = valueOf(node, 'style', tree.charset);
    if (style !== null) grounds.push({ value: style, folder: pageFolder });
    if (grounds.some(({ value }) => value.includes('gradient('))) return null;
    const named = grounds.flatMap(({ value, folder }) =>
      styleResources(value).map(({ address }) => ({ address, folder })),
    );
    const src = node.name === 'img' ? valueOf(node, 'src', tree.charset) : null;
    if (src !== null) named.push({ address: src, folder: pageFolder });
    const files = named.map(({ address, folder }) => readAddress(address, folder));
    return files.every(one => one.kind === 'inside') ? files.map(({ path }) => path) : null;
  }
}
