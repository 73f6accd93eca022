import type { FoundWay } from '../explore.ts';
import type { Noter } from '../noter.ts';
import { type Visit, pause } from '../visit.ts';

/** Less than this nobody sees. */
const least = 0.002;

/** Nothing moves while the page comes, nor when the pointer goes over its menus. */
export async function shifting(
  visit: Visit,
  found: readonly FoundWay[],
  noter: Noter,
  isNew: (menu: string) => boolean,
): Promise<void> {
  const first = await shiftOf(visit, noter.page);
  // A machine that stood still may have shown the page before its style was there.
  const { shift, shifted } = first.shift > least ? await shiftOf(visit, noter.page) : first;
  if (shift > least)
    await noter.seen(
      'shifting',
      `${shifted ?? 'something'} moves while the page comes (layout shift ${shift.toFixed(3)})`,
    );
  if (visit.visitor.moves !== 'pointer') return;
  for (const { link } of found)
    if (link.menu !== null && isNew(link.menu) && link.at) await visit.tab.move(link.at);
  await pause(300);
  const { shift: now, shifted: by } = await visit.state();
  if (now - shift > least)
    await noter.seen(
      'shifting',
      `${by ?? 'something'} moves when the pointer goes over a menu (layout shift ${(now - shift).toFixed(3)})`,
    );
}

async function shiftOf(visit: Visit, page: string): Promise<{ shift: number; shifted: string | null }> {
  await visit.load(page);
  await pause(300);
  return visit.state();
}
