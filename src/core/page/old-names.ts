import type { Raw } from '../text/bytes.ts';
import type { Identified } from './content.ts';

const longestGap = 300;
/** White space, and tags that show nothing by themselves. */
const unseen = /^(?:\s|<\/?(?:a|b|i|em|strong|span|font|div|p|section|h[1-6])\b[^<>]*>)*$/i;

/**
 * The places of a page without those that an old `name` of a link gives a second time: an id of that name stands right
 * around or beside it, and a browser goes to the id (https://html.spec.whatwg.org/#find-a-potential-indicated-element).
 */
export function withoutDoubles(
  places: readonly Identified[],
  oldNames: ReadonlySet<Identified>,
  raw: Raw,
): Identified[] {
  const found: Identified[] = [];
  for (let at = 0; at < places.length;) {
    let end = at + 1;
    while (places[end]?.id === places[at]!.id && isSamePlace(places[end - 1]!, places[end]!, raw)) end += 1;
    const together = places.slice(at, end);
    const ids = together.filter(one => !oldNames.has(one));
    if (places[at]!.id !== '') found.push(...(ids.length > 0 ? ids : together.slice(0, 1)));
    at = end;
  }
  return found;
}

/** Nothing that anybody sees stands between two start tags, or they are one. */
function isSamePlace(first: Identified, second: Identified, raw: Raw): boolean {
  return second.start - first.end < longestGap && unseen.test(raw.slice(first.end, second.start));
}
