import type { CheckRule } from '../types.ts';

/** Each page has a title (WCAG 2.2, 2.4.2). */
export const untitled: CheckRule = {
  name: 'untitled',
  severity: 'warning',
  about: 'Each page has a title.',
  why: 'The title is what a tab, a bookmark and a search result show.',
  example: '<title></title>    →  <title>Prices</title>',
  find: (site, tell) =>
    [...site.pages.values()].flatMap(({ frame }) => {
      if (frame.title !== null || frame.isFrameset) return [];
      return [tell({ file: frame.path }, 'this page has no title', 'Give it one:  <title>…</title>')];
    }),
};
