import { findBrowser } from '../browser/find.ts';
import { computedLook } from '../browser/old-look.ts';
import { lookFromBrowser } from '../core/draft/old-look.ts';
import { lookFromStyles, readable, statesFromStyles } from '../core/draft/old-styles.ts';
import { currentStart } from '../core/hand/differences.ts';
import type { DraftLook } from '../core/draft/types.ts';
import type { SiteMenu } from '../core/hand/site-menus.ts';
import { inlineRules } from '../core/page/styles.ts';
import { readTree } from '../core/page/tree.ts';
import { lookIn } from '../files/look-files.ts';
import { ownScriptOf } from '../files/own.ts';
import type { OpenFolder } from './folder.ts';

/** How old menus look. @param menus by the names of the new ones */
export async function oldLooks(
  menus: ReadonlyMap<string, SiteMenu>,
  folder: OpenFolder,
  root: string,
): Promise<Map<string, DraftLook>> {
  const looks = new Map<string, DraftLook>();
  for (const [name, menu] of menus) looks.set(name, await lookOf(menu, folder, root));
  return looks;
}

/** How a menu written by hand looks: from a browser where one is at hand, else from its style sheets. */
async function lookOf(menu: SiteMenu, { site, sheets }: OpenFolder, root: string): Promise<DraftLook> {
  const { front } = site;
  const [path, copy] = [...menu.copies].find(([one]) => one === front) ?? [...menu.copies][0]!;
  const { raw, charset, bodyPoint } = site.pages.get(path)!.frame;
  const tree = readTree(raw, charset, true);
  const node = tree.nodes.find(one => one.start === copy.start)!;
  const place = { start: copy.start, name: node.name, bodyPoint };
  const browser = findBrowser();
  const computed =
    browser === null
      ? null
      : await computedLook(
          { browser, script: ownScriptOf('look') },
          { path, raw, charset, ...place },
          lookIn(root),
        );
  const rules = [...[...sheets.files.values()].flat(), ...inlineRules(path, tree)];
  const base = computed ? lookFromBrowser(computed) : lookFromStyles(tree, copy.start, rules);
  const states = statesFromStyles(
    tree,
    { start: copy.start, current: currentStart(menu, path, site) },
    rules,
  );
  return readable({ ...base, states });
}
