import { isSingle } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { unknownMenu } from '../menu/unknown-menu.ts';
import { type Finding, finding } from '../text/finding.ts';
import { shortened } from '../text/nearest.ts';

/** The menu whose entries are drawn: the one that is named, else the first that is no button; or why there is none. */
export function menuToDraw(
  menus: readonly ResolvedMenu[],
  name: string | undefined,
  file: string,
): ResolvedMenu | Finding {
  const all = menus.filter(one => one.shows === 'entries' && one.form !== 'top');
  const menu = all.find(one => (name === undefined ? !isSingle(one) : one.name === name));
  if (menu) return menu;
  const names = [...new Set(all.map(one => one.name))];
  if (name !== undefined) return unknownMenu(name, names, { file });
  return finding(
    'unknown-menu',
    { file },
    'the plan has no menu whose entries could be drawn',
    'Draw a button or tabs by name:  kamino pictures --menu NAME',
  );
}

/** Drawings that somebody may have gone on with. */
export function drawnOver(into: string, paths: readonly string[]): Finding {
  return finding(
    'drawn-over',
    { file: into },
    `${shortened(paths, 3)} ${paths.length === 1 ? 'is' : 'are'} there already, and drawn otherwise; nothing was written`,
    'Draw into another folder:  --into buttons-2   or over what is there:  --overwrite',
  );
}

/** A folder as a pattern of file names begins. */
export const plainFolder = (written: string): string =>
  written.replaceAll('\\', '/').replace(/^(?:\.\/)+|\/+$/g, '');

/** Pictures of a menu lie in its site. */
export const drawnOutside = (into: string): Finding =>
  finding(
    'outside-site',
    { file: into },
    'pictures for a menu lie in the site, and this folder does not',
    'Name a folder in the site:  --into buttons',
  );
