import type { SitePath } from '../address/path.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { AlikeStarts, type Likeness, frameLike } from '../page/alike.ts';
import { readFrame } from '../page/frame.ts';
import type { Frame } from '../page/types.ts';
import type { Raw } from '../text/bytes.ts';
import type { Placement } from './placement.ts';

/** A page as far as it must be known to put menus into it. */
export interface PageStart {
  frame: () => Frame;
  charset: Frame['charset'];
  /** The page that it begins like, which may be itself; null where no other can begin so. */
  like: Likeness | null;
  /** One before has begun so. */
  isKnown: boolean;
}

/** Reads the starts of the pages of a site: those that begin like one before need not be gone through. */
export class Starts {
  readonly #placement: Placement;
  /** By the menus that pages carry. */
  readonly #alike = new Map<string, AlikeStarts>();

  constructor(placement: Placement) {
    this.#placement = placement;
  }

  /** @param slots offsets at which slots may stand */
  of(
    path: SitePath,
    raw: Raw,
    { menus, slots }: { menus: readonly ResolvedMenu[]; slots: readonly number[] },
  ): PageStart {
    const alike = this.#alikeFor(menus);
    const known = alike.find(raw, slots);
    if (known) {
      const frame = (): Frame => frameLike(known, path, raw);
      return { frame, charset: known.told.charset, like: known, isKnown: true };
    }
    const wanted = this.#placement.wanted(menus, raw, slots);
    const frame = readFrame(path, raw, wanted);
    return { frame: () => frame, charset: frame.charset, like: alike.add(frame, wanted), isKnown: false };
  }

  #alikeFor(menus: readonly ResolvedMenu[]): AlikeStarts {
    const key = menus.length === 1 ? menus[0]!.name : menus.map(menu => menu.name).join(' ');
    const alike = this.#alike.get(key) ?? new AlikeStarts();
    this.#alike.set(key, alike);
    return alike;
  }
}
