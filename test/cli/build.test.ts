import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import { lift } from '../../src/core/inlay/lift.ts';
import {
  contents,
  demoFolder,
  filesOf,
  folderWith,
  kamino,
  page,
  plan,
  put,
  times,
  toldFiles,
} from '../helpers/site.ts';

/** Its menu needs no script. */
const site = (): string =>
  folderWith({
    'kamino.yaml': plan('    fold: { when: never }\n'),
    'index.html': page('Home'),
    'about.html': page('About'),
    'sub/deep page.html': page('Deep'),
    'img/a.bin': new Uint8Array([0, 255, 128, 10, 13]),
  });

describe('a build', () => {
  it('writes every page with the menu, and all other files as they are', () => {
    const folder = site();
    const { status, out, err } = kamino(folder, 'build');
    expect([status, err]).toEqual([0, '']);
    expect(out).toContain('Built 3 pages into built/');
    const built = contents(join(folder, 'built'));
    expect(Object.keys(built)).toEqual([
      'about.html',
      'img/a.bin',
      'index.html',
      'kamino/menu.css',
      'sub/deep page.html',
    ]);
    expect(built['img/a.bin']).toBe('\0\xff\x80\n\r');
    expect(built['sub/deep page.html']).toContain('href="../about.html"');
    expect(built['sub/deep page.html']).toContain('href="../kamino/menu.css"');
    expect(built['about.html']).toContain('href="about.html" aria-current="page">About<');
  });

  it('gives demo pages that lift to their sources, byte for byte', () => {
    const folder = folderWith({});
    expect(kamino(folder, 'demo').status).toBe(0);
    const built = contents(join(folder, 'brackenfold/built'));
    const pages = Object.entries(built).filter(([path]) => path.endsWith('.html'));
    expect(pages).toHaveLength(24);
    for (const [path, text] of pages) {
      expect(text).toContain('data-kamino="masthead"');
      expect(lift(text)).toBe(readFileSync(join(demoFolder, path), 'latin1'));
    }
  });

  it('gives the same bytes again, and writes nothing the second time', () => {
    const [one, other] = [site(), site()];
    kamino(one, 'build');
    kamino(other, 'build');
    expect(contents(join(one, 'built'))).toEqual(contents(join(other, 'built')));
    const before = { ...times(one), record: readFileSync(join(one, '.kamino/record.json'), 'utf8') };
    const second = kamino(one, 'build');
    expect(second.out).toContain('Nothing to do');
    expect({ ...times(one), record: readFileSync(join(one, '.kamino/record.json'), 'utf8') }).toEqual(before);
  });

  it('writes only what differs', () => {
    const folder = site();
    kamino(folder, 'build');
    const before = times(join(folder, 'built'));
    put(folder, { 'about.html': page('About', '<p>More</p>') });
    expect(kamino(folder, 'build').out).toContain('0 new, 1 changed, 4 the same');
    const after = times(join(folder, 'built'));
    expect(Object.keys(after).filter(path => after[path] !== before[path])).toEqual(['about.html']);
  });

  it('lists with --dry-run what would change, and writes nothing', () => {
    const folder = site();
    const dry = kamino(folder, 'build', '--dry-run');
    expect(dry.out).toContain('new      built/sub/deep page.html');
    expect([dry.status, existsSync(join(folder, 'built')), existsSync(join(folder, '.kamino'))]).toEqual([
      0,
      false,
      false,
    ]);
    kamino(folder, 'build');
    put(folder, { 'new.html': page('New'), 'about.html': page('Us') });
    rmSync(join(folder, 'img/a.bin'));
    const before = contents(folder);
    const { out } = kamino(folder, 'build', '--dry-run');
    expect(out).toBe(
      '  new      built/new.html\n  changed  built/about.html\n  changed  built/index.html\n  changed  built/sub/deep page.html\n' +
        '  gone     built/img/a.bin\n1 new, 3 changed, 1 gone, 1 the same. Nothing was written.\n',
    );
    expect(contents(folder)).toEqual(before);
  });

  it('prints one JSON document with --json', () => {
    const { out, err, status } = kamino(site(), 'build', '--json');
    expect([err, status]).toEqual(['', 0]);
    expect(JSON.parse(out)).toMatchObject({
      kamino: 1,
      command: 'build',
      outcome: 'built',
      pages: 3,
      menus: [{ name: 'masthead', pages: 3 }],
      findings: [],
    });
  });
});

