import type { SeenFold } from '../../../core/walk/seen.ts';
import type { FoundWay } from '../explore.ts';
import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';
import { openings } from './closing.ts';

const other = (width: number): number => (width < 700 ? 1280 : 390);

/** Whether a menu was open or closed when the window changed its size: it is there as it is in a fresh window. */
export async function resizing(visit: Visit, found: readonly FoundWay[], noter: Noter): Promise<void> {
  const firsts = firstOfEachMenu(openings(found));
  // What opens nothing is looked at in windows of every width anyway.
  if (firsts.length === 0) return;
  const [width, height] = visit.window;
  const to = other(width);
  await visit.tab.resize(to, height);
  await visit.load(noter.page);
  const fresh = await visit.tab.ask<SeenFold[]>('folds');
  await visit.tab.resize(width, height);
  await visit.fresh(noter.page);
  const before = await visit.tab.ask<SeenFold[]>('folds');
  for (const { way, doing } of [
    { way: [] as readonly number[], doing: 'closed' },
    ...firsts.map(way => ({ way, doing: 'open' })),
    ...firsts.map(way => ({ way: [...way, ...way], doing: 'opened and closed' })),
  ]) {
    await visit.fresh(noter.page);
    for (const control of way) if (await visit.hand.control(control)) await visit.settle();
    await visit.tab.resize(to, height);
    await visit.settle();
    await compare(visit, noter, { fresh, when: `from ${width} to ${to} px, ${doing}` });
    await visit.tab.resize(width, height);
    await visit.settle();
    await compare(visit, noter, { fresh: before, when: `from ${width} to ${to} px and back, ${doing}` });
  }
}

async function compare(
  visit: Visit,
  noter: Noter,
  { fresh, when }: { fresh: readonly SeenFold[]; when: string },
): Promise<void> {
  const now = await visit.tab.ask<SeenFold[]>('folds');
  for (const one of fresh) {
    if (one.menu === 'skip' || one.menu === 'top') continue;
    const seen = now.find(other => other.menu === one.menu);
    // What still lies open shows more than a fresh one.
    if (
      seen &&
      (seen.shown >= one.shown || (one.controls > 0 && seen.shown > 0)) &&
      (seen.shown > 0 || seen.controls >= one.controls)
    )
      continue;
    await noter.seen(
      'lost-by-resize',
      `${one.menu} is not there as in a fresh window`,
      one.menu,
      `${when} (${seen?.shown ?? 0} of ${one.shown} entries)`,
    );
  }
  if ((await visit.state()).isLocked && !(await visit.anyOpen()))
    await noter.seen('locked', 'the page does not scroll once the window was resized', null, when);
}

function firstOfEachMenu(all: ReturnType<typeof openings>): (readonly number[])[] {
  const firsts = new Map<string | null, readonly number[]>();
  for (const { way, links } of all)
    if (way.length === 1 && !firsts.has(links[0]!.menu)) firsts.set(links[0]!.menu, way);
  return [...firsts.values()];
}
