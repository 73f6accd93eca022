import type { SiteMenu } from './site-menus.ts';

/** Names for the menus of a site: the first is the masthead, the others go by where they stand. */
export function menuNames(menus: readonly SiteMenu[]): string[] {
  const taken = new Set<string>();
  return menus.map((menu, at) => {
    const [first] = menu.copies.values();
    const wanted =
      at === 0
        ? 'masthead'
        : { footer: 'foot', aside: 'side', header: 'top', navigation: 'more', other: 'more' }[first!.region];
    // `top` is a name that Kamino keeps for itself.
    const base = wanted === 'top' ? 'above' : wanted;
    let name = base;
    for (let number = 2; taken.has(name); number += 1) name = `${base}-${number}`;
    taken.add(name);
    return name;
  });
}
