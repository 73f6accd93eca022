import { type SitePath, isIndex } from '../address/path.ts';
import type { Entry, Menu } from '../plan/types.ts';
import { nearestPage } from '../target/nearest-page.ts';
import type { Ground } from './ground.ts';
import { entriesFromPages, pagesOf } from './patterns.ts';
import { plainEntry } from './resolve-entries.ts';

/** The entries of the pages of a set; only pages that carry the menu are neighbours. */
export function setEntries(
  menu: Menu,
  set: NonNullable<Menu['set']>,
  { carriers, ground }: { carriers: readonly SitePath[]; ground: Ground },
): Entry[] {
  const carried = new Set(carriers);
  const named = new Set(set.globs.map(glob => glob.replace(/^\.?\//, '')));
  for (const path of named) if (isPath(path)) tellMissing(path, menu, ground);
  const order = set.order === 'date' ? 'oldest' : set.order;
  const pages = pagesOf(
    { ...set, order, first: [], except: [], most: null, depth: 1 },
    {
      parent: null,
      site: ground.site,
      titleOf: path => ground.title(path),
      // The index of a journal is no page of it, but where the plan names it.
      inLanguage: path => (carried.has(path) && (!isIndex(path) || named.has(path)) ? path : null),
    },
  );
  if (pages.length === 0)
    ground.tell(
      'empty-pattern',
      menu.mark,
      'no page of this set carries the menu',
      'Look at `set` and `carried-by`.',
    );
  return entriesFromPages(pages, 1, {
    ...plainEntry,
    label: null,
    versions: new Map(),
    abouts: new Map(),
    details: false,
    ifMissing: 'error',
    target: { kind: 'none' },
    mark: menu.mark,
  });
}

/** It stands for itself alone. */
const isPath = (glob: string): boolean => !/[*?{[]/.test(glob);

function tellMissing(path: SitePath, { name, mark }: Menu, ground: Ground): void {
  const { site } = ground;
  if (site.pages.has(path)) return;
  const near = nearestPage(path, site.pages);
  ground.tell(
    'missing-page',
    mark,
    `the \`set\` of \`${name}\` names \`${path}\`, and the site has no such page`,
    near ? `Did you mean \`${near}\`?` : 'Make the page, or take it out of the set.',
  );
}
