import type { Part } from '../plan/keys.ts';

/** A key of the plan, as the manual tells it. */
export interface KeyPage {
  key: string;
  takes: string;
  /** What holds without it; null where it is needed. */
  otherwise: string | null;
  means: string;
  /** Lines of the part that it is a key of. */
  example: string;
}

type Row = [key: string, takes: string, otherwise: string | null, means: string, example: string];

const key = (...[name, takes, otherwise, means, example]: Row): KeyPage => ({
  key: name,
  takes,
  otherwise,
  means,
  example,
});

const plan: readonly KeyPage[] = [
  key('kamino', '`1`', null, 'The version of the plan format.', 'kamino: 1'),
  key('site', 'a folder, seen from the plan', '`.`', 'The folder that is read.', 'site: pages'),
  key(
    'output',
    'a folder, or `in-place`',
    '`built`',
    'The folder that the finished site is written into. With `in-place` the pages themselves are changed; `kamino lift` gives them back. A folder may lie in the site only where the site is the plan’s own folder.',
    'output: in-place',
  ),
  key(
    'read',
    'a pattern of paths',
    '`**/*.{html,htm}`',
    'Which files are pages; letter case does not matter.',
    'read: "**/*.html"',
  ),
  key(
    'leave-out',
    'patterns of paths',
    'nothing',
    'Files and folders that are no part of the site: they are not read and not copied.',
    'leave-out: [old/**, "*.psd"]',
  ),
  key(
    'skip-to',
    'selectors of CSS',
    'nothing',
    'Where the skip link leads on pages that have no `main`; tried in order.',
    'skip-to: ["#content", h1]',
  ),
  key(
    'labels',
    '`from`, `cut`',
    '`from: title`',
    'What an entry without a label is called.',
    'labels: { from: heading }',
  ),
  key(
    'links',
    '`from`, `index`, `base`',
    'relative links',
    'How the links of menus are written.',
    'links: { index: hidden }',
  ),
  key(
    'style',
    'a style sheet of the site',
    'nothing',
    'Your own rules for the menus: linked after Kamino’s, so that they win.',
    'style: css/nav.css',
  ),
  key(
    'languages',
    'a language for each tag',
    'one language',
    'The languages of the site. A menu is written once in the plan; titles, labels and targets may differ: `label: { en: Visit, cy: Ymweld }`. A page is in the first language whose `pages` match it, else in one without `pages` by its own `lang`, else in the first of them. The counterpart of a page is what the plan names for the other language, else the page with the same path in that language’s folder. An entry whose target names some languages only is left out in the others.',
    'languages:\n  en: { name: English }\n  cy: { name: Cymraeg, pages: cy/**, words: { skip: Neidio, menu: Dewislen } }',
  ),
  key(
    'menus',
    'a list of menus',
    null,
    'The menus of the site.',
    'menus:\n  - menu: masthead\n    entries:\n      - index.html',
  ),
  key(
    'buttons',
    'a list of buttons',
    'nothing',
    'Links on their own in the middle of pages, set apart as buttons, each at a place of its own.',
    'buttons:\n  - button: ask\n    label: Ask a question\n    section: contact.html#form\n    carried-by: index.html\n    place: { after: "#prices" }',
  ),
  key(
    'panels',
    'a list of groups',
    'nothing',
    'Parts of a page that are shown one at a time, each with an address of its own.',
    'panels:\n  - panels: planets\n    page: planets.html\n    of: "#planets > section"',
  ),
  key(
    'to-top',
    '`corner`, `shows-after`, `size`, `label`, `icon`, `look`',
    'nothing',
    'A button back to the top of the page, in a row of its own at its end, in view from the way down.',
    'to-top: { corner: end }',
  ),
  key(
    'look',
    'keys of a look, or the name of one',
    'the page’s own',
    'Colours, type, spaces and states of all menus. A menu, a part of it and an entry may have a look of their own: what differs is said there, the rest holds.',
    'look: { accent: "#3d5a80" }',
  ),
  key(
    'looks',
    'a look for each name',
    'nothing',
    'Looks that several menus or entries share, by name.',
    'looks:\n  quiet: { background: none, accent: "#55606e" }',
  ),
];

const language: readonly KeyPage[] = [
  key(
    'name',
    'text',
    null,
    'What the language is called in itself: the label of an entry that leads to it.',
    'name: Cymraeg',
  ),
  key(
    'pages',
    'patterns of paths',
    'by the page’s own `lang`',
    'The pages in this language. The folder that the first pattern begins with is the one in which counterparts are looked for.',
    'name: Cymraeg\npages: cy/**',
  ),
  key(
    'words',
    'Kamino’s own words',
    'English',
    'The few words that Kamino itself puts into a page, in this language. A word that is missing is told.',
    'name: Cymraeg\nwords: { menu: Dewislen, skip: Neidio i’r prif gynnwys }',
  ),
];

