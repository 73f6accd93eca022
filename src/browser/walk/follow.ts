import { hashOf } from '../../core/site/targets.ts';
import type { Point, SeenLink, SeenSection } from '../../core/walk/seen.ts';
import { type FoundWay, rest } from './explore.ts';
import { type Visit, pause } from './visit.ts';

/** What came of following a link. */
export interface Followed {
  found: FoundWay;
  /** It was pressed, and led there. */
  isRight: boolean;
  /** What came instead; null where nothing did. */
  came: string | null;
  /** Its place in the page, where it leads to one of the page that it stands in. */
  section: SeenSection | null;
}

const step = 15;
const longest = 1500;
/** Where so many links in a row led nowhere, the next ones are waited for so long. */
const mostSilent = 3;
const shorter = 400;

/** Follows links as the visitor would; whatever they lead to, the visitor stays on the page. */
export async function follow(visit: Visit, page: string, found: readonly FoundWay[]): Promise<Followed[]> {
  const followed: Followed[] = [];
  await visit.fresh(page);
  const inOrder = [...found].sort((one, other) => compareWays(one, other));
  let silent = 0;
  for (const one of inOrder) {
    const isPressed =
      (await pressed(visit, page, one)) ||
      ((await visit.again(page, one.way!)) && (await visit.hand.link(one.link.index)));
    const end = isPressed
      ? await arrival(visit, { page, found: one, most: silent < mostSilent ? longest : shorter })
      : { found: one, isRight: false, came: null, section: null };
    silent = isPressed && end.came === null ? silent + 1 : 0;
    followed.push(end);
  }
  return followed;
}

/** Following a link may have closed what it lies in. */
async function pressed(visit: Visit, page: string, { way, link, isHovered }: FoundWay): Promise<boolean> {
  if (isHovered) return pressedByRest(visit, page, link);
  return (
    (await visit.hand.link(link.index)) || ((await visit.reopen(way!)) && (await visit.hand.link(link.index)))
  );
}

function compareWays(one: FoundWay, other: FoundWay): number {
  const [a, b] = [one.way!.join(), other.way!.join()];
  return a < b ? -1 : a > b ? 1 : one.link.index - other.link.index;
}

/** @param most so many milliseconds are waited for it */
async function arrival(
  visit: Visit,
  { page, found, most }: { page: string; found: FoundWay; most: number },
): Promise<Followed> {
  const { href } = found.link;
  const target = visit.server.pathOf(href);
  const hash = hashOf(href);
  if (target === page && href.includes('#')) return { found, ...(await arrivalInPage(visit, hash, most)) };
  for (let waited = 0; waited < most; waited += step) {
    const [asked] = visit.server.asked();
    if (asked !== undefined) return { found, isRight: asked === target, came: asked, section: null };
    await pause(step);
  }
  return { found, isRight: false, came: null, section: null };
}

/** Scrolling goes on for a while after the address has changed. */
async function arrivalInPage(visit: Visit, hash: string, most: number): Promise<Omit<Followed, 'found'>> {
  let last = -1;
  let section: SeenSection | null = null;
  for (let waited = 0; waited < most; waited += 60) {
    await pause(60);
    const { scrolled, hash: now } = await visit.state();
    const isThere = hashOf(now) === hash;
    section = hash === '' ? null : await visit.tab.ask<SeenSection>('arrived', hash);
    if (isThere && scrolled === last && section?.isSeen !== false && section?.coveredBy == null)
      return { isRight: true, came: now, section };
    last = scrolled;
  }
  const { hash: now } = await visit.state();
  return { isRight: hashOf(now) === hash && section?.isSeen !== false, came: now || null, section };
}

/** What only comes while the pointer rests on something. */
async function pressedByRest(visit: Visit, page: string, { index }: SeenLink): Promise<boolean> {
  await visit.load(page);
  const at = await visit.tab.ask<Point | null>('hoverAt', index);
  if (!at) return false;
  await (visit.visitor.moves === 'touch' ? visit.tab.tap(at) : visit.tab.move(at));
  await pause(rest);
  const isPressed = await visit.hand.link(index);
  // What opened below the pointer would lie over the next one.
  if (visit.visitor.moves === 'pointer') await visit.pointAway();
  return isPressed;
}
