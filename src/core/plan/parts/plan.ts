import { type WrittenOf, mapOf, needed, oneOf, optional, preset } from '../../format/key.ts';
import {
  base,
  folder,
  globs,
  host,
  languageTag,
  linesOf,
  listOf,
  lookName,
  mapOr,
  nameForm,
  outputFolder,
  recordOf,
  said,
  selector,
  text,
  uncut,
} from '../../format/values.ts';
import { button } from './button.ts';
import { languageKeys } from './language.ts';
import { look } from './look.ts';
import { menu } from './menu.ts';
import { panels } from './panels.ts';
import { pictures } from './pictures.ts';
import { question } from './question.ts';
import { rules } from './rules.ts';
import { toTop } from './to-top.ts';

export const labelsKeys = {
  from: preset(oneOf('title', 'heading', 'file'), 'title', {
    means: 'The page’s title, its first `h1`, or the name of its file.',
    example: 'from: heading',
  }),
  cut: optional(said(uncut), {
    takes: 'text, or one for each language',
    otherwise: 'found by itself',
    means: 'The part that is taken off titles. Without it, the part that more than half of the titles share.',
    example: 'cut: " | Brackenfold"',
  }),
} as const;

export const linksKeys = {
  from: preset(oneOf('page', 'root'), 'page', {
    means: 'Whether addresses are written from the page that they stand in, or from the root of the server.',
    example: 'from: root',
  }),
  index: preset(oneOf('shown', 'hidden'), 'shown', {
    means: 'With `hidden`, `visit/` is written for `visit/index.html`.',
    example: 'index: hidden',
  }),
  base: preset(base, '/', {
    takes: 'a folder of the server',
    means: 'The folder that the site will lie in, for `from: root`.',
    example: 'from: root\nbase: /observatory/',
  }),
  host: optional(host, {
    takes: 'the address of the server',
    otherwise: 'not known',
    means:
      'The server that the site will lie on. `data` of a breadcrumb and the list of pages for search engines (`kamino pack --sitemap`) are written with it; links of menus are not.',
    example: 'host: https://brackenfold.example',
  }),
} as const;

