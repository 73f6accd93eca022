import { describe, expect, test } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { parse } from 'yaml';
import { planJsonSchema } from '../../../src/core/plan/json-schema.ts';
import { readPlan } from '../../../src/core/plan/read.ts';
import { Source } from '../../../src/core/text/source.ts';

const ajv = new Ajv2020({ allErrors: true, strict: false });
const isRight = ajv.compile(planJsonSchema(() => 'what it means') as object);

/** As an editor reads it, with numbers and truths. */
const byEditor = (plan: string): boolean => isRight(parse(plan));
const byKamino = (plan: string): boolean =>
  !readPlan(new Source('kamino.yaml', plan)).findings.some(one => one.severity === 'error');

const menu = (lines: string): string =>
  `kamino: 1\nmenus:\n  - menu: masthead\n    ${lines.replaceAll('\n', '\n    ')}\n`;
const entry = (text: string): string => menu(`entries:\n  - ${text}`);
const plan = (lines: string): string => `kamino: 1\n${lines}\nmenus: [{ menu: m, entries: [a.html] }]\n`;
const look = (text: string): string => plan(`look: { ${text} }`);
const tongues = 'languages: { en: { name: English }, cy: { name: Cymraeg, pages: cy/** } }';
const inTongues = (text: string): string =>
  `kamino: 1\n${tongues}\nmenus: [{ menu: m, entries: [${text}] }]\n`;

const right: Record<string, string> = {
  'the least': plan(''),
  'a version in quotes': plan('').replace('kamino: 1', 'kamino: "1"'),
  folders: plan('site: pages\noutput: ../built\nread: "**/*.htm"\nleave-out: old/**'),
  'a folder that is a number': plan('site: 2026'),
  'several patterns': plan('leave-out: [old/**, 1.html]'),
  selectors: plan('skip-to: ["#content", h1, "main > p:first-child", "[role=main]", "a[href^=\'x:y\']"]'),
  labels: plan('labels: { from: heading, cut: " | Fold" }'),
  'labels by language': `kamino: 1\n${tongues}\nlabels: { cut: { en: " | Fold", cy: " | Plyg" } }\nmenus: [{ menu: m, entries: [a.html] }]`,
  links: plan('links: { from: root, index: hidden, base: /a/b-c/ }'),
  style: plan('style: css/nav.css'),
  languages: inTongues('{ page: { en: a.html, cy: cy/b.html }, label: { en: A, cy: 2 } }'),
  words: plan('languages: { pt-BR: { name: Português, words: { menu: 1, skip: Pular } } }'),
  'a language entry': inTongues('language: cy'),
  'language entries to and fro': inTongues('language: { en: cy, cy: en }'),
  'all of a menu': menu(
    'title: 12\nform: column\ncarried-by: "*/**"\nexcept: [a/**, b.html]\nplace: { first-in: [header, .top] }\nalign: spread\ncurrent-entry: text\nhome: { label: 99 }\nfold: { when: below 48em, as: stack }\nentries: [a.html]',
  ),
  tabs: menu('form: tabs\nwidths: equal\nseparators: line\nfold: { when: crowded }\nentries: [a.html]'),
  'a menu that stays': menu('stays: top\nentries: [a.html]'),
  'an element that stays': menu('stays: { top: "header.site" }\nentries: [a.html]'),
  'a home with a picture': menu('home: { label: A, image: a.svg, show: image }\nentries: [a.html]'),
  'an icon': entry('{ page: a.html, icon: a.svg, icon-at: end, show: icon, apart: true }'),
  'every key of a fold': menu(
    'opens: { by: click, after: 90ms, ease: 0ms, columns: 2 }\nfold: { when: any-width, as: drawer, side: end, behind: covered, by: hover, toggle: { show: icon, label: 7, at: start, icon: img/a.svg, open-icon: img/b.svg } }\nentries: [a.html]',
  ),
  'a menu that joins': menu('fold: { when: below 48em, joins: b }\nentries: [a.html]'),
  buttons: plan(
    'buttons:\n  - { button: ask, label: Ask, section: "#form", carried-by: a.html, except: b.html, place: { after: p }, highlight: { radius: 1em }, look: quiet, icon: a.svg, icon-at: end, show: icon, new-window: true }\n  - { button: b, heading: Write to us }',
  ),
  'the way to the top': plan(
    'to-top: { corner: start, shows-after: 50vh, size: 44px, label: Up, icon: up.svg, look: { accent: red } }',
  ),
  panels: plan(
    'panels:\n  - { panels: p, page: a.html, of: "main > section", switch: m, first: x, height: tallest, title: P, place: { before: main }, look: quiet }',
  ),
  'an entry for a panel': menu('entries: [{ panel: mars }]'),
  'never folded': menu('fold: { when: never }\nentries: [a.html]'),
  'folded below a fraction': menu('fold: { when: below .5rem }\nentries: [a.html]'),
  'entries of another menu': menu('entries-of: foot\ndepth: 2'),
  'a branch': menu('branch: foot\ndepth: "2"'),
  'a trail': menu('form: breadcrumb\ndata: json-ld'),
  contents: menu('form: contents\nlevels: [2, 3]'),
  neighbours: menu('form: previous-next\nset: journal/*.html\norder: date'),
  'a bare number': entry('404.html'),
  'an entry that is a number': entry('404'),
  page: entry('{ page: a.html, label: true }'),
  'a label that is a number': entry('{ page: a.html, label: 1.10 }'),
  section: entry('{ section: "a.html#b" }'),
  heading: entry('{ heading: 1998 }'),
  'heading on a page': entry('{ page: a.html, heading: Getting here }'),
  'a file': entry('{ file: a.pdf, save: true, details: "false" }'),
  'a mail address': entry('{ mail: "a@b.example, c@d.example", subject: Hello }'),
  'a telephone number': entry('{ phone: 01970 123456 }'),
  'a telephone number that is a number': entry('{ phone: 01970 }'),
  'an address': entry('{ url: "https://a.example/b?c#d", new-window: true, outside-mark: false }'),
  'an address in capitals': entry('{ url: HTTP://A.EXAMPLE }'),
  'a pattern of pages': entry(
    '{ pages: a/*.html, order: date, first: [a/b.html], except: a/c.html, most: 12, depth: 2 }',
  ),
  'a pattern of sections': entry('{ sections: a.html, levels: [2, "3"], except: "#x" }'),
  'one level': entry('{ sections: a.html, levels: 2 }'),
  'an insert': entry('{ insert: parts/a.html, label: Search }'),
  'a submenu': entry('{ label: A, entries: [a.html, { page: b.html, entries: [c.html] }] }'),
  covers: entry('{ page: a.html, covers: a/** }'),
  'if missing': entry('{ page: a.html, if-missing: warn, highlight: background }'),
  colours: look('accent: "#3d5a80", background: 336699, color: rebeccapurple'),
  type: look('font: { family: "Inter, \'A B\'", size: 1rem, weight: 500, spacing: -0.02em }'),
  'a weight in words': look('font: { weight: bold, spacing: normal }'),
  lengths: look('padding: 0 1.5em 0 2px, radius: 0, gap: 0.5rem'),
  'a named look': plan('look: quiet\nlooks: { quiet: { accent: 336699 } }'),
  'a look of a menu': menu('look: { background: none }\nentries: [a.html]'),
  'a look of an entry': entry(
    '{ page: a.html, look: quiet, highlight: { border: 1px solid #aaa } }'.replace(
      '1px solid #aaa',
      '"1px solid #aaa"',
    ),
  ),
  states: look(
    'states: { hover: { tint: 12% }, pressed: { from: hover, darker: 8.5% }, current: { marker: dot, font: { weight: 700 } } }',
  ),
  'borders and shadows': look('border: 0.1em dashed, shadow: 0 1px 2px rgb(0 0 0 / 0.2)'),
  contrast: look('contrast: { level: AAA, mend: all }, dark: auto'),
  parts: look('parts: { submenu: { color: black }, home: { font: { weight: 700 } } }'),
};

