import { optional } from '../../format/key.ts';
import { level, listOf, said, text } from '../../format/values.ts';
import type { Mark } from '../../text/mark.ts';
import { type TargetKind, elsewhere } from '../kind.ts';

const keys = {
  sections: optional(said(text), {
    takes: 'a page',
    otherwise: elsewhere,
    means: 'An entry for each heading of the page; deeper ones lie below shallower ones.',
    example: 'sections: guide.html',
  }),
  levels: optional(listOf(level), {
    takes: 'levels of headings',
    otherwise: '`2`',
    means: 'Which headings `sections` takes.',
    example: 'sections: guide.html\nlevels: [2, 3]',
  }),
} as const;

/** An entry for each heading of a page; null for the page that carries the menu. */
export type SectionsTarget = {
  kind: 'sections';
  page: string;
  levels: readonly number[];
  except: readonly string[];
  mark: Mark;
};

export const sectionsKind = {
  keys,
  inButtons: null,
  only: ['levels'],
  hasEntries: false,
  read: ({ path, list, mark }): SectionsTarget | null => {
    const page = path('sections');
    if (page === undefined) return null;
    const levels = (list('levels') ?? ['2']).map(Number);
    return { kind: 'sections', page, levels, except: list('except') ?? [], mark: mark('sections') };
  },
} satisfies TargetKind<SectionsTarget>;
