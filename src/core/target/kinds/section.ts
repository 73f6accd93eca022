import { optional } from '../../format/key.ts';
import { said, text } from '../../format/values.ts';
import type { Mark } from '../../text/mark.ts';
import { type SingleKind, elsewhere } from '../kind.ts';
import { readPlace } from '../read-place.ts';

const keys = {
  section: optional(said(text), {
    takes: 'a page and an id, or an id',
    otherwise: elsewhere,
    means: 'A place in a page. An id alone must be on every page that carries the menu.',
    example: 'section: visit/index.html#prices',
  }),
} as const;

export type SectionTarget = { kind: 'section'; written: string; mark: Mark };

export const sectionKind = {
  keys,
  inButtons: {
    section: optional(said(text), {
      takes: 'a page and a section',
      otherwise: elsewhere,
      means: 'A place in a page; without a page one of the page that carries the button.',
      example: 'section: "#form"',
    }),
  },
  read: ({ path, mark }): SectionTarget | null => {
    const written = path('section');
    return written === undefined ? null : { kind: 'section', written, mark: mark('section') };
  },
  lead: (target: SectionTarget, context) => readPlace(target, context),
} satisfies SingleKind<SectionTarget, unknown>;
