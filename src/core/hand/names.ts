import { reservedNames } from '../text/reserved.ts';
import type { SiteMenu } from './site-menus.ts';

/** Names for the menus of a site: the first is the masthead, the others go by the part of the site that has them, or by where they stand. */
export function menuNames(menus: readonly SiteMenu[]): string[] {
  const taken = new Set<string>();
  return menus.map((menu, at) => {
    const [first] = menu.copies.values();
    const wanted =
      at === 0
        ? 'masthead'
        : { footer: 'foot', aside: 'side', header: 'top', navigation: 'more', other: 'more' }[first!.region];
    const part = wanted === 'more' || wanted === 'top' ? partOf(menu) : null;
    // `top` is a name that Kamino keeps for itself.
    const base = part ?? (wanted === 'top' ? 'above' : wanted);
    const name = freeName(base, taken);
    taken.add(name);
    return name;
  });
}

/** The folder that all copies lie in, where a menu may have its name. */
function partOf({ copies }: SiteMenu): string | null {
  const folders = new Set([...copies.keys()].map(path => /^[^/]+(?=\/)/.exec(path)?.[0] ?? ''));
  const [folder = ''] = folders;
  const isName = /^[a-z][a-z0-9-]*$/.test(folder) && !(reservedNames as readonly string[]).includes(folder);
  return folders.size === 1 && isName ? folder : null;
}

/** A name that nothing has yet. */
export function freeName(base: string, taken: ReadonlySet<string>): string {
  let name = base;
  for (let number = 2; taken.has(name); number += 1) name = `${base}-${number}`;
  return name;
}