const wrong: Record<string, string> = {
  'no version': plan('').replace('kamino: 1\n', ''),
  'another version': plan('').replace('kamino: 1', 'kamino: 2'),
  'no menus': 'kamino: 1\n',
  'menus that are a map': 'kamino: 1\nmenus: { menu: a }',
  'an empty list of menus': 'kamino: 1\nmenus: []',
  'an unknown key': plan('thing: a'),
  'a key that comes later': plan('panels: []'),
  'a menu without a name': 'kamino: 1\nmenus: [{ entries: [a.html] }]',
  'a name in capitals': menu('entries: [a.html]').replace('masthead', 'Masthead'),
  'a name that is a number': menu('entries: [a.html]').replace('masthead', '1'),
  'a name that is taken': menu('entries: [a.html]').replace('masthead', 'style'),
  'a menu without entries': menu('title: A'),
  'entries twice': menu('entries: [a.html]\nentries-of: foot'),
  'a branch and entries': menu('branch: foot\nentries: [a.html]'),
  'contents of a level': menu('form: contents\nlevels: 7'),
  'neighbours without a set': menu('form: previous-next'),
  'a set in a bar': menu('set: a/*.html'),
  'an unknown form': menu('form: ring\nentries: [a.html]'),
  'an unknown side': menu('align: left\nentries: [a.html]'),
  'two places': menu('place: { before: a, after: b }\nentries: [a.html]'),
  'no place': menu('place: {}\nentries: [a.html]'),
  'a state as a place': menu('place: { before: "a:hover" }\nentries: [a.html]'),
  'a pseudo-element as a place': menu('place: { before: "a::before" }\nentries: [a.html]'),
  'a selector that ends too soon': menu('place: { before: "a >" }\nentries: [a.html]'),
  'a home without a label': menu('home: {}\nentries: [a.html]'),
  'a menu that stays elsewhere': menu('stays: bottom\nentries: [a.html]'),
  'an element that stays without a selector': menu('stays: {}\nentries: [a.html]'),
  'an air that is no length': menu('stays: { air: far }\nentries: [a.html]'),
  'a home that shows a picture that it lacks': menu('home: { label: A, show: image }\nentries: [a.html]'),
  'an icon’s place without an icon': entry('{ page: a.html, icon-at: end }'),
  'unknown widths': menu('widths: wide\nentries: [a.html]'),
  'a button without a target': plan('buttons:\n  - { button: ask, label: Ask }'),
  'a button with two targets': plan('buttons:\n  - { button: ask, page: a.html, url: "https://a.example/" }'),
  'a way to the top in a third corner': plan('to-top: { corner: middle }'),
  'panels without a selector': plan('panels:\n  - { panels: p, page: a.html }'),
  'a time without a unit': menu('opens: { after: 90 }\nentries: [a.html]'),
  'five columns': menu('opens: { columns: 5 }\nentries: [a.html]'),
  'a toggle of another kind': menu('fold: { when: crowded, toggle: { show: image } }\nentries: [a.html]'),
  'a fold of another kind': menu('fold: { when: crowded, as: sheet }\nentries: [a.html]'),
  'a fold without a width': menu('fold: { when: below }\nentries: [a.html]'),
  'a fold at a number': menu('fold: { when: 48 }\nentries: [a.html]'),
  'a fold without when': menu('fold: { as: stack }\nentries: [a.html]'),
  'a depth of four': menu('entries-of: foot\ndepth: 4'),
  'empty entries': menu('entries: []'),
  'an empty entry': entry('{}'),
  'an entry that is a list': entry('[a.html]'),
  'a highlight alone': entry('{ highlight: background }'),
  'a submenu without a label': entry('{ entries: [a.html] }'),
  'two targets': entry('{ page: a.html, file: b.pdf }'),
  'a heading of a file': entry('{ file: a.pdf, heading: A }'),
  'entries below a pattern': entry('{ pages: a/*, entries: [a.html] }'),
  'most without pages': entry('{ page: a.html, most: 3 }'),
  'levels without sections': entry('{ page: a.html, levels: 2 }'),
  'save without a file': entry('{ page: a.html, save: true }'),
  'a subject without mail': entry('{ page: a.html, subject: A }'),
  'none at most': entry('{ pages: a/*, most: 0 }'),
  'half at most': entry('{ pages: a/*, most: 1.5 }'),
  'level seven': entry('{ sections: a.html, levels: 7 }'),
  'a truth in other words': entry('{ url: "https://a.example", new-window: "yes" }'),
  'no mail address': entry('{ mail: hello }'),
  'a mail address that is a number': entry('{ mail: 12 }'),
  'no telephone number': entry('{ phone: call us }'),
  'an address without a scheme': entry('{ url: www.example.org }'),
  'a script as an address': entry('{ url: "javascript:alert(1)" }'),
  'an address without a host': entry('{ url: "https://" }'),
  'an empty label': entry('{ page: a.html, label: "  " }'),
  'a control character': entry('{ page: a.html, label: "a\\u0007" }'),
  'four levels': entry('{ label: A, entries: [{ label: B, entries: [{ label: C, entries: [a.html] }] }] }'),
  'an unknown highlight': entry('{ page: a.html, highlight: glow }'),
  'a misspelt key of an entry': entry('{ page: a.html, lable: A }'),
  'a base without slashes': plan('links: { base: observatory }'),
  'an unknown origin': plan('links: { from: here }'),
  'an empty style': plan('style: ""'),
  'a language without a name': plan('languages: { en: {} }'),
  'no languages': plan('languages: {}'),
  'a language that is no tag': plan('languages: { "1": { name: A } }'),
  'a word that is none of ours': plan('languages: { cy: { name: A, words: { hello: B } } }'),
  'a label for no language': inTongues('{ page: a.html, label: {} }'),
  'a weight of 2000': look('font: { weight: 2000 }'),
  'a length without a unit': look('padding: 12'),
  'five lengths': look('padding: 1px 1px 1px 1px 1px'),
  'a font with a bracket': look('font: { family: "a{}" }'),
  'a look that is a list': plan('look: [quiet]'),
  'a state that is none': look('states: { asleep: { tint: 10% } }'),
  'two shifts at once': look('states: { hover: { tint: 10%, darker: 5% } }'),
  'a share without %': look('states: { hover: { tint: 12 } }'),
  'a padding in a state': look('states: { hover: { padding: 1em } }'),
  'a border without a style': look('border: 1px'),
  'a border that ends its rule': look('border: "1px solid red; } x {"'),
  'a mend that is none': look('contrast: { mend: some }'),
  'a part that is none': look('parts: { footer: {} }'),
  'parts in an entry': entry('{ page: a.html, look: { parts: {} } }'),
};

describe('the schema for editors and the plan’s own agree', () => {
  test.each(Object.entries(right))('both take %s', (_, text) => {
    expect([byEditor(text), byKamino(text)]).toEqual([true, true]);
  });

  test.each(Object.entries(wrong))('both refuse %s', (_, text) => {
    expect([byEditor(text), byKamino(text)]).toEqual([false, false]);
  });
});
