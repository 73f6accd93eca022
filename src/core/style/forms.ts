import { folds } from '../menu/folds.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { parts } from '../markup/names.ts';
import { within } from './parts.ts';

/**
 * The way to the page: a small line, a mark between its parts, which ends a line and begins none. Where nothing around
 * it keeps it away from the edges of the window, it does so itself.
 */
const breadcrumb = `.${parts.breadcrumb} .${parts.list} {
  align-items: baseline;
  gap: 0.2em 0.5em;
  padding-inline: max(0px, 1rem - (100vw - 100%) / 2);
  font-size: 0.9em;
}
.${parts.breadcrumb} .${parts.link} {
  padding: 0.3em 0;
}
.${parts.breadcrumb} .${parts.entry}:not(:last-child)::after {
  content: "/" / "";
  align-self: end;
  margin-inline-start: 0.5em;
  padding-block-end: 0.3em;
  opacity: 0.55;
}
.${parts.breadcrumb} .${parts.entry} .${parts.link}.${parts.link}::after,
.${parts.breadcrumb} .${parts.entry} .${parts.label}::after {
  content: none;
}
.${parts.breadcrumb} .${parts.entry} a.${parts.link}:not([aria-current]) {
  text-decoration: underline;
  text-decoration-thickness: 1px;
  text-underline-offset: 0.2em;
}
.${parts.breadcrumb} [aria-current].${parts.link} {
  font-weight: 600;
}
`;

/** The headings of a page below each other, along a line. */
const contents = `.${parts.menu}.${parts.contents} {
  margin-block: 1em;
}
.${parts.contents} .${parts.room} {
  padding-inline-start: 1rem;
  border-inline-start: 2px solid color-mix(in srgb, currentcolor 25%, transparent);
}
.${parts.menu} .${parts.caption} {
  display: block;
  padding-block-end: 0.3em;
  font-weight: 600;
}
.${parts.contents} .${parts.list}.${parts.list} {
  flex-flow: column;
  align-items: start;
  gap: 0;
}
.${parts.contents} .${parts.link} {
  padding: 0.2em 0;
  text-decoration: underline;
  text-decoration-thickness: 1px;
  text-underline-offset: 0.2em;
}
`;

/** The neighbours of a page at both ends of a line, each with a small word above it. */
const neighbours = `.${parts['previous-next']} .${parts.list} {
  flex-wrap: nowrap;
  justify-content: space-between;
  gap: 0.5em 1.5em;
}
.${parts['previous-next']} .${parts.entry} {
  flex: 0 1 auto;
  max-inline-size: 48%;
}
.${parts['previous-next']} .${parts.entry}.${parts.next} {
  margin-inline-start: auto;
  text-align: end;
}
.${parts['previous-next']} .${parts.link}.${parts.link} {
  display: block;
  padding: 0.3em 0;
  text-decoration: underline;
  text-decoration-thickness: 1px;
  text-underline-offset: 0.2em;
}
.${parts['previous-next']} .${parts.note}.${parts.note} {
  display: inline-block;
  inline-size: 100%;
  margin: 0;
}
.${parts['previous-next']} .${parts.note}::before {
  content: "\\2190\\00a0" / "";
}
.${parts['previous-next']} .${parts.next} .${parts.note}::before {
  content: none;
}
.${parts['previous-next']} .${parts.next} .${parts.note}::after {
  content: "\\00a0\\2192" / "";
}
[dir="rtl"] .${parts['previous-next']} .${parts.note}::before,
[dir="rtl"] .${parts['previous-next']} .${parts.next} .${parts.note}::after {
  display: inline-block;
  transform: scaleX(-1);
}
`;

const note = `${within('note')} {
  margin-inline-start: 0.4em;
  font-size: 0.82em;
  font-weight: 400;
  opacity: 0.8;
}
`;

const unseen = `${within('unseen')} {
  position: absolute;
  inline-size: 1px;
  block-size: 1px;
  overflow: hidden;
  clip-path: inset(50%);
  white-space: nowrap;
}
`;

/** An arrow out of a box, drawn in the colour of the label. */
const outside = `.${parts.menu} .${parts.outside} > .${parts.link}::before {
  content: "";
  order: 1;
  flex: none;
  inline-size: 0.5em;
  block-size: 0.5em;
  margin-inline-start: 0.45em;
  border: solid currentcolor;
  border-width: 0.12em 0.12em 0 0;
  background: linear-gradient(to bottom right, transparent 46%, currentcolor 46% 58%, transparent 58%);
}
[dir="rtl"] .${parts.menu} .${parts.outside} > .${parts.link}::before {
  transform: scaleX(-1);
}
`;

const insert = `.${parts.menu} .${parts.insert} {
  align-items: center;
  padding: 0.25em 0.5em;
}
`;

/** A cell of a table is as narrow as what it holds may be: a column in it is no narrower than a few words. */
const inCells = `td .${parts.column} {
  min-inline-size: min(7em, 100vw);
}
`;

/** Its toggle shows a mark alone. */
const hidesWord = (menu: ResolvedMenu): boolean =>
  menu.toTop !== null || (folds(menu) && menu.fold.toggle.show === 'icon');

/** Rules for what only some menus hold. */
export function extras(menus: readonly ResolvedMenu[]): string {
  const has = (test: (entry: ResolvedEntry) => boolean): boolean => {
    const any = (entries: readonly ResolvedEntry[]): boolean =>
      entries.some(one => test(one) || any(one.entries));
    return menus.some(menu => any(menu.entries));
  };
  const forms = new Set(menus.map(menu => menu.form));
  return [
    ...(forms.has('column') ? [inCells] : []),
    ...(forms.has('contents') ? [contents] : []),
    ...(forms.has('breadcrumb') ? [breadcrumb] : []),
    ...(has(one => one.details !== null) || forms.has('previous-next') ? [note] : []),
    ...(forms.has('previous-next') ? [neighbours] : []),
    ...(has(one => one.newWindow || one.icon?.show === 'icon') || menus.some(hidesWord) ? [unseen] : []),
    ...(has(one => one.outsideMark) ? [outside] : []),
    ...(has(one => one.leadsTo.kind === 'insert') ? [insert] : []),
  ].join('\n');
}