const words: readonly KeyPage[] = [
  key(
    'skip',
    'text',
    '`Skip to the main content`',
    'The skip link at the start of a page.',
    'skip: Neidio i’r prif gynnwys',
  ),
  key('menu', 'text', '`Menu`', 'The toggle of a folded menu.', 'menu: Dewislen'),
  key('close', 'text', '`Close`', 'Closes a drawer or a full-screen menu.', 'close: Cau'),
  key(
    'new-window',
    'text',
    '`new window`',
    'Said behind an entry that opens a window of its own.',
    'new-window: ffenestr newydd',
  ),
  key('previous', 'text', '`Previous`', 'Stands above the page before this one.', 'previous: Blaenorol'),
  key('next', 'text', '`Next`', 'Stands above the page behind this one.', 'next: Nesaf'),
  key('top', 'text', '`Back to the top`', 'Names the way to the top.', 'top: I’r brig'),
  key(
    'more',
    'text',
    '`more pages`',
    'Names the opener beside a link, behind the entry’s label.',
    'more: rhagor o dudalennau',
  ),
];

const labels: readonly KeyPage[] = [
  key(
    'from',
    '`title`, `heading` or `file`',
    '`title`',
    'The page’s title, its first `h1`, or the name of its file.',
    'from: heading',
  ),
  key(
    'cut',
    'text, or one for each language',
    'found by itself',
    'The part that is taken off titles. Without it, the part that more than half of the titles share.',
    'cut: " | Brackenfold"',
  ),
];

const links: readonly KeyPage[] = [
  key(
    'from',
    '`page` or `root`',
    '`page`',
    'Whether addresses are written from the page that they stand in, or from the root of the server.',
    'from: root',
  ),
  key(
    'index',
    '`shown` or `hidden`',
    '`shown`',
    'With `hidden`, `visit/` is written for `visit/index.html`.',
    'index: hidden',
  ),
  key(
    'base',
    'a folder of the server',
    '`/`',
    'The folder that the site will lie in, for `from: root`.',
    'from: root\nbase: /observatory/',
  ),
];

