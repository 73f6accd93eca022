import { readAddress, baseFolder } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import { Placement, type PlacementSource, pagesOfFolders } from '../inlay/placement.ts';
import { carrier } from '../menu/carried.ts';
import { type JudgedPage, type PageFiles, PageReader } from '../page/reader.ts';
import { styleResources } from '../page/resources.ts';
import { ruleMatcher } from '../page/select.ts';
import { type TreeNode, isNode, textOf, valueOf } from '../page/tree.ts';

const mostPages = 12;
/** So deep a picture may lie in what follows a menu. */
const mostSteps = 5;

/**
 * The pictures that menus over the page lie on, by the names of the menus, on one page of each folder. A menu that lies on
 * anything else on one of them, or on what style sheets do not tell, is not among them.
 */
export function picturesBelow(
  source: PlacementSource,
  { pages, files }: { pages: Iterable<SitePath>; files: PageFiles },
): Map<string, SitePath[]> {
  const menus = source.menus.filter(menu => menu.over);
  const carries = carrier(menus);
  const placement = new Placement(source);
  const reader = new PageReader(files, raw => placement.wanted(menus, raw, null));
  const found = new Map<string, Set<SitePath> | null>();
  for (const path of pagesOfFolders(pages, mostPages)) {
    const own = menus.filter(menu => carries(menu, path));
    const page = own.length > 0 ? reader.judged(path) : null;
    if (!page) continue;
    for (const menu of own) {
      const point = placement.point(menu, page.frame);
      if (point.kind !== 'at') continue;
      const first = page.tree.nodes.find(one => one.open >= point.at) ?? null;
      const seen = first ? new Below(page).pictures(first) : [];
      const before = found.get(menu.name) ?? new Set();
      const isKnown = seen !== null && seen.length > 0 && found.get(menu.name) !== null;
      found.set(menu.name, isKnown ? new Set([...before, ...seen]) : null);
    }
  }
  return new Map([...found].flatMap(([name, all]) => (all === null ? [] : [[name, [...all]] as const])));
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

  /** The pictures of an element and of what it begins with; null where more than they lies there. */
  pictures(first: TreeNode): SitePath[] | null {
    const all: SitePath[] = [];
    for (let [node, steps]: [TreeNode | null, number] = [first, 0]; node && steps < mostSteps; steps += 1) {
      const own = this.#of(node);
      if (own === null) return null;
      all.push(...own);
      if (node.name === 'img') break;
      node = this.#begin(node);
    }
    return all;
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
