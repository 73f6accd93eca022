// What people do to pages that have menus in them: nothing that they wrote is lost without a word, and nothing of
// Kamino's is left without one.
import { copyFileSync, existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { contents, folderWith, kamino, page, put } from '../helpers/site.ts';
import { runs } from '../helpers/runs.ts';

const old = '<ul class="old"><li><a href="index.html">Start</a></ul>';
const planText = `kamino: 1
output: in-place
viewport: add
menus:
  - menu: masthead
    fold: { when: below 40em, as: drawer }
    entries:
      - { url: "https://lantern.example/", label: Home }
      - { url: "https://lantern.example/about", label: About }
`;
/** With a menu in place of another, which is kept in the record. */
const foot = `  - menu: foot
    place: { instead-of: .old }
    entries:
      - { url: "https://lantern.example/", label: Start }
`;
const withOld = (title: string): string => page(title, `<p>here</p>\n    ${old}`);
const site = (): Record<string, string> => ({
  'index.html': withOld('Home'),
  'about.html': withOld('About'),
  'visit.html': withOld('Visit').replaceAll('\n', '\r\n'),
  'kamino.yaml': planText,
});

function built(more: Record<string, string> = {}): string {
  const folder = folderWith({ ...site(), ...more });
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  return folder;
}

function change(folder: string, path: string, edit: (text: string) => string): void {
  const file = join(folder, path);
  const [before, after] = [readFileSync(file, 'latin1'), edit(readFileSync(file, 'latin1'))];
  expect(after).not.toBe(before);
  writeFileSync(file, after, 'latin1');
}

const rename = (text: string): string => text.replace('>About</a>', '>All about us</a>');

test.each<[string, (folder: string) => string]>([
  ['with its record', () => 'index.html'],
  ['without its record', folder => (rmSync(join(folder, '.kamino'), { recursive: true }), 'index.html')],
  [
    'and renamed',
    folder => (renameSync(join(folder, 'index.html'), join(folder, 'start.html')), 'start.html'),
  ],
  [
    'and copied',
    folder => (copyFileSync(join(folder, 'index.html'), join(folder, 'copy.html')), 'copy.html'),
  ],
  [
    'and swapped',
    folder => {
      renameSync(join(folder, 'index.html'), join(folder, 'x'));
      renameSync(join(folder, 'about.html'), join(folder, 'index.html'));
      renameSync(join(folder, 'x'), join(folder, 'about.html'));
      return 'about.html';
    },
  ],
])('a menu edited by hand is told and left alone %s', (_title, move) => {
  const folder = built();
  change(folder, 'index.html', rename);
  const path = move(folder);
  const edited = contents(folder)[path];
  put(folder, { 'kamino.yaml': planText.replace('label: Home', 'label: House') });
  for (const command of ['build', 'lift', 'build']) {
    const { status, err } = kamino(folder, command);
    expect([command, status, err]).toEqual([command, 1, expect.stringContaining(`${path}:`)]);
    expect(err).toContain('error edited-inside');
    expect(contents(folder)[path]).toBe(edited);
    expect(existsSync(join(folder, 'kamino/menu.css'))).toBe(true);
    expect(existsSync(join(folder, 'kamino/menu.js'))).toBe(true);
  }
  expect(kamino(folder, 'lift', '--keep-menus').out).toContain('keep their menus');
  expect(contents(folder)[path]).toContain('All about us');
});

test('an edited menu in a source page is told, and the page is copied as it is until that is overwritten', () => {
  const folder = built();
  change(folder, 'index.html', rename);
  put(folder, { 'kamino.yaml': planText.replace('output: in-place\n', '') });
  const edited = contents(folder)['index.html'];
  expect(kamino(folder, 'build')).toMatchObject({
    status: 1,
    err: expect.stringContaining('error edited-inside'),
  });
  expect(contents(folder)['built/index.html']).toBe(edited);
  expect(kamino(folder, 'build', '--overwrite').status).toBe(0);
  expect(contents(folder)['built/index.html']).not.toContain('All about us');
  expect(contents(folder)['index.html']).toBe(edited);
});

test('a menu that was laid out anew, or saved with other line ends, is not edited', () => {
  const folder = built();
  change(folder, 'index.html', text => text.replaceAll('\n', '\r\n'));
  change(folder, 'about.html', text => text.replace(/ {8}(?=<)/g, '\t\t'));
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  expect(kamino(folder, 'lift')).toMatchObject({
    status: 0,
    out: '3 pages are as they were. 2 files of Kamino’s are gone.\n',
  });
  expect(contents(folder)).toEqual({ ...site(), 'index.html': withOld('Home').replaceAll('\n', '\r\n') });
});

test.each([
  ['alone', (text: string) => text.replace('</nav>', '')],
  ['with its line', (text: string) => text.replace(/\n *<\/nav>(?=\s*<main)/, '')],
  [
    'in a header of its own',
    (text: string) => text.replace(/<nav/, '<header><nav').replace('</nav>', '</header>'),
  ],
  [
    'in another nav',
    (text: string) => text.replace(/<nav/, '<nav><nav').replace('</nav>', '<p>mine</p></nav>'),
  ],
])('an end tag that is gone %s is told with its place, and nothing else goes', (_title, edit) => {
  const folder = built();
  change(folder, 'index.html', edit);
  const edited = contents(folder)['index.html']!;
  const { status, err } = kamino(folder, 'build');
  expect([status, err]).toEqual([
    1,
    expect.stringMatching(
      /^index\.html:\d+:\d+: error edited-inside: the end tag `<\/nav>` of `masthead` is gone/,
    ),
  ]);
  const [, line, column] = /html:(\d+):(\d+)/.exec(err)!.map(Number);
  expect(edited.split('\n')[line! - 1]!.slice(0, column)).toMatch(/^ *<\/div>$/);
  expect(contents(folder)['index.html']).toBe(edited);
  expect(kamino(folder, 'lift').err).toContain('or lift with --overwrite');
  const { out } = kamino(folder, 'lift', '--overwrite');
  expect(out).toBe('1 page lost the menu with what was edited in it. 2 files of Kamino’s are gone.\n');
  const bare = (text: string): string =>
    text.replace(/\s+/g, '').replace(/<\/?header>|<nav>|<p>mine<\/p>|<\/nav>/g, '');
  expect(bare(contents(folder)['index.html']!)).toBe(bare(site()['index.html']!));
  for (const word of edited.match(/<\/?header>|<p>mine<\/p>/g) ?? [])
    expect(contents(folder)['index.html']).toContain(word);
});

test('what is left of a menu that was edited beyond knowing is told', () => {
  const folder = built();
  change(folder, 'index.html', text =>
    rename(text).replace('</nav>', '').replace('<div class="kamino-room">', '<div>'),
  );
  for (const [command, told] of [
    ['lift', /^index\.html:\d+:\d+: warning menu-remains: \d+ tags of a menu are left/m],
    ['build', /error edited-inside|^$/],
  ] as const)
    expect(kamino(folder, command, '--overwrite').err).toMatch(told);
  expect(contents(folder)['index.html']).toContain('All about us');
});

test('a menu whose checksum somebody took out is no second one', () => {
  const folder = built();
  const bare = (text: string): string => text.replace(/ data-kamino-sum="\w+"/g, '');
  change(folder, 'index.html', bare);
  change(folder, 'about.html', text => rename(bare(text)));
  const { status, err } = kamino(folder, 'build');
  expect([status, err.match(/^.*?: (?:error|warning) [\w-]+/gm)]).toEqual([
    1,
    [expect.stringMatching(/^about\.html:\d+:\d+: error edited-inside$/)],
  ]);
  for (const path of ['index.html', 'about.html'])
    expect(contents(folder)[path]!.match(/<nav/g)).toHaveLength(1);
  expect(contents(folder)['index.html']).toContain('data-kamino-sum');
  expect(kamino(folder, 'lift', '--overwrite').status).toBe(0);
  expect(contents(folder)).toEqual(site());
});

test('an element of the author’s own with Kamino’s attribute is told, and stays', () => {
  const own = '<div data-kamino="masthead" class="x">mine</div><p data-kamino-id="a" id="b">mine</p>';
  const folder = folderWith({ ...site(), 'index.html': withOld('Home').replace('<h1>', `${own}<h1>`) });
  const before = contents(folder);
  for (const command of ['build', 'build', 'lift', 'lift']) {
    const { status, err } = kamino(folder, command);
    expect([command, status, err]).toEqual([
      command,
      0,
      expect.stringMatching(/^index\.html:\d+:5: warning foreign-mark/),
    ]);
    expect(contents(folder)['index.html']).toContain(own);
  }
  expect(contents(folder)).toEqual(before);
});

test('a page that was saved anew in UTF-16 is told, and left alone with what it needs', () => {
  const folder = built();
  const text = readFileSync(join(folder, 'index.html'), 'utf8');
  for (const mark of ['\ufeff', '']) {
    put(folder, { 'index.html': Buffer.from(mark + text, 'utf16le') });
    for (const command of ['build', 'lift']) {
      const { err } = kamino(folder, command);
      expect(err).toMatch(/^index\.html: (?:error|warning) unreadable-page: .*UTF-16/m);
      expect(readFileSync(join(folder, 'index.html'), 'utf16le')).toBe(mark + text);
    }
    expect(existsSync(join(folder, 'kamino/menu.css'))).toBe(true);
  }
});

test('a page that the plan leaves out later is told, and lifted with the others', () => {
  const folder = built();
  put(folder, { 'kamino.yaml': planText.replace('in-place', 'in-place\nleave-out: visit.html') });
  for (const command of ['build', 'build'])
    expect(kamino(folder, command).err).toMatch(/^visit\.html: warning menu-remains/);
  expect(kamino(folder, 'lift')).toMatchObject({ status: 0, err: '' });
  expect(contents(folder)).toEqual({ ...site(), 'kamino.yaml': contents(folder)['kamino.yaml'] });
});

/** A site whose pages people change, and what the pages are without menus. */
class Life {
  readonly folder = folderWith({ ...site(), 'kamino.yaml': planText + foot });
  /** The pages without menus, as they have to come back; null where nobody can say any more. */
  readonly pages = new Map<string, string | null>();
  /** What was written into a menu of a page, and into the page. */
  readonly inside = new Map<string, Set<string>>();
  readonly around = new Map<string, Set<string>>();
  readonly told: string[] = [];
  #count = 0;

  constructor() {
    for (const [path, text] of Object.entries(site()))
      if (path.endsWith('.html')) this.#set(path, text, [], []);
  }

  #set(path: string, text: string | null, inside: Iterable<string>, around: Iterable<string>): void {
    this.pages.set(path, text);
    this.inside.set(path, new Set(inside));
    this.around.set(path, new Set(around));
  }

  read(path: string): string {
    return readFileSync(join(this.folder, path), 'latin1');
  }

  #write(path: string, text: string): void {
    writeFileSync(join(this.folder, path), text, 'latin1');
  }

  pick(at: number): string {
    const all = [...this.pages.keys()].sort();
    return all[at % all.length]!;
  }

  writesAround(path: string): void {
    const word = `around${(this.#count += 1)}`;
    this.#writesBehindHere(path, word, `<p>${word}</p>`);
  }

  marksOwn(path: string): void {
    const word = `own${(this.#count += 1)}`;
    this.#writesBehindHere(path, word, `<i data-kamino="foot">${word}</i>`);
  }

  #writesBehindHere(path: string, word: string, markup: string): void {
    const edit = (text: string): string => text.replace('<p>here</p>', `<p>here</p>${markup}`);
    const there = this.read(path);
    if (edit(there) === there) return;
    this.#write(path, edit(there));
    const text = this.pages.get(path)!;
    if (text !== null) this.pages.set(path, edit(text));
    this.around.get(path)!.add(word);
  }

  writesInside(path: string): void {
    const word = `inside${(this.#count += 1)}`;
    const text = this.read(path);
    const edited = text.replace(/(<nav [^>]*data-kamino-sum[^]*?<a class="kamino-link"[^>]*>)/, `$1${word}`);
    if (edited === text) return;
    this.#write(path, edited);
    this.inside.get(path)!.add(word);
    this.pages.set(path, null);
  }

  takesEndTag(path: string): void {
    const text = this.read(path);
    const edited = text.replace(/(<nav [^>]*data-kamino-sum[^]*?)<\/nav>/, '$1');
    if (edited === text) return;
    this.#write(path, edited);
    this.pages.set(path, null);
  }

  takesMenu(path: string): void {
    const text = this.read(path);
    const edited = text.replace(/<nav class="[^"]*kamino-menu-masthead[^]*?<\/nav>/, '');
    this.#write(path, edited);
    // With the menu goes what stood between it and a `</nav>` that was gone.
    if (this.pages.get(path) === null) {
      for (const all of [this.inside, this.around])
        for (const word of all.get(path)!) if (!edited.includes(word)) all.get(path)!.delete(word);
    }
  }

  renames(path: string): void {
    const to = `renamed${(this.#count += 1)}.html`;
    this.copies(path, to);
    rmSync(join(this.folder, path));
    for (const all of [this.pages, this.inside, this.around]) all.delete(path);
  }

  copies(path: string, to = `copy${(this.#count += 1)}.html`): void {
    copyFileSync(join(this.folder, path), join(this.folder, to));
    this.#set(to, this.pages.get(path)!, this.inside.get(path)!, this.around.get(path)!);
  }

  swaps(one: string, other: string): void {
    const [text, there] = [this.read(one), this.read(other)];
    this.#write(one, there);
    this.#write(other, text);
    for (const all of [this.pages, this.inside, this.around] as Map<string, unknown>[]) {
      const kept = all.get(one);
      all.set(one, all.get(other));
      all.set(other, kept);
    }
  }

  loses(): void {
    rmSync(join(this.folder, '.kamino'), { recursive: true, force: true });
  }

  /** Runs a command, and looks whether all that people wrote is still there. */
  runs(...args: string[]): void {
    const { err, status } = kamino(this.folder, ...args);
    expect([args, status, err]).toEqual([
      args,
      expect.any(Number),
      expect.not.stringMatching(/\n\s+at |internal/),
    ]);
    if (status === 2) throw new Error(`${args.join(' ')}: ${err}`);
    const isOverwriting = args.includes('--overwrite');
    for (const path of this.pages.keys()) {
      const text = this.read(path);
      if (isOverwriting) this.inside.get(path)!.clear();
      for (const word of [...this.inside.get(path)!, ...this.around.get(path)!])
        expect([args, path, text]).toEqual([args, path, expect.stringContaining(word)]);
    }
    this.told.push(err);
  }

  /** At the end all pages are as they have to be, or are told. */
  ends(): void {
    for (const args of [['lift'], ['lift', '--overwrite']]) {
      this.runs(...args);
      const told = this.told.at(-1)!;
      for (const [path, wanted] of this.pages) {
        const text = this.read(path);
        const isTold = new RegExp(`^(?: {2}The same at .*)?${path}(?::|,|$| and)`, 'm').test(told);
        const isClean = !/data-kamino-sum|data-kamino-id/.test(text);
        expect([path, text, told]).toEqual([path, isClean || isTold ? text : 'without menus, or told', told]);
        // Whose menu was taken for an edit is without it, and told before.
        if (wanted !== null && isClean) expect([path, text]).toEqual([path, wanted]);
        if (!isTold || !told.includes('menu-remains'))
          expect([path, / class="kamino/.test(text) && isClean]).toEqual([path, false]);
      }
    }
  }
}

const acts: ((life: Life, one: number, other: number) => void)[] = [
  life => life.runs('build'),
  life => life.runs('build'),
  life => life.runs('lift'),
  (life, one) => life.writesAround(life.pick(one)),
  (life, one) => life.writesAround(life.pick(one)),
  (life, one) => life.writesInside(life.pick(one)),
  (life, one) => life.takesEndTag(life.pick(one)),
  (life, one) => life.takesMenu(life.pick(one)),
  (life, one) => life.marksOwn(life.pick(one)),
  (life, one) => life.renames(life.pick(one)),
  (life, one) => life.copies(life.pick(one)),
  (life, one, other) => life.swaps(life.pick(one), life.pick(other)),
  life => life.loses(),
  (life, one) => life.runs(one % 2 ? 'build' : 'lift', '--overwrite'),
];

test('lives of pages, put together at random, lose nothing without a word', () => {
  const act = fc.tuple(fc.nat(acts.length - 1), fc.nat(5), fc.nat(5));
  fc.assert(
    fc.property(fc.array(act, { minLength: 3, maxLength: 12 }), list => {
      const life = new Life();
      life.runs('build');
      for (const [at, one, other] of list) acts[at]!(life, one, other);
      life.ends();
      rmSync(life.folder, { recursive: true });
    }),
    { numRuns: runs(30) },
  );
});