const menu: readonly KeyPage[] = [
  key(
    'menu',
    'a name in a–z, 0–9 and hyphens',
    null,
    'The menu’s name, also that of its slot: `data-kamino-slot="masthead"`. `style`, `script`, `skip` and `top` are taken.',
    'menu: masthead',
  ),
  key(
    'title',
    'text, or one for each language',
    'from the name',
    'How a screen reader announces the menu.',
    'title: Main',
  ),
  key(
    'form',
    '`bar`, `column`, `tabs`, `plain`, `breadcrumb` or `previous-next`',
    '`bar`',
    '`bar`: entries side by side. `column`: below each other; the branch of this page lies open. `tabs`: a bar that is joined to what lies below it. `plain`: all entries in view, on the page’s own ground. `breadcrumb`: the way from the front page to this one. `previous-next`: the neighbours of this page in a `set`.',
    'form: column',
  ),
  key(
    'carried-by',
    'patterns of paths',
    'every page',
    'The pages that carry the menu: `*` within a folder, `**` through folders, `{a,b}` for one of several.',
    'carried-by: "journal/**"',
  ),
  key('except', 'patterns of paths', 'nothing', 'Pages that do not carry it after all.', 'except: print/**'),
  key(
    'place',
    '`first-in`, `last-in`, `before`, `after` or `instead-of`',
    'first in the page’s header',
    'Where the menu goes on pages without a slot for it. Without `place`: first in the first `header` of the page’s own, else first in the body.',
    'place: { after: "#logo" }',
  ),
  key('align', '`start`, `center`, `end` or `spread`', '`start`', 'Where the entries stand.', 'align: end'),
  key(
    'stays',
    '`top`, or `top` with a selector',
    'nothing',
    'The menu remains at the top of the window while the page scrolls, or the element of the selector does, such as the header that it stands in; not in windows less than 24 em high.',
    'stays: { top: header }',
  ),
  key(
    'current-entry',
    '`link` or `text`',
    '`link`',
    'Whether the entry of the page that one is on stays a link, or becomes text.',
    'current-entry: text',
  ),
  key(
    'home',
    '`label`',
    'nothing',
    'The site’s name at the head of the menu, leading to the front page.',
    'home: { label: Brackenfold }',
  ),
  key(
    'opens',
    '`by`, `after`, `ease`, `columns`',
    'by hover in a bar, by click in a column',
    'How submenus open. By click, by Enter and Space they open in any case.',
    'opens: { by: click }',
  ),
  key(
    'fold',
    '`when`, `as` and more',
    '`when: never`',
    'What becomes of the menu where it has no room.',
    'fold: { when: below 48em }',
  ),
  key(
    'entries',
    'a list of entries',
    null,
    'The entries, in order. In their place a menu may have `entries-of`, `branch` or `set`.',
    'entries:\n  - index.html\n  - { page: contact.html, label: Write to us }',
  ),
  key(
    'entries-of',
    'the name of a menu',
    'nothing',
    'Takes the entries of another menu, down to `depth`.',
    'entries-of: masthead\ndepth: 1',
  ),
  key(
    'branch',
    'the name of a menu',
    'nothing',
    'What lies below the top entry of that menu in which this page is. A page that lies in none does not carry the menu. A column beside the text needs room in the page’s own layout, for example:\n\n    @media (min-width: 56rem) {\n      main:has(> .kamino-menu-side) { display: grid; grid-template-columns: 15rem minmax(0, 1fr); column-gap: 3rem; }\n      main > .kamino.kamino-menu-side { grid-row: 1 / span 9; align-self: start; }\n      main > .kamino-menu-side ~ * { grid-column: 2; }\n    }',
    'form: column\nbranch: masthead',
  ),
  key(
    'depth',
    '`1`, `2` or `3`',
    'all levels',
    'How many levels `entries-of` or `branch` take over.',
    'entries-of: masthead\ndepth: 2',
  ),
  key(
    'set',
    'patterns of paths',
    'nothing',
    'For `previous-next`: the pages that lead to each other. Those that do not carry the menu are passed over.',
    'form: previous-next\nset: journal/*.html',
  ),
  key(
    'order',
    '`title`, `date` or `file`',
    '`title`',
    'The order of a `set`: by title, by the first `datetime` in each page (the latest first), or by file name.',
    'form: previous-next\nset: journal/*.html\norder: date',
  ),
  key(
    'look',
    'keys of a look, or the name of one',
    'the look of the plan',
    'The look of this menu. `plain`, `breadcrumb` and `previous-next` have the page’s own colours unless their own look gives others.',
    'look: { background: "#14213a" }',
  ),
  key(
    'data',
    '`json-ld`',
    'nothing',
    'Puts a breadcrumb into the page as structured data too.',
    'form: breadcrumb\ndata: json-ld',
  ),
  key(
    'widths',
    '`natural` or `equal`',
    '`natural`',
    'Entries as wide as their labels, or all alike.',
    'widths: equal',
  ),
  key(
    'separators',
    '`none` or `line`',
    '`none`',
    'A line between entries, never after the last.',
    'separators: line',
  ),
];

const sides: [string, string][] = [
  ['first-in', 'First in the element.'],
  ['last-in', 'Last in the element.'],
  ['before', 'Directly before the element.'],
  ['after', 'Directly behind the element.'],
  [
    'instead-of',
    'In the place of the element, which is taken out and kept in the record: `kamino lift` puts it back. Cells of a table’s row become one cell.',
  ],
];
const place: readonly KeyPage[] = sides.map(([name, means]) =>
  key(
    name,
    'a selector, or several tried in order',
    'another side',
    `${means} Selectors are those of CSS that depend on the page alone.`,
    `${name}: ${name === 'instead-of' ? '[ul.menu, "#nav"]' : '"#logo"'}`,
  ),
);

const stays: readonly KeyPage[] = [key('top', 'a selector', null, 'The element that stays.', 'top: header')];

const home: readonly KeyPage[] = [
  key('label', 'text, or one for each language', null, 'The site’s name.', 'label: Brackenfold'),
  key(
    'image',
    'a picture of the site',
    'nothing',
    'A picture before the site’s name. It keeps its proportions, and its room while it loads.',
    'label: Brackenfold\nimage: img/mark.svg',
  ),
  key(
    'show',
    '`both`, `image` or `label`',
    '`both`',
    'What is seen; the name is always read out.',
    'label: Brackenfold\nimage: img/mark.svg\nshow: image',
  ),
];

