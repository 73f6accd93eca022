import type { FoundWay } from '../explore.ts';
import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';
import { openings } from './closing.ts';

/** A change of colour is over before it is seen as motion, in ms. */
const blink = 100;

/** Nothing moves when menus open, for people who asked for that. */
export async function motion(visit: Visit, found: readonly FoundWay[], noter: Noter): Promise<void> {
  for (const { way, links } of openings(found)) {
    await visit.fresh(noter.page);
    await visit.open(noter.page, way.slice(0, -1));
    if (!(await visit.hand.control(way.at(-1)!))) continue;
    const { moves } = await visit.state();
    const menu = links[0]!.menu;
    if (moves > blink)
      await noter.seen(
        'unwished-motion',
        `something moves for ${Math.round(moves)} ms when ${menu} opens`,
        menu,
      );
  }
}
