import type { SeenLink } from '../../../core/walk/seen.ts';
import type { FoundWay } from '../explore.ts';
import type { Noter } from '../noter.ts';
import { type Visit, pause } from '../visit.ts';
import { openings } from './closing.ts';

const longest = 4000;

/** A link in what is open is followed for real; Back brings the page again, with nothing open on it. */
export async function comingBack(visit: Visit, found: readonly FoundWay[], noter: Noter): Promise<void> {
  const menus = new Set<string>();
  for (const { way, links } of openings(found)) {
    const link = links.find(
      one => visit.server.isPage(one.href) && visit.server.pathOf(one.href) !== noter.page,
    );
    if (!link || menus.has(link.menu!)) continue;
    menus.add(link.menu!);
    await visit.again(noter.page, way);
    visit.server.stays = false;
    if (!(await visit.hand.link(link.index))) continue;
    const there = visit.server.pathOf(link.href);
    // Not there: told where the link was followed.
    if (!(await comes(visit, there))) continue;
    await visit.tab.back();
    if (!(await comes(visit, noter.page))) {
      await noter.seen('lost-back', `Back does not lead back from ${there} to this page`, link.menu);
      continue;
    }
    await visit.settle();
    const isOpen = (await visit.controls()).some(
      one => one.menu === link.menu && one.isOpen === true && way.includes(one.index),
    );
    if (isOpen && (await isInTheWay(visit, found, { link, control: way.at(-1)! })))
      await noter.seen(
        'stays-open',
        `${link.menu} lies open when the visitor comes back from “${link.label}”`,
        link.menu,
      );
    if ((await visit.state()).isLocked)
      await noter.seen(
        'locked',
        `the page does not scroll when the visitor comes back from “${link.label}”`,
        link.menu,
      );
  }
}

/** A part that opens in the flow of a menu which is seen anyway lies open where the visitor left it so. */
async function isInTheWay(
  visit: Visit,
  found: readonly FoundWay[],
  { link, control }: { link: SeenLink; control: number },
): Promise<boolean> {
  if (!(await visit.links([link.index])).some(one => one.at)) return false;
  const isSeenAnyway = found.some(one => one.link.menu === link.menu && one.way?.length === 0);
  return !isSeenAnyway || visit.tab.ask<boolean>('liesOver', control, link.index);
}

async function comes(visit: Visit, page: string | null): Promise<boolean> {
  for (let waited = 0; waited < longest; waited += 40) {
    await pause(40);
    const state = await visit.state().catch(() => null);
    if (state && visit.server.pathOf(`${new URL(visit.server.address('')).origin}${state.path}`) === page)
      return true;
  }
  return false;
}
