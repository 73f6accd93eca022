import {
  chmodSync,
  existsSync,
  lstatSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import fc from 'fast-check';
import { contents, folderWith, kamino, page, plainly, put, toldFiles } from '../helpers/site.ts';
import { runWarm } from '../helpers/warm.ts';

// Folders that somebody else made: what lies outside of them stays as it is, whatever they hold.
const pages = {
  'index.html': page('Home'),
  'a.html': page('A'),
  'sub/b.html': page('B'),
};
const plan = (output: string): string =>
  `kamino: 1\noutput: ${output}\nmenus:\n  - menu: main\n    place: { first-in: body }\n    fold: { when: never }\n    entries:\n      - index.html\n      - a.html\n      - sub/b.html\n`;

/** A site beside a folder of somebody else’s. */
function place(output = 'in-place'): { site: string; victim: string; before: Record<string, string> } {
  const root = folderWith({
    'victim/precious.txt': 'precious',
    'victim/index.html': page('Not yours'),
    'victim/sub/b.html': page('Nor this'),
    'victim/.env': 'SECRET=1',
    'victim/kamino/menu.css': 'body{}',
  });
  for (const [path, html] of Object.entries(pages)) put(join(root, 'site'), { [path]: html });
  put(join(root, 'site'), { 'kamino.yaml': plan(output) });
  const victim = join(root, 'victim');
  return { site: join(root, 'site'), victim, before: everything(victim) };
}

/** With hidden files and times too. */
const everything = (folder: string): Record<string, string> =>
  Object.fromEntries(
    (readdirSync(folder, { recursive: true }) as string[]).map(path => {
      const file = join(folder, path);
      const { mode, mtimeMs, size } = lstatSync(file);
      return [
        path,
        `${mode} ${statSync(file).isFile() ? `${mtimeMs} ${size} ${readFileSync(file, 'latin1')}` : ''}`,
      ];
    }),
  );

const isTrace = /\n\s+at .*\(|node:internal|TypeError|RangeError/;
const safely = (site: string, ...args: string[]): { status: number | null; err: string; out: string } => {
  const ran = kamino(site, ...args);
  expect(ran.err).not.toMatch(isTrace);
  expect([0, 1, 2]).toContain(ran.status);
  return ran;
};

/** Puts a link there, unless another one stands on the way to it. */
function plant(site: string, path: string, to: string): void {
  const above = path.split('/').slice(0, -1);
  if (
    above.some((_, at) =>
      lstatSync(join(site, ...above.slice(0, at + 1)), { throwIfNoEntry: false })?.isSymbolicLink(),
    )
  )
    return;
  rmSync(join(site, path), { recursive: true, force: true });
  mkdirSync(dirname(join(site, path)), { recursive: true });
  symlinkSync(to, join(site, path));
}

describe('a link out of the site', () => {
  test.each([
    ['in-place', '.index.html.kamino-part', '../victim/precious.txt', null],
    ['built', '.built.kamino-part', '../victim', null],
    ['built', 'built', '../victim', 'built'],
    ['built', 'built', '../nowhere', 'built'],
    ['built', 'built/sub', '../../victim', 'built'],
    ['built', 'built/kamino', '../../victim/kamino', 'built'],
    ['in-place', 'kamino', '../victim/kamino', 'kamino'],
    ['in-place', '.kamino', '../victim', '.kamino'],
    ['in-place', '.kamino/record.json', '../../victim/precious.txt', null],
    ['in-place', 'kamino/menu.css', '../../victim/precious.txt', 'kamino/menu.css'],
    ['built', '.kamino/gone', '../../victim', null],
  ])('output: %s, %s -> %s', (output, path, to, named) => {
    const { site, victim, before } = place(output);
    plant(site, path, to);
    const { err } = safely(site, 'build');
    expect(everything(victim)).toEqual(before);
    if (named !== null)
      expect(err).toMatch(
        new RegExp(`^(?:${named}): error (?:link-in-way|link-outside|foreign-output)`, 'm'),
      );
    safely(site, 'lift', '--overwrite');
    expect(everything(victim)).toEqual(before);
    expect(existsSync(join(dirname(site), 'nowhere'))).toBe(false);
  });

  it('is told where it leads to what is hidden, and that is neither served nor copied', () => {
    const { site, victim, before } = place('built');
    put(site, { '.env': 'SECRET=2', '.git/config': 'x' });
    symlinkSync('.env', join(site, 'envlink'));
    symlinkSync('.git', join(site, 'gitlink'));
    symlinkSync(victim, join(site, 'out'));
    const { status, err } = safely(site, 'build');
    expect([status, toldFiles(err, 'link-outside')]).toEqual([1, ['envlink', 'gitlink', 'out']]);
    expect(Object.values(contents(join(site, 'built'))).join()).not.toContain('SECRET');
    expect(everything(victim)).toEqual(before);
  });

  it('to a page of the site stays a link, and the page is changed once', () => {
    const { site } = place();
    symlinkSync('a.html', join(site, 'alias.html'));
    symlinkSync('sub', join(site, 'again'));
    expect(safely(site, 'build').status).toBe(0);
    expect(lstatSync(join(site, 'alias.html')).isSymbolicLink()).toBe(true);
    expect(readFileSync(join(site, 'sub/b.html'), 'utf8').match(/<nav/g)).toHaveLength(1);
    expect(readFileSync(join(site, 'sub/b.html'), 'utf8')).toContain('href="../a.html"');
    expect(safely(site, 'build').out).toMatch(/nothing/i);
    expect(safely(site, 'lift').status).toBe(0);
    for (const [path, html] of Object.entries(pages))
      expect(readFileSync(join(site, path), 'utf8')).toBe(html);
    expect(lstatSync(join(site, 'alias.html')).isSymbolicLink()).toBe(true);
  });
});

describe('a record of somebody else’s', () => {
  const row = (path: unknown, ...more: unknown[]): unknown[] => [path, 1, 1, 8, 1, ...more];
  const record = (files: unknown): string =>
    JSON.stringify({ kamino: 1, outputs: { built: { basis: '', glance: null, files } } });

  test.each([
    ['not JSON', '{"kamino": 1'],
    ['another form', '[]'],
    ['null for outputs', '{"kamino":1,"outputs":null}'],
    ['no files', '{"kamino":1,"outputs":{"built":{}}}'],
    ['files that are none', record('x')],
    ['rows that are none', record([null, 1, {}])],
    ['a way out', record([row('../../victim/precious.txt', null)])],
    ['a hidden way out', record([row('sub/../../../victim/precious.txt', null)])],
    ['a path from the root', record([row('/etc/hostname', null)])],
    ['a path with a backslash', record([row('..\\victim', null)])],
    ['a checksum that is none', record([row('index.html', 'x')])],
    ['a glance that is none', '{"kamino":1,"outputs":{"built":{"basis":"","glance":{"plan":3},"files":[]}}}'],
    ['a name of the language', '{"kamino":1,"outputs":{"__proto__":3}}'],
  ])('is told and not used: %s', (_, text) => {
    const { site, victim, before } = place('built');
    put(site, { '.kamino/record.json': text });
    const { status, err } = safely(site, 'build');
    expect([status, err]).toEqual([
      0,
      expect.stringContaining('.kamino/record.json: warning damaged-record'),
    ]);
    expect(everything(victim)).toEqual(before);
    expect(readFileSync(join(site, '.kamino/record-damaged.json'), 'utf8')).toBe(text);
    expect(safely(site, 'build').err).not.toContain('damaged-record');
  });

  it('that names another’s file as ours does not get it moved', () => {
    const { site } = place('built');
    safely(site, 'build');
    put(site, { 'built/mine.txt': 'somebody’s' });
    const file = join(site, '.kamino/record.json');
    const stored = JSON.parse(readFileSync(file, 'utf8')) as { outputs: { built: { files: unknown[] } } };
    stored.outputs.built.files.push(row('mine.txt', null));
    writeFileSync(file, JSON.stringify(stored));
    put(site, { 'a.html': page('A new') });
    expect(safely(site, 'build').err).toMatch(/mine\.txt: note gone-page: .*it stays/);
    expect(readFileSync(join(site, 'built/mine.txt'), 'utf8')).toBe('somebody’s');
  });

  it('gives nothing back that has not the hash of its name', () => {
    const { site } = place();
    const old = '<div class="nav"><a href="a.html">A</a> <a href="index.html">B</a></div>';
    for (const path of Object.keys(pages)) put(site, { [path]: page(path, old) });
    put(site, { 'kamino.yaml': plan('in-place').replace('first-in: body', 'instead-of: .nav') });
    expect(safely(site, 'build').status).toBe(0);
    const taken = join(site, '.kamino/taken');
    for (const name of readdirSync(taken)) writeFileSync(join(taken, name), '<script>bad()</script>');
    const { status, err } = safely(site, 'lift');
    expect([status, err]).toEqual([1, expect.stringContaining('error lost-record')]);
    expect(readFileSync(join(site, 'index.html'), 'utf8')).not.toContain('bad()');
  });
});

describe('an output that is not Kamino’s', () => {
  test.each([
    '../victim',
    '../victim/sub',
    '.git',
    '.kamino',
    '..',
    '/etc',
    '/proc/self/fd',
    '/dev/shm/../../etc',
    '""',
    '.',
  ])('is refused by name: %s', output => {
    const { site, victim, before } = place(output);
    put(site, { '.git/config': 'x' });
    const { status, err } = safely(site, 'build');
    expect(status).toBeGreaterThan(0);
    expect(err).toMatch(/error (?:foreign-output|same-folder|cannot-write|wrong-value)/);
    expect([everything(victim), readFileSync(join(site, '.git/config'), 'utf8')]).toEqual([before, 'x']);
  });

  it('is taken where it is empty, or holds this site alone', () => {
    const { site } = place('built');
    put(site, { 'built/.DS_Store': 'x', 'built/index.html': '' });
    writeFileSync(join(site, 'built/index.html'), '');
    expect(safely(site, 'build').err).toContain('edited-output');
    rmSync(join(site, 'built/index.html'));
    expect(safely(site, 'build').status).toBe(0);
    renameSync(join(site, '.kamino'), join(site, '.gone'));
    expect(safely(site, 'build').status).toBe(0);
  });
});

test('a page that may not be written is told by its own name, keeps its mode, and the rest is built', () => {
  const { site } = place();
  chmodSync(join(site, 'a.html'), 0o444);
  chmodSync(join(site, 'index.html'), 0o640);
  const { status, err } = safely(site, 'build');
  expect([status, err]).toEqual([1, expect.stringMatching(/^a\.html: error cannot-write: .*read-only/m)]);
  expect(readFileSync(join(site, 'a.html'), 'utf8')).toBe(pages['a.html']);
  expect(readFileSync(join(site, 'sub/b.html'), 'utf8')).toContain('<nav');
  expect(statSync(join(site, 'index.html')).mode & 0o777).toBe(0o640);
  chmodSync(join(site, 'a.html'), 0o644);
  expect(safely(site, 'build').status).toBe(0);
  expect(safely(site, 'lift').status).toBe(0);
  expect(statSync(join(site, 'index.html')).mode & 0o777).toBe(0o640);
});

test.each(['in-place', 'built'])(
  'a disk that is full at any write leaves whole files, and is told: %s',
  output => {
    const said = new Set<string>();
    for (let at = 0; ; at += 1) {
      const { site } = place(output);
      expect(safely(site, 'build').status).toBe(0);
      for (const path of Object.keys(pages)) put(site, { [path]: page(`${path} anew`) });
      const before = contents(site);
      const ran = runWarm({ cwd: site, args: ['build'], env: { ...plainly, FULL_AT: String(at) } });
      if (ran.status === 0) break;
      expect([ran.status, ran.err]).toEqual([
        2,
        expect.stringMatching(/error cannot-write: .*the disk is full/),
      ]);
      const after = contents(site);
      const written = Object.keys(before).filter(path => after[path] !== before[path]);
      said.add(/^Nothing was written|half way/m.exec(ran.err)![0]);
      expect([at, ran.err.includes('\nNothing was written.')]).toEqual([at, written.length === 0]);
      for (const path of written) expect(after[path]).toMatch(/anew<\/h1>[^]*<\/html>\n$/);
      expect(Object.keys(after)).toEqual(Object.keys(before));
      // It would hold up the next run.
      expect(existsSync(join(site, '.kamino/lock'))).toBe(false);
      expect(safely(site, 'build').status).toBe(0);
      expect(contents(site)[output === 'built' ? 'built/a.html' : 'a.html']).toContain('anew');
    }
    expect([...said].sort()).toEqual(['Nothing was written', 'half way']);
  },
);

test('whatever links, records and outputs a folder holds, nothing outside it changes, and nothing falls over', () => {
  const link = fc.record({
    path: fc.constantFrom(
      'built',
      'built/sub',
      'built/index.html',
      'built/kamino',
      'kamino',
      'kamino/menu.css',
      'kamino/menu.js',
      '.kamino',
      '.kamino/taken',
      '.kamino/gone',
      '.kamino/record.json',
      '.kamino/plan.schema.json',
      'a.html',
      'sub',
      'sub/b.html',
      'new.html',
      'new',
      'kamino.yaml',
    ),
    to: fc.constantFrom(
      '../victim',
      '../victim/precious.txt',
      '../victim/index.html',
      '../victim/sub',
      '../victim/.env',
      '../nowhere',
      '/',
      '.',
      '..',
      'a.html',
      'sub',
      '../../victim',
    ),
  });
  const junk = fc.oneof(
    fc.json({ maxDepth: 4 }),
    fc.json({ maxDepth: 3 }).map(one => `{"kamino":1,"outputs":{"built":${one}}}`),
    fc
      .string()
      .map(
        path =>
          `{"kamino":1,"outputs":{"built":{"basis":"","glance":null,"files":[[${JSON.stringify(path)},1,1,1,1,null]]}}}`,
      ),
  );
  const output = fc.constantFrom(
    'built',
    'in-place',
    '../victim',
    'sub',
    'kamino',
    '.kamino/x',
    'a.html',
    '../site',
  );
  const command = fc.constantFrom(
    ['build'],
    ['build', '--overwrite'],
    ['lift'],
    ['lift', '--overwrite'],
    ['check'],
    ['inventory'],
    ['draft', '--force'],
    ['entry', 'add', 'a.html'],
    ['map'],
  );
  const runs = Number(process.env['KAMINO_RUNS'] ?? 60);
  fc.assert(
    fc.property(
      fc.array(link, { maxLength: 3 }),
      fc.option(junk),
      output,
      fc.array(command, { minLength: 1, maxLength: 4 }),
      (links, record, out, commands) => {
        const { site, victim, before } = place(out);
        if (record !== null) put(site, { '.kamino/record.json': record });
        for (const { path, to } of links) plant(site, path, to);
        for (const args of commands) safely(site, ...args);
        expect(everything(victim)).toEqual(before);
        rmSync(dirname(site), { recursive: true, force: true });
      },
    ),
    {
      numRuns: runs,
      ...(process.env['KAMINO_SEED'] ? { seed: Number(process.env['KAMINO_SEED']) } : { seed: 7 }),
    },
  );
});
