import { fileAtAddress, readAddress } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import { currentStart } from '../hand/differences.ts';
import { isLink } from '../hand/linked.ts';
import { copyEntries } from '../hand/copy-entries.ts';
import { type SiteEntry, matched } from '../hand/shared.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import type { HandSite } from '../hand/types.ts';
import { styleResources } from '../page/resources.ts';
import { type StyleRule, inlineRules } from '../page/styles.ts';
import { type Tree, type TreeNode, descendants, readTree } from '../page/tree.ts';
import type { PictureState } from '../plan/picture-types.ts';
import { declaredFor, valueFor } from './cascade.ts';
import { hovered } from './old-styles.ts';
import type { DraftMenu, DraftPictures } from './types.ts';

/** A page with its rules, as far as they are known. */
interface RuledPage {
  path: SitePath;
  tree: Tree;
  rules: readonly StyleRule[];
  /** Where the site lies on its server. */
  base: string;
}

/** Where the picture of an entry lies in its file, in px. */
interface Part {
  file: SitePath;
  x: number;
  y: number;
  width: number;
  height: number;
  hoverY: number | null;
}

/**
 * The strip of pictures that an old menu moved behind its entries: as style sheets say it, with the rows for the pointer
 * and for the current page; null where there is none, or none that a plan can say.
 * @param sheets the rules of the style sheets of the site
 */
export function stripFromStyles(
  menu: SiteMenu,
  sheets: readonly StyleRule[],
  { name, site }: { name: string; site: HandSite },
): DraftPictures | null {
  const { parts, currentY } = partsOf(menu, ruledPages(menu, site, sheets), site);
  const all = menu.entries.filter(one => parts.has(one));
  const ordered = [...all].sort((one, other) => parts.get(one)!.x - parts.get(other)!.x);
  const [first] = ordered.map(one => parts.get(one)!);
  if (!first || all.length < 2 || all.length < menu.entries.length) return null;
  const row = ordered.map(one => parts.get(one)!);
  const gap = gapOf(row);
  const rows = rowsOf(first, currentY);
  const isRegular =
    gap !== null &&
    rows !== null &&
    rows.every(({ y }, at) => y === at * (first.height + gap)) &&
    row.every(one => one.file === first.file && one.y === first.y && one.height === first.height);
  if (!isRegular) return null;
  const isInOrder = ordered.every((one, at) => one === menu.entries[at]);
  const source = {
    kind: 'strip' as const,
    file: first.file,
    states: rows.map(one => one.state),
    entries: isInOrder ? null : ordered.map(one => one.label),
    widths: row.map(one => one.width),
    height: first.height,
    gap,
  };
  return { menu: name, source, height: null };
}

/** The parts of entries that are not current, and how far down the current one lies. */
function partsOf(
  menu: SiteMenu,
  pages: readonly RuledPage[],
  site: HandSite,
): { parts: Map<SiteEntry, Part>; currentY: number | null } {
  const parts = new Map<SiteEntry, Part>();
  let currentY: number | null = null;
  for (const page of pages) {
    const own = currentStart(menu, page.path, site);
    for (const { shared, start } of linksIn(menu, page, site)) {
      const part = partOf(start, page);
      if (!part || !site.files.has(part.file)) continue;
      if (start === own) currentY = currentY ?? part.y;
      else if (!parts.has(shared)) parts.set(shared, part);
    }
  }
  return { parts, currentY };
}

/** So many pages tell how the current one is shown. */
const mostPages = 6;

/**
 * Some of the pages that carry a menu, with the rules that may place pictures in it; none where nothing has a picture
 * behind it.
 */
function ruledPages(menu: SiteMenu, site: HandSite, sheets: readonly StyleRule[]): RuledPage[] {
  const paths = [...menu.copies.keys()].slice(0, mostPages);
  if (stripRules(sheets).length === 0 && paths.every(path => site.pages.get(path)!.styles.length === 0))
    return [];
  return paths.map(path => {
    const { raw, charset } = site.pages.get(path)!.frame;
    const tree = readTree(raw, charset, true);
    return { path, tree, rules: stripRules([...sheets, ...inlineRules(path, tree)]), base: site.base };
  });
}

