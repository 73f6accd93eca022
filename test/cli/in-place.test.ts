import {
  chmodSync,
  existsSync,
  linkSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  contents,
  folderWith,
  kamino,
  page,
  plainly,
  plan,
  put,
  times,
  toldFiles,
  unsealedIn,
} from '../helpers/site.ts';
import { runs } from '../helpers/runs.ts';

const program = join(import.meta.dirname, '../../dist/kamino.cjs');
const oldMenu = '<ul class="top">\n  <li><a href="index.html">Home</a>\n  <li><b>About</b>\n</ul>';
const withMenu = (title: string): string =>
  page(title).replace('<body>', `<body>\n  ${oldMenu}\n  <p class="after">caf\u00e9</p>`);
/** Its menu needs no script where the lines do not say so. */
const inPlacePlan = (lines = '    fold: { when: never }\n') =>
  plan(`    place: { instead-of: [.top, .menu] }\n${lines}output: in-place\n`);

const files = (): Record<string, string | Uint8Array> => ({
  'kamino.yaml': inPlacePlan(),
  'index.html': withMenu('Home'),
  'about.html': withMenu('About').replaceAll('\n', '\r\n'),
  'sub/deep.html': Buffer.from(
    withMenu('Deep').replace('utf-8', 'iso-8859-1').replace('class="top"', 'CLASS=menu'),
    'latin1',
  ),
  'bare.html': page('Bare'),
  'a.txt': 'x',
});