const opens: readonly KeyPage[] = [
  key(
    'by',
    '`hover` or `click`',
    '`hover`; in a column `click`',
    '`hover`: also as the pointer rests on an entry; a click then holds the submenu open. In a column a submenu that opens by hover lies beside it, else below its entry.',
    'by: click',
  ),
  key(
    'after',
    'a time in ms',
    '`90ms`',
    'How long the pointer rests before a submenu opens.',
    'after: 150ms',
  ),
  key(
    'ease',
    'a time in ms',
    '`160ms`',
    'How long a submenu takes to come. Visitors who asked for less motion see none.',
    'ease: 0ms',
  ),
  key(
    'columns',
    'a number from 1 to 4',
    '`1`',
    'Lays a submenu out in columns. What lies on the third level then lies open, under its entry as a small heading.',
    'columns: 2',
  ),
];

const fold: readonly KeyPage[] = [
  key(
    'when',
    '`crowded`, `below` a width, `any-width` or `never`',
    null,
    '`crowded`: where a bar no longer fits its own room; Kamino computes the width from the font. `below 48em` asks the window (em, rem or px). `any-width`: everywhere, its toggle left in view.',
    'when: crowded',
  ),
  key(
    'as',
    '`stack`, `drawer`, `full-screen` or `none`',
    '`stack`',
    '`stack`: in the flow of the page, which moves down. `drawer`: from a side, over the page. `full-screen`: over all of it. `none`: not there any more, which is for menus whose targets stand in another one.',
    'when: below 48em\nas: drawer',
  ),
  key(
    'side',
    '`start` or `end`',
    '`start`',
    'The side that a drawer comes from.',
    'when: crowded\nas: drawer\nside: end',
  ),
  key(
    'behind',
    '`covered`, `shifted` or `as-fits`',
    '`as-fits`',
    'The page behind a drawer: dimmed, or moved aside; `as-fits`: moved aside in windows of 64 em and more.',
    'when: any-width\nas: drawer\nbehind: covered',
  ),
  key(
    'by',
    '`click` or `hover`',
    '`click`',
    '`hover`: the menu also opens as the pointer rests on its toggle.',
    'when: any-width\nas: drawer\nby: hover',
  ),
  key(
    'joins',
    'the name of a menu',
    'nothing',
    'Where both are folded, this menu’s entries lie in the fold of that one. Both need the same `below`, or `any-width`.',
    'when: below 48em\njoins: masthead',
  ),
  key(
    'toggle',
    '`show`, `label`, `at`, `icon`, `open-icon`',
    'lines and the word',
    'What opens and closes the folded menu. Its looks are those of `parts: { toggle: … }`.',
    'when: crowded\ntoggle: { show: icon }',
  ),
];

const toggle: readonly KeyPage[] = [
  key(
    'show',
    '`both`, `label` or `icon`',
    '`both`',
    'What is seen; the word is always read out.',
    'show: icon',
  ),
  key('label', 'text, or one for each language', '`Menu`', 'Its word.', 'label: All pages'),
  key('at', '`start` or `end`', '`end`', 'At which end of its room it stands.', 'at: start'),
  key(
    'icon',
    '`lines`, `dots` or an SVG file',
    '`lines`',
    'Its mark; lines and dots become a cross while the menu is open.',
    'icon: dots',
  ),
  key(
    'open-icon',
    'an SVG file',
    'the same, or a cross',
    'The mark while the menu is open.',
    'icon: img/map.svg\nopen-icon: img/close.svg',
  ),
];

const panels: readonly KeyPage[] = [
  key(
    'panels',
    'a name',
    null,
    'Its name, also that of its tabs and their slot.',
    'panels: planets\npage: planets.html\nof: "#planets > section"',
  ),
  key('page', 'a path', null, 'The page that they are in.', 'page: planets.html\nof: "#planets > section"'),
  key(
    'of',
    'a selector',
    null,
    'The parts of the page that are shown one at a time. Those without an id are given one.',
    'page: planets.html\nof: .planet',
  ),
  key(
    'switch',
    '`tabs` or the name of a menu',
    '`tabs`',
    'What switches between them: tabs before the first one, or a menu with an entry for each.',
    'page: planets.html\nof: .planet\nswitch: masthead',
  ),
  key(
    'first',
    'the id of a panel',
    'the first of the page',
    'The one that is shown where the address names none.',
    'page: planets.html\nof: .planet\nfirst: saturn',
  ),
  key(
    'height',
    '`own` or `tallest`',
    '`own`',
    'As high as each needs, or as the tallest of them.',
    'page: planets.html\nof: .planet\nheight: tallest',
  ),
  key(
    'title',
    'text, or one for each language',
    'from the name',
    'How a screen reader announces the tabs.',
    'page: planets.html\nof: .planet\ntitle: Planets',
  ),
  key(
    'place',
    '`first-in`, `last-in`, `before`, `after` or `instead-of`',
    'before the first panel',
    'Where the tabs go.',
    'page: planets.html\nof: .planet\nplace: { before: "#planets" }',
  ),
  key(
    'look',
    'the name of a look, or keys of one',
    'that of the plan',
    'The look of the tabs.',
    'page: planets.html\nof: .planet\nlook: { background: none }',
  ),
];