export const planKeys = {
  kamino: needed(oneOf('1'), {
    means: 'The version of the plan format.',
    example: 'kamino: 1',
    missing: 'Begin the plan with the version of its format:  kamino: 1',
  }),
  site: preset(folder, '.', {
    takes: 'a folder, seen from the plan',
    means: 'The folder that is read.',
    example: 'site: pages',
  }),
  output: preset(outputFolder, 'built', {
    takes: 'a folder, or `in-place`',
    means:
      'The folder that the finished site is written into. With `in-place` the pages themselves are changed; `kamino lift` gives them back. A folder may lie in the site only where the site is the plan’s own folder.',
    example: 'output: in-place',
  }),
  read: preset(text, '**/*.{html,htm}', {
    takes: 'a pattern of paths',
    means: 'Which files are pages; letter case does not matter.',
    example: 'read: "**/*.html"',
  }),
  'leave-out': preset(globs, [], {
    takes: 'patterns of paths',
    otherwise: 'nothing',
    means: 'Files and folders that are no part of the site: they are not read and not copied.',
    example: 'leave-out: [old/**, "*.psd"]',
  }),
  'skip-to': preset(listOf(selector), [], {
    takes: 'selectors of CSS',
    otherwise: 'nothing',
    means: 'Where the skip link leads on pages that have no `main`; tried in order.',
    example: 'skip-to: ["#content", h1]',
  }),
  viewport: preset(oneOf('leave', 'add'), 'leave', {
    means:
      'With `add`, pages that carry a menu and have no viewport line get one, so that phones lay them out in their own width; `kamino lift` takes it out again.',
    example: 'viewport: add',
  }),
  labels: preset(
    mapOf(labelsKeys),
    { from: 'title' },
    {
      below: 'labels',
      takes: '`from`, `cut`',
      otherwise: '`from: title`',
      means: 'What an entry without a label is called.',
      example: 'labels: { from: heading }',
    },
  ),
  links: preset(
    mapOf(linksKeys),
    { from: 'page', index: 'shown', base: '/' },
    {
      below: 'links',
      takes: '`from`, `index`, `base`, `host`',
      otherwise: 'relative links',
      means: 'How the links of menus are written.',
      example: 'links: { index: hidden }',
    },
  ),
  'own-files': preset(oneOf('named', 'hashed'), 'named', {
    means:
      'With `hashed` the names of Kamino’s style sheet and script change with their content, so that a server may let browsers keep them for as long as it likes.',
    example: 'own-files: hashed',
  }),
  style: optional(text, {
    takes: 'a style sheet of the site',
    otherwise: 'nothing',
    means: 'Your own rules for the menus: linked after Kamino’s, so that they win.',
    example: 'style: css/nav.css',
  }),
  languages: optional(recordOf(languageTag, mapOf(languageKeys)).min(1), {
    below: 'languages',
    takes: 'a language for each tag',
    otherwise: 'one language',
    means:
      'The languages of the site. A menu is written once in the plan; titles, labels and targets may differ: `label: { en: Visit, cy: Ymweld }`. A page is in the first language whose `pages` match it, else in one without `pages` by its own `lang`, else in the first of them. The counterpart of a page is what the plan names for the other language, else the page with the same path in that language’s folder. An entry whose target names some languages only is left out in the others.',
    example:
      'languages:\n  en: { name: English }\n  cy: { name: Cymraeg, pages: cy/**, words: { skip: Neidio, menu: Dewislen } }',
  }),
  menus: needed(linesOf(menu), {
    below: 'menu',
    takes: 'a list of menus',
    means: 'The menus of the site.',
    example: 'menus:\n  - menu: masthead\n    entries:\n      - index.html',
    missing: 'Add at least one menu:\n  menus:\n    - menu: masthead\n      entries:\n        - index.html',
  }),
  buttons: optional(linesOf(button), {
    below: 'button',
    takes: 'a list of buttons',
    otherwise: 'nothing',
    means: 'Links on their own in the middle of pages, set apart as buttons, each at a place of its own.',
    example:
      'buttons:\n  - button: ask\n    label: Ask a question\n    section: contact.html#form\n    carried-by: index.html\n    place: { after: "#prices" }',
  }),
  'to-top': optional(toTop, {
    below: 'to-top',
    takes: '`corner`, `shows-after`, `size`, `label`, `icon`, `look`',
    otherwise: 'nothing',
    means: 'A button back to the top of the page, in a row of its own at its end, in view from the way down.',
    example: 'to-top: { corner: end }',
  }),
  panels: optional(linesOf(panels), {
    below: 'panels',
    takes: 'a list of groups',
    otherwise: 'nothing',
    means: 'Parts of a page that are shown one at a time, each with an address of its own.',
    example: 'panels:\n  - panels: planets\n    page: planets.html\n    of: "#planets > section"',
  }),
  pictures: optional(linesOf(pictures), {
    below: 'pictures',
    takes: 'a list, a line for each menu',
    otherwise: 'nothing',
    means:
      'Pictures that stand for the entries of a menu, one for each state. They are packed into one picture that is there from the start; the labels stay for search engines, screen readers, folded menus and whoever sees no pictures.',
    example: 'pictures:\n  - menu: masthead\n    files: "buttons/{entry}-{state}.png"',
  }),
  look: optional(mapOr(look, lookName), {
    below: 'look',
    takes: 'keys of a look, or the name of one',
    otherwise: 'the page’s own',
    means:
      'Colours, type, spaces and states of all menus. A menu, a part of it and an entry may have a look of their own: what differs is said there, the rest holds.',
    example: 'look: { accent: "#3d5a80" }',
  }),
  questions: optional(linesOf(question), {
    below: 'question',
    takes: 'a list of questions',
    otherwise: 'none',
    means:
      'What visitors come with, and where the answer is. `kamino walk` tells for each how many presses it takes whom, and fails where one cannot get there or needs more than the plan allows.',
    example: 'questions:\n  - { ask: When is it open?, leads-to: "visit.html#opening-times", actions: 3 }',
  }),
  rules: optional(rules, {
    below: 'rules',
    takes: 'a weight for each rule (`off`, `note`, `warning`, `error`), `excuse` and `depth`',
    otherwise: 'as the manual says',
    means: 'How much the rules of `kamino check` and `kamino walk` weigh, and where one does not hold.',
    example:
      'rules:\n  orphan: note\n  excuse:\n    - { rule: dead-link, at: links.html, because: kept as it was }',
  }),
  looks: optional(recordOf(nameForm, look), {
    below: 'looks',
    takes: 'a look for each name',
    otherwise: 'nothing',
    means: 'Looks that several menus or entries share, by name.',
    example: 'looks:\n  quiet: { background: none, accent: "#55606e" }',
  }),
} as const;

/** The plan as it is written, once it is right: text, maps and lists. */
export type WrittenPlan = WrittenOf<typeof planKeys>;

/** What a plan may say. Everything it says arrives as text; each key converts its own. */
export const planSchema = mapOf(planKeys);
