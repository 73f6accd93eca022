import type { ResolvedMenu } from '../menu/types.ts';

/** A block of rules, or the rules themselves where they always hold. */
export const when = (condition: string | null, rules: string): string =>
  rules === '' ? '' : condition === null ? rules : `${condition} {\n${rules}}\n`;

/** Makes the room of a menu a container that is asked for its width. */
export const sizeContainer = (name: string): string => `  position: relative;
  z-index: var(--kamino-layer, 20);
  container: ${containerOf(name)} / inline-size;
`;

/** The size container of a menu that folds by its own room. */
export const containerOf = (name: string): string => `kamino-${name}`;

/**
 * The conditions under which a menu has room, and is folded; null where it is the same everywhere.
 * @param width in em, of a menu that folds by its own room; without fonts nothing is known of it
 */
export function roomOf(
  { name, fold }: Pick<ResolvedMenu, 'name' | 'fold'>,
  width: number | undefined,
): { wide: string; narrow: string } | null {
  if (fold.when === 'below')
    return { wide: `@media (width >= ${fold.belowEm}em)`, narrow: `@media (width < ${fold.belowEm}em)` };
  if (fold.when !== 'crowded' || width === undefined) return null;
  const asks = (than: string): string => `@container ${containerOf(name)} (inline-size ${than} ${width}em)`;
  return { wide: asks('>='), narrow: asks('<') };
}