describe('what a run does', () => {
  it('tells all errors of the plan and its targets, and writes nothing', () => {
    const folder = site();
    put(folder, {
      'kamino.yaml': plan('    aling: end\n', [
        'index.html',
        'About.html',
        'abuot.html',
        '../x.html',
        '{ page: sub/deep page.html, label: 1 }',
      ]),
    });
    const { status, err } = kamino(folder, 'build');
    expect(status).toBe(2);
    expect(
      [...err.matchAll(/^kamino\.yaml:(\d+):(\d+): error ([\w-]+)/gm)].map(match => match.slice(1).join(' ')),
    ).toEqual(['6 9 missing-page', '7 9 missing-page', '8 9 outside-site', '10 5 unknown-key']);
    expect(err).toContain('differs from `about.html` in letter case');
    expect(err).toContain('Did you mean `about.html`?');
    expect(err).toContain('4 errors');
    expect(existsSync(join(folder, 'built'))).toBe(false);
  });

  it('copies a page that cannot carry the menu, tells it, and builds the rest', () => {
    const folder = site();
    const bad = '<body><p data-kamino-slot="masthead"></p></body>';
    const wide = Buffer.from('\ufeff<p>x</p>', 'utf16le');
    put(folder, { 'bad.html': bad, 'wide.html': wide, 'null.html': 'a\0b' });
    for (let time = 0; time < 2; time += 1) {
      const { status, err } = kamino(folder, 'build');
      expect(status).toBe(1);
      expect(err).toContain('bad.html:1:7: error bad-place');
      expect(err).toContain('wide.html: error unreadable-page: its charset is UTF-16LE');
      expect(err).toContain('null.html: error unreadable-page: it holds null bytes');
    }
    const built = contents(join(folder, 'built'));
    expect([built['bad.html'], built['wide.html'], built['null.html']]).toEqual([
      bad,
      wide.toString('latin1'),
      'a\0b',
    ]);
    expect(built['index.html']).toContain('data-kamino="masthead"');
  });

  it('tells warnings and notes with exit status 0', () => {
    const folder = site();
    put(folder, {
      'kamino.yaml': plan('    place: { after: "#logo" }\n'),
      'plain.html': '<body><div id=logo></div>x</body>',
    });
    const { status, err } = kamino(folder, 'build');
    expect(status).toBe(0);
    expect(err).toMatch(/warning no-place: .*\n {2}The same at .*index\.html/);
    expect(err).toContain('plain.html: warning no-main: 1 page without a `main`');
  });

  it('tells warnings again where nothing has changed, with paths as they are seen from where one stands', () => {
    const folder = folderWith({
      'site/a.html': '<!doctype html><title>A</title><body><p>a</p>',
      'site/kamino.yaml': 'kamino: 1\nmenus:\n  - { menu: m, entries: [a.html] }\n',
    });
    const first = kamino(folder, 'build', 'site');
    expect([first.status, first.err]).toEqual([0, expect.stringContaining('site/a.html: warning no-main')]);
    const again = kamino(folder, 'build', 'site');
    expect([again.status, again.err]).toEqual([0, first.err]);
    expect(again.out).toContain('Nothing to do');
    const inside = kamino(join(folder, 'site'), 'build');
    expect([inside.status, inside.err]).toEqual([0, first.err.replaceAll('site/a.html', 'a.html')]);
    expect(inside.out).toContain('Nothing to do');
    put(folder, { 'site/a.html': '<!doctype html><title>A</title><body><main>a</main>' });
    expect(kamino(folder, 'build', 'site').err).not.toContain('no-main');
  });

  it('tells again what it told of pages that have not changed, without making them again', () => {
    const folder = folderWith({
      'one.html': '<p data-kamino-slot="x">One</p>',
      'two.html': '<title>Two</title><main>2</main>',
      'three.html': '<title>Three</title><main>3</main>',
      'kamino.yaml':
        'kamino: 1\nmenus:\n  - { menu: m, place: { first-in: [main] }, entries: [two.html, three.html] }\n',
    });
    const told = (err: string): string[] => err.match(/^.*(?:error|warning|note) [\w-]+: .*$/gm)!.sort();
    const first = kamino(folder, 'build');
    expect(first.err).toContain('no-place');
    // What the record says of the page would be seen to be another if the page were read.
    const record = join(folder, '.kamino/record.json');
    writeFileSync(
      record,
      readFileSync(record, 'utf8').replaceAll('no element of this page', 'as we know, nothing'),
    );
    const kept = (text: string): string => text.replaceAll('no element of this page', 'as we know, nothing');
    const again = kamino(folder, 'build');
    expect([again.status, told(again.err)]).toEqual([first.status, told(kept(first.err))]);
    expect(again.out).toContain('0 new, 0 changed');
    put(folder, { 'three.html': '<title>Three</title><main>33</main>' });
    const third = kamino(folder, 'build');
    expect([third.status, told(third.err)]).toEqual([first.status, told(kept(first.err))]);
    expect(third.out).toContain('0 new, 1 changed');
    // What differs at last is told anew.
    put(folder, { 'one.html': '<title>One</title><main>One</main>' });
    expect(kamino(folder, 'build').err).not.toContain('no-place');
    expect(kamino(folder, 'build').out).toContain('Nothing to do');
  });

  it('tells a finished file that someone has edited before anything is written', () => {
    const folder = site();
    kamino(folder, 'build');
    put(folder, {
      'built/about.html': 'mine',
      'built/img/a.bin': 'mine too',
      'index.html': page('Home', '<p>new</p>'),
    });
    const before = contents(folder);
    const { status, err } = kamino(folder, 'build');
    expect(status).toBe(1);
    expect(err).toContain('built/about.html: error edited-output');
    expect(err).toContain('The same at built/img/a.bin');
    expect(contents(folder)).toEqual(before);
    expect(kamino(folder, 'build', '--overwrite').status).toBe(0);
    expect(contents(join(folder, 'built'))['about.html']).toContain('data-kamino="masthead"');
  });

  it('adopts equal files without a word, also without a record', () => {
    const folder = site();
    kamino(folder, 'build');
    utimesSync(join(folder, 'built/about.html'), 1, 1);
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    rmSync(join(folder, '.kamino'), { recursive: true });
    const before = times(join(folder, 'built'));
    expect(kamino(folder, 'build')).toMatchObject({
      status: 0,
      err: '',
      out: expect.stringContaining('0 new, 0 changed, 5 the same'),
    });
    expect(times(join(folder, 'built'))).toEqual(before);
  });

  it('does not take over a folder of somebody else’s', () => {
    const folder = site();
    put(folder, { 'built/index.html': 'an older site' });
    const { status, err } = kamino(folder, 'build');
    expect([status, err]).toEqual([1, expect.stringContaining('built/index.html: error edited-output')]);
    expect(contents(join(folder, 'built'))).toEqual({ 'index.html': 'an older site' });
  });

  it('moves a page that the site no longer has aside, and nothing that it did not write', () => {
    const folder = site();
    kamino(folder, 'build');
    put(folder, { 'built/own.txt': 'mine' });
    rmSync(join(folder, 'sub'), { recursive: true });
    const { status, err } = kamino(folder, 'build');
    expect([status, err]).toEqual([0, expect.stringContaining('note gone-page')]);
    expect(existsSync(join(folder, 'built/sub/deep page.html'))).toBe(false);
    expect(readFileSync(join(folder, '.kamino/gone/sub/deep page.html'), 'utf8')).toContain('Deep');
    expect(contents(join(folder, 'built'))['own.txt']).toBe('mine');
  });

  it('does not read or copy what is no part of the site', () => {
    const folder = site();
    put(folder, {
      'kamino.yaml': plan('    fold: { when: never }\nleave-out: [old/**, "*.psd"]\noutput: public\n'),
      'old/x.html': page('Old'),
      'a.psd': 'x',
      '.git/config': 'x',
      'node_modules/a/index.html': 'x',
      '.htaccess': 'x',
      '.well-known/security.txt': 'x',
    });
    kamino(folder, 'build');
    put(folder, {
      'kamino.yaml': plan('    fold: { when: never }\nleave-out: [old/**, "*.psd"]\noutput: second\n'),
    });
    kamino(folder, 'build');
    const names = [
      '.htaccess',
      '.well-known/security.txt',
      'about.html',
      'img/a.bin',
      'index.html',
      'kamino/menu.css',
      'sub/deep page.html',
    ];
    expect(Object.keys(contents(join(folder, 'public')))).toEqual(names);
    expect(Object.keys(contents(join(folder, 'second')))).toEqual(names);
  });
});

