import type { Point, SeenLink } from '../../core/walk/seen.ts';
import type { Visit } from './visit.ts';
import { pause } from './visit.ts';

/** A link, with what must be pressed before it: the numbers of controls. */
export interface FoundWay {
  link: SeenLink;
  way: readonly number[] | null;
  /** The pointer has to rest somewhere first. */
  isHovered: boolean;
}

/** So deep nothing is nested that people would find. */
const deepest = 4;
/** So long a pointer rests before what it opens must be there, in ms. */
export const rest = 400;

/**
 * The ways to all links of a page: what can be pressed as it is, and what comes once something was opened.
 * @param menus in these what is hidden is sought
 */
export async function explore(
  visit: Visit,
  page: string,
  menus: (name: string) => boolean,
): Promise<FoundWay[]> {
  await visit.scrollThrough();
  const links = await visit.links();
  const found = links.map(link => ({ link, way: link.at ? [] : null, isHovered: false }) as FoundWay);
  const finder = new Finder(
    visit,
    page,
    found.filter(({ link }) => link.menu !== null && !isWhenNeeded(link) && menus(link.menu)),
  );
  await finder.expand([], new Set());
  await finder.again();
  await finder.hover();
  return found;
}

class Finder {
  readonly #visit: Visit;
  readonly #page: string;
  readonly #wanted: readonly FoundWay[];
  readonly #tried = new Set<number>();

  constructor(visit: Visit, page: string, wanted: readonly FoundWay[]) {
    [this.#visit, this.#page, this.#wanted] = [visit, page, wanted];
  }

  #missing(): FoundWay[] {
    return this.#wanted.filter(one => one.way === null);
  }

  /** Opens each control that came with the last one that was opened, and what is in it. */
  async expand(way: readonly number[], before: ReadonlySet<number>): Promise<void> {
    if (this.#missing().length === 0 || way.length >= deepest) return;
    const menus = new Set(this.#missing().map(one => one.link.menu));
    const pressable = (await this.#visit.controls()).filter(one => one.at);
    const level = pressable.filter(
      ({ index, isOpen, menu }) =>
        isOpen !== true &&
        !before.has(index) &&
        !this.#tried.has(index) &&
        (menu === null || menus.has(menu)),
    );
    const here = new Set([...before, ...pressable.map(one => one.index)]);
    for (const { index } of level) {
      if (this.#missing().length === 0) return;
      this.#tried.add(index);
      if (!(await this.#press(index, way))) continue;
      await this.#see([...way, index], false);
      await this.expand([...way, index], here);
    }
  }

  /** A machine that stood still for a moment is no reason to say that there is no way. */
  async again(): Promise<void> {
    if (this.#missing().length === 0) return;
    this.#tried.clear();
    await this.#visit.load(this.#page);
    await this.expand([], new Set());
  }

  /** What only comes while a pointer rests on something; for a finger, once it was tapped. */
  async hover(): Promise<void> {
    const { moves } = this.#visit.visitor;
    if (moves !== 'pointer' && moves !== 'touch') return;
    for (const { link } of this.#missing()) {
      if (!this.#missing().some(one => one.link === link)) continue;
      await this.#visit.load(this.#page);
      const at = await this.#visit.tab.ask<Point | null>('hoverAt', link.index);
      if (!at) continue;
      await (moves === 'touch' ? this.#visit.tab.tap(at) : this.#visit.tab.move(at));
      await pause(rest);
      await this.#see([], true);
    }
  }

  async #press(index: number, way: readonly number[]): Promise<boolean> {
    const { hand } = this.#visit;
    const isPressed =
      (await hand.control(index)) ||
      ((await this.#visit.again(this.#page, way)) && (await hand.control(index)));
    if (isPressed) await this.#visit.settle();
    return isPressed;
  }

  async #see(way: readonly number[], isHovered: boolean): Promise<void> {
    const missing = this.#missing();
    const now = await this.#visit.links(missing.map(one => one.link.index));
    for (const [at, one] of missing.entries()) {
      if (!now[at]?.at) continue;
      one.way = way;
      one.isHovered = isHovered;
    }
  }
}

/** The skip link is for those who use keys; the way to the top is there once it is needed. */
export const isWhenNeeded = ({ menu }: SeenLink): boolean => menu === 'skip' || menu === 'top';

/** The presses that follow a link: those on the way, resting the pointer, and its own. */
export function actionsOf({ way, isHovered }: FoundWay): number | null {
  return way === null ? null : way.length + (isHovered ? 2 : 1);
}
