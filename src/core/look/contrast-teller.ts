import type { Look } from '../plan/look-types.ts';
import { anyGround } from './grounds.ts';
import type { ColorTools, Ground, Hex } from './hex.ts';
import { groundIn } from './merge.ts';
import type { LookTeller } from './teller.ts';

/** Levels of WCAG 2.2: 1.4.3 and 1.4.6 for text, 1.4.11 for marks. */
export const textLevels = { AA: 4.5, AAA: 7 } as const;
export const markLevel = 3;

/** A label and what lies behind it. */
interface Seen {
  color: Hex;
  ground: Ground;
}

/** Tells of labels that are not read well, or that were changed so that they are. */
export class ContrastTeller {
  readonly #teller: LookTeller;
  readonly #tools: ColorTools;
  readonly #level: number;

  /** @param level the contrast that is needed */
  constructor(teller: LookTeller, tools: ColorTools, level: number) {
    [this.#teller, this.#tools, this.#level] = [teller, tools, level];
  }

  mended(look: Look, path: string, { color, ground }: Seen, to: string): void {
    const [, state = 'base'] = path.split('.');
    const { ratio, at } = this.#tools.worst(color, ground);
    this.#teller.tell('mended-color', look, path, [
      `labels are ${to} in the state \`${state}\`: ${color} on ${at} has a contrast of ${ratio.toFixed(2)}, and ${this.#level} is needed`,
      'Nothing needs to be done. With  contrast: { mend: none }  derived colours stay as they come.',
    ]);
  }

  /** The page is seen through the ground, and nothing is known of it. */
  unsure(look: Look, path: string, { color, ground }: Seen): void {
    const all = ground.map(at => this.#tools.contrast(color, at));
    const [least, most] = [Math.min(...all), Math.max(...all)];
    const pictured = picturedAt(look);
    if (pictured !== null)
      return this.#teller.tellOnce(color, 'unsure-contrast', look, pictured, [
        `a picture lies behind this text in ${color}, and not all of what is seen there is known; ${this.#level} is needed on each part of it`,
        'Save it as PNG, JPEG, WebP or SVG, with a `background` beside it; else look at it on the pages, wide and narrow.',
      ]);
    const css = groundIn(look);
    const cover = this.#coverOf(css ?? this.#opposite(color), color);
    if (cover === null) return this.#never(look, path, { color, ground });
    this.#teller.tellOnce(color, 'unsure-contrast', look, css === null ? path : 'background', [
      `the page is seen through this ground: what lies behind it leaves text in ${color} a contrast from ${least.toFixed(2)} to ${most.toFixed(2)}; ${this.#level} is needed`,
      `Look at it on the pages, or let it cover more:  background: "${cover}"`,
    ]);
  }

  /** It could not be read even if the ground covered all. */
  #never(look: Look, path: string, { color, ground }: Seen): void {
    const { ratio, at } = this.#tools.worst(color, ground);
    this.#teller.tell('low-contrast', look, path, [
      `the page is seen through this ground: over some of it, as on ${at}, text in ${color} has a contrast of ${ratio.toFixed(2)}; ${this.#level} is needed`,
      'No share of this ground makes it readable: write another colour of labels, or another ground.',
    ]);
  }

  /** What a label stands out from. */
  #opposite(color: Hex): Hex {
    return this.#tools.contrast(color, '#000000') > this.#tools.contrast(color, '#ffffff')
      ? '#000000'
      : '#ffffff';
  }

  /** The same ground, covering as much as it must; null where that does not suffice, or for a gradient. */
  #coverOf(background: string, color: Hex, under: Ground = anyGround): string | null {
    const hex = this.#tools.read(background);
    if (hex === null) return null;
    for (let share = 1; share <= 100; share += 1) {
      const own =
        hex.slice(0, 7) +
        Math.round(share * 2.55)
          .toString(16)
          .padStart(2, '0');
      if (this.#tools.worst(color, this.#tools.over(own, under)).ratio < this.#level) continue;
      const [red, green, blue] = [1, 3, 5].map(at => parseInt(hex.slice(at, at + 2), 16));
      return share === 100 ? hex.slice(0, 7) : `rgb(${red} ${green} ${blue} / ${share}%)`;
    }
    return null;
  }

  low(look: Look, path: string, { color, ground }: Seen): void {
    const { ratio, at } = this.#tools.worst(color, ground);
    const passing = this.#tools.nearestPassing(color, ground, this.#level);
    const isGradient = picturedAt(look) === null && groundIn(look)?.includes('gradient(') === true;
    const part = isGradient ? 'point of the gradient' : 'part of what lies behind it';
    const where = ground.length === 1 ? at : `${at}, a ${part},`;
    this.#teller.tell('low-contrast', look, path, [
      `text in ${color} on ${where} has a contrast of ${ratio.toFixed(2)}; ${this.#level} is needed`,
      this.#tools.worst(passing, ground).ratio >= this.#level
        ? `The nearest that passes:  color: "${passing}"`
        : isGradient
          ? 'No colour can be read on the whole gradient: bring its ends nearer to each other.'
          : this.#calmer(look, { color, ground }),
    ]);
  }

  /** A menu over a picture may have a ground between them. */
  #calmer(look: Look, { color, ground }: Seen): string {
    // What covers some already is part of what was measured.
    const isFree = picturedAt(look) === null && groundIn(look) === null;
    const cover = isFree ? this.#coverOf(this.#opposite(color), color, ground) : null;
    const between = cover === null ? '' : `, or lay a ground over it:  background: "${cover}"`;
    return `No colour can be read on all of it: take a calmer picture${between || (picturedAt(look) === null ? ', or a ground that covers more.' : '.')}`;
  }
}

/** Where a look has a picture as a ground; null for nowhere. */
function picturedAt({ picture, states }: Look): string | null {
  if (picture !== null) return 'picture';
  const found = Object.entries(states).find(([, state]) => state.picture !== null);
  return found ? `states.${found[0]}.picture` : null;
}
