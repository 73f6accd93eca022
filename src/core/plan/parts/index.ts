import type { Keys } from '../../format/key.ts';
import { buttonKeys } from './button.ts';
import { entryKeys } from './entry.ts';
import { foldKeys, toggleKeys } from './fold.ts';
import { contrastKeys, fontKeys, lookKeys, partsKeys, stateKeys, statesKeys } from './look.ts';
import { homeKeys, menuKeys, opensKeys, staysKeys } from './menu.ts';
import { panelsKeys } from './panels.ts';
import { placeKeys } from './place.ts';
import { labelsKeys, languageKeys, linksKeys, planKeys, wordKeys } from './plan.ts';
import { toTopKeys } from './to-top.ts';

/** A part of the plan that has keys of its own. */
interface PartRecord {
  /** How it is called in a message. */
  called: string;
  /** Where it stands in a plan. */
  stands: string;
  keys: Keys;
  /** Keys of the format that a later version builds. */
  later: readonly string[];
}

const part = (called: string, stands: string, keys: Keys, later: readonly string[] = []): PartRecord => ({
  called,
  stands,
  keys,
  later,
});

/** Every part of the plan. */
export const parts = {
  plan: part('a plan', 'of the plan itself', planKeys, ['own-files', 'pictures', 'questions', 'rules']),
  languages: part('`languages`', 'of `languages`', {}),
  language: part('a language', 'of each language in `languages`', languageKeys),
  words: part('`words`', 'of `words` in a language', wordKeys),
  labels: part('`labels`', 'of `labels`', labelsKeys),
  links: part('`links`', 'of `links`', linksKeys),
  menu: part('a menu', 'of a menu in `menus`', menuKeys),
  place: part('`place`', 'of `place` in a menu', placeKeys),
  stays: part('`stays`', 'of `stays` in a menu', staysKeys),
  home: part('`home`', 'of `home` in a menu', homeKeys),
  opens: part('`opens`', 'of `opens` in a menu', opensKeys),
  fold: part('`fold`', 'of `fold` in a menu', foldKeys),
  toggle: part('`toggle`', 'of `toggle` in a `fold`', toggleKeys),
  button: part('a button', 'of a button in `buttons`', buttonKeys),
  panels: part('`panels`', 'of a group in `panels`', panelsKeys),
  'to-top': part('`to-top`', 'of `to-top`', toTopKeys),
  entry: part('an entry', 'of an entry in `entries`', entryKeys),
  look: part('a look', 'of `look`', lookKeys),
  font: part('`font`', 'of `font` in a look', fontKeys),
  states: part('`states`', 'of `states` in a look', statesKeys),
  state: part('a state', 'of each state in `states`', stateKeys),
  parts: part('`parts`', 'of `parts` in a look', partsKeys),
  contrast: part('`contrast`', 'of `contrast` in a look', contrastKeys),
  looks: part('`looks`', 'of `looks`', {}),
};
export type Part = keyof typeof parts;

/** The part that the values of a key are, where the key has another name. */
const otherNames: Readonly<Record<string, Part>> = {
  languages: 'language',
  menus: 'menu',
  buttons: 'button',
  entries: 'entry',
  looks: 'look',
  highlight: 'look',
  ...Object.fromEntries(Object.keys(statesKeys).map(name => [name, 'state'] as const)),
};

/** The part that the values of a key are; null where they are no part. */
export function partBelow(key: string): Part | null {
  return otherNames[key] ?? (Object.hasOwn(parts, key) ? (key as Part) : null);
}
