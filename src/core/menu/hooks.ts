import { type Destination, hookName } from '../target/kinds/index.ts';
import { plainName } from '../text/names.ts';

/**
 * The name by which a designer's own rules know an entry: the target page's file name without its ending (the folder
 * of an index page), else the label, in a–z, 0–9 and hyphens.
 */
export function hookOf(leadsTo: Destination, label: string): string {
  return plainName(hookName(leadsTo) ?? label) || plainName(label) || 'entry';
}

/** Names in order, a second one of a kind with `-2`. */
export class HookNames {
  readonly #taken = new Set<string>();

  take(wanted: string): string {
    let name = wanted;
    for (let number = 2; this.#taken.has(name); number += 1) name = `${wanted}-${number}`;
    this.#taken.add(name);
    return name;
  }
}
