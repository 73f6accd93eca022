import { frontPage } from '../address/front.ts';
import { type Navigation, navigations } from '../hand/navigation.ts';
import { type SiteMenu, siteMenus } from '../hand/site-menus.ts';
import type { HandMenu, HandSite } from '../hand/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { counted, nearest } from '../text/nearest.ts';
import { readSelector } from '../text/selector.ts';
import { inLanguages } from './by-language.ts';
import type { Extent, Firsts } from './firsts.ts';
import { menuFromFolders } from './from-folders.ts';
import type { HandSource } from './from-menu.ts';
import { menusFromOutline } from './from-outline.ts';
import { outlineFormatOf, outlineFormats } from './outlines/index.ts';
import { sitemapPaths } from './outlines/sitemap.ts';
import { OutlineError } from './outlines/types.ts';
import type { DraftMenu, DraftSite } from './types.ts';

/** Menus written by hand that are taken over as one, with all selectors that their copies need. */
export type FoundSource = Omit<HandSource, 'name'>;

const seen = 'kamino inventory  shows the menus that were found.';

/**
 * The menu of which a selector finds copies, and those of other pages of which it does; in several languages they are
 * one. Or the ways to the page before and behind, to the page itself, or to its headings, that it finds; or the finding that says why there is none.
 */
export function handSources(
  selector: string,
  site: HandSite,
  firsts: Firsts,
): FoundSource[] | Navigation | Finding {
  if (/\.(?:md|markdown|opml|csv|json|xml)$/i.test(selector))
    return noMenu(`there is no file \`${selector}\``, 'Write its path from the folder where you stand.');
  if (!readSelector(selector))
    return noMenu(
      `\`${selector}\` is no selector, and no file`,
      `A selector is written as in a style sheet:  --from "nav.top"\n${seen}`,
    );
  const menus = siteMenus(site);
  const hits = menus
    .map(menu => ({ menu, pages: pagesAt(firsts.of(selector), menu) }))
    .filter(({ pages }) => pages.length > 0)
    .sort((one, other) => other.pages.length - one.pages.length);
  const [best, ...rest] = hits;
  const other = formOfItsOwn(selector, site);
  if (other && (!best || best.pages.length < other.copies.size)) return other;
  if (!best) return noneFound(selector, menus);
  const elsewhere = rest.filter(
    ({ menu }) => ![...menu.copies.keys()].some(path => best.menu.copies.has(path)),
  );
  const all = [best, ...elsewhere];
  const byTag = inLanguages(
    all.map(one => one.menu),
    site,
  );
  if (byTag) {
    const selectors = new Set([selector, ...all.flatMap(one => selectorsOf(one, selector))]);
    return [{ menus: [...byTag.values()], byTag, selectors: [...selectors] }];
  }
  return all.map(one => ({
    menus: [one.menu],
    byTag: null,
    selectors: [selector, ...selectorsOf(one, selector)],
  }));
}

/** Links that have a form of their own. */
function formOfItsOwn(selector: string, site: HandSite): Navigation | undefined {
  return navigations(site).find(one => one.kind !== 'list' && one.selector === selector);
}

function noneFound(selector: string, menus: readonly SiteMenu[]): Finding {
  const near = nearest(
    selector,
    menus.flatMap(menu => menu.selectors.map(one => one.selector)),
  );
  return noMenu(`no menu is found by \`${selector}\``, near ? `Did you mean  --from "${near}"?` : seen);
}

const noMenu = (message: string, remedy: string): Finding => finding('no-hand-menu', null, message, remedy);

/** The selectors of the copies that the given one does not find. */
function selectorsOf({ menu, pages }: Hit, given: string): string[] {
  const covered = new Set(pages);
  return menu.selectors
    .filter(one => one.selector !== given && one.pages.some(path => !covered.has(path)))
    .map(one => one.selector);
}

interface Hit {
  menu: SiteMenu;
  pages: readonly string[];
}