describe('folders', () => {
  const cases: [string, Record<string, string>, string][] = [
    ['the site itself', { 'kamino.yaml': plan('output: .\n') }, 'same-folder'],
    ['the site itself by another way', { 'kamino.yaml': plan('output: img/..\n') }, 'same-folder'],
    [
      'a folder around the site',
      { 'kamino.yaml': plan('site: sub\noutput: .\n', ['deep page.html']) },
      'same-folder',
    ],
    [
      'a folder in another site',
      { 'kamino.yaml': plan('site: sub\noutput: sub/out\n', ['deep page.html']) },
      'same-folder',
    ],
    ['a site that is not there', { 'kamino.yaml': plan('site: pages\n') }, 'cannot-read'],
    ['Kamino’s own place taken', { 'kamino/menu.css': 'x' }, 'name-taken'],
    ['a style sheet that is not there', { 'kamino.yaml': plan('style: css/x.css\n') }, 'missing-file'],
  ];
  test.each(cases)('%s', (_, files, rule) => {
    const folder = site();
    put(folder, files);
    const before = contents(folder);
    const { status, err } = kamino(folder, 'build');
    expect([status, err]).toEqual([2, expect.stringContaining(`error ${rule}:`)]);
    expect(contents(folder)).toEqual(before);
  });

  it('refuses an output that cannot be written, and leaves what was there', () => {
    const folder = site();
    writeFileSync(join(folder, 'built'), 'a file');
    const { status, err } = kamino(folder, 'build');
    expect([status, err]).toEqual([
      2,
      expect.stringMatching(/error cannot-write: .*a file where a folder should be/),
    ]);
    expect(readFileSync(join(folder, 'built'), 'utf8')).toBe('a file');
  });

  it('refuses an output below a file, in the same words', () => {
    const folder = site();
    put(folder, { 'kamino.yaml': plan('output: index.html/built\n', ['index.html']) });
    const before = contents(folder);
    const { status, err } = kamino(folder, 'build');
    expect([status, err]).toEqual([
      2,
      expect.stringMatching(/error cannot-write: .*a file where a folder should be/),
    ]);
    expect(err).not.toContain('    at ');
    expect(contents(folder)).toEqual(before);
  });

  it('names the folder that takes nothing, and not what was begun in it', () => {
    const folder = site();
    put(folder, { 'kamino.yaml': plan('output: /proc/built\n', ['index.html']) });
    const { status, err } = kamino(folder, 'build');
    expect([status, err]).toEqual([2, expect.stringMatching(/^[./]*\/proc: error cannot-write: /m)]);
  });

  it('keeps every file whole when one cannot be written, and writes the others', () => {
    const folder = site();
    kamino(folder, 'build');
    const built = join(folder, 'built');
    const before = contents(built);
    put(folder, { 'zoo/z.html': page('Z'), 'about.html': page('Changed') });
    mkdirSync(join(built, 'sub2'));
    writeFileSync(join(built, 'zoo'), 'in the way');
    const { status, err } = kamino(folder, 'build');
    expect([status, err]).toEqual([1, expect.stringMatching(/^built\/zoo\/z\.html: error cannot-write/m)]);
    const after = contents(built);
    expect(after['about.html']).toContain('Changed');
    for (const path of Object.keys(before)) expect([before[path], after[path]]).toContain(after[path]);
    expect(Object.keys(after).filter(path => /\.part$/.test(path))).toEqual([]);
    rmSync(join(built, 'zoo'));
    expect(kamino(folder, 'build').status).toBe(0);
  });

  it('tells symbolic links that leave the site, and follows those that do not', () => {
    const folder = site();
    const outside = folderWith({ 'secret.html': 'x' });
    symlinkSync(join(outside, 'secret.html'), join(folder, 'leak.html'));
    symlinkSync(join(folder, 'sub'), join(folder, 'again'));
    symlinkSync('..', join(folder, 'sub/loop'));
    const { status, err } = kamino(folder, 'build');
    expect(status).toBe(1);
    expect(toldFiles(err, 'link-outside')).toEqual(['again/loop', 'sub/loop', 'leak.html']);
    expect(Object.keys(contents(join(folder, 'built')))).toContain('again/deep page.html');
  });

  it('works from another folder, and shows paths from where the user stands', () => {
    const folder = site();
    const { out } = kamino(join(folder, 'img'), 'build', '..');
    expect(out).toContain('into ../built/');
    chmodSync(folder, 0o755);
  });
});

