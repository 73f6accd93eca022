import { folderOf, isIndex, nameOf } from '../address/path.ts';
import type { Destination } from './types.ts';

/**
 * The name by which a designer's own rules know an entry: the target page's file name without its ending (the folder
 * of an index page), else the label, in a–z, 0–9 and hyphens.
 */
export function hookOf(leadsTo: Destination, label: string): string {
  const name =
    leadsTo.kind === 'page' ? pageName(leadsTo.path) : leadsTo.kind === 'section' ? leadsTo.id : label;
  return plainName(name) || plainName(label) || 'entry';
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

function pageName(path: string): string {
  const folder = folderOf(path);
  return isIndex(path) && folder !== '' ? nameOf(folder) : nameOf(path).replace(/\.[^.]*$/, '');
}

function plainName(text: string): string {
  return text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
}
