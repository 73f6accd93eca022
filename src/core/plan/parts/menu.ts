import { type WrittenOf, mapOf, needed, oneOf, optional, preset } from '../../format/key.ts';
import {
  depth,
  globs,
  json,
  label,
  level,
  listOf,
  lookName,
  mapOr,
  order,
  said,
  slotName,
  text,
  truth,
} from '../../format/values.ts';
import { entries } from './entry.ts';
import { fold } from './fold.ts';
import { homeKeys } from './home.ts';
import { look } from './look.ts';
import { opensKeys, staysKeys } from './opens.ts';
import { place, placeTakes } from './place.ts';
import { separatorKeys } from './separators.ts';

export const menuKeys = {
  menu: needed(slotName, {
    takes: 'a name in a–z, 0–9 and hyphens',
    means:
      'The menu’s name, also that of its slot: `data-kamino-slot="masthead"`. `style`, `script`, `skip` and `top` are taken.',
    example: 'menu: masthead',
    missing: 'Give the menu a name:  menu: masthead',
  }),
  title: optional(said(label), {
    takes: 'text, or one for each language',
    otherwise: 'from the name',
    means: 'How a screen reader announces the menu. `contents` shows it too.',
    example: 'title: Main',
  }),
  form: preset(oneOf('bar', 'column', 'tabs', 'plain', 'contents', 'breadcrumb', 'previous-next'), 'bar', {
    means:
      '`bar`: entries side by side. `column`: below each other; the branch of this page lies open. `tabs`: a bar that is joined to what lies below it. `plain`: all entries in view, on the page’s own ground. `contents`: the headings of the page that one is on. `breadcrumb`: the way from the front page to this one. `previous-next`: the neighbours of this page in a `set`.',
    example: 'form: column',
  }),
  widths: preset(oneOf('natural', 'equal'), 'natural', {
    means: 'Entries as wide as their labels, or all alike.',
    example: 'widths: equal',
  }),
  separators: preset(mapOr(mapOf(separatorKeys), oneOf('none', 'line')), 'none', {
    below: 'separators',
    takes: '`none`, `line`, or keys of a line',
    means: 'A line between entries, never after the last.',
    example: 'separators: line',
  }),
  'current-entry': preset(oneOf('link', 'text'), 'link', {
    means: 'Whether the entry of the page that one is on stays a link, or becomes text.',
    example: 'current-entry: text',
  }),
  branch: optional(text, {
    takes: 'the name of a menu',
    otherwise: 'nothing',
    means:
      'What lies below the top entry of that menu in which this page is. A page that lies in none does not carry the menu. A column beside the text needs room in the page’s own layout, for example:\n\n    @media (min-width: 56rem) {\n      main:has(> .kamino-menu-side) { display: grid; grid-template-columns: 15rem minmax(0, 1fr); column-gap: 3rem; }\n      main > .kamino.kamino-menu-side { grid-row: 1 / span 9; align-self: start; }\n      main > .kamino-menu-side ~ * { grid-column: 2; }\n    }',
    example: 'form: column\nbranch: masthead',
  }),
  'entries-of': optional(text, {
    takes: 'the name of a menu',
    otherwise: 'nothing',
    means: 'Takes the entries of another menu, down to `depth`.',
    example: 'entries-of: masthead\ndepth: 1',
  }),
  depth: optional(depth, {
    takes: '`1`, `2` or `3`',
    otherwise: 'all levels',
    means: 'How many levels `entries-of` or `branch` take over.',
    example: 'entries-of: masthead\ndepth: 2',
  }),
  levels: optional(listOf(level), {
    takes: 'levels of headings',
    otherwise: '`2`',
    means:
      'For `contents`: which headings of the page it lists; deeper ones lie below shallower ones. A page with fewer than two of them does not carry the menu. A heading without an id is given one, the same on every build; `kamino lift` takes it away again.',
    example: 'form: contents\nlevels: [2, 3]',
  }),
  set: optional(globs, {
    takes: 'patterns of paths',
    otherwise: 'nothing',
    means:
      'For `previous-next`: the pages that lead to each other, in each language those of that language. Pages that do not carry the menu are passed over, and so is the index of a folder, where no pattern is its very path.',
    example: 'form: previous-next\nset: journal/*.html',
  }),
  order: preset(order, 'title', {
    means:
      'The order of a `set`: by title, by file name, as the patterns stand (`listed`), or by the first `datetime` in each page. With `date`, as with `oldest`, the previous page is the older one; `latest` turns that round.',
    example: 'form: previous-next\nset: journal/*.html\norder: date',
  }),
  data: optional(oneOf('json-ld'), {
    otherwise: 'nothing',
    means: 'Puts a breadcrumb into the page as structured data too.',
    example: 'form: breadcrumb\ndata: json-ld',
  }),
  opens: preset(
    mapOf(opensKeys),
    { after: '90ms', ease: '160ms', columns: '1' },
    {
      below: 'opens',
      takes: '`by`, `after`, `ease`, `width`, `columns`',
      otherwise: 'by hover in a bar, by click in a column',
      means: 'How submenus open. By click, by Enter and Space they open in any case.',
      example: 'opens: { by: click }',
    },
  ),
  fold: optional(fold, {
    below: 'fold',
    takes: '`when`, `as` and more',
    otherwise: 'in a bar `when: crowded`, else `when: never`',
    means:
      'What becomes of the menu where it has no room. A bar that fits a window of 320 px with doubled letters needs no fold, and has none unless you write one.',
    example: 'fold: { when: below 48em }',
  }),
  'carried-by': preset(globs, ['**'], {
    takes: 'patterns of paths',
    otherwise: 'every page',
    means:
      'The pages that carry the menu: `*` within a folder, `**` through folders, `{a,b}` for one of several.',
    example: 'carried-by: "journal/**"',
  }),
  except: preset(globs, [], {
    takes: 'patterns of paths',
    otherwise: 'nothing',
    means: 'Pages that do not carry it after all.',
    example: 'except: print/**',
  }),
  place: optional(place, {
    below: 'place',
    takes: placeTakes,
    otherwise: 'first in the page’s header',
    means:
      'Where the menu goes on pages without a slot for it. Without `place`: first in the first `header` of the page’s own, else first in the body.',
    example: 'place: { after: "#logo" }',
  }),
  stays: optional(mapOr(mapOf(staysKeys).min(1), oneOf('top')), {
    below: 'stays',
    takes: '`top`, or `top` with a selector, `air`',
    otherwise: 'nothing',
    means:
      'The menu remains at the top of the window while the page scrolls, or the element of the selector does, such as the header that it stands in; not in windows less than 24 em high.',
    example: 'stays: { top: header }',
  }),
  over: optional(truth, {
    otherwise: '`false`',
    means:
      'The menu lies over what follows it, such as a picture. With `stays` it follows the page from the top of the window; `parts: { scrolled: … }` says how it looks once the page has been scrolled. Without a script it stays where it is. Labels are measured on the picture that follows, where pages and style sheets tell it.',
    example: 'over: true\nlook: { color: "#ffffff", background: "rgb(0 0 0 / 55%)" }',
  }),
  align: preset(oneOf('start', 'center', 'end', 'spread'), 'start', {
    means: 'Where the entries stand.',
    example: 'align: end',
  }),
  home: optional(mapOf(homeKeys).with('show', 'image'), {
    below: 'home',
    takes: '`label`',
    otherwise: 'nothing',
    means: 'The site’s name at the head of the menu, leading to the front page.',
    example: 'home: { label: Brackenfold }',
  }),
  entries: optional(entries, {
    below: 'entry',
    otherwise: null,
    takes: 'a list of entries',
    means: 'The entries, in order. In their place a menu may have `entries-of`, `branch` or `set`.',
    example: 'entries:\n  - index.html\n  - { page: contact.html, label: Write to us }',
    missing: 'Give it entries:\n  entries:\n    - index.html',
  }),
  look: optional(mapOr(look, lookName), {
    below: 'look',
    takes: 'keys of a look, or the name of one',
    otherwise: 'the look of the plan',
    means:
      'The look of this menu. `plain`, `contents`, `breadcrumb` and `previous-next` have the page’s own colours unless their own look gives others.',
    example: 'look: { background: "#14213a" }',
  }),
} as const;
export type WrittenMenu = WrittenOf<typeof menuKeys>;

/** Where the entries of a menu come from. */
const sources = ['entries', 'branch', 'entries-of', 'set'] as const;

export const menu = mapOf(menuKeys)
  .oxor(...sources)
  .custom((value: WrittenMenu, helpers) => {
    const needs =
      value.form === 'breadcrumb' || value.form === 'contents'
        ? null
        : value.form === 'previous-next'
          ? 'set'
          : 'entries';
    const has = sources.filter(key => value[key] !== undefined);
    if (needs === 'set' && !has.includes('set')) return helpers.error('menu.set');
    if (needs === 'entries' && (has.length === 0 || has[0] === 'set')) return helpers.error('menu.entries');
    return value;
  })
  .meta(
    json({
      also: {
        if: {
          properties: { form: { enum: ['breadcrumb', 'contents', 'previous-next'] } },
          required: ['form'],
        },
        then: { if: { properties: { form: { const: 'previous-next' } } }, then: { required: ['set'] } },
        else: { anyOf: ['entries', 'branch', 'entries-of'].map(key => ({ required: [key] })) },
      },
    }),
  );
