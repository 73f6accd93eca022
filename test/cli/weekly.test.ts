import { spawn } from 'node:child_process';
import { existsSync, readFileSync, renameSync, rmSync, utimesSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it, test } from '@jest/globals';
import type { BuildResult } from '../../src/files/result.ts';
import type { TakeBackResult } from '../../src/jobs/take-back.ts';
import { contents, filesOf, folderWith, kamino, plainly, put } from '../helpers/site.ts';
import { eventually } from '../helpers/browser.ts';

const page = (title: string, main = ''): string =>
  `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>${title}</title></head>\n<body><header></header><main><h1>${title}</h1>${main}</main></body></html>\n`;
const plan = (more = ''): string => `kamino: 1
output: built
menus:
  - menu: masthead
    title: Main
    place: { first-in: header }
    entries:
      - index.html
      - label: Finds
        entries: [{ pages: finds/*.html, most: 8, order: file }]
      - { pages: rooms/*.html, order: file }
${more}`;

/** The pages of a week, as another program writes them: all anew, with the same numbers in some and others gone. */
class Weeks {
  readonly folder = folderWith({ 'kamino.yaml': plan() });
  #pages = new Map<string, string>();
  #next = 1;

  constructor() {
    this.#pages.set('index.html', page('Museum'));
    for (let at = 0; at < 3; at += 1) this.#pages.set(`rooms/room${at}.html`, page(`Room ${at}`));
    for (let at = 0; at < 296; at += 1) this.#add();
  }

