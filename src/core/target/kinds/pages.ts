import { optional, preset } from '../../format/key.ts';
import { count, depth, globs, order, said } from '../../format/values.ts';
import type { Mark } from '../../text/mark.ts';
import { type TargetKind, elsewhere } from '../kind.ts';

const keys = {
  pages: optional(said(globs), {
    takes: 'patterns of paths',
    otherwise: elsewhere,
    means: 'An entry for each page that matches, without the page of the entry above.',
    example: 'pages: telescopes/*.html',
  }),
  order: preset(order, 'title', {
    means:
      'The order of `pages`: by title (figures by their value), by file name, or by the first `datetime` in each page: `oldest` or `latest` first, `date` as journals are read, with the latest first; `listed` as the patterns stand.',
    example: 'pages: journal/*.html\norder: date',
  }),
  first: optional(globs, {
    takes: 'patterns of paths',
    otherwise: 'nothing',
    means: 'Pages of the pattern that come ahead of the others.',
    example: 'pages: telescopes/*.html\nfirst: telescopes/great.html',
  }),
  except: optional(globs, {
    takes: 'patterns, ids or headings',
    otherwise: 'nothing',
    means: 'What a pattern leaves out.',
    example: 'sections: guide.html\nexcept: "#notes"',
  }),
  most: optional(count, {
    takes: 'a number',
    otherwise: 'all',
    means: 'How many entries `pages` makes at most.',
    example: 'pages: journal/*.html\nmost: 3',
  }),
  depth: optional(depth, {
    takes: '`1`, `2` or `3`',
    otherwise: '`1`',
    means: 'From 2 on, the pages of a folder lie below its index page.',
    example: 'pages: journal/**\ndepth: 2',
  }),
} as const;

export type PageOrder = 'title' | 'date' | 'file' | 'latest' | 'oldest' | 'listed';

export interface PagePattern {
  globs: readonly string[];
  order: PageOrder;
  /** Listed ones ahead. */
  first: readonly string[];
  except: readonly string[];
  most: number | null;
  /** How many levels of folders become submenus; 1 for a plain list. */
  depth: number;
}

/** An entry for each page that matches. */
export type PagesTarget = { kind: 'pages'; pages: PagePattern; mark: Mark };

export const pagesKind = {
  keys,
  inButtons: null,
  only: ['first', 'most', 'depth'],
  hasEntries: false,
  read: ({ text, paths, mark }): PagesTarget | null => {
    const globs = paths('pages');
    if (globs === undefined) return null;
    const most = text('most');
    const pages = {
      globs,
      order: text('order') as PageOrder,
      first: paths('first') ?? [],
      except: paths('except') ?? [],
      most: most === undefined ? null : Number(most),
      depth: Number(text('depth') ?? '1'),
    };
    return { kind: 'pages', pages, mark: mark('pages') };
  },
} satisfies TargetKind<PagesTarget>;