const toTop: readonly KeyPage[] = [
  key('corner', '`start` or `end`', '`end`', 'At which side of the window it stands.', 'corner: start'),
  key(
    'shows-after',
    'a length',
    '`100vh`',
    'How far down it appears. Without a script it is there from the start.',
    'shows-after: 60rem',
  ),
  key('size', 'a length', '`3rem`', 'How wide and high it is.', 'size: 2.75rem'),
  key('label', 'text, or one for each language', '`Back to the top`', 'What is read out.', 'label: Up again'),
  key('icon', '`arrow` or an SVG file', '`arrow`', 'What is seen.', 'icon: img/up.svg'),
  key(
    'look',
    'keys of a look',
    'the accent as its ground',
    'Its own look, with its states.',
    'look: { background: "#14213a", color: "#ffffff" }',
  ),
];

const target = 'another target, or none';
const entry: readonly KeyPage[] = [
  key(
    'label',
    'text, or one for each language',
    'from the target',
    'What the entry says.',
    'page: contact.html\nlabel: Write to us',
  ),
  key(
    'page',
    'a path',
    target,
    'A page of the site, seen from the site’s folder; a folder stands for its index page.',
    'page: visit/index.html',
  ),
  key(
    'section',
    'a page and an id, or an id',
    target,
    'A place in a page. An id alone must be on every page that carries the menu.',
    'section: visit/index.html#prices',
  ),
  key(
    'heading',
    'text',
    target,
    'A place by the words of its heading: of the `page` beside it, or of every page that carries the menu. A heading without an id is given one, the same on every build; `kamino lift` takes it away again.',
    'page: visit/index.html\nheading: Getting here',
  ),
  key('file', 'a path', target, 'Any other file of the site.', 'file: programme.pdf'),
  key('mail', 'a mail address', target, 'Opens a new message.', 'mail: hello@brackenfold.example'),
  key('phone', 'a telephone number', target, 'Calls it.', 'phone: 01632 960014'),
  key(
    'url',
    'an address of http or https',
    target,
    'Another site.',
    'url: "https://weather.example/"\nlabel: Weather',
  ),
  key(
    'language',
    'the tag of a language',
    target,
    'This page’s counterpart in another language, else the front page of that language, which is told. One value for each language leads to and fro.',
    'language: { en: cy, cy: en }',
  ),
  key('panel', 'the id of a panel', target, 'A panel of `panels`, on its page or any other.', 'panel: mars'),
  key(
    'pages',
    'patterns of paths',
    target,
    'An entry for each page that matches, without the page of the entry above.',
    'pages: telescopes/*.html',
  ),
  key(
    'sections',
    'a page',
    target,
    'An entry for each heading of the page; deeper ones lie below shallower ones.',
    'sections: guide.html',
  ),
  key(
    'insert',
    'a file of the site',
    target,
    'A piece of HTML of your own, such as a search form. It is no page of the site.',
    'insert: parts/search.html\nlabel: Search',
  ),
  key(
    'entries',
    'a list of entries',
    'nothing',
    'A submenu. An entry without a target only opens. Three levels at most.',
    'label: Telescopes\nentries:\n  - telescopes/great.html',
  ),
  key(
    'covers',
    'patterns of paths',
    'the folder of an index page',
    'Pages on which this entry is marked as `within`.',
    'page: telescopes/index.html\ncovers: [telescopes/**, almanac/**]',
  ),
  key(
    'highlight',
    '`background`, `border`, `shadow`, or keys of a look',
    'nothing',
    'Sets the entry apart as a call to action: on the accent as its ground, with a border in the accent, lifted by a shadow, or as the keys say. It keeps the type, height and row of its neighbours.',
    'page: book.html\nhighlight: background',
  ),
  key(
    'look',
    'keys of a look, or the name of one',
    'that of the menu',
    'The look of this entry alone.',
    'page: book.html\nlook: { color: "#a33", states: { hover: { tint: 20% } } }',
  ),
  key(
    'if-missing',
    '`error` or `warn`',
    '`error`',
    'A target that is not there stops the build; with `warn` the entry is left out, and told.',
    'page: summer.html\nif-missing: warn',
  ),
  key(
    'order',
    '`title`, `date` or `file`',
    '`title`',
    'The order of `pages`: by title (figures by their value), by the first `datetime` in each page (the latest first), or by file name.',
    'pages: journal/*.html\norder: date',
  ),
  key(
    'first',
    'patterns of paths',
    'nothing',
    'Pages of the pattern that come ahead of the others.',
    'pages: telescopes/*.html\nfirst: telescopes/great.html',
  ),
  key(
    'except',
    'patterns, ids or headings',
    'nothing',
    'What a pattern leaves out.',
    'sections: guide.html\nexcept: "#notes"',
  ),
  key('most', 'a number', 'all', 'How many entries `pages` makes at most.', 'pages: journal/*.html\nmost: 3'),
  key(
    'depth',
    '`1`, `2` or `3`',
    '`1`',
    'From 2 on, the pages of a folder lie below its index page.',
    'pages: journal/**\ndepth: 2',
  ),
  key(
    'levels',
    'levels of headings',
    '`2`',
    'Which headings `sections` takes.',
    'sections: guide.html\nlevels: [2, 3]',
  ),
  key(
    'subject',
    'text',
    'nothing',
    'The subject of the message.',
    'mail: hello@brackenfold.example\nsubject: A visit',
  ),
  key(
    'new-window',
    '`true` or `false`',
    '`false`',
    'Opens a window of its own, and says so to screen readers.',
    'url: "https://weather.example/"\nnew-window: true',
  ),
  key(
    'outside-mark',
    '`true` or `false`',
    '`false`',
    'Draws an arrow behind the label.',
    'url: "https://weather.example/"\noutside-mark: true',
  ),
  key(
    'save',
    '`true` or `false`',
    '`false`',
    'Lets the browser save the file.',
    'file: programme.pdf\nsave: true',
  ),
  key(
    'details',
    '`true` or `false`',
    '`false`',
    'Tells type and size of the file behind the label.',
    'file: programme.pdf\ndetails: true',
  ),
  key(
    'apart',
    '`true` or `false`',
    '`false`',
    'Pushes the entry away from those before it, to the other end.',
    'page: book.html\napart: true',
  ),
  key(
    'icon',
    'a drawing of the site (SVG)',
    'nothing',
    'A drawing beside the label. It is put into the page itself, without scripts and styles, at the size of the label and in its colour where it has none of its own.',
    'page: contact.html\nicon: img/letter.svg',
  ),
  key(
    'icon-at',
    '`start` or `end`',
    '`start`',
    'Whether it stands before or behind the label.',
    'page: contact.html\nicon: img/letter.svg\nicon-at: end',
  ),
  key(
    'show',
    '`both`, `icon` or `label`',
    '`both`',
    'What is seen; the label is always read out.',
    'page: contact.html\nicon: img/letter.svg\nshow: icon',
  ),
];