  #add(): string {
    const path = `finds/find${String(this.#next).padStart(4, '0')}.html`;
    this.#pages.set(path, page(`Find ${this.#next}`, `<p>Number ${this.#next}.</p>`));
    this.#next += 1;
    return path;
  }

  /** Everything is written anew, whether it is another or not. */
  write(): void {
    for (const folder of ['finds', 'rooms'])
      rmSync(join(this.folder, folder), { recursive: true, force: true });
    put(this.folder, Object.fromEntries(this.#pages));
  }

  /** Some pages come, some go, one has another name, one another text. */
  turn(week: number): { created: string[]; changed: string[]; gone: string[]; moved: [string, string] } {
    const finds = [...this.#pages.keys()].filter(path => path.startsWith('finds/'));
    const gone = finds.slice(20 + week, 23 + week);
    for (const path of gone) this.#pages.delete(path);
    const created = [this.#add(), this.#add()];
    const from = finds[50 + week]!;
    const to = from.replace('find0', 'the-find0');
    this.#pages.set(to, this.#pages.get(from)!);
    this.#pages.delete(from);
    const changed = finds[100 + week]!;
    this.#pages.set(changed, this.#pages.get(changed)!.replace('</p>', ` Seen in week ${week}.</p>`));
    return {
      created: [...created, to].sort(),
      changed: [changed],
      gone: [...gone, from].sort(),
      moved: [from, to],
    };
  }
}

it('follows pages that another program writes anew each week', () => {
  const weeks = new Weeks();
  weeks.write();
  const built = (): BuildResult => JSON.parse(kamino(weeks.folder, 'build', '--json').out) as BuildResult;
  expect([built().pages, built().outcome]).toEqual([300, 'nothing-new']);
  for (let week = 1; week <= 10; week += 1) {
    // The same pages, written anew: nothing is another.
    weeks.write();
    expect(built().outcome).toBe('nothing-new');
    const turned = weeks.turn(week);
    weeks.write();
    const { status, created, changed, gone, menusAlone, why, findings } = built();
    expect([status, created, gone]).toEqual([0, turned.created, turned.gone]);
    const themselves = changed.filter(path => !menusAlone.includes(path));
    expect(themselves).toEqual(turned.changed);
    // Only what the menu names makes menus others, and none of it has changed.
    expect([menusAlone, why]).toEqual([[], null]);
    const [from, to] = turned.moved;
    expect(findings.map(one => one.message)).toContainEqual(
      expect.stringMatching(new RegExp(`no longer has this file: it is ${to} now`)),
    );
    expect(findings.every(one => one.rule === 'gone-page')).toBe(true);
    expect(existsSync(join(weeks.folder, '.kamino/gone', from))).toBe(true);
    if (week % 5 !== 0) continue;
    // It is what a first build makes of the same pages.
    const fresh = folderWith(contents(weeks.folder));
    rmSync(join(fresh, 'built'), { recursive: true });
    kamino(fresh, 'build');
    expect(contents(join(weeks.folder, 'built'))).toEqual(contents(join(fresh, 'built')));
    expect(kamino(weeks.folder, 'check').status).toBe(0);
  }
});

const site = {
  'kamino.yaml': plan(),
  'index.html': page('Museum'),
  'finds/coin.html': page('A coin'),
  'rooms/hall.html': page('The hall'),
};

function built(): string {
  const folder = folderWith(site);
  expect(kamino(folder, 'build').status).toBe(0);
  return folder;
}

test.each<[string, (folder: string) => void, string]>([
  [
    'the plan',
    folder => {
      put(folder, { 'kamino.yaml': plan().replace('label: Finds', 'label: What we found') });
    },
    'kamino/menu.css; in 3 pages the menus alone, since the plan has changed',
  ],
  [
    'pages that it names',
    folder => {
      put(folder, { 'rooms/hall.html': page('The great hall') });
    },
    'rooms/hall.html and kamino/menu.css; in 2 pages the menus alone, since pages that they name have changed',
  ],
])('says that menus are others because of %s', (_, change, line) => {
  const folder = built();
  change(folder);
  expect(kamino(folder, 'build').out).toContain(`  changed   ${line}\n`);
});

it('sees a page with the size and the date of the one before', () => {
  const folder = built();
  const file = join(folder, 'finds/coin.html');
  const when = new Date(1_700_000_000_000);
  utimesSync(file, when, when);
  kamino(folder, 'build');
  put(folder, { 'finds/coin.html': page('A coin', '').replace('A coin</h1>', 'A ring</h1>') });
  utimesSync(file, when, when);
  expect(kamino(folder, 'build').out).toContain('finds/coin.html');
});

it('builds the same from a page that has its menus in it already', () => {
  const folder = built();
  const before = contents(join(folder, 'built'));
  put(folder, { 'finds/coin.html': before['finds/coin.html']! });
  kamino(folder, 'build');
  expect(contents(join(folder, 'built'))).toEqual(before);
});

it('is quiet but for what is wrong', () => {
  const folder = built();
  put(folder, { 'index.html': page('The museum') });
  expect(kamino(folder, 'build', '--quiet')).toEqual({ status: 0, out: '', err: '' });
  expect(JSON.parse(kamino(folder, 'build', '--quiet', '--json').out)).toMatchObject({ status: 0 });
  rmSync(join(folder, 'finds/coin.html'));
  put(folder, { 'kamino.yaml': plan('    no-such-key: 1\n') });
  const { status, out, err } = kamino(folder, 'build', '--quiet');
  expect([status, out]).toEqual([2, '']);
  expect(err).toContain('unknown-key');
});

/** A build that goes on in a folder: what it says, waited for, and its end. */
function watching(folder: string): {
  until: (text: string) => Promise<string>;
  end: () => Promise<number | null>;
} {
  const program = join(import.meta.dirname, '../../dist/kamino.cjs');
  const child = spawn(process.execPath, [program, 'build', '--watch'], { cwd: folder, env: plainly });
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (text: Buffer) => {
      said += text.toString();
    });
  return {
    until: text =>
      eventually(
        () => Promise.resolve(said),
        found => {
          expect(found).toContain(text);
        },
      ),
    end: () => {
      child.kill('SIGINT');
      return new Promise(done => child.on('close', done));
    },
  };
}

it('follows every change until it is ended', async () => {
  const folder = built();
  const { until, end } = watching(folder);
  await until('It follows every change');
  put(folder, { 'finds/coin.html': page('A coin', '<p>Of silver.</p>') });
  await until('changed finds/coin.html');
  expect(readFileSync(join(folder, 'built/finds/coin.html'), 'utf8')).toContain('silver');
  put(folder, { 'kamino.yaml': plan('nothing: 1\n') });
  await until('unknown-key');
  put(folder, { 'kamino.yaml': plan() });
  renameSync(join(folder, 'finds/coin.html'), join(folder, 'finds/ring.html'));
  await until('gone finds/coin.html');
  expect(await end()).toBe(0);
});

it('follows nothing where there is no plan', () => {
  const { status, err } = kamino(folderWith({}), 'build', '--watch');
  expect([status, err]).toEqual([2, expect.stringContaining('no-plan')]);
});

it('says nothing of pages that it has changed in place itself', async () => {
  const folder = folderWith({ ...site, 'kamino.yaml': plan().replace('built', 'in-place') });
  const { until, end } = watching(folder);
  await until('It follows every change');
  put(folder, { 'finds/coin.html': page('A coin', '<p>Of silver.</p>') });
  await until('changed in 1 page the menus alone');
  put(folder, { 'rooms/attic.html': page('The attic') });
  const said = await until('in 4 pages');
  expect(await end()).toBe(0);
  expect(said.split('It follows every change')[1]!.trim().split('\n').length).toBe(3);
});

test.each(['--dry-run', '--json', '--check'])('does not go on and on with %s', option => {
  const { status, err } = kamino(built(), 'build', '--watch', option);
  expect([status, err]).toEqual([2, expect.stringContaining(`${option} does not go with it`)]);
});

const back = (folder: string, ...args: string[]): TakeBackResult =>
  JSON.parse(kamino(folder, 'take-back', '--json', ...args).out) as TakeBackResult;
const edit = (folder: string, path: string, from: string, to: string): void => {
  put(folder, { [path]: readFileSync(join(folder, path), 'utf8').replace(from, to) });
};

it('takes what was edited in finished pages back into the site, without the menus', () => {
  const folder = built();
  edit(folder, 'built/finds/coin.html', 'A coin</h1>', 'A coin of silver</h1>');
  put(folder, { 'built/new.css': 'a { color: red }\n' });
  const before = contents(folder);
  expect(kamino(folder, 'build').err).toContain('kamino take-back');
  const dry = back(folder, '--dry-run');
  expect(dry.files.map(one => [one.file, one.kind])).toEqual([
    ['finds/coin.html', 'edited'],
    ['new.css', 'new'],
  ]);
  expect(dry.files[0]!.changes![0]!.lines.filter(line => /^[+-]/.test(line)).length).toBe(2);
  expect(contents(folder)).toEqual(before);
  expect(back(folder, 'finds/coin.html').files.length).toBe(1);
  const source = page('A coin').replace('A coin</h1>', 'A coin of silver</h1>');
  expect(readFileSync(join(folder, 'finds/coin.html'), 'utf8')).toBe(source);
  expect(readFileSync(join(folder, '.kamino/before/finds/coin.html'), 'utf8')).toBe(page('A coin'));
  back(folder);
  expect(kamino(folder, 'build').status).toBe(0);
  expect(back(folder)).toEqual({ kamino: 1, command: 'take-back', status: 0, findings: [], files: [] });
  expect(filesOf(folder)).toContain('new.css');
});

it('tells a page that was copied with the marks of another, and takes it over', () => {
  const folder = built();
  put(folder, { 'built/rooms/attic.html': contents(folder)['built/rooms/hall.html']! });
  const { out } = kamino(folder, 'check', '--json');
  expect(JSON.parse(out)).toMatchObject({
    findings: expect.arrayContaining([
      expect.objectContaining({
        rule: 'copied-page',
        place: expect.objectContaining({ file: 'built/rooms/attic.html' }),
        message: expect.stringContaining('rooms/hall.html'),
      }),
    ]),
  });
  expect(back(folder).files).toMatchObject([{ file: 'rooms/attic.html', kind: 'new' }]);
  expect(readFileSync(join(folder, 'rooms/attic.html'), 'utf8')).toBe(page('The hall'));
  expect(kamino(folder, 'build').status).toBe(0);
  expect(kamino(folder, 'check', '--json').out).not.toContain('copied-page');
});

it('leaves a source that has changed too, and tells what has none', () => {
  const folder = built();
  edit(folder, 'built/index.html', 'Museum</h1>', 'The museum</h1>');
  put(folder, { 'index.html': page('Museum', '<p>Open.</p>') });
  edit(folder, 'built/kamino/menu.css', '{', '{ /* mine */ ');
  edit(folder, 'built/rooms/hall.html', 'A coin', 'Coins');
  const told = back(folder);
  expect([told.status, told.files]).toEqual([1, []]);
  expect(told.findings.map(one => [one.rule, one.place!.file])).toEqual([
    ['both-changed', 'built/index.html'],
    ['not-taken-back', 'built/kamino/menu.css'],
    ['not-taken-back', 'built/rooms/hall.html'],
  ]);
  expect(back(folder, '--overwrite', 'index.html').files.map(one => one.file)).toEqual(['index.html']);
  expect(readFileSync(join(folder, 'index.html'), 'utf8')).toContain('The museum</h1>');
  expect(back(folder, 'nowhere.html').findings.map(one => one.rule)).toContain('cannot-read');
});

it('takes nothing back that is no page any more', () => {
  const folder = built();
  put(folder, { 'built/finds/coin.html': '\u0089PNG\0\0' });
  expect(back(folder)).toMatchObject({ status: 1, files: [], findings: [{ rule: 'unreadable-page' }] });
  expect(readFileSync(join(folder, 'finds/coin.html'), 'utf8')).toBe(page('A coin'));
});

it('has nothing to take back where pages are built in place', () => {
  const folder = folderWith({ ...site, 'kamino.yaml': plan().replace('built', 'in-place') });
  kamino(folder, 'build');
  expect(back(folder)).toMatchObject({ status: 0, files: [], findings: [{ rule: 'not-taken-back' }] });
});
