import type { SeenStop } from '../../core/walk/seen.ts';
import type { FoundWay } from './explore.ts';
import { type TabWay, nameOf } from './measures/stops.ts';
import type { Noter } from './noter.ts';
import { type Visit, pause } from './visit.ts';

/** More stops than that are gone through in no page. */
const most = 600;
/** So long a page may take to scroll to what has the focus, in ms. */
const patience = 800;

const isGood = ({ isSeen, coveredBy }: SeenStop): boolean => isSeen && coveredBy === null;

export interface TabWalk extends TabWay {
  found: FoundWay[];
}

/** From the beginning of a page that has just come, stop by stop, opening with Enter on the way what is closed. */
export async function tabThrough(
  visit: Visit,
  { menus, noter }: { menus: (name: string) => boolean; noter: Noter },
): Promise<TabWalk> {
  const links = await visit.links();
  const walker = new TabWalker(
    visit,
    links.map(link => ({ link, way: null, isHovered: false })),
    { menus, noter },
  );
  await walker.go();
  return { found: walker.found, stops: walker.stops, isTrapped: walker.isTrapped, isCut: walker.isCut };
}

class TabWalker {
  readonly found: FoundWay[];
  readonly stops: SeenStop[] = [];
  isTrapped = false;
  isCut = true;
  readonly #visit: Visit;
  readonly #menus: (name: string) => boolean;
  readonly #noter: Noter;
  readonly #visited = new Set<number>();
  readonly #pressed = new Set<number>();
  /** What must be opened before a link or a control can be come to. */
  readonly #ways = new Map<string, readonly number[]>();
  /** Opened, and not left by Escape yet. */
  #open = 0;

  constructor(
    visit: Visit,
    found: FoundWay[],
    { menus, noter }: { menus: (name: string) => boolean; noter: Noter },
  ) {
    [this.#visit, this.found, this.#menus, this.#noter] = [visit, found, menus, noter];
  }

  async go(): Promise<void> {
    let without = 0;
    for (let count = 0; count < most; count += 1) {
      await this.#visit.tab.press('Tab');
      const stop = await this.#stop();
      if (stop === null) without += 1;
      else if (this.#visited.has(stop.order)) {
        if (!(await this.#leave(stop))) return;
      } else {
        without = 0;
        await this.#come(stop);
      }
      // The browser’s own parts take the focus before the page comes round.
      if (without > 1 || (without > 0 && this.stops.length > 0)) return this.#end();
    }
  }

  /** The page may still be scrolling to it. */
  async #stop(): Promise<SeenStop | null> {
    let stop = await this.#visit.tab.ask<SeenStop | null>('stop');
    for (let waited = 0; stop !== null && !isGood(stop) && waited < patience; waited += 40) {
      await pause(40);
      stop = await this.#visit.tab.ask<SeenStop | null>('stop');
    }
    return stop;
  }

  #end(): void {
    this.isCut = false;
  }

  /** The focus has come round: out of what is open, or at the end. */
  async #leave({ order }: SeenStop): Promise<boolean> {
    if (this.#open === 0) {
      this.isCut = false;
      // The page comes round by way of the browser’s own parts.
      this.isTrapped = order === this.stops.at(-1)?.order;
      return false;
    }
    this.#open -= 1;
    await this.#visit.tab.press('Escape');
    await this.#visit.settle();
    return true;
  }

  async #come(stop: SeenStop): Promise<void> {
    this.#visited.add(stop.order);
    this.stops.push(stop);
    await this.#judge(stop);
    if (stop.kind === 'link') this.found[stop.index]!.way = this.#ways.get(`link ${stop.index}`) ?? [];
    if (stop.kind !== 'control' || this.#pressed.has(stop.index)) return;
    if (stop.menu !== null && !this.#menus(stop.menu)) return;
    if ((await this.#visit.openNow())[stop.index] === false) await this.#openBy(stop.index);
  }

  async #judge(stop: SeenStop): Promise<void> {
    const name = nameOf(stop);
    if (!stop.isSeen)
      await this.#noter.seen('hidden-focus', 'what has the focus is not seen', stop.menu, name);
    else if (stop.coveredBy !== null)
      await this.#noter.seen(
        'hidden-focus',
        `what has the focus lies under ${stop.coveredBy}`,
        stop.menu,
        name,
      );
    else if (!stop.hasRing && !(await this.#isMarked(stop)))
      await this.#noter.seen('no-ring', 'nothing marks the focus', stop.menu, name);
  }

  /** Something around it changes when the focus goes. */
  async #isMarked({ kind, index, box }: SeenStop): Promise<boolean> {
    if (kind === 'other') return true;
    const { tab } = this.#visit;
    const around = grown(box, this.#visit.window);
    const focused = await tab.picture(around);
    await tab.ask('unfocus');
    await this.#visit.settle();
    const without = await tab.picture(around);
    await tab.ask(kind === 'link' ? 'focusOnLink' : 'focusOnControl', index);
    return Buffer.compare(focused, without) !== 0;
  }

  async #openBy(control: number): Promise<void> {
    this.#pressed.add(control);
    const before = await this.#visit.controls();
    const way = [...(this.#ways.get(`control ${control}`) ?? []), control];
    const hidden = (await this.#visit.links()).filter(one => one.at === null).map(one => one.index);
    await this.#visit.tab.press('Enter');
    await this.#visit.settle();
    const now = await this.#visit.controls();
    if (now[control]?.isOpen !== true) return;
    this.#open += 1;
    for (const { index, at } of now) if (at && !before[index]?.at) this.#ways.set(`control ${index}`, way);
    for (const { index, at } of await this.#visit.links(hidden)) if (at) this.#ways.set(`link ${index}`, way);
  }
}

/** With what may be drawn around it, as far as the window goes. */
function grown(
  { left, top, width, height }: SeenStop['box'],
  [wide, high]: readonly [number, number],
): SeenStop['box'] {
  const [x, y] = [Math.max(0, left - 6), Math.max(0, top - 6)];
  return {
    left: x,
    top: y,
    width: Math.min(wide, left + width + 6) - x,
    height: Math.min(high, top + height + 6) - y,
  };
}
