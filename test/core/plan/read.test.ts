import { describe, expect, it, test } from '@jest/globals';
import { readPlan } from '../../../src/core/plan/read.ts';
import { renderFindings } from '../../../src/core/text/render.ts';
import { Source } from '../../../src/core/text/source.ts';

const start = 'kamino: 1\nmenus:\n  - menu: masthead\n';
const entries = '    entries:\n      - index.html\n';
const read = (text: string) => readPlan(new Source('kamino.yaml', text));
const told = (text: string): string[] =>
  read(text).findings.map(
    one =>
      `${one.place?.position?.line ?? '-'}:${one.place?.position?.column ?? '-'} ${one.severity} ${one.rule}`,
  );

describe('what YAML swallows, and what it stumbles over', () => {
  const cases: [string, string, string[], string][] = [
    [
      'a colour that is a comment',
      `${start}${entries}look:\n  accent: #3d5a80\n`,
      ['7:11 error yaml-comment'],
      'accent: "#3d5a80"',
    ],
    [
      'a selector that is a comment',
      `${start}${entries}    place:\n      first-in: #top # here\n`,
      ['7:17 error yaml-comment'],
      'first-in: "#top"',
    ],
    [
      'a comment in a map of one line',
      `${start}${entries}    place: { first-in: #top\n      }\n`,
      ['6:24 error yaml-comment'],
      '"#top"',
    ],
    [
      'the end of a label',
      `${start}${entries}    title: Room #3\n`,
      ['6:17 warning yaml-comment'],
      'title: "Room #3"',
    ],
    ['a comment that is one', `${start}${entries}    title: Room # the third\n`, [], ''],
    ['an alias', `${start}${entries}read: *.html\n`, ['6:7 error yaml-alias'], '"*.html"'],
    ['an alias in a list', `${start}${entries}leave-out:\n  - *.psd\n`, ['7:5 error yaml-alias'], '"*.psd"'],
    ['a tag', `${start}${entries}    title: !important\n`, ['6:12 error yaml-tag'], '"!important"'],
    [
      'a comma',
      `${start}    entries:\n      - { label: Visit, and more, page: a.html }\n`,
      ['5:25 error yaml-comma'],
      'label: "Visit, and more"',
    ],
    [
      'a colon',
      `${start}    entries:\n      - label: Visit: us\n        page: a.html\n`,
      ['5:16 error yaml-colon'],
      'label: "Visit: us"',
    ],
    ['a tab', `${start}\tentries: x\n`, ['4:1 error yaml-tab'], 'two spaces'],
    [
      'a line too far left',
      `${start}   entries:\n      - a.html\n`,
      ['4:4 error yaml-syntax'],
      'Indent it by 4 spaces',
    ],
    [
      'a line too far right',
      `${start}${entries}    title: A\n      form: bar\n`,
      ['7:7 error yaml-syntax'],
      '`title`',
    ],
    [
      'a line of an entry too far left',
      `${start}    entries:\n      - page: a.html\n       label: A\n`,
      ['6:8 error yaml-syntax'],
      'Indent it by 8 spaces where it stands beside `page`',
    ],
    [
      'a key of the menu between two columns',
      `${start}    entries:\n      - page: a.html\n  form: bar\n`,
      ['6:3 error yaml-syntax'],
      'Indent it by 4 spaces where it stands beside `entries`',
    ],
    [
      'a key of the menu in the column of an entry',
      `${start}    entries:\n      - page: a.html\n        form: bar\n`,
      ['6:9 error unknown-key'],
      'It is a key of a menu: indent it by 4 spaces, where it stands beside `entries`.',
    ],
    [
      'a key of an entry in the column of the menu',
      `${start}    entries:\n      - page: a.html\n    label: A\n`,
      ['6:5 error unknown-key'],
      'It is a key of an entry: indent it by 8 spaces, where it stands beside `page`.',
    ],
    [
      'a key beside the one that it belongs below',
      `${start}${entries}    look:\n    accent: red\n`,
      ['7:5 error unknown-key'],
      'It is a key of a look: indent it by 6 spaces, where it stands below `look`.',
    ],
    [
      'another form of a word',
      `${start}    entry:\n      - a.html\n`,
      ['4:5 error unknown-key'],
      'Did you mean `entries`?',
    ],
    [
      'letters that changed places',
      `${start}${entries}    fodl: { when: below 40em }\n`,
      ['6:5 error unknown-key'],
      'Did you mean `fold`?',
    ],
    ['a key twice', `${start}${entries}    title: A\n    title: B\n`, ['7:5 error duplicate-key'], ''],
    ['a quote never closed', `${start}${entries}    title: "A\n`, ['7:1 error yaml-syntax'], ''],
    ['a second document', `${start}${entries}---\nkamino: 1\n`, ['6:1 error yaml-syntax'], '---'],
    ['an empty plan', '', ['-:- error empty-plan'], 'kamino: 1'],
    ['comments alone', '# soon\n', ['-:- error empty-plan'], 'kamino: 1'],
    ['a plan that is a list', '- a\n', ['1:1 error wrong-value'], 'A plan begins so'],
    ['a plan that is text', 'hello\n', ['1:1 error wrong-value'], 'A plan begins so'],
  ];
  test.each(cases)('%s', (_, text, findings, remedy) => {
    expect(told(text)).toEqual(findings);
    expect(renderFindings(read(text).findings)).toContain(remedy);
  });

  it('refuses aliases that explode or never end', () => {
    const level = (name: string, of: string): string =>
      `${name}: &${name} [${Array(9).fill(`*${of}`).join(',')}]\n`;
    const bomb = `a: &a [x,x,x,x,x,x,x,x,x]\n${level('b', 'a')}${level('c', 'b')}${level('d', 'c')}${level('e', 'd')}${level('f', 'e')}`;
    expect(told(bomb)).toContainEqual(expect.stringContaining('yaml-alias'));
    expect(told('a: &a [*a]\n')).toContainEqual(expect.stringContaining('yaml-alias'));
  });

  it('reads text as text', () => {
    const { plan, findings } = read(
      `${start}    title: 1.10\n    home: { label: 007 }\n${entries}look: { accent: 336699 }\n`,
    );
    expect(findings).toEqual([]);
    expect(plan).toMatchObject({
      menus: [{ title: '1.10', home: { label: '007' } }],
      look: { accent: '#336699' },
    });
  });
});

