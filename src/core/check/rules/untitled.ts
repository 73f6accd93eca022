import { finding } from '../../text/finding.ts';
import type { CheckRule } from '../types.ts';

/** Each page has a title (WCAG 2.2, 2.4.2). */
export const untitled: CheckRule = {
  find: site =>
    [...site.pages.values()].flatMap(({ frame }) => {
      if (frame.title !== null || frame.isFrameset) return [];
      return [
        finding('untitled', { file: frame.path }, 'this page has no title', 'Give it one:  <title>…</title>'),
      ];
    }),
};
