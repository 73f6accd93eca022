import { listed } from '../../text/nearest.ts';
import type { CheckRule } from '../types.ts';

/** Titles differ (WCAG 2.2, 2.4.2). */
export const sameTitle: CheckRule = {
  name: 'same-title',
  severity: 'warning',
  about: 'Titles differ.',
  why: 'Pages with one title cannot be told apart in tabs and search results.',
  example: '<title>Fold</title> on 12 pages  →  a title for each',
  find: (site, tell) => {
    const byTitle = new Map<string, string[]>();
    for (const { frame } of site.pages.values()) {
      if (frame.title !== null) byTitle.set(frame.title, [...(byTitle.get(frame.title) ?? []), frame.path]);
    }
    return [...byTitle].flatMap(([title, [first, ...others]]) => {
      if (first === undefined || others.length === 0) return [];
      const message = `the title “${title}” is also that of ${listed(others, 'and')}`;
      return [tell({ file: first }, message, 'Say in each title what is on its page.')];
    });
  },
};
