import { hashOf } from '../../core/site/targets.ts';
import type { SeenLink, SeenSection } from '../../core/walk/seen.ts';
import type { PageJob, WalkedLink, WalkedPage } from '../../core/walk/types.ts';
import { type FoundWay, actionsOf, explore, isWhenNeeded } from './explore.ts';
import { type Followed, follow } from './follow.ts';
import { currents } from './measures/currents.ts';
import { measuresOf } from './measures/index.ts';
import type { Noter } from './noter.ts';
import { tellSideways } from './measures/sideways.ts';
import { judgeStops } from './measures/stops.ts';
import { tabThrough } from './tab-through.ts';
import type { Visit } from './visit.ts';

/** Goes through a page as a visitor: what can be pressed, where it leads, what is seen. */
export async function walkPage(visit: Visit, job: PageJob, noter: Noter): Promise<WalkedPage> {
  const { page } = job;
  const menus = visit.visitor.followsAll ? job.menus : job.opened;
  const isTried = (menu: string): boolean => menus !== null && (menus.has(menu) || job.triesUnknown(menu));
  const isPointing = visit.visitor.moves === 'pointer' || visit.visitor.moves === 'touch';
  const isOpened = (menu: string): boolean => isTried(menu) || (isPointing && job.beside.has(menu));
  const { found, sections } = await ways(visit, job, { isTried: isOpened, noter });
  if (visit.visitor.name === 'mouse') await currents(visit, noter);
  const links = walkedLinks(visit, found, menu => menu === null || isOpened(menu));
  await noteUnreached(found, { isTried: isOpened, noter });
  if (menus === null) {
    if (isPointing) await tellSideways(visit, noter, '');
    return { page, links, sections };
  }
  const entries = found.filter(one => isFollowed(one, visit) && isTried(one.link.menu!));
  const followed = await follow(visit, page, visit.visitor.followsAll ? entries : oneOfEach(entries));
  for (const one of followed) {
    await judge(one, noter);
    const { index } = one.found.link;
    if (!one.isRight) links[index] = { ...links[index]!, actions: null };
  }
  for (const measure of measuresOf(visit.visitor)) await measure(visit, found, noter, isTried);
  return { page, links, sections };
}

/** What the page did unasked while it came. */
async function noteEvents({ tab }: Visit, noter: Noter): Promise<void> {
  const { windows, questions } = tab.events();
  for (const one of new Set(questions))
    await noter.seen('unasked-window', `the page asks “${one}” while it comes`);
  if (windows.length > 0) await noter.seen('unasked-window', 'the page opens a window while it comes');
}

async function judge({ found, isRight, came, section }: Followed, noter: Noter): Promise<void> {
  const { menu } = found.link;
  const name = nameOf(found.link);
  const where = came === null || came === '' ? 'nowhere' : `to ${came}`;
  if (!isRight) await noter.seen('wrong-arrival', `what was followed led ${where}`, menu, name);
  else if (section?.coveredBy)
    await noter.seen(
      'under-bar',
      `what was followed leads to a section that begins under ${section.coveredBy}`,
      menu,
      `${name} to #${section.id}`,
    );
}

interface Trying {
  isTried: (menu: string) => boolean;
  noter: Noter;
}

async function ways(
  visit: Visit,
  job: PageJob,
  { isTried, noter }: Trying,
): Promise<{ found: FoundWay[]; sections: SeenSection[] }> {
  const { page } = job;
  await visit.load(page);
  await noteEvents(visit, noter);
  const sections = await seenSections(visit, job, noter);
  if (visit.visitor.moves === 'paper') return { found: [], sections };
  if (visit.visitor.moves !== 'keys') return { found: await explore(visit, page, isTried), sections };
  const walk = await tabThrough(visit, { menus: isTried, noter });
  judgeStops(walk, noter);
  return { found: walk.found, sections };
}

/** Afterwards the page is as it was when it came. */
async function seenSections(visit: Visit, { page, ids }: PageJob, noter: Noter): Promise<SeenSection[]> {
  if (ids.length === 0) return [];
  const seen = await visit.tab.ask<SeenSection[]>('sections', ids);
  if (visit.visitor.moves === 'paper') return seen;
  const hidden = seen.filter(one => !one.isSeen);
  for (const one of hidden) {
    // A part that is shown once its address is followed.
    await visit.tab.ask('goTo', one.id);
    await visit.settle();
    const [again] = await visit.tab.ask<SeenSection[]>('sections', [one.id]);
    seen[seen.indexOf(one)] = again!;
    if (!again!.isSeen)
      await noter.seen('unreached', 'a section is not seen, even by its own address', null, `#${one.id}`);
  }
  if (hidden.length > 0) await visit.load(page);
  return seen;
}

function walkedLinks(
  visit: Visit,
  found: readonly FoundWay[],
  isTried: (menu: string | null) => boolean,
): WalkedLink[] {
  const numbers = new Map<string | null, number>();
  return found.map(one => {
    const { menu, label, href } = one.link;
    const number = (numbers.get(menu) ?? 0) + 1;
    numbers.set(menu, number);
    const actions = actionsOf(one);
    return {
      menu,
      number,
      label,
      href,
      to: visit.server.pathOf(href),
      hash: hashOf(href),
      actions: actions === null && !isTried(menu) ? 0 : actions,
    };
  });
}

/** One link of each menu and of each way to its links. */
function oneOfEach(found: readonly FoundWay[]): FoundWay[] {
  const ways = new Map(found.map(one => [`${one.link.menu} ${one.way!.join()}`, one]));
  return [...ways.values()];
}

async function noteUnreached(found: readonly FoundWay[], { isTried, noter }: Trying): Promise<void> {
  for (const { link, way } of found) {
    if (way !== null || isWhenNeeded(link)) continue;
    if (link.menu === null || !isTried(link.menu)) continue;
    await noter.seen('unreached', 'there is no way to it', link.menu, nameOf(link));
  }
}

/** Files and other sites are not opened: that such a link can be pressed is enough. */
function isFollowed({ way, link }: FoundWay, visit: Visit): boolean {
  if (way === null || link.menu === null || isWhenNeeded(link)) return false;
  return visit.server.isPage(link.href);
}

function nameOf({ menu, label, href }: SeenLink): string {
  const name = label === '' ? href.slice(href.lastIndexOf('/') + 1) : `“${label}”`;
  return menu === null ? name : `${name} in ${menu}`;
}