/** Rules that may say where the picture of an entry lies; none where nothing has a picture behind it. */
function stripRules(rules: readonly StyleRule[]): StyleRule[] {
  const of = ({ declarations }: StyleRule, names: RegExp, value = /^/): boolean =>
    declarations.some(one => names.test(one.property) && value.test(one.value));
  const hasPicture = rules.some(rule => of(rule, /^background(?:-image)?$/, /url\(/i));
  return hasPicture ? rules.filter(rule => of(rule, /^(?:background|width|height)/)) : [];
}

/** The same between any two, or null. */
function gapOf(row: readonly Part[]): number | null {
  const gaps = row.slice(1).map((one, at) => one.x - row[at]!.x - row[at]!.width);
  const [first = 0] = gaps;
  return row[0]!.x === 0 && first >= 0 && gaps.every(one => one === first) ? first : null;
}

/** The rows from above, each once. */
function rowsOf({ y, hoverY }: Part, currentY: number | null): { state: PictureState; y: number }[] | null {
  const rows: { state: PictureState; y: number }[] = [{ state: 'base', y }];
  if (hoverY !== null && hoverY !== y) rows.push({ state: 'hover', y: hoverY });
  if (currentY !== null && rows.every(one => one.y !== currentY))
    rows.push({ state: 'current', y: currentY });
  const sorted = rows.sort((one, other) => one.y - other.y);
  return sorted[0]!.y === 0 ? sorted : null;
}

/** The top entries of a copy, with where their links begin. */
function linksIn(
  menu: SiteMenu,
  { path }: RuledPage,
  site: HandSite,
): { shared: SiteEntry; start: number }[] {
  const hand = menu.copies.get(path);
  if (!hand) return [];
  return [...matched(copyEntries(hand, path, site), menu.entries)].map(([{ entry }, shared]) => ({
    shared,
    start: entry.start,
  }));
}

/** The link, its item, or what is in it: whichever has the picture. */
function partOf(start: number, page: RuledPage): Part | null {
  const { tree, rules } = page;
  const link = tree.nodes.find(one => one.start === start);
  if (!link || !isLink(link)) return null;
  const item = link.parent?.name === 'li' ? [link.parent] : [];
  for (const node of [link, ...descendants(link), ...item]) {
    const file = fileOf(node, page);
    if (file === null) continue;
    const at = positionOf(node, tree, rules);
    const [width, height] = ['width', 'height'].map(name => lengthOf(link, node, name, { tree, rules }));
    if (!at || width === null || height === null) return null;
    const over = positionOf(node, tree, [...rules, ...hovered(rules)]);
    return { file, ...at, width: width!, height: height!, hoverY: over?.y ?? null };
  }
  return null;
}

/** The file behind an element; its address is seen from the sheet that names it. */
function fileOf(node: TreeNode, { path, tree, rules, base }: RuledPage): SitePath | null {
  for (const property of ['background-image', 'background']) {
    const declared = declaredFor(node, property, tree, rules);
    const [found] = declared === null ? [] : styleResources(declared.value);
    if (!found) continue;
    const file = fileAtAddress(
      readAddress(found.address, folderOf(declared?.rule?.place.file ?? path)),
      base,
    );
    if (file !== null) return file;
  }
  return null;
}

/** In px from the left and upper edge; null for what is no such place. */
function positionOf(
  node: TreeNode,
  tree: Tree,
  rules: readonly StyleRule[],
): { x: number; y: number } | null {
  const own = valueFor(node, 'background-position', tree, rules);
  const whole = valueFor(node, 'background', tree, rules);
  const text =
    own ?? whole?.replace(/url\([^)]*\)|#[0-9a-f]+|[a-z-]*repeat[a-z-]*|scroll|fixed|none/gi, ' ') ?? '';
  const words = text
    .trim()
    .split(/\s+/)
    .filter(one => /^(?:-?\d+(?:\.\d+)?(?:px)?|left|top)$/i.test(one));
  const [x = 0, y = 0] = words.map(one => (/^[lt]/i.test(one) ? 0 : parseFloat(one)));
  return x <= 0 && y <= 0 ? { x: -x, y: -y } : null;
}

function lengthOf(
  link: TreeNode,
  node: TreeNode,
  property: string,
  { tree, rules }: Pick<RuledPage, 'tree' | 'rules'>,
): number | null {
  for (const one of [node, link, link.parent]) {
    const value = one && valueFor(one, property, tree, rules);
    const px = /^(\d+)px$/.exec(value ?? '')?.[1];
    if (px !== undefined) return Number(px);
  }
  return null;
}

/** A bar of pictures knows how wide it is: it folds where it has no room. */
export const inOwnRoom = (menu: DraftMenu, pictures: readonly DraftPictures[]): DraftMenu =>
  pictures.length > 0 && menu.fold !== null ? { ...menu, fold: 'crowded' } : menu;
