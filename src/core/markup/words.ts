import { covers, folds } from '../menu/folds.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import type { Language } from '../plan/types.ts';
import type { WordName } from '../plan/parts/language.ts';
import { type Finding, finding } from '../text/finding.ts';
import { listed } from '../text/nearest.ts';
import type { Source } from '../text/source.ts';

/** Kamino's own words in a page, by the names that the plan has for them. */
export type Words = Readonly<Record<WordName, string>>;

export const english: Words = {
  skip: 'Skip to the main content',
  menu: 'Menu',
  close: 'Close',
  'new-window': 'new window',
  previous: 'Previous',
  next: 'Next',
  more: 'more pages',
  top: 'Back to the top',
};

const made = new WeakMap<object, Words>();

/** The words of a language; in English those that the plan does not have. */
export function wordsOf(language: { words: Partial<Words> } | null): Words {
  if (language === null) return english;
  const known = made.get(language.words) ?? { ...english, ...language.words };
  made.set(language.words, known);
  return known;
}

/** The words that menus cannot do without. */
export function wordsIn(menus: readonly ResolvedMenu[]): WordName[] {
  const has = (test: (entry: ResolvedEntry) => boolean): boolean => {
    const inside = (entries: readonly ResolvedEntry[]): boolean =>
      entries.some(one => test(one) || inside(one.entries));
    return menus.some(menu => inside(menu.entries));
  };
  const isSet = menus.some(menu => menu.shows === 'set');
  const used: [WordName, boolean][] = [
    ['skip', true],
    ['menu', menus.some(menu => folds(menu) && menu.fold.toggle.label === null)],
    ['close', menus.some(menu => covers(menu))],
    ['new-window', has(one => one.newWindow)],
    ['previous', isSet],
    ['next', isSet],
    ['top', menus.some(menu => menu.toTop !== null && menu.entries.some(one => one.label === ''))],
    ['more', has(one => one.entries.length > 0 && one.leadsTo.kind !== 'none')],
  ];
  return used.flatMap(([name, isUsed]) => (isUsed ? [name] : []));
}

/** Words that menus need and a language of the plan does not have. */
export function missingWords(
  languages: readonly Language[],
  menus: readonly ResolvedMenu[],
  source: Source,
): Finding[] {
  return languages.flatMap(({ tag, name, words, mark }) => {
    if (isEnglish(tag)) return [];
    const own = menus.filter(menu => menu.language?.tag === tag);
    const missing = own.length === 0 ? [] : wordsIn(own).filter(word => words[word] === undefined);
    if (missing.length === 0) return [];
    const lines = missing.map(word => `${word}: …   (${english[word]})`);
    return [
      finding(
        'missing-word',
        source.place(mark.start, mark.end),
        `Kamino’s own words are English in ${name} so far: ${listed(missing, 'and')}`,
        `Add them to \`words\`:\n${lines.join('\n')}`,
      ),
    ];
  });
}

export function isEnglish(tag: string): boolean {
  return /^en(?:-|$)/i.test(tag.trim());
}
