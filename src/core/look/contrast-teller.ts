import type { Look } from '../plan/look-types.ts';
import type { ColorTools, Ground, Hex } from './hex.ts';
import type { LookTeller } from './teller.ts';

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

  low(look: Look, path: string, { color, ground }: Seen): void {
    const { ratio, at } = this.#tools.worst(color, ground);
    const passing = this.#tools.nearestPassing(color, ground, this.#level);
    const where = ground.length === 1 ? at : `${at}, a point of the gradient,`;
    this.#teller.tell('low-contrast', look, path, [
      `text in ${color} on ${where} has a contrast of ${ratio.toFixed(2)}; ${this.#level} is needed`,
      this.#tools.worst(passing, ground).ratio >= this.#level
        ? `The nearest that passes:  color: "${passing}"`
        : 'No colour can be read on the whole gradient: bring its ends nearer to each other.',
    ]);
  }
}
