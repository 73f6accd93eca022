export type Severity = 'error' | 'warning' | 'note';

interface Rule {
  severity: Severity;
  /** What the rule watches over, in one line. */
  about: string;
}

/** Every rule there is. Messages are worded where the problem is found; tests ask for the name. */
export const rules = {
  // The plan as YAML.
  'yaml-syntax': { severity: 'error', about: 'The plan is YAML.' },
  'yaml-comment': {
    severity: 'error',
    about: 'A # after a space begins a comment in YAML; values that hold one are quoted.',
  },
  'yaml-alias': {
    severity: 'error',
    about: 'A * at the start of a value is an alias in YAML; such values are quoted.',
  },
  'yaml-tag': {
    severity: 'error',
    about: 'A ! at the start of a value is a tag in YAML; such values are quoted.',
  },
  'yaml-comma': {
    severity: 'error',
    about: 'A comma inside { } or [ ] ends a value in YAML; values that hold one are quoted.',
  },
  'yaml-colon': {
    severity: 'error',
    about: 'A colon and a space inside a value begin a map in YAML; such values are quoted.',
  },
  'yaml-tab': { severity: 'error', about: 'YAML is indented by spaces.' },
  'duplicate-key': { severity: 'error', about: 'A key stands once in its map.' },
  'empty-plan': { severity: 'error', about: 'A plan says something.' },
  'no-plan': { severity: 'error', about: 'A plan is a file that can be read.' },
  // Drafts.
  'plan-there': { severity: 'error', about: 'A plan is not written over unasked.' },
  'no-pages': { severity: 'error', about: 'A site has pages.' },
  'no-hand-menu': { severity: 'error', about: 'A selector finds a menu written by hand.' },
  'left-rule': { severity: 'note', about: 'A rule that matched the old menu only may go.' },
  'left-script': { severity: 'note', about: 'A script that the old menu called only may go.' },
  'left-call': { severity: 'warning', about: 'No script names what goes with the old menu.' },
  'bad-outline': { severity: 'error', about: 'An outline can be read.' },
  // Edits of the plan.
  'no-entry': { severity: 'error', about: 'An edit names one entry of the plan.' },
  'cannot-edit': { severity: 'error', about: 'An edit leaves a plan that is right.' },
  // The plan's keys and values.
  'unknown-key': { severity: 'error', about: 'Keys are those of the plan reference.' },
  'later-key': { severity: 'error', about: 'A key of the plan format that this version does not build yet.' },
  'missing-key': { severity: 'error', about: 'What a part of the plan cannot do without.' },
  'wrong-value': { severity: 'error', about: 'Each key takes its own kind of value.' },
  'clashing-keys': { severity: 'error', about: 'An entry leads to one place.' },
  'bad-label': { severity: 'error', about: 'A label is text without control characters.' },
  'cannot-join': {
    severity: 'error',
    about: 'A menu joins the fold of one that folds at the same width.',
  },
  'hidden-menu': {
    severity: 'error',
    about: 'A menu that is gone where it has no room leads nowhere that no other menu does.',
  },
  'bad-address': { severity: 'error', about: 'An address is of http or https.' },
  'bad-selector': {
    severity: 'error',
    about: 'Selectors are those of CSS that depend on the page alone.',
  },
  'backslash-path': { severity: 'note', about: 'Paths are written with /.' },
  'same-menu-name': { severity: 'error', about: 'Each menu has its own name.' },
  'unknown-language': {
    severity: 'error',
    about: 'What differs by language does so for languages of the plan.',
  },
  // Languages.
  'missing-word': {
    severity: 'warning',
    about: 'Kamino’s own words in a page are in the language of the page.',
  },
  'same-label': { severity: 'note', about: 'A label differs by language.' },
  'no-counterpart': { severity: 'note', about: 'A page has its counterpart in each language.' },
  'page-language': {
    severity: 'warning',
    about: 'A page says that it is in the language that it belongs to.',
  },
  // The plan against the site.
  'missing-page': { severity: 'error', about: 'A target page is a page of the site.' },
  'missing-section': { severity: 'error', about: 'A target section is a place in its page.' },
  'unknown-menu': { severity: 'error', about: 'A menu takes its entries from a menu of the plan.' },
  'empty-pattern': { severity: 'warning', about: 'A pattern of pages matches some.' },
  'left-out': {
    severity: 'warning',
    about: 'An entry whose target is missing is left out where the plan says so.',
  },
  'missing-file': { severity: 'error', about: 'A file that the plan names is there.' },
  'outside-site': { severity: 'error', about: 'Targets and files lie in the site.' },
  'no-title': { severity: 'warning', about: 'A label left out comes from the page’s title.' },
  'carried-by-none': { severity: 'warning', about: 'A menu is carried by some page.' },
  // Pages.
  'no-place': { severity: 'warning', about: 'A menu needs a place in each page that carries it.' },
  'bad-place': { severity: 'error', about: 'A menu goes where a nav may stand.' },
  'unreadable-page': {
    severity: 'error',
    about: 'Pages are in an ASCII-compatible charset, without null bytes.',
  },
  'xml-page': { severity: 'error', about: 'Pages are read as HTML.' },
  'frameset-page': { severity: 'warning', about: 'A frameset page has no body that could carry a menu.' },
  'second-slot': { severity: 'warning', about: 'The first slot of a name is filled.' },
  'unknown-slot': { severity: 'warning', about: 'A slot has the name of a menu.' },
  'no-main': { severity: 'warning', about: 'A skip link needs the main content to lead to.' },
  'stays-short': { severity: 'warning', about: 'A menu stays in view on the whole page.' },
  'stays-clipped': { severity: 'warning', about: 'No element around a menu that stays clips it.' },
  'submenu-hidden': {
    severity: 'warning',
    about: 'Nothing around a menu cuts its submenus off or lies over them.',
  },
  'width-differs': { severity: 'warning', about: 'A bar is as wide as was computed.' },
  'see-through': { severity: 'warning', about: 'A menu that stays has a ground of its own.' },
  'base-elsewhere': { severity: 'warning', about: 'A page’s base lies on the site.' },
  'lost-record': { severity: 'error', about: 'What was taken out of a page is kept in the record.' },
  'lost-id': { severity: 'warning', about: 'No link leads to an id that goes with the menus.' },
  'edited-inside': {
    severity: 'error',
    about: 'What someone edited inside a menu is not overwritten unasked.',
  },
  // Output.
  'edited-output': {
    severity: 'error',
    about: 'What someone edited in the output folder is not overwritten unasked.',
  },
  'same-folder': { severity: 'error', about: 'Site and output are two folders.' },
  'cannot-read': { severity: 'error', about: 'Files of the site can be read.' },
  'cannot-write': { severity: 'error', about: 'The output can be written.' },
  'link-outside': { severity: 'error', about: 'Symbolic links stay within the site.' },
  'name-taken': { severity: 'error', about: 'Kamino’s own files do not replace a designer’s.' },
  'gone-page': { severity: 'note', about: 'A page of ours that the site no longer has is moved aside.' },
  // The site's own content.
  'dead-link': { severity: 'error', about: 'A link leads to a file of the site, and to a place in it.' },
  'letter-case': { severity: 'error', about: 'A link names a file in its own letter case.' },
  'missing-hash': { severity: 'error', about: 'A link to a place in the page begins with #.' },
  'foreign-path': { severity: 'error', about: 'A link stays in the site’s folder.' },
  'empty-link': { severity: 'warning', about: 'A link leads somewhere.' },
  untitled: { severity: 'warning', about: 'Each page has a title.' },
  'same-title': { severity: 'warning', about: 'Titles differ.' },
  'bad-id': { severity: 'warning', about: 'An id has a character at least, and no white space.' },
  'same-id': { severity: 'warning', about: 'An id stands once in a page.' },
  orphan: { severity: 'warning', about: 'Some other page links to each page.' },
  // Menus written by hand.
  'menu-differs': { severity: 'warning', about: 'The copies of a menu are alike.' },
  'menu-missing': { severity: 'warning', about: 'A menu that most pages carry is on every page.' },
  'wrong-current': { severity: 'warning', about: 'The entry marked as current leads to the page itself.' },
  'wrong-folder': { severity: 'error', about: 'A link of a menu is written from its own page’s folder.' },
  'unclosed-list': { severity: 'warning', about: 'The lists of a menu are closed.' },
  outranked: { severity: 'warning', about: 'No rule of the page’s own beats Kamino’s inside a menu.' },
  // Looks.
  'bad-icon': { severity: 'error', about: 'An icon is a drawing in SVG.' },
  'unknown-look': { severity: 'error', about: 'A look that is named is one of `looks`.' },
  'state-circle': { severity: 'error', about: 'States start from each other without going in a circle.' },
  'mended-color': { severity: 'note', about: 'A derived colour that is hard to read is mended, and told.' },
  'same-but-hue': {
    severity: 'warning',
    about: 'The current entry differs from its neighbours by more than hue (WCAG 2.2, 1.4.1).',
  },
  'low-contrast': {
    severity: 'warning',
    about: 'Text stands out from its ground (WCAG 2.2, 1.4.3 and 1.4.11).',
  },
} as const satisfies Record<string, Rule>;

export type RuleName = keyof typeof rules;