const look: readonly KeyPage[] = [
  key(
    'accent',
    'a colour of CSS',
    'the colour of the labels',
    'Every tint follows from this one colour.',
    'accent: "#3d5a80"',
  ),
  key(
    'background',
    'a colour of CSS, or `none`',
    'the page’s own ground',
    'The ground of the menus; of an entry, its own.',
    'background: "#14213a"\ncolor: "#f4efe3"',
  ),
  key(
    'color',
    'a colour of CSS',
    'the page’s own',
    'The colour of the labels. On a ground that the plan names, ink or paper where no colour is given.',
    'color: "#1d2733"',
  ),
  key(
    'font',
    '`family`, `size`, `weight`, `spacing`, `file`',
    'the page’s own',
    'The type of the labels.',
    'font: { family: Inter, weight: 500 }',
  ),
  key(
    'padding',
    'one to four lengths',
    '`0.7em 0.95em`',
    'The room inside each entry.',
    'padding: 0.75rem 1.25rem',
  ),
  key('gap', 'one or two lengths', '`0.2em`', 'The space between entries.', 'gap: 0.5rem'),
  key('radius', 'one to four lengths', '`0.35em`', 'The corners of each entry.', 'radius: 0.4rem'),
  key(
    'border',
    'a width, a style and a colour, or `none`',
    '`none`',
    'The border of each entry. Where only some entries or states have one, the others keep room for it, so that nothing moves.',
    'border: 1px solid currentcolor',
  ),
  key(
    'shadow',
    'a shadow of CSS, or `none`',
    '`none`',
    'The shadow of each entry.',
    'shadow: 0 1px 4px rgb(0 0 0 / 0.2)',
  ),
  key(
    'icon-color',
    'a colour of CSS',
    'that of the label',
    'The colour of icons that have none of their own.',
    'icon-color: "#e9b44c"',
  ),
  key(
    'contrast',
    '`level`, `mend`',
    '`{ level: AA, mend: tints }`',
    'How well labels must stand out from their ground, and what becomes of colours that do not.',
    'contrast: { level: AAA }',
  ),
  key(
    'dark',
    '`page`, `auto` or `off`',
    '`page`',
    'On a light ground the menus have a dark look too: where the page itself declares a dark scheme, wherever the visitor’s system is dark (`auto`), or never.',
    'dark: auto',
  ),
  key(
    'states',
    'a state for each name',
    'a tint under the pointer, a mark below the current entry',
    'How entries look under the pointer, with the keyboard’s focus, held down, and where they are.',
    'states:\n  hover: { tint: 20% }\n  current: { marker: dot }',
  ),
  key(
    'parts',
    'a look for `submenu`, `fold`, `toggle` or `home`',
    'the look of the menu',
    'What differs in a part of the menus.',
    'parts:\n  submenu: { background: "#ffffff", color: "#1d2733" }',
  ),
];

