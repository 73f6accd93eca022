import { type Destination, hookName } from '../target/destination.ts';
import { plainName } from '../text/names.ts';

/**
 * The name by which a designer's own rules know an entry: the target page's file name without its ending (the folder
 * of an index page), else the label, in a–z, 0–9 and hyphens.
 */
export function hookOf(leadsTo: Destination, label: string): string {
  return plainName(hookName(leadsTo) ?? label) || plainName(label) || 'entry';
}

/** Names in order, a second one of a kind with `-2`. */
export class NumberedNames {
  readonly #taken: Set<string>;
  /** The number that was tried last for each: there may be many of a kind. */
  readonly #tried = new Map<string, number>();

  constructor(taken: Iterable<string> = []) {
    this.#taken = new Set(taken);
  }

  take(wanted: string): string {
    let name = wanted;
    let number = this.#tried.get(wanted) ?? 1;
    while (this.#taken.has(name)) {
      number += 1;
      name = `${wanted}-${number}`;
    }
    this.#tried.set(wanted, number);
    this.#taken.add(name);
    return name;
  }
}
