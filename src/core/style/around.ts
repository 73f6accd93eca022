import type { Scope } from '../look/types.ts';

/** What holds where a scope says nothing, for each of its values; null where another may have said more on the way. */
export type Around = (name: string) => Scope | null;

/** An entry in a part has what the part has, where it is like its neighbours wherever it lies. */
export function aroundEach(scope: Scope, scopes: readonly Scope[]): Around {
  const { menu, part, entry, highlight } = scope.address;
  const around = aroundOf(scope, scopes);
  if (around !== null || part === null || (entry === null && highlight === null)) return () => around;
  const grounds = scopes.filter(
    ({ address }) => address.menu === menu && address.entry === entry && address.highlight === highlight,
  );
  const pairs = grounds.map(one => [one, groundOf(one, scopes)] as const);
  const isAlike = (name: string): boolean =>
    pairs.every(
      ([one, ground]) =>
        ground?.values.get(name) === one.values.get(name) && ground?.dark.get(name) === one.dark.get(name),
    );
  return name => (isAlike(name) ? groundOf(scope, scopes) : null);
}

/** The scope of the part that an entry lies in. */
const groundOf = ({ address: { menu, part } }: Scope, scopes: readonly Scope[]): Scope | null =>
  scopes.find(one => one.address.menu === menu && isOfPart(one, part) && !one.isOfSheets) ??
  (part === null ? scopes[0]! : null);

/** The scope that holds where this one says nothing; null where another may have said more on the way. */
export function aroundOf({ address }: Scope, scopes: readonly Scope[]): Scope | null {
  const { part, entry, highlight } = address;
  const isMenu = part === null && entry === null && highlight === null;
  if ((isMenu && address.menu === null) || part === 'fold-submenu') return null;
  const isScrolled = scopes.some(one => one.address.menu === address.menu && one.address.part === 'scrolled');
  if (isScrolled && part !== null && part !== 'scrolled') return null;
  if (part !== null && (entry !== null || highlight !== null)) return null;
  // What the part has in all menus comes to its element before what is inherited.
  const isOfAll = (one: Scope): boolean =>
    one.address.menu === null && one.address.part === part && !one.isOfSheets;
  if (part !== null && address.menu !== null && scopes.some(isOfAll)) return null;
  return (isMenu ? null : scopeOf(scopes, address.menu)) ?? scopes[0]!;
}

/** It holds in a whole part, or, for null, in whole menus; not for single entries. */
export const isOfPart = ({ address }: Pick<Scope, 'address'>, part: Scope['address']['part']): boolean =>
  address.part === part && address.entry === null && address.highlight === null;

/** The scope of a menu, or of all. */
export const scopeOf = (scopes: readonly Scope[], menu: string | null): Scope | undefined =>
  scopes.find(one => one.address.menu === menu && isOfPart(one, null));
