import { optional } from '../../format/key.ts';
import { said, text } from '../../format/values.ts';
import type { Mark } from '../../text/mark.ts';
import { type Led, type SingleKind, type TargetContext, elsewhere, failed } from '../kind.ts';
import { readPlace } from '../read-place.ts';
import type { InsertPlace, Place } from '../places.ts';

const keys = {
  insert: optional(said(text), {
    takes: 'a file of the site',
    otherwise: elsewhere,
    means: 'A piece of HTML of your own, such as a search form. It is no page of the site.',
    example: 'insert: parts/search.html\nlabel: Search',
  }),
} as const;

/** The designer's own piece of HTML, from a file of the site. */
export type InsertTarget = { kind: 'insert'; written: string; mark: Mark };

export const insertKind = {
  keys,
  inButtons: null,
  hasEntries: false,
  read: ({ path, mark }): InsertTarget | null => {
    const written = path('insert');
    return written === undefined ? null : { kind: 'insert', written, mark: mark('insert') };
  },
  lead: readInsert,
} satisfies SingleKind<InsertTarget, InsertPlace | Place>;

function readInsert({ written, mark }: InsertTarget, context: TargetContext): Led<InsertPlace | Place> {
  const reading = readPlace({ kind: 'file', written, mark }, context);
  if ('finding' in reading || reading.destination.kind !== 'file') return reading;
  const html = context.site.text(reading.destination.path);
  if (html !== null) return { destination: { kind: 'insert', html: html.trim() } };
  return failed(
    context,
    mark,
    'missing-file',
    `\`${written}\` is no text in UTF-8`,
    'Save the piece as UTF-8.',
  );
}
