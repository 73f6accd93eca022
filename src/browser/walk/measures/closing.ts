import type { SeenLink } from '../../../core/walk/seen.ts';
import { type FoundWay, rest } from '../explore.ts';
import type { Noter } from '../noter.ts';
import { type Visit, pause } from '../visit.ts';

/** What was opened closes by Escape and by its control, gives the focus back, and lets the page scroll. */
export async function closing(visit: Visit, found: readonly FoundWay[], noter: Noter): Promise<void> {
  for (const { way, links } of openings(found)) {
    const control = way.at(-1)!;
    const isOpen = async (): Promise<boolean> =>
      (await visit.openNow())[control] === true && (await anySeen(visit, links));
    await visit.open(noter.page, way);
    if (!(await isOpen())) continue;
    const { menu, index } = links[0]!;
    const isOver = await visit.tab.ask<boolean>('liesOver', control, index);
    // The keys go where the focus is; what was opened earlier need not have it.
    if (visit.visitor.moves === 'keys') await visit.tab.ask('focusOnControl', control);
    await aMoment(visit);
    await visit.tab.press('Escape');
    await visit.settle();
    // What moves the page aside covers nothing: nobody has to be able to send it away.
    if (!(await isOpen())) await judgeClosed(visit, noter, { menu, control });
    else if (isOver)
      await noter.seen(
        'cannot-close',
        `Escape does not close what opens in ${menu}`,
        menu,
        await labelOf(visit, control),
      );
    await visit.open(noter.page, way);
    await aMoment(visit);
    if (!(await visit.hand.control(control))) continue;
    await visit.settle();
    if (await isOpen())
      await noter.seen(
        'cannot-close',
        `what opens in ${menu} stays open when its control is pressed again`,
        menu,
        await labelOf(visit, control),
      );
    else await judgeLocked(visit, noter, { menu, control });
  }
}

/** Nobody presses again at once: what comes because a pointer rests has come by then. */
async function aMoment({ visitor }: Visit): Promise<void> {
  if (visitor.moves === 'pointer') await pause(rest);
}

interface Closed {
  menu: string | null;
  control: number;
}

async function judgeClosed(visit: Visit, noter: Noter, closed: Closed): Promise<void> {
  const { menu, control } = closed;
  await judgeLocked(visit, noter, closed);
  if (visit.visitor.moves !== 'keys') return;
  const stop = await visit.tab.ask<{ kind: string; index: number } | null>('stop');
  if (stop?.kind !== 'control' || stop.index !== control)
    await noter.seen(
      'hidden-focus',
      'the focus does not come back to the control when Escape closes what it opened',
      menu,
      await labelOf(visit, control),
    );
}

async function judgeLocked(visit: Visit, noter: Noter, { menu, control }: Closed): Promise<void> {
  if (!(await visit.state()).isLocked) return;
  const label = await labelOf(visit, control);
  await noter.seen('locked', 'the page does not scroll any more once a menu was closed', menu, label);
}

/** The ways that open something, one of each, with the links that come. */
export function openings(found: readonly FoundWay[]): { way: readonly number[]; links: SeenLink[] }[] {
  const ways = new Map<string, { way: readonly number[]; links: SeenLink[] }>();
  for (const { way, link, isHovered } of found) {
    if (!way || way.length === 0 || isHovered || link.menu === null) continue;
    const key = way.join();
    const known = ways.get(key) ?? { way, links: [] };
    known.links.push(link);
    ways.set(key, known);
  }
  return [...ways.values()];
}

async function anySeen(visit: Visit, links: readonly SeenLink[]): Promise<boolean> {
  return (await visit.links(links.map(one => one.index))).some(one => one.at !== null);
}

async function labelOf(visit: Visit, control: number): Promise<string> {
  return `“${(await visit.controls())[control]?.label || 'a control'}”`;
}
