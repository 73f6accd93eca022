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
