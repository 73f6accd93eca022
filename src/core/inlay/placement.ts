import type { SitePath } from '../address/path.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import type { Frame, Seek } from '../page/types.ts';
import type { Wanted } from '../page/wanted.ts';
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

  constructor({ menus, skipTo, seek }: PlacementSource) {
    this.#seek = seek;
    this.#skipTo = selectorsOf(skipTo);
    this.#selectors = new Map(menus.map(menu => [menu, soughtOf(menu)]));
    this.#slots = new Map(menus.map(menu => [menu, slotPattern(menu.name)]));
  }

  /**
   * What is sought in a page for these menus. A menu whose slot stands in the bytes needs no selector to be followed.
   * @param slotStarts offsets at which slots may stand, where they have been sought already
   */
  wanted(menus: readonly ResolvedMenu[], raw: Raw, slotStarts: readonly number[] | null): Wanted {
    const others = menus.filter(menu => slotStarts?.length === 0 || !this.#slots.get(menu)!.test(raw));
    const places = others.flatMap(menu => menu.place ?? []);
    const isSought = ({ selector, side }: Sought): boolean =>
      !selector.isCompound || (this.#seek !== null && side === 'instead-of');
    const all = others.flatMap(menu => this.#selectors.get(menu)!);
    const pick = (sought: boolean): Selector[] =>
      all.filter(one => isSought(one) === sought).map(one => one.selector);
    return {
      selectors: pick(false),
      sought: [...pick(true), ...this.#skipTo.filter(one => !one.isCompound)].map(one => one.text),
      seek: this.#seek,
      skipTo: this.#skipTo,
      header: others.some(menu => menu.place === null),
      title: false,
      heading: false,
      wordsOnly: false,
      scripting: true,
      slotStarts,
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
  return (place ?? []).flatMap(({ side, selector }) =>
    selectorsOf([selector]).map(one => ({ selector: one, side })),
  );
}

function selectorsOf(texts: readonly string[]): Selector[] {
  return texts.flatMap(text => readSelector(text) ?? []);
}

/** A slot of this name in the bytes, in any way of writing the attribute. */
function slotPattern(name: string): RegExp {
  return new RegExp(`data-kamino-slot\\s*=\\s*["']?${name}(?![\\w-])`, 'i');
}

/** One page of each folder, at most so many: pages of a folder are mostly built alike. */
export function pagesOfFolders(pages: Iterable<SitePath>, most: number): SitePath[] {
  const folders = new Map<string, SitePath>();
  for (const page of [...pages].sort()) {
    const folder = page.includes('/') ? page.slice(0, page.lastIndexOf('/')) : '';
    if (!folders.has(folder)) folders.set(folder, page);
  }
  return [...folders.values()].slice(0, most);
}
