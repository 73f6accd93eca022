import type { RuleName } from '../text/rules.ts';

/** Why a rule is there and what to do, and an example of both. */
interface RulePage {
  why: string;
  example: string;
}

const rule = (why: string, example: string): RulePage => ({ why, example });

/** Every rule has its page; the name and the severity are those of the catalogue of rules. */
export const rulePages: Readonly<Record<RuleName, RulePage>> = {
  'yaml-syntax': rule(
    'The plan cannot be read as YAML from here on. Mostly a quote or a bracket is not closed, or a line is indented otherwise than its neighbours.',
    'label: "Visit      →  label: "Visit"',
  ),
  'yaml-comment': rule(
    'What stands behind the # is lost: YAML takes it for a comment. Colours and sections begin with one.',
    'accent: #3d5a80    →  accent: "#3d5a80"',
  ),
  'yaml-alias': rule(
    'YAML takes the value for a reference to another one.',
    'read: *.html       →  read: "*.html"',
  ),
  'yaml-tag': rule(
    'YAML takes the value for a type of its own.',
    'label: !important  →  label: "!important"',
  ),
  'yaml-comma': rule(
    'In braces and brackets a comma ends a value, so that the rest becomes a key or a line of its own.',
    '{ label: Visit, and more }  →  { label: "Visit, and more" }',
  ),
  'yaml-colon': rule('YAML reads a map where a text was meant.', 'label: Visit: us   →  label: "Visit: us"'),
  'yaml-tab': rule('YAML refuses tabs at the start of a line.', '⇥- index.html      →  ␣␣- index.html'),
  'duplicate-key': rule(
    'Of two values for one key only one could hold.',
    'align: end\nalign: center       →  keep one of the lines',
  ),
  'empty-plan': rule(
    'There is nothing to build from.',
    'kamino: 1\nmenus:\n  - menu: masthead\n    entries:\n      - index.html',
  ),
  'no-plan': rule(
    'No `kamino.yaml` lies in the folder, or it cannot be read as text in UTF-8.',
    'kamino draft        writes a first one',
  ),
  'plan-there': rule(
    'A plan is your work: a draft does not replace it.',
    'kamino draft --plan other.yaml\nkamino draft --overwrite',
  ),
  'no-pages': rule(
    'No file of the folder is a page.',
    'kamino draft my-site   →  the folder that holds the .html files',
  ),
  'no-hand-menu': rule(
    'The selector finds no element with links on any page.',
    'kamino draft --from nav      →  kamino draft --from "ul.menu"',
  ),
  'left-rule': rule(
    'With the old menu gone, no element matches this rule of your style sheet any more. Kamino leaves it; you may take it out.',
    '#nav li.on { font-weight: bold }',
  ),
  'left-script': rule(
    'Only the old menu called this script. Kamino leaves it; you may take it out.',
    '<script src="js/rollover.js"></script>',
  ),
  'left-call': rule(
    'A script still asks for an element that goes with the old menu, and would fail.',
    'document.getElementById("nav").onclick = …   →  take the call out',
  ),
  'bad-outline': rule(
    'The file given to `--from` is none of the outline formats, or has a fault at this place.',
    '- Home\n- [Visit](visit.html)\n  - [Prices](visit.html#prices)',
  ),
  'no-entry': rule(
    'The name fits no entry of the plan, or several.',
    'kamino entry remove Prices  →  kamino entry remove "Visit/Prices"',
  ),
  'cannot-edit': rule(
    'The plan would be wrong after this edit, so it stays as it is.',
    'kamino entry move Visit --under "Visit/Prices"',
  ),
  'unknown-key': rule(
    'A key is misspelt, stands in the wrong part of the plan, or is the trade’s word for one of Kamino’s.',
    'sticky: top        →  stays: top\nlable: Visit       →  label: Visit',
  ),
  'later-key': rule(
    'The key is part of the plan format, but this version of Kamino cannot build it.',
    'panels: …          →  take it out for now',
  ),
  'missing-key': rule(
    'This part of the plan cannot do without the key.',
    '- title: Main      →  - menu: masthead\n                        title: Main',
  ),
  'wrong-value': rule(
    'The key takes another kind of value; the message names it.',
    'align: right       →  align: end',
  ),
  'clashing-keys': rule(
    'Two keys say different things about one entry or menu.',
    '{ page: a.html, url: "https://a.example/" }  →  keep one of them',
  ),
  'bad-label': rule(
    'The label holds a character that cannot be seen, mostly from a copied text.',
    'label: "Visit\\u0007"  →  label: Visit',
  ),
  'bad-address': rule(
    'Entries lead to pages, files, mail, telephones and addresses of http or https only.',
    'url: www.example.org  →  url: "https://www.example.org/"',
  ),
  'bad-selector': rule(
    'The selector is no selector of CSS, or asks for more than the page itself, such as where the pointer is.',
    'place: { after: "a:hover" }  →  place: { after: "#logo" }',
  ),
  'backslash-path': rule(
    'Paths in pages are written with /, on every system. Kamino reads it so.',
    'page: visit\\index.html  →  page: visit/index.html',
  ),
  'same-menu-name': rule(
    'A menu’s name is that of its slot and of its rules.',
    '- menu: foot\n- menu: foot         →  - menu: foot-links',
  ),
  'unknown-language': rule(
    'A label or target is given for a language that `languages` does not name.',
    'label: { en: Visit, wl: Ymweld }  →  label: { en: Visit, cy: Ymweld }',
  ),
  'missing-word': rule(
    'Kamino puts a few words of its own into a page, for those who do not see it too. In this language they are English still.',
    'languages:\n  cy: { name: Cymraeg, words: { menu: Dewislen } }',
  ),
  'same-label': rule(
    'The label is written once for all languages. Where that is meant, write it for each and the note goes.',
    'label: Visit       →  label: { en: Visit, cy: Ymweld }',
  ),
  'no-counterpart': rule(
    'A page is not there in this language. Its entry leads to the other language, and an entry of a language to its front page.',
    'page: shop.html    →  page: { en: shop.html }   left out of the other menus',
  ),
  'page-language': rule(
    'The `lang` of the page is not the language that it belongs to: screen readers would read it out wrongly.',
    'cy/index.html: <html lang="en">  →  <html lang="cy">',
  ),
  'missing-page': rule(
    'The target is no page of the site: misspelt, in another folder, or in another letter case, which servers tell apart.',
    'page: Visit.html   →  page: visit.html',
  ),
  'missing-section': rule(
    'The page has no element with this id, or no heading with these words.',
    'section: visit.html#price  →  section: visit.html#prices',
  ),
  'unknown-menu': rule(
    '`entries-of` or `branch` names no menu that has entries of its own.',
    'branch: main       →  branch: masthead',
  ),
  'empty-pattern': rule(
    'The pattern makes no entry. Patterns are paths from the site’s folder.',
    'pages: "*.htm"     →  pages: visit/*.html',
  ),
  'left-out': rule(
    'The target is missing, and the plan says `if-missing: warn`.',
    '{ page: summer.html, if-missing: warn }',
  ),
  'missing-file': rule(
    'The plan names a file that the site does not have.',
    'file: programm.pdf →  file: programme.pdf',
  ),
  'outside-site': rule(
    'Paths begin in the site’s folder and stay in it: what lies elsewhere is not uploaded with it.',
    'page: ../other/a.html  →  page: a.html',
  ),
  'no-title': rule(
    'A label left out comes from the page’s title, and the page has none.',
    '<title></title>    →  <title>Prices</title>',
  ),
  'carried-by-none': rule(
    'No page carries the menu: its patterns match none.',
    'carried-by: visits/**  →  carried-by: visit/**',
  ),
  'no-place': rule(
    'No element of the page matches the place of the menu. The page goes without it.',
    '<div data-kamino-slot="masthead"></div>',
  ),
  'bad-place': rule(
    'A `nav` may not stand here: in a paragraph, a heading, a link, a list or a row of a table. The page is copied as it is.',
    '<p data-kamino-slot="foot"></p>  →  <div data-kamino-slot="foot"></div>',
  ),
  'unreadable-page': rule(
    'The page’s bytes are no text that a browser would read as HTML in its charset.',
    'save the page as UTF-8',
  ),
  'xml-page': rule('The page is read as XML, where other rules hold.', 'about.xhtml        →  about.html'),
  'frameset-page': rule('A frameset shows other pages and has no body of its own.', 'except: frames.html'),
  'second-slot': rule(
    'The first slot of a name is filled; this one stays empty.',
    'data-kamino-slot="foot" twice  →  take one out',
  ),
  'unknown-slot': rule(
    'No menu of the plan has the name of this slot.',
    'data-kamino-slot="mast"  →  data-kamino-slot="masthead"',
  ),
  'no-main': rule(
    'People who use a keyboard skip the menu by a link to the main content. These pages do not say where it is.',
    'skip-to: ["#content"]',
  ),
  'stays-short': rule(
    'An element stays in view only as long as the one that it stands in; a header is soon past.',
    'stays: top          →  stays: { top: header }',
  ),
  'stays-clipped': rule(
    'What stays does so within the nearest element around it that scrolls or clips (`overflow: hidden`, `auto`, `scroll`).',
    '.wrap { overflow: hidden }  →  .wrap { overflow: clip }',
  ),
  'submenu-hidden': rule(
    'A submenu lies over the page. An element around it that clips (`overflow: hidden`, an old way to hold floats together) cuts it off; one with a `z-index` of its own keeps it below later parts that have a higher one.',
    'header { overflow: hidden }  →  header { display: flow-root }',
  ),
  'width-differs': rule(
    'A bar folds by the width that Kamino computes from the plan. Rules of your own that make entries wider are not in it: between the two widths entries wrap.',
    'look: { padding: 0.9em 1.3em }',
  ),
  'see-through': rule(
    'The page scrolls through under the labels, which cannot be read then.',
    'look: { background: "#ffffff" }',
  ),
  'base-elsewhere': rule(
    'The page’s `base` sends all its relative links to another place.',
    '<base href="https://old.example/">  →  take it out',
  ),
  'lost-record': rule(
    'Kamino took something out of this page and kept it in `.kamino/`; it is not there any more. The page is left alone.',
    'bring back the folder .kamino',
  ),
  'lost-id': rule(
    'A link leads to an id that Kamino gave to a heading, and that goes with the menus.',
    '<h2>Prices</h2>    →  <h2 id="prices">Prices</h2>',
  ),
  'edited-inside': rule(
    'Someone changed the menu inside the page. It is not replaced unasked.',
    'kamino build --overwrite',
  ),
  'edited-output': rule(
    'Someone changed a finished file. Nothing is written until you say so.',
    'kamino build --overwrite',
  ),
  'same-folder': rule('Site and output would overwrite each other.', 'output: .          →  output: built'),
  'cannot-read': rule('A file or folder is not there, or may not be read.', 'chmod u+r visit.html'),
  'cannot-write': rule(
    'The output cannot be written. What was there before is still whole.',
    'output: /read-only →  output: built',
  ),
  'link-outside': rule(
    'A symbolic link leads out of the site: what it names would not be uploaded.',
    'img -> ../../pictures  →  copy the files',
  ),
  'name-taken': rule(
    'Your site has a file where Kamino’s own style sheet goes.',
    'kamino/menu.css    →  rename your folder',
  ),
  'gone-page': rule(
    'The site no longer has this page; the finished one was moved to `.kamino/gone/`.',
    'old.html',
  ),
  'dead-link': rule(
    'The link leads to no file of the site, or to no place in it.',
    'href="vist.html"   →  href="visit.html"',
  ),
  'letter-case': rule(
    'Your computer may not mind the letter case; most servers do.',
    'href="Visit.html"  →  href="visit.html"',
  ),
  'missing-hash': rule(
    'A link to a place in the page begins with #.',
    'href="prices"      →  href="#prices"',
  ),
  'foreign-path': rule(
    'The link leads out of the site’s folder, into another project or onto a disk.',
    'href="../other-client/logo.html"',
  ),
  'empty-link': rule(
    'A link without an address leads nowhere.',
    '<a href="">Prices</a>  →  <a href="prices.html">Prices</a>',
  ),
  untitled: rule(
    'The title is what a tab, a bookmark and a search result show.',
    '<title></title>    →  <title>Prices</title>',
  ),
  'same-title': rule(
    'Pages with one title cannot be told apart in tabs and search results.',
    '<title>Fold</title> on 12 pages  →  a title for each',
  ),
  'bad-id': rule('An id is empty, or has white space in it.', 'id="opening times"  →  id="opening-times"'),
  'same-id': rule('A link leads to the first element of an id only.', 'id="prices" twice  →  id="prices-2"'),
  orphan: rule(
    'No other page links to this one, so that nobody finds it.',
    '- prices.html      add an entry to the plan',
  ),
  'menu-differs': rule(
    'The copies of a menu written by hand are not the same on all pages.',
    'kamino draft       makes one menu of them',
  ),
  'menu-missing': rule(
    'Most pages carry this menu, this one does not.',
    'kamino draft       puts it on every page',
  ),
  'wrong-current': rule(
    'The entry marked as current leads to another page than this one: copied, and not changed.',
    '<a class="on" href="visit.html"> on prices.html',
  ),
  'wrong-folder': rule(
    'The menu was copied from a page in another folder, and its links are read from here.',
    'href="visit.html" in journal/a.html  →  href="../visit.html"',
  ),
  'unclosed-list': rule(
    'A list without an end tag swallows what stands behind it.',
    '<ul><li>…          →  <ul><li>…</li></ul>',
  ),
  outranked: rule(
    'A rule of the page’s own beats Kamino’s inside a menu, by an id, more classes, or `!important`.',
    '#top a { color: red }  →  #top a:not(.kamino *) { color: red }',
  ),
  'bad-icon': rule(
    'The file is no SVG that can stand in a page.',
    'icon: img/letter.png →  icon: img/letter.svg',
  ),
  'cannot-join': rule(
    'A menu is to go into the fold of another one that is not there, has none, or folds at another width.',
    'fold: { when: below 48em, joins: masthead }     # and the same  when: below 48em  in masthead',
  ),
  'hidden-menu': rule(
    'Where this menu has no room it is not shown at all, and a target of it stands in no other menu of the same pages.',
    'fold: { when: below 48em, as: none }  →  fold: { when: below 48em, as: stack }',
  ),
  'unknown-look': rule('A look is named that `looks` does not have.', 'look: quite        →  look: quiet'),
  'state-circle': rule(
    'Two states start from each other, so that neither has values.',
    'hover: { from: pressed }\npressed: { from: hover }  →  take one `from` out',
  ),
  'mended-color': rule(
    'A colour that Kamino derived was hard to read on its ground; the nearest of the same hue that is not was taken. What you wrote stays.',
    'contrast: { mend: none }   keeps derived colours as they come',
  ),
  'same-but-hue': rule(
    'Who cannot tell the two hues apart does not see where they are (WCAG 2.2, 1.4.1).',
    'current: { marker: none, color: "#a33" }  →  current: { font: { weight: 700 }, color: "#a33" }',
  ),
  'low-contrast': rule(
    'Text that stands out too little from its ground is hard to read (WCAG 2.2, 1.4.3).',
    'color: "#999"      →  color: "#595959"',
  ),
};
