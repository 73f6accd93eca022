import { optional } from '../../format/key.ts';
import { language, said } from '../../format/values.ts';
import type { Mark } from '../../text/mark.ts';
import { type Led, type SingleKind, type TargetContext, elsewhere, failed } from '../kind.ts';
import type { LanguagePlace, NonePlace } from '../places.ts';

const keys = {
  language: optional(said(language), {
    takes: 'the tag of a language',
    otherwise: elsewhere,
    means:
      'This page’s counterpart in another language, else the front page of that language, which is told. One value for each language leads to and fro.',
    example: 'language: { en: cy, cy: en }',
  }),
} as const;

/** The counterpart of the page in another language. */
export type LanguageTarget = { kind: 'language'; tag: string; mark: Mark };

export const languageKind = {
  keys,
  inButtons: null,
  read: ({ text, mark, known }): LanguageTarget | null => {
    const tag = text('language');
    if (tag === undefined) return null;
    known(tag, 'language');
    return { kind: 'language', tag, mark: mark('language') };
  },
  lead: readLanguage,
} satisfies SingleKind<LanguageTarget, LanguagePlace | NonePlace>;

/** The counterparts of the pages that carry the menu. */
function readLanguage(
  { tag, mark }: LanguageTarget,
  { languages, carriers, source }: TargetContext,
): Led<LanguagePlace | NonePlace> {
  // A language that the plan does not have has been told with the plan.
  if (languages?.all.some(one => one.tag === tag) !== true) return { destination: { kind: 'none' } };
  const front = languages.front(tag);
  if (front === null)
    return failed(
      { source },
      mark,
      'missing-page',
      `no page of the site is in \`${tag}\``,
      'Look at the `pages` of that language.',
    );
  const pairs = carriers.flatMap(page => {
    const other = languages.counterpart(page, tag);
    return other === null ? [] : [[page, other] as const];
  });
  return { destination: { kind: 'language', tag, counterparts: Object.fromEntries(pairs), front } };
}
