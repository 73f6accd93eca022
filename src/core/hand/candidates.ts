import type { TreeNode, Tree, TreeText } from '../page/tree.ts';
import { childrenOf, descendants, firstsBehind, isNode, roleOf, textOf, valueOf } from '../page/tree.ts';
import { entriesOf, isLink, isOurs, isSeparator } from './entries.ts';
import { Selectors } from './selectors.ts';
import { type HandEntry, type HandMenu, flatEntries } from './types.ts';

const blocks: ReadonlySet<string> = new Set(
  'ul ol menu dir dl table tr td th div p center font span b small section aside header footer map address blockquote'.split(
    ' ',
  ),
);
const lists: ReadonlySet<string> = new Set(['ul', 'ol', 'menu', 'dir', 'dl']);
/** Parts of a page that stay when the menu in them goes. */
const containers: ReadonlySet<string> = new Set(
  'td th header footer aside section center font span b small address blockquote'.split(' '),
);
const unseen: ReadonlySet<string> = new Set([
  'script',
  'style',
  'template',
  'noscript',
  'svg',
  'select',
  'title',
  'textarea',
]);
const longestLabel = 40;

/** The parts of a page that look like menus: most of what they say is links. */
export function handMenus(tree: Tree): HandMenu[] {
  endLists(tree);
  const holdings = new Holdings(tree);
  const nodes = tree.content.filter(isNode).flatMap(node => candidatesIn(tree, node, holdings));
  if (nodes.length === 0) return [];
  const selectors = new Selectors(tree);
  return nodes
    .map(node => menuOf(tree, node, selectors))
    .filter(menu => !menu.isTrail && isMenu(menu.entries));
}

/** Lists that are never closed let go of what is no entry, and of all behind it. */
function endLists(tree: Tree): void {
  const open = tree.nodes.filter(node => lists.has(node.name) && node.close < 0);
  if (open.length === 0) return;
  const firsts = firstsBehind(tree);
  for (const list of open) {
    const first = firsts.get(list);
    // One around it may have let it go already.
    if (first && liesIn(first, list)) endList(tree, list, first);
  }
}

function liesIn(node: TreeNode, outer: TreeNode): boolean {
  for (let one = node.parent; one; one = one.parent) if (one === outer) return true;
  return false;
}

function endList(tree: Tree, list: TreeNode, first: TreeNode): void {
  const gone: (TreeNode | TreeText)[] = [];
  const cut = (node: TreeNode): void => {
    const kept = node.content.filter(one => one.start < first.start);
    gone.push(...node.content.slice(kept.length));
    node.content = kept;
    const last = kept.at(-1);
    if (last && isNode(last)) cut(last);
  };
  cut(list);
  const around = list.parent ?? tree;
  const at = around.content.indexOf(list) + 1;
  for (const one of gone) if (isNode(one)) one.parent = list.parent;
  around.content.splice(at, 0, ...gone.sort((one, other) => one.start - other.start));
}

interface Counts {
  /** Letters in links, and outside of them. */
  linked: number;
  other: number;
  /** It holds a heading of the first level. */
  hasTitle: boolean;
}

/** What elements hold: links are counted for all, letters only where somebody asks, since most of a page is prose. */
class Holdings {
  readonly #tree: Tree;
  readonly #links = new Map<TreeNode, number>();
  readonly #inLink = new Map<TreeNode, Counts>();
  readonly #counts = new Map<TreeNode, Counts>();

  constructor(tree: Tree) {
    this.#tree = tree;
    for (const node of childrenOf(tree)) this.#countLinks(node);
  }

  links(node: TreeNode): number {
    return this.#links.get(node) ?? 0;
  }