const states: readonly KeyPage[] = [
  key('hover', 'keys of a state', '`{ tint: 12% }`', 'Under the pointer.', 'hover: { lighter: 6% }'),
  key(
    'focus',
    'keys of a state',
    'a ring',
    'With the keyboard’s focus; the ring is always there.',
    'focus: { from: hover }',
  ),
  key(
    'pressed',
    'keys of a state',
    'a stronger tint, or a darker hover',
    'While it is held down.',
    'pressed: { from: hover, darker: 8% }',
  ),
  key(
    'current',
    'keys of a state',
    '`{ marker: below }`',
    'The entry of this very page.',
    'current: { marker: start, font: { weight: 700 } }',
  ),
  key(
    'within',
    'keys of a state',
    '`{ marker: below }`',
    'An entry in whose branch this page lies.',
    'within: { marker: none }',
  ),
];

const state: readonly KeyPage[] = [
  key(
    'from',
    '`base` or another state',
    '`base`',
    'The state that this one starts from: it says only what differs.',
    'from: hover\ndarker: 8%',
  ),
  key('tint', 'a share in %', 'none', 'So much of the accent is mixed into the ground.', 'tint: 12%'),
  key('lighter', 'a share in %', 'none', 'The ground is so much lighter (in OKLCH).', 'lighter: 8%'),
  key('darker', 'a share in %', 'none', 'The ground is so much darker (in OKLCH).', 'darker: 8%'),
  key(
    'marker',
    '`below`, `above`, `start`, `dot` or `none`',
    '`below` for `current` and `within`',
    'Where a mark in the accent stands.',
    'marker: dot',
  ),
  key('accent', 'a colour of CSS', 'that of the look', 'What `tint` mixes in.', 'accent: "#a33"\ntint: 20%'),
  key(
    'background',
    'a colour of CSS',
    'that of the state it starts from',
    'The ground of the entry.',
    'background: "#e5e9ee"',
  ),
  key('color', 'a colour of CSS', 'that of the state it starts from', 'The label.', 'color: "#7a1f1f"'),
  key(
    'border',
    'a width, a style and a colour',
    'that of the state it starts from',
    'All other states keep room for it.',
    'border: 2px solid currentcolor',
  ),
  key(
    'shadow',
    'a shadow of CSS',
    'that of the state it starts from',
    'The shadow of the entry.',
    'shadow: 0 2px 8px rgb(0 0 0 / 0.2)',
  ),
  key(
    'font',
    '`weight`',
    'that of the state it starts from',
    'A bolder label: all labels keep room for it, so that nothing moves.',
    'font: { weight: 700 }',
  ),
  key(
    'icon-color',
    'a colour of CSS',
    'that of the state it starts from',
    'The colour of the icon: a lamp that lights up.',
    'icon-color: "#ffcc33"',
  ),
];

const parts: readonly KeyPage[] = [
  key(
    'submenu',
    'keys of a look',
    'the look of the menu',
    'The entries below an entry.',
    'submenu: { background: "#ffffff" }',
  ),
  key(
    'fold',
    'keys of a look',
    'the look of the menu',
    'The menu while it is folded and open.',
    'fold: { background: "#ffffff" }',
  ),
  key(
    'toggle',
    'keys of a look',
    'the look of the menu',
    'The control that opens the folded menu.',
    'toggle: { background: "#3d5a80", color: "#ffffff" }',
  ),
  key('home', 'keys of a look', 'the look of the menu', 'The site’s name.', 'home: { color: "#3d5a80" }'),
];