describe('a build in place', () => {
  it('puts the script where menus need it, takes it away where they do not, and gives all back', () => {
    const folder = folderWith(files());
    const before = contents(folder);
    put(folder, {
      'kamino.yaml': `style: own.css\n${inPlacePlan('    fold: { when: below 48em, as: drawer }\n')}`,
      'own.css': '',
    });
    expect(kamino(folder, 'build').status).toBe(0);
    expect(kamino(folder, 'lift').status).toBe(0);
    expect(contents(folder)).toMatchObject({ 'index.html': before['index.html'] });
    expect(kamino(folder, 'build').status).toBe(0);
    const script = '<script data-kamino="script" src="../kamino/menu.js" defer></script>';
    expect(unsealedIn(contents(folder)['sub/deep.html']!)).toContain(`own.css">${script}`);
    expect(contents(folder)['bare.html']).toBe(before['bare.html']);
    put(folder, { 'kamino/menu.js': `${contents(folder)['kamino/menu.js']!}\nmine()` });
    expect(kamino(folder, 'build')).toMatchObject({
      status: 1,
      err: expect.stringContaining('edited-output'),
    });
    expect(kamino(folder, 'build', '--overwrite').status).toBe(0);
    put(folder, { 'kamino.yaml': inPlacePlan() });
    expect(kamino(folder, 'build').status).toBe(0);
    expect(existsSync(join(folder, 'kamino/menu.js'))).toBe(false);
    expect(contents(folder)['sub/deep.html']).not.toContain('<script');
    put(folder, { 'kamino.yaml': inPlacePlan('    fold: { when: below 48em }\n') });
    expect(kamino(folder, 'build').status).toBe(0);
    put(folder, { 'kamino.yaml': String(files()['kamino.yaml']) });
    expect(kamino(folder, 'lift').status).toBe(0);
    expect(contents(folder)).toEqual({ ...before, 'own.css': '' });
  });

  it('changes the pages themselves, a second one nothing, and lift gives them back', () => {
    const folder = folderWith(files());
    const before = contents(folder);
    const { status, err } = kamino(folder, 'build');
    expect([status, [...err.matchAll(/^(.*): warning (.*?):/gm)].map(match => match.slice(1))]).toEqual([
      0,
      [['bare.html', 'no-place']],
    ]);
    const built = contents(folder);
    expect(built['index.html']).not.toContain('class="top"');
    expect(built['index.html']).toMatch(
      /<nav class="[^"]*" data-kamino="masthead" data-kamino-sum="[0-9a-f]{8}" data-kamino-was="[0-9a-f]{24}"/,
    );
    expect(built['about.html']).toContain('</nav>\r\n  <p class="after">');
    expect(built['sub/deep.html']).toContain('href="../about.html"');
    expect([built['a.txt'], built['bare.html']]).toEqual([before['a.txt'], before['bare.html']]);
    const stamps = times(folder);
    expect(kamino(folder, 'build').out).toContain('Nothing to do');
    expect(times(folder)).toEqual(stamps);
    put(folder, { 'kamino.yaml': inPlacePlan('    fold: { when: never }\n    align: end\n') });
    expect(kamino(folder, 'build').out).toContain('0 new, 1 changed, 4 the same');
    put(folder, { 'kamino.yaml': String(files()['kamino.yaml']) });
    expect(kamino(folder, 'lift', '--dry-run').out).toContain('3 pages would change');
    expect(kamino(folder, 'lift')).toMatchObject({
      status: 0,
      err: '',
      out: '3 pages are as they were. 1 file of Kamino’s is gone.\n',
    });
    expect(contents(folder)).toEqual(before);
    expect(kamino(folder, 'lift').out).toContain('No page in this folder has a menu');
  });

  it('takes up pages edited around the menu, moved, renamed and added', () => {
    const folder = folderWith(files());
    kamino(folder, 'build');
    put(folder, {
      'index.html': readFileSync(join(folder, 'index.html'), 'utf8').replace('<h1>Home', '<h1>Welcome'),
      'new.html': withMenu('New'),
    });
    renameSync(join(folder, 'sub/deep.html'), join(folder, 'moved.html'));
    expect(kamino(folder, 'build').status).toBe(0);
    expect(readFileSync(join(folder, 'moved.html'), 'latin1')).toContain('href="about.html"');
    expect(kamino(folder, 'lift').status).toBe(0);
    const lifted = contents(folder);
    expect(lifted['index.html']).toBe(
      withMenu('Home').replace('<h1>Home', '<h1>Welcome').replace('café', 'cafÃ©'),
    );
    expect(lifted['new.html']).toBe(Buffer.from(withMenu('New')).toString('latin1'));
    expect(lifted['moved.html']).toBe((files()['sub/deep.html'] as Buffer).toString('latin1'));
  });

  it('leaves a page alone that was edited inside its menu, and says how', () => {
    const folder = folderWith(files());
    kamino(folder, 'build');
    const edited = readFileSync(join(folder, 'index.html'), 'utf8').replace('>About</a>', '>About us</a>');
    put(folder, { 'index.html': edited });
    const { status, err } = kamino(folder, 'build');
    expect(status).toBe(1);
    expect(err).toMatch(/^index\.html:\d+:\d+: error edited-inside/m);
    expect(err).toContain('>About</a></li>');
    expect(readFileSync(join(folder, 'index.html'), 'utf8')).toBe(edited);
    expect(kamino(folder, 'build').status).toBe(1);
    expect(kamino(folder, 'lift')).toMatchObject({
      status: 1,
      err: expect.stringContaining('edited-inside'),
    });
    expect(kamino(folder, 'build', '--overwrite').status).toBe(0);
    expect(readFileSync(join(folder, 'index.html'), 'utf8')).not.toContain('About us');
  });

  it('leaves its own style sheet alone where someone has edited it', () => {
    const folder = folderWith(files());
    kamino(folder, 'build');
    const own = `${readFileSync(join(folder, 'kamino/menu.css'), 'utf8').replace('0.2em', '0.3em')}`;
    put(folder, { 'kamino/menu.css': own });
    for (const command of ['build', 'lift']) {
      expect(kamino(folder, command)).toMatchObject({
        status: 1,
        err: expect.stringContaining('kamino/menu.css: error edited-output'),
      });
      expect(readFileSync(join(folder, 'kamino/menu.css'), 'utf8')).toBe(own);
    }
  });

  it('makes no skip link to a main that was taken out', () => {
    const folder = folderWith({
      'kamino.yaml': inPlacePlan(),
      'index.html': '<title>T</title><div class="top"><main>x</main></div><p>y',
      'about.html': page('About'),
    });
    const before = readFileSync(join(folder, 'index.html'), 'utf8');
    expect(kamino(folder, 'build').err).toContain('warning no-main');
    expect(readFileSync(join(folder, 'index.html'), 'utf8')).not.toContain('data-kamino="skip"');
    kamino(folder, 'lift');
    expect(readFileSync(join(folder, 'index.html'), 'utf8')).toBe(before);
  });

  it('refuses a page whose record is lost, by name', () => {
    const folder = folderWith(files());
    kamino(folder, 'build');
    rmSync(join(folder, '.kamino'), { recursive: true });
    const before = contents(folder);
    for (const command of ['lift', 'build']) {
      const { status, err } = kamino(folder, command);
      expect([status, toldFiles(err, 'lost-record').length]).toEqual([1, 3]);
      expect(contents(folder)['index.html']).toBe(before['index.html']);
    }
  });

  it('tells what was wrong in a page before it was changed once, and no page is looked at for it again', () => {
    const folder = folderWith(files());
    kamino(folder, 'build');
    const file = join(folder, 'about.html');
    writeFileSync(file, readFileSync(file, 'latin1').replace(' id="main"', ''), 'latin1');
    const told = ['', '', ''].map(() => toldFiles(kamino(folder, 'build').err, 'foreign-mark'));
    expect(told).toEqual([['about.html'], [], []]);
    const seen = join(folder, '.kamino/record.json');
    const before = readFileSync(seen, 'utf8');
    expect(kamino(folder, 'build').out).toContain('Nothing to do');
    expect(readFileSync(seen, 'utf8')).toBe(before);
  });

  it('makes anew a page that could not be written, once it can be', () => {
    const folder = folderWith(files());
    kamino(folder, 'build');
    chmodSync(join(folder, 'about.html'), 0o444);
    put(folder, { 'kamino.yaml': inPlacePlan('    align: end\n') });
    expect(toldFiles(kamino(folder, 'build').err, 'cannot-write')).toEqual(['about.html']);
    expect(toldFiles(kamino(folder, 'build').err, 'cannot-write')).toEqual(['about.html']);
    chmodSync(join(folder, 'about.html'), 0o644);
    expect(kamino(folder, 'build').out).toContain('1 changed');
    expect(kamino(folder, 'build').out).toContain('Nothing to do');
  });

  it('leaves plain working menus with --keep-menus', () => {
    const folder = folderWith(files());
    kamino(folder, 'build');
    expect(kamino(folder, 'lift', '--keep-menus').out).toContain('3 pages keep their menus');
    const text = readFileSync(join(folder, 'index.html'), 'utf8');
    expect(text).not.toMatch(/data-kamino(-was|-id)?=/);
    expect(text).toContain('<nav class="kamino kamino-bar kamino-menu-masthead" aria-label="Masthead">');
    expect(text).toContain('<main id="main">');
    expect(existsSync(join(folder, 'kamino/menu.css'))).toBe(true);
  });

  it('keeps anew what was taken out once and is not whole any more', () => {
    const folder = folderWith(files());
    const before = contents(folder);
    const taken = join(folder, '.kamino/taken');
    const first = kamino(folder, 'build');
    kamino(folder, 'lift');
    const [half, gone, ...whole] = readdirSync(taken);
    const text = readFileSync(join(taken, half!));
    writeFileSync(join(taken, half!), text.subarray(0, 5));
    rmSync(join(taken, gone!));
    expect([first.status, whole.length, kamino(folder, 'build').status]).toEqual([0, expect.any(Number), 0]);
    expect(readFileSync(join(taken, half!))).toEqual(text);
    expect(kamino(folder, 'lift')).toMatchObject({ status: 0, err: '' });
    expect(contents(folder)).toEqual(before);
  });

  it('writes nothing with --dry-run, also not what would be taken out', () => {
    const folder = folderWith(files());
    const before = contents(folder);
    expect(kamino(folder, 'build', '--dry-run').out).toContain('changed  index.html');
    expect([contents(folder), existsSync(join(folder, '.kamino'))]).toEqual([before, false]);
  });

  it('gives edited pages back without the menu, whatever was edited around it', () => {
    const edits = fc.array(
      fc.tuple(
        fc.constantFrom('<p class="after">', '<h1>', '</main>', '</body>', '<main'),
        fc.constantFrom('<p>new</p>', 'text ', '<!-- c -->', '\n', '<b>x</b>'),
      ),
      { maxLength: 4 },
    );
    fc.assert(
      fc.property(edits, list => {
        const folder = folderWith({
          'kamino.yaml': inPlacePlan(),
          'index.html': withMenu('Home'),
          'about.html': page('About'),
        });
        kamino(folder, 'build');
        const apply = (text: string): string =>
          list.reduce((sum, [at, what]) => sum.replace(at, `${what}${at}`), text);
        const file = join(folder, 'index.html');
        put(folder, { 'index.html': apply(readFileSync(file, 'utf8')) });
        kamino(folder, 'build');
        kamino(folder, 'lift');
        expect(readFileSync(file, 'utf8')).toBe(apply(withMenu('Home')));
      }),
      { numRuns: runs(8) },
    );
  });

  it.each([1, 3])('reads a page again that somebody saves meanwhile, %d times', times => {
    const folder = folderWith(files());
    const helper = pathToFileURL(join(import.meta.dirname, '../helpers/edit-at.mjs')).href;
    const env = { ...plainly, EDIT_FILE: join(folder, 'about.html'), EDIT_TIMES: String(times) };
    const ran = spawnSync(process.execPath, ['--import', helper, program, 'build'], { cwd: folder, env });
    expect(ran.status).toBe(0);
    const about = contents(folder)['about.html'];
    expect(about).toContain('</nav>');
    for (let at = 0; at < times; at += 1) expect(about).toContain(`<p>edit ${at}</p>`);
  });

  it('leaves what has another name by a hard link', () => {
    const folder = folderWith(files());
    const backup = folderWith({});
    linkSync(join(folder, 'index.html'), join(backup, 'index.html'));
    kamino(folder, 'build');
    expect(contents(backup)['index.html']).toBe(
      Buffer.from(String(files()['index.html'])).toString('latin1'),
    );
    expect(contents(folder)['index.html']).toContain('</nav>');
  });

  it('is whole when killed at any write, and right after the next build', () => {
    const many = Object.fromEntries(
      Array.from({ length: 6 }, (_, at) => [`p${at}.html`, withMenu(`Page ${at}`)]),
    );
    const folder = folderWith({ ...files(), ...many });
    const before = contents(folder);
    let killed = 0;
    for (let at = 1; ; at += 1) {
      const { signal } = spawnSync(
        process.execPath,
        [
          '--import',
          pathToFileURL(join(import.meta.dirname, '../helpers/kill-at.mjs')).href,
          program,
          'build',
        ],
        { cwd: folder, stdio: 'ignore', env: { ...process.env, KILL_AT: String(at) } },
      );
      for (const [path, text] of Object.entries(contents(folder))) {
        if (!path.endsWith('.html') || /\.part$/.test(path)) continue;
        expect(text === before[path] || (text.includes('</nav>') && /<\/html>\r?\n$/.test(text))).toBe(true);
      }
      if (at % 3 === 0) expect(kamino(folder, 'build').status).toBe(0);
      expect(kamino(folder, 'lift').status).toBe(0);
      const after = contents(folder);
      for (const path of Object.keys(before)) expect(after[path]).toBe(before[path]);
      if (signal === null) break;
      killed += 1;
    }
    expect(killed).toBeGreaterThan(20);
  });
});
