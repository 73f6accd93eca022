import type { Rule } from '../rule.ts';

/** What is found while finished pages are written, and in the looks of their menus. */
export const outputRules = {
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
  'lift-output': {
    severity: 'error',
    about: 'Menus are taken out of the pages that were changed.',
    why: 'These pages are finished ones in the output of a plan, or belong to a plan in a folder above: the pages as they were, or the record of them, are there. Nothing was taken out.',
    example: 'kamino lift built   →  nothing to do: the pages as they were are the site',
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
  'both-changed': {
    severity: 'error',
    about: 'A source that has changed is not written over by what someone edited in its finished page.',
    why: 'Both have changed, and one of the changes would be lost.',
    example: 'kamino take-back --overwrite',
  },
  'not-taken-back': {
    severity: 'note',
    about: 'What was edited in finished files, and has no source, is told.',
    why: 'Menus and Kamino’s own files are made by the plan: what is edited in them goes with the next build.',
    example: 'style: css/nav.css',
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
  'unsure-contrast': {
    severity: 'note',
    about: 'Text can be read whatever is seen through its ground.',
    why: 'The page, or a picture that cannot be read, is seen behind this text, and Kamino does not know what it shows there: over some of it the text could not be read.',
    example: 'background: "rgb(255 255 255 / 60%)"  →  background: "rgb(255 255 255 / 85%)"',
  },
  'no-effect': {
    severity: 'warning',
    about: 'What the plan says has an effect where it stands.',
    why: 'Where it stands this value changes nothing. Mostly something that it needs is missing.',
    example: 'hover: { accent: "#a33" }   →  hover: { accent: "#a33", tint: 20% }',
  },
  'late-fold': {
    severity: 'warning',
    about: 'A bar folds before its entries go into several lines.',
    why: 'Below that width of the window it folds, and it is wider than that. Between the two its entries go into several lines.',
    example: 'fold: { when: below 40em }   →  fold: { when: crowded }',
  },
  'broken-word': {
    severity: 'warning',
    about: 'No label is broken within a word on a phone.',
    why: 'All entries are made equally wide, and share the width of the window: a word has less room than it needs.',
    example: 'widths: equal   →  widths: equal, fold: { when: crowded }',
  },
  'long-label': {
    severity: 'note',
    about: 'Each label of a bar fits a line of the narrowest window.',
    why: 'On a phone, or enlarged to four times its size, a label has a line of 320 px at the most (WCAG 2.2, 1.4.10); a longer one goes into several.',
    example: 'label: What there is to see on the hill tonight  →  label: Tonight',
  },
  'folded-wide': {
    severity: 'warning',
    about: 'What stays in view of a folded bar has room in one line on a phone.',
    why: 'The home, the toggle and the entries that do not fold share a line, and are wider than the window.',
    example: 'toggle: { show: icon }',
  },
  'same-but-hue': {
    severity: 'warning',
    about: 'The current entry differs from its neighbours by more than hue (WCAG 2.2, 1.4.1).',
    why: 'Who cannot tell the two hues apart does not see where they are (WCAG 2.2, 1.4.1).',
    example: 'current: { marker: none, color: "#a33" }  →  current: { font: { weight: 700 }, color: "#a33" }',
  },
  'same-state': {
    severity: 'warning',
    about: 'An entry under the pointer, and one that is pressed, look different from those at rest.',
    why: 'Nobody sees what they are about to press.',
    example: 'hover: { color: "#1d2733" }   →  hover: { tint: 12% }',
  },
  'low-rows': {
    severity: 'warning',
    about: 'Entries below each other lie far enough apart to be pressed (WCAG 2.2, 2.5.8).',
    why: 'A hand that is not steady presses the entry above or below.',
    example: 'padding: 0   →  padding: 6px 12px',
  },
  // Upload.
  'not-packed': {
    severity: 'error',
    about: 'A site goes to its visitors without errors.',
    why: 'What is wrong here would be wrong for every visitor.',
    example: 'kamino pack --despite-errors',
  },
  'bad-list': {
    severity: 'error',
    about: 'The list to compare with is one that Kamino wrote.',
    why: 'Without it nobody can tell what is new, changed and gone.',
    example: 'kamino pack --since packed.sums',
  },
  'no-host': {
    severity: 'error',
    about: 'The address of the server is known where it is needed.',
    why: 'Search engines take whole addresses only.',
    example: 'links: { host: "https://brackenfold.example" }',
  },
  'own-list': {
    severity: 'note',
    about: 'What the site has for search engines stays as it is.',
    why: 'A file of the site is not replaced by one of Kamino’s.',
    example: 'Sitemap: https://brackenfold.example/sitemap.xml',
  },
  'not-listed': {
    severity: 'note',
    about: 'The list for search engines names the pages that menus lead to.',
    why: 'A page that no menu leads to is often one that is left over.',
    example: '- journal/*.html      an entry of the plan',
  },
  'low-contrast': {
    severity: 'warning',
    about: 'Text stands out from its ground (WCAG 2.2, 1.4.3 and 1.4.11).',
    why: 'Text that stands out too little from its ground is hard to read (WCAG 2.2, 1.4.3).',
    example: 'color: "#999"      →  color: "#595959"',
  },
} as const satisfies Record<string, Rule>;
