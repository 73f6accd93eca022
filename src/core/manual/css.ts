import type { Example, ManualPage } from './types.ts';

const css = (about: string, code: string): Example => ({ language: 'css', about, code });

/** The classes of what Kamino puts into a page, one for each part. */
export const classes: readonly [names: string, part: string][] = [
  [
    '`kamino`, `kamino-bar` (`-column`, `-plain`, `-contents`, `-breadcrumb`, `-previous-next`), `kamino-menu-NAME`',
    'the `nav` itself',
  ],
  ['`kamino-room`', 'its only child'],
  ['`kamino-home`', 'the link to the front page'],
  ['`kamino-list`', 'the list'],
  ['`kamino-entry`', 'a list item; with `kamino-within` where this page lies below it'],
  ['`kamino-submenu`', 'a list below an entry'],
  [
    '`kamino-opener`, `kamino-toggle`',
    'what opens a submenu, and a folded menu; its control is the only child',
  ],
  [
    '`kamino-fold`, `kamino-close`',
    'a drawer or a full-screen menu (`:popover-open` while it is open); the button in it',
  ],
  [
    '`kamino-button`, `kamino-top`',
    'a button; the row of the way to the top (`kamino-away` while it is not needed)',
  ],
  ['`kamino-shown`', 'the panel that is shown, once the script has said so'],
  ['`kamino-joined`', 'the list of a menu that lies in the fold of another'],
  ['`kamino-caption`', 'the title above the headings of a page'],
  ['`kamino-columns`, `kamino-heading`', 'a submenu in columns, and the headings in it'],
  ['`kamino-highlight`', 'an entry set apart; with `-background`, `-border` or `-shadow`, as it is'],
  ['`kamino-link`', 'its link; `[aria-current]` on the page that it leads to'],
  [
    '`kamino-note`, `kamino-unseen`',
    'words behind a label: a file’s type and size; what only screen readers hear',
  ],
  ['`kamino-outside`, `kamino-insert`', 'an entry marked as leading outside; one that holds your own HTML'],
  ['`kamino-previous`, `kamino-next`', 'the neighbours of a page'],
  [
    '`kamino-icon` (with `kamino-icon-end` behind its label, `kamino-icon-above` above it), `kamino-mark`',
    'a drawing beside a label; the picture of the home',
  ],
  ['`kamino-about`', 'a line below a label'],
  [
    '`kamino-before`, `kamino-after`, `kamino-remains`',
    'the lists before and behind a home in the middle; the list of what stays when the others fold',
  ],
  [
    '`kamino-over` (`kamino-live` where it stays, `kamino-scrolled` once the page was scrolled)',
    'a menu over the page; the two in brackets are said by the script',
  ],
  ['`kamino-apart`, `kamino-tabs`', 'an entry pushed away; a bar of tabs'],
  ['`kamino-label`', 'a label that keeps room for a bolder state'],
  ['`kamino-skip`', 'the skip link'],
];

