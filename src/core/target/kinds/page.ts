import { optional } from '../../format/key.ts';
import { said, text } from '../../format/values.ts';
import type { Mark } from '../../text/mark.ts';
import { type SingleKind, elsewhere } from '../kind.ts';
import { type Written, readPlace } from '../read-place.ts';

const keys = {
  page: optional(said(text), {
    takes: 'a path',
    otherwise: elsewhere,
    means: 'A page of the site, seen from the site’s folder; a folder stands for its index page.',
    example: 'page: visit/index.html',
  }),
} as const;

/** A page of the site, as the plan names it. */
export type PageTarget = { kind: 'page'; written: string; mark: Mark };

export const pageKind = {
  keys,
  inButtons: {
    page: optional(said(text), {
      takes: 'a path',
      otherwise: elsewhere,
      means: 'A page, as for an entry.',
      example: 'page: contact.html',
    }),
  },
  read: ({ path, mark }): PageTarget | null => {
    const written = path('page');
    return written === undefined ? null : { kind: 'page', written, mark: mark('page') };
  },
  lead: (target: Written, context) => readPlace(target, context),
} satisfies SingleKind<PageTarget, unknown>;
