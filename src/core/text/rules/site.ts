import type { Rule } from '../rule.ts';

/** What is found while a plan meets the site: its targets, its pages. */
export const siteRules = {
  // The plan against the site.
  'missing-page': {
    severity: 'error',
    about: 'A target page is a page of the site.',
    why: 'The target is no page of the site: misspelt, in another folder, or in another letter case, which servers tell apart.',
    example: 'page: Visit.html   →  page: visit.html',
  },
  'missing-section': {
    severity: 'error',
    about: 'A target section is a place in its page.',
    why: 'The page has no element with this id, or no heading with these words.',
    example: 'section: visit.html#price  →  section: visit.html#prices',
  },
  'unknown-menu': {
    severity: 'error',
    about: 'A menu takes its entries from a menu of the plan.',
    why: '`entries-of` or `branch` names no menu that has entries of its own.',
    example: 'branch: main       →  branch: masthead',
  },
  'empty-pattern': {
    severity: 'warning',
    about: 'A pattern of pages matches some.',
    why: 'The pattern makes no entry. Patterns are paths from the site’s folder.',
    example: 'pages: "*.htm"     →  pages: visit/*.html',
  },
  'left-out': {
    severity: 'warning',
    about: 'An entry whose target is missing is left out where the plan says so.',
    why: 'The target is missing, and the plan says `if-missing: warn`.',
    example: '{ page: summer.html, if-missing: warn }',
  },
  'missing-file': {
    severity: 'error',
    about: 'A file that the plan names is there.',
    why: 'The plan names a file that the site does not have.',
    example: 'file: programm.pdf →  file: programme.pdf',
  },
  'outside-site': {
    severity: 'error',
    about: 'Targets and files lie in the site.',
    why: 'Paths begin in the site’s folder and stay in it: what lies elsewhere is not uploaded with it.',
    example: 'page: ../other/a.html  →  page: a.html',
  },
  'no-title': {
    severity: 'warning',
    about: 'A label left out comes from the page’s title.',
    why: 'A label left out comes from the page’s title, and the page has none.',
    example: '<title></title>    →  <title>Prices</title>',
  },
  'carried-by-none': {
    severity: 'warning',
    about: 'A menu is carried by some page.',
    why: 'No page carries the menu: its patterns match none.',
    example: 'carried-by: visits/**  →  carried-by: visit/**',
  },
  // Pages.
  'no-place': {
    severity: 'warning',
    about: 'A menu needs a place in each page that carries it.',
    why: 'No element of the page matches the place of the menu. The page goes without it.',
    example: '<div data-kamino-slot="masthead"></div>',
  },
  'place-nowhere': {
    severity: 'error',
    about: 'The place of a menu is on some page.',
    why: 'No page that is to carry the menu has an element that matches its place: mostly a slip in the selector.',
    example: 'place: { after: "#lgoo" }  →  place: { after: "#logo" }',
  },
  'bad-place': {
    severity: 'error',
    about: 'A menu goes where a nav may stand.',
    why: 'A `nav` may not stand here: in a paragraph, a heading, a link, a list or a row of a table. The page is left as it is.',
    example: '<p data-kamino-slot="foot"></p>  →  <div data-kamino-slot="foot"></div>',
  },
  'holds-more': {
    severity: 'error',
    about: 'What is taken out holds links alone.',
    why: 'The element that the menu stands instead of holds a form, a picture, a script or words beside its links. They would be gone from the page without a word.',
    example: 'place: { instead-of: div.nav }  →  place: { instead-of: div.nav ul }',
  },
  'unreadable-page': {
    severity: 'error',
    about: 'Pages are in an ASCII-compatible charset, without null bytes.',
    why: 'The page’s bytes are no text that a browser would read as HTML in its charset.',
    example: 'save the page as UTF-8',
  },
  'xml-page': {
    severity: 'error',
    about: 'Pages are read as HTML.',
    why: 'The page is read as XML, where other rules hold.',
    example: 'about.xhtml        →  about.html',
  },
  'frameset-page': {
    severity: 'warning',
    about: 'A frameset page has no body that could carry a menu.',
    why: 'A frameset shows other pages and has no body of its own.',
    example: 'except: frames.html',
  },
  'second-slot': {
    severity: 'warning',
    about: 'The first slot of a name is filled.',
    why: 'The first slot of a name is filled; this one stays empty.',
    example: 'data-kamino-slot="foot" twice  →  take one out',
  },
  'unknown-slot': {
    severity: 'warning',
    about: 'A slot has the name of a menu.',
    why: 'No menu of the plan has the name of this slot.',
    example: 'data-kamino-slot="mast"  →  data-kamino-slot="masthead"',
  },
  'no-main': {
    severity: 'warning',
    about: 'A skip link needs the main content to lead to.',
    why: 'People who use a keyboard skip the menu by a link to the main content. These pages do not say where it is.',
    example: 'skip-to: ["#content"]',
  },
  'stays-short': {
    severity: 'warning',
    about: 'A menu stays in view on the whole page.',
    why: 'An element stays in view only as long as the one that it stands in; a header is soon past.',
    example: 'stays: top          →  stays: { top: header }',
  },
  'stays-clipped': {
    severity: 'warning',
    about: 'No element around a menu that stays clips it.',
    why: 'What stays does so within the nearest element around it that scrolls or clips (`overflow: hidden`, `auto`, `scroll`).',
    example: '.wrap { overflow: hidden }  →  .wrap { overflow: clip }',
  },
  'submenu-hidden': {
    severity: 'warning',
    about: 'Nothing around a menu cuts its submenus off or lies over them.',
    why: 'A submenu lies over the page. An element around it that clips (`overflow: hidden`, an old way to hold floats together) cuts it off; one with a `z-index` of its own keeps it below later parts that have a higher one.',
    example: 'header { overflow: hidden }  →  header { display: flow-root }',
  },
  'width-differs': {
    severity: 'warning',
    about: 'A bar is as wide as was computed.',
    why: 'A bar folds by the width that Kamino computes from the plan. Rules of your own that make entries wider are not in it: between the two widths entries wrap.',
    example: 'look: { padding: 0.9em 1.3em }',
  },
  'see-through': {
    severity: 'warning',
    about: 'A menu that stays has a ground of its own.',
    why: 'The page scrolls through under the labels, which cannot be read then.',
    example: 'look: { background: "#ffffff" }',
  },
  'base-elsewhere': {
    severity: 'warning',
    about: 'A page’s base lies on the site.',
    why: 'The page’s `base` sends all its relative links to another place.',
    example: '<base href="https://old.example/">  →  take it out',
  },
  'lost-record': {
    severity: 'error',
    about: 'What was taken out of a page is kept in the record.',
    why: 'Kamino took something out of this page and kept it in `.kamino/`; it is not there any more. The page is left alone.',
    example: 'bring back the folder .kamino',
  },
  'lost-id': {
    severity: 'warning',
    about: 'No link leads to an id that goes with the menus.',
    why: 'A link leads to an id that Kamino gave to a heading, and that goes with the menus.',
    example: '<h2>Prices</h2>    →  <h2 id="prices">Prices</h2>',
  },
  'no-viewport': {
    severity: 'warning',
    about: 'A page tells phones how wide to lay it out.',
    why: 'Without a viewport line a phone lays a page out 980 px wide and shows it small. Nothing on it knows that the window is narrow: no menu folds.',
    example: 'viewport: add',
  },
  'foreign-mark': {
    severity: 'warning',
    about: 'Marks of Kamino’s stand only on what it wrote.',
    why: 'A tag of the page has an attribute by which Kamino knows what it put in, and Kamino did not write it so: it is neither taken out nor changed.',
    example: '<div data-kamino="news">  →  <div data-news>',
  },
  'menu-remains': {
    severity: 'warning',
    about: 'Nothing of a menu is left where none should be.',
    why: 'Someone had edited a menu so that its end is not sure, and --overwrite took out what is surely Kamino’s; or a page with a menu was left out of the plan since. What is left works no longer, or says what was true once.',
    example: '<li class="kamino-entry">…  →  take it out by hand',
  },
  'edited-inside': {
    severity: 'error',
    about: 'What someone edited inside a menu is not overwritten unasked.',
    why: 'Someone changed the menu inside the page. It is not replaced unasked.',
    example: 'kamino build --overwrite',
  },
} as const satisfies Record<string, Rule>;