/** The custom properties that a designer sets, with what they are. */
export const properties: readonly [name: string, means: string][] = [
  ['color', 'labels'],
  ['background', 'the ground of the menu'],
  ['accent', 'the ground of a highlight'],
  ['entry-background', 'the ground of one entry, where it has its own'],
  ['hover-color', 'labels under the pointer'],
  ['hover-background', 'their ground'],
  ['pressed-color', 'the label of an entry that is held down'],
  ['pressed-background', 'its ground'],
  ['current-color', 'the label of the current entry, where the plan gives one; so `within-…`, `focus-…`'],
  ['current-background', 'its ground'],
  [
    'marker',
    'the mark of the current page; where its colour differs between states, `current-marker`, `hover-marker` …',
  ],
  ['focus', 'the ring around what the keyboard is at'],
  ['border', 'the border of entries, where any has one; so `hover-border` …'],
  ['shadow', 'their shadow, in the same way'],
  ['font-family', 'the type, as in CSS'],
  ['font-size', 'the same'],
  ['font-weight', 'the same; so `current-weight` … where a look makes a state bolder'],
  ['letter-spacing', 'the same'],
  ['line-height', 'the same, from here on each only where a look of the plan says it'],
  ['word-spacing', 'the same'],
  ['font-style', 'the same'],
  ['text-transform', 'the same'],
  ['padding', 'the room inside each entry'],
  [
    'frame-padding',
    'the room inside the menu’s own box, where a look has one, as all that begin with `frame`',
  ],
  ['frame-row', 'how wide what is in it becomes'],
  ['frame-width', 'how wide the box becomes'],
  ['frame-border', 'its border, where all four edges are alike'],
  ['frame-top', 'the border of one edge, where they differ; so `frame-bottom`, `frame-start`, `frame-end`'],
  ['frame-radius', 'its corners'],
  ['frame-shadow', 'its shadow'],
  ['frame-blur', 'what is done to what lies behind it, as in `backdrop-filter`'],
  ['mark-inline', 'how far the mark stays from the entry’s sides'],
  ['mark-block', 'and from its lower edge'],
  [
    'gap',
    'the space between entries; where the plan gives two lengths, `gap-block` and `gap-inline` go with it',
  ],
  ['icon-size', 'how large drawings are, where a look says it'],
  ['icon-color', 'their colour, where a look gives them one; so `hover-icon-color` …'],
  ['motion', 'how long marks and colours take to come, where a look says it'],
  ['radius', 'the corners'],
  ['sheet-border', 'the border of a submenu'],
  ['sheet-shadow', 'its shadow'],
  ['layer', 'the z-index of submenus; 20 where it is not set'],
  ['layer-stays', 'that of a menu that stays; 30 where it is not set'],
  ['after', 'how long the pointer rests before a submenu opens; without it a submenu opens on a click alone'],
  ['ease', 'how long a submenu takes to come'],
  ['stays', 'set on the root by the script: how high what stays at the top is'],
  ['lift', 'how far the way to the top stands above the edge of the window'],
  ['drawer', 'the width of a drawer; 20rem, or 86vw where that is less'],
];

export const cssPage: ManualPage = {
  name: 'css',
  kind: 'topic',
  title: 'The hooks for rules of your own.',
  text: [
    'Name a style sheet with `style: css/nav.css` in the plan: it is linked after Kamino’s. Each rule of Kamino’s has the strength of two classes, so that a rule of yours with the same selector wins. Rules for all links of a page (`a { … }`, `nav ul li a { … }`) do not reach into a menu.',
    'Custom properties, set on `.kamino`, on one menu (`.kamino.kamino-menu-NAME`), on a part (`.kamino .kamino-submenu`) or on a link:',
    properties.map(([name, means]) => `- \`--kamino-${name}\`: ${means}`).join('\n'),
    'Classes, one for each part:',
    classes.map(([names, part]) => `- ${names}: ${part}`).join('\n'),
    'Attributes of each entry: `data-kamino-depth` (1 for the first level), and `data-kamino-entry` with a name of its own: the file name of its page without the ending (for an index page its folder’s), else its label, in a–z, 0–9 and hyphens.',
  ],
  examples: [
    css('A wider, calmer bar.', '.kamino {\n  --kamino-padding: 0.9em 1.3em;\n  --kamino-gap: 0.5em;\n}'),
    css(
      'Another colour under the pointer.',
      '.kamino {\n  --kamino-hover-color: #7a1f1f;\n  --kamino-hover-background: #f6e3df;\n}',
    ),
    css('One menu only.', '.kamino.kamino-menu-foot {\n  --kamino-font-size: 0.9rem;\n}'),
    css('One entry only.', '.kamino [data-kamino-entry="contact"] > .kamino-link {\n  font-weight: 700;\n}'),
    css(
      'A current entry that is underlined.',
      '.kamino .kamino-link[aria-current] {\n  text-decoration: underline;\n}',
    ),
    css(
      'Submenus as wide as you like, above everything else.',
      '.kamino {\n  --kamino-layer: 1000;\n}\n.kamino .kamino-submenu {\n  min-inline-size: 18em;\n}',
    ),
  ],
  see: ['style', 'look', 'state'],
};