describe('labels and addresses', () => {
  it('takes hostile labels as text', () => {
    const labels = [
      '"><script>alert(1)</script>',
      'it\'s "quoted"',
      '&amp; &lt;',
      '\u202eright\u2069',
      'x'.repeat(300),
      '🌙🔭',
      '</nav>',
    ];
    const folder = site();
    put(folder, {
      'kamino.yaml': plan(
        '',
        labels.map(label => `{ page: index.html, label: ${JSON.stringify(label)} }`),
      ),
    });
    expect(kamino(folder, 'build').status).toBe(0);
    const text = readFileSync(join(folder, 'built/index.html'), 'utf8');
    expect(text).not.toContain('<script>');
    const shown = [...text.matchAll(/class="kamino-link"[^>]*>([^<]*)</g)].map(match =>
      match[1]!
        .replaceAll('&lt;', '<')
        .replaceAll('&gt;', '>')
        .replaceAll('&quot;', '"')
        .replaceAll('&amp;', '&'),
    );
    expect(shown).toEqual(labels);
  });

  it.each([
    '"javascript:alert(1)"',
    '"java\\tscript:alert(1)"',
    '"\\u0001javascript:x"',
    '"data:text/html,x"',
    '"vbscript:x"',
    '"//"',
  ])('refuses the bare target %s', target => {
    const folder = site();
    put(folder, { 'kamino.yaml': plan('', [target]) });
    expect(kamino(folder, 'build')).toMatchObject({
      status: 2,
      err: expect.stringContaining('error bad-address'),
    });
  });

  it('cuts from titles what most share, and names what has no title by its file', () => {
    const folder = folderWith({
      'kamino.yaml': plan('', [
        'a.html',
        'b.html',
        'c.html',
        'd/index.html',
        '"https://www.other.example/x/"',
      ]),
      'a.html': page('A | Fold'),
      'b.html': page('B - x | Fold'),
      'c.html': page('Fold'),
      'd/index.html': '<p>no title',
    });
    const { err } = kamino(folder, 'build');
    expect(err).toContain('warning no-title');
    const text = readFileSync(join(folder, 'built/a.html'), 'utf8');
    expect([...text.matchAll(/kamino-link"[^>]*>([^<]*)</g)].map(match => match[1])).toEqual([
      'A',
      'B - x',
      'Fold',
      'D',
      'other.example/x',
    ]);
  });
});

it('knows a finished page that was only touched, also when the plan has changed', () => {
  const folder = site();
  kamino(folder, 'build');
  for (const path of ['about.html', 'kamino/menu.css']) utimesSync(join(folder, 'built', path), 1, 1);
  put(folder, { 'kamino.yaml': plan('    title: Other\n    align: end\n') });
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  const edited = readFileSync(join(folder, 'built/about.html'), 'utf8').replace('>About</a>', '>Mine</a>');
  put(folder, { 'built/about.html': edited, 'kamino.yaml': plan('    title: Third\n') });
  expect(kamino(folder, 'build')).toMatchObject({
    status: 1,
    err: expect.stringContaining('built/about.html: error edited-output'),
  });
});

it('knows what it made in a folder that was copied without its dates, and what somebody edited in the copy', () => {
  const folder = site();
  put(folder, { 'site.css': 'a{}', 'gone.txt': 'x' });
  expect(kamino(folder, 'build').status).toBe(0);
  const copy = folderWith({});
  cpSync(folder, copy, { recursive: true });
  put(copy, { 'site.css': 'b{}' });
  rmSync(join(copy, 'gone.txt'));
  expect(kamino(copy, 'build')).toMatchObject({
    status: 0,
    err: expect.not.stringContaining('error'),
    out: expect.stringMatching(/0 new, 1 changed/),
  });
  expect(filesOf(join(copy, 'built'))).not.toContain('gone.txt');
  put(copy, { 'site.css': 'c{}', 'built/site.css': 'd{}' });
  expect(kamino(copy, 'build')).toMatchObject({ status: 1, err: expect.stringContaining('edited-output') });
});

test('a build with a check tells the same as JSON, and ends with the same status', () => {
  const folder = folderWith({
    'kamino.yaml': plan(),
    'index.html': page('Home', '<a href="nowhere.html">x</a>'),
    'about.html': page('About'),
  });
  const told = kamino(folder, 'build', '--check');
  expect(told.status).toBe(1);
  expect(told.out + told.err).toContain('dead-link');
  const asJson = kamino(folder, 'build', '--check', '--json');
  expect(asJson.status).toBe(1);
  const { check } = JSON.parse(asJson.out) as { check: { findings: { rule: string }[] } };
  expect(check.findings.map(one => one.rule)).toContain('dead-link');
});
