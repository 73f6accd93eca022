import { optional } from '../../format/key.ts';
import { label, said } from '../../format/values.ts';
import type { Mark } from '../../text/mark.ts';
import { nearest } from '../../text/nearest.ts';
import type { SectionHeading } from '../facts.ts';
import { type Led, type SingleKind, type TargetContext, elsewhere, failed } from '../kind.ts';
import { readPlace } from '../read-place.ts';
import type { SectionPlace } from '../places.ts';

const keys = {
  heading: optional(said(label), {
    takes: 'text',
    otherwise: elsewhere,
    means:
      'A place by the words of its heading: of the `page` beside it, or of every page that carries the menu. A heading without an id is given one, the same on every build; `kamino lift` takes it away again.',
    example: 'page: visit/index.html\nheading: Getting here',
  }),
} as const;

/**
 * A heading by its words; `page` null for the page that carries the menu.
 * @property insert where an id would go in it, if it is known: another one may have the same words
 */
export type HeadingTarget = {
  kind: 'heading';
  page: string | null;
  heading: string;
  insert?: number;
  mark: Mark;
};

export const headingKind = {
  keys,
  inButtons: {
    heading: optional(said(label), {
      takes: 'the words of a heading',
      otherwise: elsewhere,
      means: 'A heading of `page`, or of the page that carries the button.',
      example: 'page: contact.html\nheading: Ask us',
    }),
  },
  read: ({ text, path, mark }): HeadingTarget | null => {
    const heading = text('heading');
    return heading === undefined
      ? null
      : { kind: 'heading', page: path('page') ?? null, heading, mark: mark('heading') };
  },
  lead: readHeading,
} satisfies SingleKind<HeadingTarget, SectionPlace>;

/** The place of a heading by its words. Where it has no id it is given one, told by `giveId`. */
function readHeading(
  { page, heading, insert, mark }: HeadingTarget,
  context: TargetContext,
): Led<SectionPlace> {
  const { site, carriers, giveId } = context;
  let path: string | null = null;
  if (page !== null) {
    const reading = readPlace({ kind: 'page', written: page, mark }, context);
    if ('finding' in reading) return reading;
    if (reading.destination.kind === 'page') path = reading.destination.path;
    else if (reading.destination.kind === 'section') return { destination: reading.destination };
  }
  const key = wordsKey(heading);
  let id: string | null = null;
  for (const one of path === null ? carriers : [path]) {
    const headings = site.headings(one);
    const isIt = ({ text, insert: at }: SectionHeading): boolean =>
      insert === undefined ? wordsKey(text) === key : at === insert;
    const found = headings.find(isIt);
    if (!found) return noHeading({ heading, mark }, one, headings, context);
    const own = found.id ?? giveId(one, found);
    if (id !== null && id !== own)
      return failed(
        context,
        mark,
        'missing-section',
        `this heading has another id on \`${one}\` than on other pages`,
        'Name the page, or give all the same id.',
      );
    id = own;
  }
  return { destination: { kind: 'section', path, id: id ?? '' } };
}

function noHeading(
  { heading, mark }: Pick<HeadingTarget, 'heading' | 'mark'>,
  page: string,
  headings: readonly SectionHeading[],
  context: TargetContext,
): Led<SectionPlace> {
  const near = nearest(
    heading,
    headings.map(({ text }) => text),
  );
  return failed(
    context,
    mark,
    'missing-section',
    `\`${page}\` has no heading “${heading}”`,
    near ? `Did you mean “${near}”?` : 'Write the heading as it stands in the page.',
  );
}

/** Headings are the same whatever their spaces and letter case. */
export function wordsKey(text: string): string {
  return text.toLowerCase().replace(/\s+/g, ' ').trim();
}
