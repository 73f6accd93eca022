import type { Rule } from '../rule.ts';

/** What is found while a plan is read, drafted or edited. */
export const planRules = {
  // The plan as YAML.
  'yaml-syntax': {
    severity: 'error',
    about: 'The plan is YAML.',
    why: 'The plan cannot be read as YAML from here on. Mostly a quote or a bracket is not closed, or a line is indented otherwise than its neighbours.',
    example: 'label: "Visit      →  label: "Visit"',
  },
  'yaml-comment': {
    severity: 'error',
    about: 'A # after a space begins a comment in YAML; values that hold one are quoted.',
    why: 'What stands behind the # is lost: YAML takes it for a comment. Colours and sections begin with one.',
    example: 'accent: #3d5a80    →  accent: "#3d5a80"',
  },
  'yaml-alias': {
    severity: 'error',
    about: 'A * at the start of a value is an alias in YAML; such values are quoted.',
    why: 'YAML takes the value for a reference to another one.',
    example: 'read: *.html       →  read: "*.html"',
  },
  'yaml-tag': {
    severity: 'error',
    about: 'A ! at the start of a value is a tag in YAML; such values are quoted.',
    why: 'YAML takes the value for a type of its own.',
    example: 'label: !important  →  label: "!important"',
  },
  'yaml-comma': {
    severity: 'error',
    about: 'A comma inside { } or [ ] ends a value in YAML; values that hold one are quoted.',
    why: 'In braces and brackets a comma ends a value, so that the rest becomes a key or a line of its own.',
    example: '{ label: Visit, and more }  →  { label: "Visit, and more" }',
  },
  'yaml-colon': {
    severity: 'error',
    about: 'A colon and a space inside a value begin a map in YAML; such values are quoted.',
    why: 'YAML reads a map where a text was meant.',
    example: 'label: Visit: us   →  label: "Visit: us"',
  },
  'yaml-tab': {
    severity: 'error',
    about: 'YAML is indented by spaces.',
    why: 'YAML refuses tabs at the start of a line.',
    example: '⇥- index.html      →  ␣␣- index.html',
  },
  'duplicate-key': {
    severity: 'error',
    about: 'A key stands once in its map.',
    why: 'Of two values for one key only one could hold.',
    example: 'align: end\nalign: center       →  keep one of the lines',
  },
  'empty-plan': {
    severity: 'error',
    about: 'A plan says something.',
    why: 'There is nothing to build from.',
    example: 'kamino: 1\nmenus:\n  - menu: masthead\n    entries:\n      - index.html',
  },
  'no-plan': {
    severity: 'error',
    about: 'A plan is a file that can be read.',
    why: 'No `kamino.yaml` lies in the folder, or it cannot be read as text in UTF-8.',
    example: 'kamino draft        writes a first one',
  },
  // Drafts.
  'plan-there': {
    severity: 'error',
    about: 'A plan is not written over unasked.',
    why: 'A plan is your work: a draft does not replace it.',
    example: 'kamino draft --dry-run\nkamino draft --force',
  },
  'no-pages': {
    severity: 'error',
    about: 'A site has pages.',
    why: 'No file of the folder is a page.',
    example: 'kamino draft my-site   →  the folder that holds the .html files',
  },
  'no-hand-menu': {
    severity: 'error',
    about: 'A selector finds a menu written by hand.',
    why: 'The selector finds no element with links on any page.',
    example: 'kamino draft --from nav      →  kamino draft --from "ul.menu"',
  },
  'left-rule': {
    severity: 'note',
    about: 'A rule that matched the old menu only may go.',
    why: 'With the old menu gone, no element matches this rule of your style sheet any more. Kamino leaves it; you may take it out.',
    example: '#nav li.on { font-weight: bold }',
  },
  'left-script': {
    severity: 'note',
    about: 'A script that the old menu called only may go.',
    why: 'Only the old menu called this script. Kamino leaves it; you may take it out.',
    example: '<script src="js/rollover.js"></script>',
  },
  'left-call': {
    severity: 'warning',
    about: 'No script names what goes with the old menu.',
    why: 'A script still asks for an element that goes with the old menu, and would fail.',
    example: 'document.getElementById("nav").onclick = …   →  take the call out',
  },
  'left-control': {
    severity: 'warning',
    about: 'What opened the old menu goes with it.',
    why: 'A button, or a check box with its label, opened the old menu. It stays in the pages, and opens nothing any more: Kamino’s menu has a toggle of its own.',
    example: '<input type="checkbox" id="open"><label for="open">Menu</label>   →  take both out',
  },
  'left-copy': {
    severity: 'warning',
    about: 'A second copy of a menu for phones is not needed any more.',
    why: 'Pages had the same entries twice: once for wide windows, and once for narrow ones. One menu of Kamino’s is both, so that the second one would be a menu too many.',
    example: '<nav class="mobile"> …   →  take it out, with the button that opens it',
  },
  'bad-outline': {
    severity: 'error',
    about: 'An outline can be read.',
    why: 'The file given to `--from` is none of the outline formats, or has a fault at this place.',
    example: '- Home\n- [Visit](visit.html)\n  - [Prices](visit.html#prices)',
  },
  // Edits of the plan.
  'no-entry': {
    severity: 'error',
    about: 'An edit names one entry of the plan.',
    why: 'The name fits no entry of the plan, or several.',
    example: 'kamino entry remove Prices  →  kamino entry remove "Visit/Prices"',
  },
  'cannot-edit': {
    severity: 'error',
    about: 'An edit leaves a plan that is right.',
    why: 'The plan would be wrong after this edit, so it stays as it is.',
    example: 'kamino entry move Visit --under "Visit/Prices"',
  },
  // The plan's keys and values.
  'unknown-key': {
    severity: 'error',
    about: 'Keys are those of the plan reference.',
    why: 'A key is misspelt, stands in the wrong part of the plan, or is the trade’s word for one of Kamino’s.',
    example: 'sticky: top        →  stays: top\nlable: Visit       →  label: Visit',
  },
  'missing-key': {
    severity: 'error',
    about: 'What a part of the plan cannot do without.',
    why: 'This part of the plan cannot do without the key.',
    example: '- title: Main      →  - menu: masthead\n                        title: Main',
  },
  'wrong-value': {
    severity: 'error',
    about: 'Each key takes its own kind of value.',
    why: 'The key takes another kind of value; the message names it.',
    example: 'align: right       →  align: end',
  },
  'clashing-keys': {
    severity: 'error',
    about: 'An entry leads to one place.',
    why: 'Two keys say different things about one entry or menu.',
    example: '{ page: a.html, url: "https://a.example/" }  →  keep one of them',
  },
  'bad-label': {
    severity: 'error',
    about: 'A label is text without control characters.',
    why: 'The label holds a character that cannot be seen, mostly from a copied text.',
    example: 'label: "Visit\\u0007"  →  label: Visit',
  },
  'cannot-join': {
    severity: 'error',
    about: 'A menu joins the fold of one that folds at the same width.',
    why: 'A menu is to go into the fold of another one that is not there, has none, or folds at another width.',
    example: 'fold: { when: below 48em, joins: masthead }     # and the same  when: below 48em  in masthead',
  },
  'hidden-menu': {
    severity: 'error',
    about: 'A menu that is gone where it has no room leads nowhere that no other menu does.',
    why: 'Where this menu has no room it is not shown at all, and a target of it stands in no other menu of the same pages.',
    example: 'fold: { when: below 48em, as: none }  →  fold: { when: below 48em, as: stack }',
  },
  'bad-address': {
    severity: 'error',
    about: 'An address is of http or https.',
    why: 'Entries lead to pages, files, mail, telephones and addresses of http or https only.',
    example: 'url: www.example.org  →  url: "https://www.example.org/"',
  },
  'bad-selector': {
    severity: 'error',
    about: 'Selectors are those of CSS that depend on the page alone.',
    why: 'The selector is no selector of CSS, or asks for more than the page itself, such as where the pointer is.',
    example: 'place: { after: "a:hover" }  →  place: { after: "#logo" }',
  },
  'backslash-path': {
    severity: 'note',
    about: 'Paths are written with /.',
    why: 'Paths in pages are written with /, on every system. Kamino reads it so.',
    example: 'page: visit\\index.html  →  page: visit/index.html',
  },
  'same-menu-name': {
    severity: 'error',
    about: 'Each menu has its own name.',
    why: 'A menu’s name is that of its slot and of its rules.',
    example: '- menu: foot\n- menu: foot         →  - menu: foot-links',
  },
  'unknown-language': {
    severity: 'error',
    about: 'What differs by language does so for languages of the plan.',
    why: 'A label or target is given for a language that `languages` does not name.',
    example: 'label: { en: Visit, wl: Ymweld }  →  label: { en: Visit, cy: Ymweld }',
  },
  // Languages.
  'missing-word': {
    severity: 'warning',
    about: 'Kamino’s own words in a page are in the language of the page.',
    why: 'Kamino puts a few words of its own into a page, for those who do not see it too. In this language they are English still.',
    example: 'languages:\n  cy: { name: Cymraeg, words: { menu: Dewislen } }',
  },
  'duplicate-entry': {
    severity: 'warning',
    about: 'An entry stands in its list once.',
    why: 'Two entries next to one another have one label and lead to one place: a visitor looks for the difference.',
    example: 'entries: [index.html, visit.html, index.html]  →  [index.html, visit.html]',
  },
  'plan-above': {
    severity: 'note',
    about: 'A command stands where its plan is.',
    why: 'There is no plan in this folder, and one in a folder above it. Its record, and what it says of the site, were not used.',
    example: 'cd ..\nkamino check',
  },
  'same-label': {
    severity: 'note',
    about: 'A label differs by language.',
    why: 'The label is written once for all languages. Where that is meant, write it for each and the note goes.',
    example: 'label: Visit       →  label: { en: Visit, cy: Ymweld }',
  },
  'no-counterpart': {
    severity: 'note',
    about: 'A page has its counterpart in each language.',
    why: 'A page is not there in this language. Its entry leads to the other language, and an entry of a language to its front page.',
    example: 'page: shop.html    →  page: { en: shop.html }   left out of the other menus',
  },
  'page-language': {
    severity: 'warning',
    about: 'A page says that it is in the language that it belongs to.',
    why: 'The `lang` of the page is not the language that it belongs to: screen readers would read it out wrongly.',
    example: 'cy/index.html: <html lang="en">  →  <html lang="cy">',
  },
} as const satisfies Record<string, Rule>;
