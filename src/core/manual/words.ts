/** A word of the trade as Kamino uses it. */
interface WordPage {
  means: string;
  example: string;
  see: readonly string[];
}

const word = (means: string, example: string, see: readonly string[] = []): WordPage => ({
  means,
  example,
  see,
});

/** Kamino's own words: one for each thing, in the plan, in messages and here. */
export const wordPages: Readonly<Record<string, WordPage>> = {
  site: word('The folder of pages that is read.', 'site: .', ['output', 'read']),
  page: word(
    'One HTML file of the site. Also the key of an entry that leads to one.',
    '- page: visit/index.html',
    ['section'],
  ),
  section: word(
    'A place in a page with an `id`. Also the key of an entry that leads to one.',
    '- section: visit/index.html#prices',
    ['heading'],
  ),
  plan: word(
    'What you wrote about the navigation: `kamino.yaml`.',
    'kamino: 1\nmenus:\n  - menu: masthead\n    entries:\n      - index.html',
    ['menus'],
  ),
  menu: word('A navigation landmark with a title, in one of five forms.', '- menu: masthead\n  title: Main', [
    'form',
    'entries',
  ]),
  entry: word(
    'One line of a menu: a label, a target, and perhaps entries of its own (a submenu).',
    '- { page: contact.html, label: Write to us }',
    ['label', 'target', 'entries'],
  ),
  target: word(
    'Where an entry leads: a page, a section, a file, mail, a telephone, another site, another language; or nowhere, if it only opens.',
    '- visit.html\n- { mail: hello@brackenfold.example }\n- { url: "https://weather.example/" }',
    ['page', 'section', 'file', 'mail', 'phone', 'url', 'language'],
  ),
  picture: word(
    'An image that serves as an entry’s button in one state. Pictures are packed into one sprite. Also the key of a look for the ground of a menu.',
    'pictures:\n  - menu: masthead\n    files: "buttons/{entry}-{state}.png"',
    ['pictures', 'strip', 'look'],
  ),
  opener: word('The control that shows and hides a submenu.', '<details class="kamino-opener">', [
    'toggle',
    'entries',
  ]),
  toggle: word('The control that shows and hides a whole folded menu.', '<details class="kamino-toggle">', [
    'fold',
  ]),
  fold: word('What a menu becomes where it has no room.', 'fold: { when: below 48em, as: stack }', [
    'when',
    'toggle',
  ]),
  state: word(
    'How an entry looks at a time: base, hover, focus, pressed, current (this is its page) or within (this page lies in its branch).',
    '.kamino .kamino-link:hover { text-decoration: underline; }',
    ['current', 'within'],
  ),
  current: word(
    'The entry that leads to this very page. It carries `aria-current="page"`.',
    '<a class="kamino-link" href="visit.html" aria-current="page">',
    ['within', 'current-entry'],
  ),
  within: word(
    'An entry in whose branch this page lies, or that covers it. Never `aria-current`.',
    '<li class="kamino-entry kamino-within">',
    ['covers', 'current'],
  ),
  look: word(
    'Colours, type, spaces and corners as data, in the words of CSS.',
    'look: { accent: "#3d5a80", radius: 0.4rem }',
    ['accent', 'css'],
  ),
  home: word(
    'The site’s name at the head of a menu, leading to the front page.',
    'home: { label: Brackenfold }',
  ),
  highlight: word('An entry set apart as a call to action.', '- { page: book.html, highlight: background }'),
  inlay: word(
    'What Kamino puts into a page: elements with `data-kamino`, and nothing else.',
    '<nav class="kamino kamino-bar" data-kamino="masthead">',
    ['lift', 'slot'],
  ),
  lift: word('Takes the navigation out of the pages again, byte for byte.', 'kamino lift', ['inlay']),
  slot: word('The element that you marked for a menu.', '<div data-kamino-slot="masthead"></div>', ['place']),
  record: word(
    'What Kamino must remember of a site, in `.kamino/` beside the plan: what it wrote, and what it took out. Keep it.',
    '.kamino/',
    ['lift', 'instead-of'],
  ),
  inventory: word(
    'What a site has: pages, titles, sections, links, menus written by hand.',
    'kamino inventory',
  ),
  finding: word(
    'One problem: its rule, its severity, its place, and what to do. Errors end with exit status 1, a bad plan with 2.',
    'kamino.yaml:7:15: error missing-page: the site has no page `vist.html`',
  ),
  visitor: word(
    'A way of using a site: device, input and abilities together.',
    'kamino walk --visitor keyboard',
    ['walk'],
  ),
  walk: word(
    'A real browser goes through the finished pages as each visitor.',
    'kamino walk --report walk.html',
    ['visitor', 'reach', 'questions'],
  ),
  reach: word(
    'Who gets where, in how many presses: clicks, taps or Enter, from the front page on.',
    'kamino map --reach',
    ['walk'],
  ),
  pattern: word(
    'Paths with `*` (within a folder), `**` (through folders) and `{a,b}` (one of several), from the site’s folder.',
    'carried-by: "{visit,journal}/**"',
    ['carried-by', 'pages'],
  ),
  selector: word('A selector of CSS that depends on the page alone.', 'place: { after: "#logo" }', [
    'place',
    'skip-to',
  ]),
  counterpart: word('The same page in another language.', 'page: { en: sky.html, cy: cy/awyr.html }', [
    'languages',
    'language',
  ]),
};
