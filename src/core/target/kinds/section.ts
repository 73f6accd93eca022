import { fragmentOf, writtenAddress } from '../../address/href.ts';
import { folderOf } from '../../address/path.ts';
import { optional } from '../../format/key.ts';
import { said, text } from '../../format/values.ts';
import type { Mark } from '../../text/mark.ts';
import { spaced } from '../../text/names.ts';
import { type PlaceKind, type SingleKind, elsewhere } from '../kind.ts';
import { readPlace } from '../read-place.ts';
import type { SectionPlace } from '../places.ts';

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

export const sectionPlace: PlaceKind<SectionPlace> = {
  address: ({ path, id }, { page, folder, links }) => {
    const isHere = path === null || path === page;
    const needsPage = !isHere || folder !== folderOf(page);
    return (needsPage ? writtenAddress(folder, path ?? page, links) : '') + fragmentOf(id);
  },
  label: ({ path, id, panel }, { sections, panels, carriers }) => {
    const group = panels.find(one => one.name === panel?.group);
    const shown = group?.panels.find(one => one.id === id);
    if (shown) return shown.label;
    // Of a section of whatever page carries the menu: what it is called on all of them.
    const headings = new Set((path === null ? carriers : [path]).map(page => sections(page).get(id)));
    const [heading] = headings;
    return headings.size === 1 && heading ? heading : spaced(id);
  },
  outline: ({ path, id }) => `${path ?? ''}#${id}`,
  hook: ({ id }) => id,
  page: ({ path }) => path,
};