describe('keys and values', () => {
  const cases: [string, string, string[], string][] = [
    [
      'a misspelt key',
      `${start}${entries}    aling: end\n`,
      ['6:5 error unknown-key'],
      'Did you mean `align`?',
    ],
    [
      'a misspelt key of an entry, and nothing about what it lacks',
      `${start}    entries:\n      - pgae: a.html\n`,
      ['5:9 error unknown-key'],
      'Did you mean `page`?',
    ],
    [
      'a key of no button',
      `${start}${entries}buttons:\n  - { button: b, page: index.html, zzzz: x }\n`,
      ['7:36 error unknown-key'],
      'Keys of a button: button, label, page',
    ],
    [
      'a misspelt key of panels',
      `${start}${entries}panels:\n  - { panels: p, page: a.html, of: p, hieght: tallest }\n`,
      ['7:39 error unknown-key'],
      'Did you mean `height`?',
    ],
    [
      'a key that the look of an entry does not have',
      `${start}    entries:\n      - { page: a.html, look: { zzzz: x } }\n`,
      ['5:33 error unknown-key'],
      'border, shadow, icon-color, icon-size, states.',
    ],
    [
      'no tag of a language',
      `${start}    entries:\n      - { page: { e_n: a.html } }\n`,
      ['5:19 error unknown-key'],
      'Tags are those of the `lang` of a page',
    ],
    ['a trade word', `${start}${entries}    sticky: true\n`, ['6:5 error unknown-key'], 'stays'],
    [
      'another trade word',
      `${start}    entries:\n      - { href: a.html }\n`,
      ['5:11 error unknown-key'],
      'page or url',
    ],
    [
      'a name of own files that is none',
      `${start}${entries}own-files: numbered\n`,
      ['6:12 error wrong-value'],
      'hashed',
    ],
    ['a wrong word', `${start}${entries}    align: rigth\n`, ['6:12 error wrong-value'], ''],
    ['no version', `menus:\n  - menu: masthead\n${entries}`, ['1:1 error missing-key'], 'kamino: 1'],
    ['another version', `kamino: 2\nmenus:\n  - menu: masthead\n${entries}`, ['1:9 error wrong-value'], ''],
    ['no menus', 'kamino: 1\n', ['1:1 error missing-key'], 'menus:'],
    ['no entries', 'kamino: 1\nmenus:\n  - menu: masthead\n', ['3:5 error missing-key'], 'entries:'],
    [
      'an entry that leads to two places',
      `${start}    entries:\n      - { page: a.html, url: "https://a.example/" }\n`,
      ['5:9 error clashing-keys'],
      'one',
    ],
    [
      'an entry that leads nowhere',
      `${start}    entries:\n      - label: X\n`,
      ['5:9 error missing-key'],
      '`page`',
    ],
    ['a reserved name', `kamino: 1\nmenus:\n  - menu: skip\n${entries}`, ['3:11 error wrong-value'], ''],
    [
      'a name in capitals',
      `kamino: 1\nmenus:\n  - menu: Main Menu\n${entries}`,
      ['3:11 error wrong-value'],
      'masthead',
    ],
    [
      'two menus of one name',
      `${start}${entries}  - menu: masthead\n${entries}`,
      ['6:11 error same-menu-name'],
      '',
    ],
    [
      'a selector with a state',
      `${start}${entries}    place: { after: "a:hover" }\n`,
      ['6:21 error bad-selector'],
      'header.top',
    ],
    [
      'a control character in a label',
      `${start}    entries:\n      - { label: "a\\u0007b", page: a.html }\n`,
      ['5:18 error bad-label'],
      '',
    ],
    [
      'a script address',
      `${start}    entries:\n      - url: "javascript:alert(1)"\n`,
      ['5:14 error bad-address'],
      'https',
    ],
    [
      'a script address with a tab',
      `${start}    entries:\n      - url: "java\\tscript:alert(1)"\n`,
      ['5:14 error bad-address'],
      'https',
    ],
    [
      'a data address',
      `${start}    entries:\n      - url: "data:text/html,x"\n`,
      ['5:14 error bad-address'],
      'https',
    ],
    ['a backslash', `${start}${entries}style: css\\own.css\n`, ['6:8 note backslash-path'], 'css/own.css'],
    [
      'three mistakes at once',
      `kamino: 1\noutptu: x\nmenus:\n  - menu: masthead\n    align: left\n    entries:\n      - { page: 1, ulr: x }\n`,
      ['2:1 error unknown-key', '5:12 error wrong-value', '7:20 error unknown-key'],
      '',
    ],
  ];
  test.each(cases)('%s', (_, text, findings, remedy) => {
    expect(told(text).sort()).toEqual(findings);
    expect(renderFindings(read(text).findings)).toContain(remedy);
  });

  it('keeps the places of what is right beside what is wrong', () => {
    const text = `${start}    entries:\n      - { pgae: x }\n      - there.html\n`;
    expect(read(text).plan?.menus[0]?.entries).toMatchObject([
      { target: { written: 'there.html', mark: { start: text.indexOf('there') } } },
    ]);
  });

  it('folds line breaks in labels, and resolves every default', () => {
    const { plan } = read(
      `${start}    entries:\n      - page: a.html\n        label: "Two\n\n          lines"\n`,
    );
    expect(plan).toMatchObject({
      site: '.',
      output: 'built',
      skipTo: [],
      menus: [{ title: 'Masthead', align: 'start', entries: [{ label: 'Two lines' }] }],
    });
  });

  it('draws the place', () => {
    const text = renderFindings(read(`${start}${entries}    aling: end\n`).findings);
    expect(text).toBe(
      'kamino.yaml:6:5: error unknown-key: `aling` is no key of a menu\n  6 |     aling: end\n    |     ^^^^^\n  Did you mean `align`?',
    );
  });
});
