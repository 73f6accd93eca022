export type Severity = 'error' | 'warning' | 'note';

/** What a rule watches over: its page of the manual. */
export interface Rule {
  severity: Severity;
  /** In one line. */
  about: string;
  /** Why it is there, and what to do. */
  why: string;
  /** An example of both. */
  example: string;
}

/**
 * The rules of what is found on the way, while a plan is read, resolved and built. Messages are worded where the problem
 * is found; tests ask for the name. What is looked for in finished pages has a file for each rule, in `check/rules`.
 */
export const rules = {
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
    example: 'kamino draft --plan other.yaml\nkamino draft --overwrite',
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
  'later-key': {
    severity: 'error',
    about: 'A key of the plan format that this version does not build yet.',
    why: 'The key is part of the plan format, but this version of Kamino cannot build it.',
    example: 'panels: …          →  take it out for now',
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
  'bad-place': {
    severity: 'error',
    about: 'A menu goes where a nav may stand.',
    why: 'A `nav` may not stand here: in a paragraph, a heading, a link, a list or a row of a table. The page is copied as it is.',
    example: '<p data-kamino-slot="foot"></p>  →  <div data-kamino-slot="foot"></div>',
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
  'edited-inside': {
    severity: 'error',
    about: 'What someone edited inside a menu is not overwritten unasked.',
    why: 'Someone changed the menu inside the page. It is not replaced unasked.',
    example: 'kamino build --overwrite',
  },
  // Output.
  'edited-output': {
    severity: 'error',
    about: 'What someone edited in the output folder is not overwritten unasked.',
    why: 'Someone changed a finished file. Nothing is written until you say so.',
    example: 'kamino build --overwrite',
  },
  'same-folder': {
    severity: 'error',
    about: 'Site and output are two folders.',
    why: 'Site and output would overwrite each other.',
    example: 'output: .          →  output: built',
  },
  'cannot-read': {
    severity: 'error',
    about: 'Files of the site can be read.',
    why: 'A file or folder is not there, or may not be read.',
    example: 'chmod u+r visit.html',
  },
  'cannot-write': {
    severity: 'error',
    about: 'The output can be written.',
    why: 'The output cannot be written. What was there before is still whole.',
    example: 'output: /read-only →  output: built',
  },
  'link-outside': {
    severity: 'error',
    about: 'Symbolic links stay within the site.',
    why: 'A symbolic link leads out of the site: what it names would not be uploaded.',
    example: 'img -> ../../pictures  →  copy the files',
  },
  'at-work': {
    severity: 'error',
    about: 'One run at a time writes.',
    why: 'Another run of Kamino writes by the same plan. This one waited for it, and then gave up, so that none writes over what the other wrote.',
    example: 'two builds of one folder at once',
  },
  'damaged-record': {
    severity: 'warning',
    about: 'The record is as Kamino wrote it.',
    why: 'The record beside the plan says what Kamino wrote. This one is not as it was written: something else has changed it, or it comes from elsewhere. It is not used; nothing is lost by that, but finished files that someone has edited are found by their contents alone.',
    example: '.kamino/record.json',
  },
  'foreign-output': {
    severity: 'error',
    about: 'The output is a folder of its own.',
    why: 'The folder that `output` names exists, Kamino did not make it, and it holds files that are not of this site. They might be written over, so nothing was written.',
    example: 'output: photographs  →  output: built',
  },
  'link-in-way': {
    severity: 'error',
    about: 'Nothing is written through a link.',
    why: 'A link stands where a folder or file is to be written. It may lead anywhere, so nothing was written there.',
    example: 'built -> ../elsewhere  →  output: ../elsewhere',
  },
  'name-taken': {
    severity: 'error',
    about: 'Kamino’s own files do not replace a designer’s.',
    why: 'Your site has a file where Kamino’s own style sheet goes.',
    example: 'kamino/menu.css    →  rename your folder',
  },
  'gone-page': {
    severity: 'note',
    about: 'A page of ours that the site no longer has is moved aside.',
    why: 'The site no longer has this page; the finished one was moved to `.kamino/gone/`.',
    example: 'old.html',
  },
  // Looks.
  'bad-icon': {
    severity: 'error',
    about: 'An icon is a drawing in SVG.',
    why: 'The file is no SVG that can stand in a page.',
    example: 'icon: img/letter.png →  icon: img/letter.svg',
  },
  'unknown-look': {
    severity: 'error',
    about: 'A look that is named is one of `looks`.',
    why: 'A look is named that `looks` does not have.',
    example: 'look: quite        →  look: quiet',
  },
  'state-circle': {
    severity: 'error',
    about: 'States start from each other without going in a circle.',
    why: 'Two states start from each other, so that neither has values.',
    example: 'hover: { from: pressed }\npressed: { from: hover }  →  take one `from` out',
  },
  'mended-color': {
    severity: 'note',
    about: 'A derived colour that is hard to read is mended, and told.',
    why: 'A colour that Kamino derived was hard to read on its ground; the nearest of the same hue that is not was taken. What you wrote stays.',
    example: 'contrast: { mend: none }   keeps derived colours as they come',
  },
  'same-but-hue': {
    severity: 'warning',
    about: 'The current entry differs from its neighbours by more than hue (WCAG 2.2, 1.4.1).',
    why: 'Who cannot tell the two hues apart does not see where they are (WCAG 2.2, 1.4.1).',
    example: 'current: { marker: none, color: "#a33" }  →  current: { font: { weight: 700 }, color: "#a33" }',
  },
  'low-contrast': {
    severity: 'warning',
    about: 'Text stands out from its ground (WCAG 2.2, 1.4.3 and 1.4.11).',
    why: 'Text that stands out too little from its ground is hard to read (WCAG 2.2, 1.4.3).',
    example: 'color: "#999"      →  color: "#595959"',
  },
} as const satisfies Record<string, Rule>;

export type RuleName = keyof typeof rules;
