import { copyEntries } from '../hand/copy-entries.ts';
import { belowAnother } from '../hand/differences.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import type { HandSite } from '../hand/types.ts';
import type { SitePath } from '../address/path.ts';
import type { Sheets } from '../page/reader.ts';
import { type StyleRule, inlineRules } from '../page/styles.ts';
import { type Tree, readTree } from '../page/tree.ts';
import type { Frame } from '../page/types.ts';
import { statesFromStyles } from './old-styles.ts';
import type { DraftState } from './types.ts';

/** Pages with old menus, and what styles them. */
export interface OldPages {
  site: HandSite;
  sheets: Sheets;
}

/** How it shows what the page lies below, on a page that does. */
export function withinOf(menu: SiteMenu, folder: OldPages): DraftState | null {
  const below = belowAnother(menu, folder.site);
  if (below === null) return null;
  const { tree, rules, start } = copyIn(below.path, menu, folder);
  return statesFromStyles(tree, { start, current: below.above }, rules).current;
}

/** So many pages are asked whether they have an entry of their own. */
const asked = 200;
/** On so many pages it is looked for how a menu shows the page itself: the front page often does not. */
const looked = 8;

/** How it shows the entry of the page itself, on the first page that does, where that looks otherwise on others. */
export function currentOf(menu: SiteMenu, folder: OldPages): DraftState | null {
  const pages = [...menu.copies.keys()];
  const entryOn = (path: SitePath, target: SitePath): number =>
    copyEntries(menu.copies.get(path)!, path, folder.site).find(one => one.target === target)?.entry.start ??
    -1;
  const looks = (path: SitePath, current: number): DraftState | null => {
    const { tree, rules, start } = copyIn(path, menu, folder);
    return statesFromStyles(tree, { start, current }, rules).current;
  };
  const own = pages
    .slice(0, asked)
    .map(path => ({ path, current: entryOn(path, path) }))
    .filter(one => one.current >= 0);
  for (const { path, current } of own.slice(0, looked)) {
    const state = looks(path, current);
    // A button is one on every page.
    const other = state ? pages.find(one => one !== path && entryOn(one, path) >= 0) : undefined;
    const usual = other === undefined ? null : looks(other, entryOn(other, path));
    if (state && JSON.stringify(state) !== JSON.stringify(usual)) return state;
  }
  return null;
}

/** A copy of a menu in its page, with all that styles it. */
export function copyIn(path: SitePath, { copies }: SiteMenu, { site, sheets }: OldPages): CopyInPage {
  const { raw, charset, bodyPoint } = site.pages.get(path)!.frame;
  const tree = readTree(raw, charset, true);
  const rules = [...[...sheets.files.values()].flat(), ...inlineRules(path, tree)];
  return { raw, charset, bodyPoint, tree, rules, start: copies.get(path)!.start };
}

/** A copy of a menu, as its page has it. */
interface CopyInPage extends Pick<Frame, 'raw' | 'charset' | 'bodyPoint'> {
  tree: Tree;
  rules: readonly StyleRule[];
  start: number;
}