  #countLinks(node: TreeNode): number {
    let links = isLink(node) ? 1 : 0;
    if (!isClosed(node)) for (const one of node.content) if (isNode(one)) links += this.#countLinks(one);
    if (links > 0) this.#links.set(node, links);
    return links;
  }

  /** @param inLink whether a link lies around it */
  of(node: TreeNode, inLink = false): Counts {
    const known = inLink ? this.#inLink : this.#counts;
    let counts = known.get(node);
    if (!counts) known.set(node, (counts = this.#count(node, inLink)));
    return counts;
  }

  #count(node: TreeNode, inLink: boolean): Counts {
    const sum = { linked: 0, other: 0, hasTitle: node.name === 'h1' };
    if (isClosed(node)) return sum;
    if (node.name === 'img') sum.linked += inLink ? 6 : 0;
    const inside = inLink || isLink(node);
    for (const one of node.content) {
      if (isNode(one)) {
        const below = this.of(one, inside);
        sum.linked += below.linked;
        sum.other += below.other;
        sum.hasTitle ||= below.hasTitle;
      } else if (inside) sum.linked += lettersOf(this.#tree, one);
      else sum.other += lettersOf(this.#tree, one);
    }
    return sum;
  }
}

/** What lies in it is neither seen nor written by hand. */
const isClosed = (node: TreeNode): boolean => unseen.has(node.name) || isOurs(node);

function lettersOf(tree: Tree, text: TreeText): number {
  // Of long texts it does not matter how many of their letters are white space.
  if (text.end - text.start > 80) return text.end - text.start;
  const words = textOf(tree, text);
  return isSeparator(words) ? 0 : words.replace(/\s+/g, '').length;
}

function candidatesIn(tree: Tree, node: TreeNode, holdings: Holdings): TreeNode[] {
  const links = holdings.links(node);
  if (links < 2 || isClosed(node)) return [];
  const isLandmark = node.name === 'nav' || roleOf(node, tree.charset) === 'navigation';
  const inner = (): TreeNode[] => childrenOf(node).flatMap(one => candidatesIn(tree, one, holdings));
  if (isLandmark) return [node];
  if (!blocks.has(node.name)) return inner();
  const own = holdings.of(node);
  if (own.hasTitle || own.other > Math.max(12, own.linked * 0.6)) return inner();
  if (lists.has(node.name) || node.name === 'table' || node.name === 'tr') return [node];
  const whole = childrenOf(node).find(one => holdings.links(one) === links);
  const isBare = !node.attributes.some(one => one.name === 'id' || one.name === 'class');
  if (
    whole &&
    blocks.has(whole.name) &&
    (containers.has(node.name) || isBare || holdings.of(whole).other < own.other)
  )
    return candidatesIn(tree, whole, holdings);
  if (whole && isOurs(whole)) return [];
  if (whole && (whole.name === 'nav' || roleOf(whole, tree.charset) === 'navigation')) return [whole];
  if (whole && lists.has(whole.name)) return [node];
  const menus = inner();
  return menus.some(one => lists.has(one.name) || one.name === 'nav' || one.name === 'table')
    ? menus
    : [node];
}

function menuOf(tree: Tree, node: TreeNode, selectors: Selectors): HandMenu {
  const unclosed = [...descendants(node)]
    .filter(one => lists.has(one.name) && one.close < 0)
    .map(one => ({ start: one.start, end: one.open }));
  const named = ['class', 'id'].map(name => valueOf(node, name, tree.charset) ?? '').join(' ');
  return {
    start: node.start,
    open: node.open,
    end: node.end,
    selectors: selectors.for(node),
    kind: `${node.name} ${named}`.trim(),
    region: regionOf(tree, node),
    entries: entriesOf(tree, node),
    isTrail: isTrail(tree, node),
    unclosed,
  };
}

/** By its name, or by the signs between its links. */
function isTrail(tree: Tree, node: TreeNode): boolean {
  const named = ['class', 'id', 'aria-label'].map(name => valueOf(node, name, tree.charset) ?? '').join(' ');
  if (/crumb|you are here/i.test(named)) return true;
  const texts = [...descendants(node)].flatMap(one =>
    isLink(one) ? [] : one.content.filter(inner => !isNode(inner)).map(inner => textOf(tree, inner).trim()),
  );
  const signs = texts.filter(text => /^(?:>|»|›|→|\/|::)/u.test(text)).length;
  return (
    signs > 0 && texts.every(text => text === '' || /^(?:>|»|›|→|\/|::)/u.test(text) || text === texts.at(-1))
  );
}

function regionOf(tree: Tree, node: TreeNode): HandMenu['region'] {
  for (let one: TreeNode | null = node; one; one = one.parent) {
    const words = `${one.name} ${valueOf(one, 'id', tree.charset) ?? ''} ${valueOf(one, 'class', tree.charset) ?? ''}`;
    if (/foot|bottom/i.test(words)) return 'footer';
    if (one.name === 'aside' || /side/i.test(words)) return 'aside';
    if (/\bheader\b|masthead/i.test(words)) return 'header';
    if (one.name === 'nav') return 'navigation';
  }
  return 'other';
}

/** Not a trail to this page, not a leaf to the next one, not a row of numbers. */
function isMenu(entries: readonly HandEntry[]): boolean {
  const all = [...flatEntries(entries)].map(({ entry }) => entry);
  const links = all.filter(one => one.href !== null);
  const plain = all.filter(one => one.href === null && one.entries.length === 0);
  if (links.length < 2 || plain.length > Math.max(1, links.length / 2)) return false;
  const labels = links.map(one => one.label);
  if (labels.reduce((sum, label) => sum + label.length, 0) > longestLabel * labels.length) return false;
  const turning = labels.filter(label =>
    /^\W*(?:\d+|prev\w*|next|back|up|top|first|last|newer|older)\b\W*$/i.test(label),
  );
  return turning.length * 2 < labels.length;
}