/** The pages on which the first match of a selector is a copy of a menu, lies in it, or holds it. */
function pagesAt(found: ReadonlyMap<string, Extent>, menu: SiteMenu): string[] {
  return [...menu.copies].filter(([path, copy]) => isAt(found.get(path), copy)).map(([path]) => path);
}

function isAt(found: Extent | undefined, copy: HandMenu): boolean {
  if (!found) return false;
  const { end } = found;
  const copyEnd = copy.end < 0 ? Infinity : copy.end;
  return (
    (found.start <= copy.start && copy.start < end) || (copy.start <= found.start && found.start < copyEnd)
  );
}

/** The selectors that these sources may need, to be sought in one go through the pages. */
export function soughtBy(from: readonly string[], site: HandSite): string[] {
  const given = from.map(one => namedSource(one).text).filter(one => readSelector(one) !== null);
  if (given.length === 0) return [];
  return [...given, ...siteMenus(site).flatMap(menu => menu.selectors.map(one => one.selector))].slice(
    0,
    mostSought,
  );
}

const mostSought = 40;

/** The menus of an outline, or the finding that says why it is none. @param shown its path as the user sees it */
export function outlineMenus(shown: string, text: string, site: DraftSite): DraftMenu[] | Finding {
  const fail = (message: string, line: number | null, remedy: string): Finding => {
    const place = { file: shown, ...(line === null ? {} : { position: { line, column: 1 } }) };
    return finding('bad-outline', place, message, remedy);
  };
  const format = outlineFormatOf(shown, text);
  if (format === null)
    return fail(
      'this is no outline that Kamino reads',
      null,
      'Outlines are .md, .opml, .csv, .json and the .xml of a sitemap.',
    );
  try {
    return format === 'sitemap'
      ? [fromSitemap(sitemapPaths(text), site)]
      : menusFromOutline(outlineFormats[format].read(text), site);
  } catch (error) {
    if (!(error instanceof OutlineError)) throw error;
    return fail(error.message, error.line, error.remedy);
  }
}

/** The pages of a sitemap, as folders have them; those that are not there may come. */
function fromSitemap(paths: readonly string[], known: DraftSite): DraftMenu {
  const unknown = { label: null, heading: null, isUnlisted: false, links: [] };
  const pages = new Map(paths.map(path => [path, known.pages.get(path) ?? unknown]));
  return menuFromFolders({
    pages,
    files: known.files,
    front: frontPage(new Set(pages.keys())),
  });
}

/** How many entries a menu has, on all levels. */
export function countEntries({ entries }: { entries: DraftMenu['entries'] }): number {
  return entries.reduce((sum, one) => sum + 1 + countEntries(one), 0);
}

/** Menus that could be taken over, each with a selector and what it is. */
export function choicesOf(site: HandSite): { selector: string; about: string; isUsual: boolean }[] {
  const choices = siteMenus(site)
    .filter(menu => menu.selectors.length > 0)
    .map(menu => {
      const { copies, entries, selectors } = menu;
      const labels = entries.slice(0, 5).map(one => one.label);
      const pages = `on ${copies.size} of ${counted(site.pages.size, 'page')}`;
      return {
        selector: selectors[0]!.selector,
        about: `${pages}: ${labels.join(', ')}${entries.length > 5 ? ' …' : ''}`,
        isUsual: menu.isUsual && !isOfLogos(menu),
      };
    });
  return choices.sort((one, other) => Number(other.isUsual) - Number(one.isUsual));
}

/** A picture or two that lead somewhere are the heads of a page, and no menu, unless somebody says so. */
function isOfLogos({ copies }: SiteMenu): boolean {
  const [first] = copies.values();
  return first!.entries.length <= 2 && first!.entries.every(one => one.picture !== null);
}

/** `foot=footer ul` as a name and what it is for; a selector alone has no name. */
export function namedSource(from: string): { name: string | null; text: string } {
  const named = /^([a-z][a-z0-9-]*)=(.+)$/s.exec(from);
  return named && !from.startsWith('[') ? { name: named[1]!, text: named[2]! } : { name: null, text: from };
}
