import { parts } from '../plan/parts/index.ts';
import { tradeWords } from '../plan/trade.ts';
import { nearest } from '../text/nearest.ts';
import { looksPage } from './looks.ts';
import { cssPage } from './css.ts';
import { editorPage } from './editor.ts';
import { type KeyPage, keyPages, keyParts } from './keys.ts';
import { allRules } from './rules.ts';
import type { ManualPage } from './types.ts';
import { wordPages } from './words.ts';

/** The pages of a name: a key may be one of several parts, and a word of its own too. */
export function pagesNamed(name: string): ManualPage[] {
  const wanted = name.trim().toLowerCase();
  return allPages().filter(page => page.name === wanted);
}

/** The name that was most likely meant, or null. */
export function nearestName(name: string): string | null {
  return nearest(name, new Set(allPages().map(page => page.name)));
}

const topics: readonly ManualPage[] = [cssPage, editorPage, looksPage];
let made: ManualPage[] | null = null;

/** Topics, words, keys and rules. */
export function allPages(): readonly ManualPage[] {
  made ??= [...topics, ...ownWords(), ...keys(), ...trade(), ...allRules.map(rulePage)];
  return made;
}

function ownWords(): ManualPage[] {
  return Object.entries(wordPages).map(([name, { means, example, see }]) => ({
    name,
    kind: 'word',
    title: means,
    text: [],
    examples: [{ language: 'text', about: null, code: example }],
    see,
  }));
}

function keys(): ManualPage[] {
  return keyParts.flatMap(part => keyPages(part).map(page => keyPage(parts[part].stands, page)));
}

function keyPage(stands: string, { key, takes, otherwise, means, example }: KeyPage): ManualPage {
  const isNeeded = otherwise === null;
  return {
    name: key,
    kind: 'key',
    title: `A key ${stands}.`,
    text: [means, `Takes ${takes}. ${isNeeded ? 'It is needed.' : `Without it: ${otherwise}.`}`],
    examples: [{ language: 'yaml', about: null, code: example }],
    see: [],
  };
}

/** What other programs call it: our word, with its example. */
function trade(): ManualPage[] {
  const all = new Map(keys().map(page => [page.name, page]));
  return Object.entries(tradeWords)
    .filter(
      ([name]) => !all.has(name) && !Object.hasOwn(wordPages, name) && !topics.some(one => one.name === name),
    )
    .map(([name, ours]) => {
      const names = ours.split(/ or |, |: /).filter(one => all.has(one) || Object.hasOwn(wordPages, one));
      const first = names
        .map(one => all.get(one)?.examples[0]?.code ?? wordPages[one]?.example)
        .find(Boolean);
      return {
        name,
        kind: 'trade',
        title: `Kamino’s word for it is ${ours}.`,
        text: [],
        examples: first === undefined ? [] : [{ language: 'text', about: null, code: first }],
        see: names,
      };
    });
}

function rulePage({ name, severity, about, why, example }: (typeof allRules)[number]): ManualPage {
  return {
    name,
    kind: 'rule',
    title: `A rule: ${about}`,
    text: [why, `Its severity is ${severity}.`],
    examples: [{ language: 'text', about: null, code: example }],
    see: [],
  };
}
