import { findBrowser } from '../browser/find.ts';
import { computedLook } from '../browser/old-look.ts';
import { copyIn, currentOf, withinOf } from '../core/draft/copy-in.ts';
import { ownHome } from '../core/draft/old-home.ts';
import { lookFromBrowser, plainFromBrowser } from '../core/draft/old-look.ts';
import { lookFromStyles, readable, statesFromStyles } from '../core/draft/old-styles.ts';
import { type DraftLook, pageLook } from '../core/draft/types.ts';
import { currentStart } from '../core/hand/differences.ts';
import type { SiteMenu } from '../core/hand/site-menus.ts';
import { lookIn } from '../files/look-files.ts';
import { ownScriptOf } from '../files/own.ts';
import type { OpenFolder } from '../opening/folder.ts';

/** An old menu, and whether the new one is on the page's own ground. */
export interface OldMenu {
  menu: SiteMenu;
  isPlain: boolean;
}

/** How old menus look. @param menus by the names of the new ones */
export async function oldLooks(
  menus: ReadonlyMap<string, OldMenu>,
  folder: OpenFolder,
  root: string,
): Promise<Map<string, DraftLook>> {
  const looks = new Map<string, DraftLook>();
  for (const [name, menu] of menus) looks.set(name, await lookOf(menu, folder, root));
  return looks;
}

/** How a menu written by hand looks: from a browser where one is at hand, else from its style sheets. */
async function lookOf({ menu, isPlain }: OldMenu, folder: OpenFolder, root: string): Promise<DraftLook> {
  const { site } = folder;
  const path = site.front !== null && menu.copies.has(site.front) ? site.front : [...menu.copies.keys()][0]!;
  const { raw, charset, bodyPoint, tree, rules, start } = copyIn(path, menu, folder);
  const node = tree.nodes.find(one => one.start === start)!;
  const place = { start, name: node.name, bodyPoint };
  const browser = findBrowser();
  const computed =
    browser === null
      ? null
      : await computedLook(
          { browser, script: ownScriptOf('look') },
          { path, raw, charset, ...place },
          lookIn(root),
        );
  const fromBrowser = isPlain ? plainFromBrowser : lookFromBrowser;
  const base = computed ? fromBrowser(computed) : isPlain ? pageLook : lookFromStyles(tree, start, rules);
  const states = statesFromStyles(tree, { start, current: currentStart(menu, path, site) }, rules);
  const current = currentOf(menu, folder);
  const look = { ...base, states: { ...states, current, within: withinOf(menu, folder) } };
  return readable(ownHome(look, path, site));
}
