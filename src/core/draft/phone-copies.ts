import { flatShared } from '../hand/shared.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import type { HandSite } from '../hand/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { placeInRaw } from '../text/place.ts';
import type { Places } from './place.ts';
import type { FoundSource } from './sources.ts';

/**
 * Menus but for those that pages show in narrow windows alone, or that a script brings, beside one that has their
 * entries: what Kamino makes of that one folds there by itself.
 */
export function withoutPhoneCopies<One extends FoundSource | { drafted: unknown }>(
  sources: readonly One[],
  places: Places,
  site: HandSite,
): { kept: One[]; told: Finding[] } {
  const hand = sources.filter((one): one is One & FoundSource => !('drafted' in one));
  const seen = hand.filter(({ menus, selectors }) => !places.isHidden(menus, selectors));
  const told = new Map<One, Finding>();
  for (const one of hand) {
    const of = seen.includes(one) ? undefined : seen.find(other => hasAll(other, one));
    if (of) told.set(one, leftCopy(one, of, site));
  }
  return { kept: sources.filter(one => !told.has(one)), told: [...told.values()] };
}

function hasAll({ menus: [one] }: FoundSource, { menus: [other] }: FoundSource): boolean {
  if (!one || !other || [...other.copies.keys()].some(path => !one.copies.has(path))) return false;
  const [all, wanted] = [targetsOf(one), targetsOf(other)];
  return wanted.size > 1 && [...wanted].every(target => all.has(target));
}

const targetsOf = ({ entries }: SiteMenu): Set<string> =>
  new Set(flatShared(entries).flatMap(one => one.target ?? []));

/** It stays in the pages, with what opens it. */
function leftCopy({ selectors, menus }: FoundSource, of: FoundSource, site: HandSite): Finding {
  const [path, { start, open }] = [...menus[0]!.copies][0]!;
  return finding(
    'left-copy',
    placeInRaw(site.pages.get(path)!.frame, start, open),
    `\`${selectors[0]!}\` is \`${of.selectors[0]!}\` once more, for narrow windows: it gets no menu of its own, and stays`,
    'The new menu folds there by itself: take this one out of the pages, with what opens it.',
  );
}