const contrast: readonly KeyPage[] = [
  key(
    'level',
    '`AA` or `AAA`',
    '`AA`',
    'Labels reach 4.5 or 7 (WCAG 2.2, 1.4.3 and 1.4.6), marks 3.',
    'level: AAA',
  ),
  key(
    'mend',
    '`tints`, `all` or `none`',
    '`tints`',
    '`tints`: derived colours that fall short become the nearest passing ones of the same hue, and are told; what you wrote stays, and is told. `all`: both are mended. `none`: neither.',
    'mend: none',
  ),
];

const font: readonly KeyPage[] = [
  key('family', 'names of fonts', 'the page’s own', 'As in `font-family`.', 'family: Inter, sans-serif'),
  key('size', 'a length', 'the page’s own', 'As in `font-size`.', 'size: 1.05rem'),
  key('weight', '`normal`, `bold` or a number', 'the page’s own', 'As in `font-weight`.', 'weight: 500'),
  key('spacing', 'a length', 'the page’s own', 'As in `letter-spacing`.', 'spacing: 0.02em'),
  key(
    'file',
    'a font file of the site',
    'found in the style sheets',
    'The file that widths are measured by.',
    'file: fonts/inter.woff2',
  ),
];

/** What a button has as an entry has it. */
const asInEntries = ['file', 'mail', 'phone', 'url', 'new-window', 'icon', 'icon-at', 'show'];
const button: readonly KeyPage[] = [
  key(
    'button',
    'a name',
    null,
    'Its name, also that of its slot.',
    'button: ask\nlabel: Ask a question\nsection: contact.html#form',
  ),
  key(
    'label',
    'text, or one for each language',
    'from the target',
    'What it says.',
    'page: contact.html\nlabel: Ask a question',
  ),
  key('page', 'a path', target, 'A page, as for an entry.', 'page: contact.html'),
  key(
    'section',
    'a page and a section',
    target,
    'A place in a page; without a page one of the page that carries the button.',
    'section: "#form"',
  ),
  key(
    'heading',
    'the words of a heading',
    target,
    'A heading of `page`, or of the page that carries the button.',
    'page: contact.html\nheading: Ask us',
  ),
  key(
    'highlight',
    '`background`, `border`, `shadow`, or keys of a look',
    '`background`',
    'How it is set apart.',
    'page: contact.html\nhighlight: border',
  ),
  key(
    'look',
    'the name of a look, or keys of one',
    'that of the plan',
    'Its own look.',
    'page: contact.html\nlook: { radius: 2rem }',
  ),
  key(
    'carried-by',
    'patterns of paths',
    '`"**"`',
    'The pages that carry it.',
    'page: contact.html\ncarried-by: index.html',
  ),
  key(
    'except',
    'patterns of paths',
    'nothing',
    'Pages that do not carry it after all.',
    'page: contact.html\nexcept: contact.html',
  ),
  key(
    'place',
    '`first-in`, `last-in`, `before`, `after` or `instead-of`',
    'first in the page’s header',
    'Where it goes on pages without a slot for it.',
    'page: contact.html\nplace: { after: "#prices" }',
  ),
  ...entry.filter(one => asInEntries.includes(one.key)),
];

/** Every key of the plan, by the part that it is a key of. */
export const keyPages: Readonly<Record<Exclude<Part, 'languages' | 'looks'>, readonly KeyPage[]>> = {
  plan,
  language,
  words,
  labels,
  links,
  menu,
  place,
  stays,
  home,
  opens,
  fold,
  toggle,
  button,
  panels,
  'to-top': toTop,
  entry,
  look,
  font,
  states,
  state,
  parts,
  contrast,
};

/** Where each part stands in a plan. */
export const partPlaces: Readonly<Record<keyof typeof keyPages, string>> = {
  plan: 'of the plan itself',
  language: 'of each language in `languages`',
  words: 'of `words` in a language',
  labels: 'of `labels`',
  links: 'of `links`',
  menu: 'of a menu in `menus`',
  place: 'of `place` in a menu',
  stays: 'of `stays` in a menu',
  home: 'of `home` in a menu',
  opens: 'of `opens` in a menu',
  fold: 'of `fold` in a menu',
  toggle: 'of `toggle` in a `fold`',
  button: 'of a button in `buttons`',
  panels: 'of a group in `panels`',
  'to-top': 'of `to-top`',
  entry: 'of an entry in `entries`',
  look: 'of `look`',
  font: 'of `font` in a look',
  states: 'of `states` in a look',
  state: 'of each state in `states`',
  parts: 'of `parts` in a look',
  contrast: 'of `contrast` in a look',
};
