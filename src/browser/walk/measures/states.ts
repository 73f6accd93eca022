import type { FoundWay } from '../explore.ts';
import type { Noter } from '../noter.ts';
import { type Visit, pause } from '../visit.ts';

interface SeenMarks {
  menu: string;
  /** A link or text that is marked as current, and one beside it that is not. */
  current: { label: string; style: string } | null;
  other: { label: string; style: string; index: number } | null;
}

/** The current entry and the one under the pointer can be told from the others. */
export async function states(
  visit: Visit,
  _: readonly FoundWay[],
  noter: Noter,
  isNew: (menu: string) => boolean,
): Promise<void> {
  await visit.fresh(noter.page);
  await visit.pointAway();
  for (const { menu, current, other } of await visit.tab.ask<SeenMarks[]>('marks')) {
    if (!other || menu === 'top' || menu === 'skip') continue;
    if (current && current.style === other.style)
      await noter.seen(
        'alike-state',
        `in ${menu} the current entry “${current.label}” looks like “${other.label}”`,
        menu,
      );
    if (visit.visitor.media.forcedColors || !isNew(menu)) continue;
    const at = await visit.tab.ask<{ x: number; y: number } | null>('linkAt', other.index);
    if (!at) continue;
    await visit.tab.move(at);
    if (!(await changes(visit, other)))
      await noter.seen('alike-state', `in ${menu} “${other.label}” looks the same under the pointer`, menu);
    await visit.pointAway();
  }
}

const longest = 600;

/** A browser that has much to do draws what is under the pointer a little later. */
async function changes(visit: Visit, { index, style }: { index: number; style: string }): Promise<boolean> {
  for (let waited = 0; waited < longest; waited += 100) {
    await visit.settle();
    if ((await visit.tab.ask<string>('styleOfLink', index)) !== style) return true;
    await pause(100);
  }
  return false;
}
