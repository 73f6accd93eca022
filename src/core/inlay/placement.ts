import type { ResolvedMenu } from '../menu/types.ts';
import type { Frame, Seek } from '../page/types.ts';
import { type Wanted, attributeStarts, nothingWanted } from '../page/wanted.ts';
import type { PlaceSide } from '../plan/types.ts';
import type { Raw } from '../text/bytes.ts';
import { type Selector, readSelector } from '../text/selector.ts';
import { type Point, pointFor } from './points.ts';

/** What a site's menus ask of its pages to be placed. */
export interface PlacementSource {
  menus: readonly ResolvedMenu[];
  skipTo: readonly string[];
  /** Follows selectors that need the whole page; null where the plan has none. */
  seek: Seek | null;
}

/** Says what must be read of a page to place menus in it, and where they go then. */
export class Placement {
  readonly #seek: Seek | null;
  readonly #skipTo: readonly Selector[];
  readonly #selectors: ReadonlyMap<ResolvedMenu, readonly Sought[]>;
  readonly #slots: ReadonlyMap<ResolvedMenu, RegExp>;
  readonly #numbers: ReadonlyMap<ResolvedMenu, number>;
  /** What is asked for some menus, by their numbers. */
  readonly #known = new Map<string, Wanted>();

  constructor({ menus, skipTo, seek }: PlacementSource) {
    this.#seek = seek;
    this.#skipTo = selectorsOf(skipTo);
    this.#selectors = new Map(menus.map(menu => [menu, soughtOf(menu)]));
    this.#slots = new Map(menus.map(menu => [menu, slotPattern(menu.name)]));
    this.#numbers = new Map(menus.map((menu, at) => [menu, at]));
  }

  /**
   * What is sought in a page for these menus. A menu whose slot stands in the bytes needs no selector to be followed.
   * @param slotStarts offsets at which slots may stand
   */
  wanted(
    menus: readonly ResolvedMenu[],
    raw: Raw,
    slotStarts: readonly number[] = attributeStarts(raw).slots,
  ): Wanted {
    const others = menus.filter(menu => !this.#hasSlot(menu, raw, slotStarts));
    const key = others.map(menu => this.#numbers.get(menu)!).join(' ');
    const known = this.#known.get(key) ?? this.#asked(others);
    this.#known.set(key, known);
    return { ...known, slotStarts };
  }

  #hasSlot(menu: ResolvedMenu, raw: Raw, starts: readonly number[]): boolean {
    const pattern = this.#slots.get(menu)!;
    return starts.some(at => {
      pattern.lastIndex = at;
      return pattern.test(raw);
    });
  }

  #asked(menus: readonly ResolvedMenu[]): Wanted {
    const places = menus.flatMap(menu => menu.place ?? []);
    const all = menus.flatMap(menu => this.#selectors.get(menu)!);
    const textsOf = (is: (one: Sought) => boolean): string[] => all.filter(is).map(one => one.selector.text);
    return {
      ...nothingWanted,
      title: false,
      selectors: all.map(one => one.selector).filter(one => one.isCompound),
      whole: new Set(textsOf(({ side }) => side !== 'first-in' && side !== 'before')),
      inTree: new Set(textsOf(({ side }) => side === 'instead-of')),
      sought: [...all.map(one => one.selector), ...this.#skipTo]
        .filter(one => !one.isCompound)
        .map(one => one.text),
      seek: this.#seek,
      skipTo: this.#skipTo,
      header: menus.some(menu => menu.place === null),
      end: places.some(({ side, selector }) => side === 'last-in' && selector === 'body'),
    };
  }

  point(menu: ResolvedMenu, frame: Frame): Point {
    return pointFor(menu, frame);
  }
}

interface Sought {
  selector: Selector;
  side: PlaceSide;
}

function soughtOf({ place }: ResolvedMenu): Sought[] {
  // Where the body begins and ends is known of every page.
  const places = (place ?? []).filter(({ selector }) => selector !== 'body');
  return places.flatMap(({ side, selector }) =>
    selectorsOf([selector]).map(one => ({ selector: one, side })),
  );
}

function selectorsOf(texts: readonly string[]): Selector[] {
  return texts.flatMap(text => readSelector(text) ?? []);
}

/** A slot of this name in the bytes, in any way of writing the attribute. */
function slotPattern(name: string): RegExp {
  return new RegExp(`data-kamino-slot\\s*=\\s*["']?${name}(?![\\w-])`, 'iy');
}
