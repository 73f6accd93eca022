// A build is made and told without the whole program: in the same words, whatever was asked for.
import { spawnSync } from 'node:child_process';
import {
  appendFileSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { contents, folderWith, kamino, kaminoAlone, page, plainly, put } from '../helpers/site.ts';

const program = join(import.meta.dirname, '../../dist/kamino.cjs');
const plan =
  'kamino: 1\nmenus:\n  - menu: m\n    place: { first-in: body }\n    entries: [index.html, a.html]\n';
const site = {
  'index.html': '<!doctype html>\n<title>Home</title>\n<p>no main\n',
  'a.html': page('A', '<main>a</main>'),
  'sub/b.html': page('B', '<main>b</main>'),
  'sub/picture.txt': 'x',
  'kamino.yaml': plan,
};

/** What a script prints that has the parts of the program at hand. */
function heard(folder: string, script: string): unknown {
  const code = `const { again, load } = require(${JSON.stringify(program)});
    const { rmSync } = require('node:fs');
    const { run } = load();
    const ways = { outIsTerminal: false, errIsTerminal: false, environment: { FORCE_COLOR: '1' } };
    const listen = async work => {
      const said = { out: '', err: '' };
      const io = { ...ways, out: text => (said.out += text), err: text => (said.err += text) };
      const status = await work(io);
      return { status, out: said.out.replace(/\\d+\\.\\d\\d s/, 'some s'), err: said.err };
    };
    (async () => console.log(JSON.stringify(await (${script})())))();`;
  const { stdout, stderr } = spawnSync(process.execPath, ['-e', code], {
    cwd: folder,
    encoding: 'utf8',
    env: plainly,
  });
  expect(stderr).toBe('');
  return JSON.parse(stdout);
}

const options = ['--quiet', '--json', '--all', '--no-color', '--overwrite', '--dry-run', '--nonsense', '--'];
const asked = [
  [],
  ['.'],
  ['kamino.yaml'],
  ['.', '.'],
  ['nowhere'],
  ...options.flatMap(one => [[one], [one, '.'], ['kamino.yaml', one, '--quiet'], [one, '--json']]),
].map(words => ['build', ...words]);

test.each(['again', 'for the first time'])('the same is told as by the whole program, %s', time => {
  const folder = folderWith(site);
  expect(kaminoAlone(folder, 'build')).toMatchObject({ status: 0, out: expect.stringMatching(/^Built 3/) });
  const pairs = heard(
    folder,
    `async () => {
      const all = [];
      const clear = () => {
        for (const one of ['built', '.kamino']) if (${time !== 'again'}) rmSync(one, { recursive: true, force: true });
      };
      for (const words of ${JSON.stringify(asked)}) {
        clear();
        const short = await listen(async io => (await again(words, io)) ?? 'more');
        clear();
        all.push([words, short, await listen(io => run(words, io))]);
      }
      return all;
    }`,
  ) as [string[], { status: unknown }, unknown][];
  const told = pairs.filter(([, { status }]) => status !== 'more');
  expect(told.map(([words]) => words.join(' '))).toEqual(
    asked.map(words => words.join(' ')).filter(words => !/overwrite|dry|nonsense|--( |$)|\. \./.test(words)),
  );
  for (const [words, short, whole] of told) expect([words, short]).toEqual([words, whole]);
});

test('what the file system refuses is told as by the whole program', () => {
  const folder = folderWith({ ...site, built: 'no folder' });
  const [short, whole] = heard(
    folder,
    `async () => [await listen(io => again(['build'], io)), await listen(io => run(['build'], io))]`,
  ) as { status: number; err: string }[];
  expect(short).toEqual(whole);
  expect(short).toMatchObject({ status: 2, err: expect.stringContaining('built') });
});

const touch = (file: string): void => {
  const { atime, mtimeMs } = statSync(file);
  utimesSync(file, atime, (mtimeMs + 5000) / 1000);
};
const happens: Record<string, (at: (path: string) => string) => void> = {
  nothing: () => undefined,
  'a page grows': at => {
    appendFileSync(at('a.html'), '<p>more');
  },
  'a page has another date': at => {
    touch(at('a.html'));
  },
  'a page has another name': at => {
    renameSync(at('sub/b.html'), at('sub/c.html'));
  },
  'a page comes': at => {
    writeFileSync(at('d.html'), page('D', 'd'));
  },
  'another file grows': at => {
    appendFileSync(at('sub/picture.txt'), 'y');
  },
  'a finished page goes': at => {
    rmSync(at('built/a.html'));
  },
  'a finished page has another date': at => {
    touch(at('built/index.html'));
  },
  'all that is finished goes': at => {
    rmSync(at('built'), { recursive: true });
  },
  'the sheet goes': at => {
    rmSync(at('built/kamino/menu.css'));
  },
  'the plan says something else': at => {
    writeFileSync(at('kamino.yaml'), plan.replace('[index', '[sub/c.html, index'));
  },
  'the record goes': at => {
    rmSync(at('.kamino/record.json'));
  },
  'rows of the record are no rows': at => {
    const record = readFileSync(at('.kamino/record.json'), 'utf8');
    writeFileSync(at('.kamino/record.json'), record.replace(/("files":\[\["[^"]*",)\d+/, '$1"x"'));
  },
};

test('whatever happens between two builds, the pages are those of a first build', () => {
  const folder = folderWith(site);
  kamino(folder, 'build');
  for (const [what, happen] of Object.entries(happens)) {
    happen(path => join(folder, path));
    const { status, err } = kamino(folder, 'build');
    expect([what, status, err]).toEqual([what, 0, expect.not.stringMatching(/ error /)]);
    expect([what, kamino(folder, 'build').out]).toEqual([what, expect.stringContaining('Nothing to do')]);
    const { built, clean } = both(folder);
    expect([what, built]).toEqual([what, clean]);
  }
});

test('a file in the place of the finished pages is told by its name, and stays', () => {
  const folder = folderWith(site);
  kamino(folder, 'build');
  renameSync(join(folder, 'built'), join(folder, 'kept'));
  put(folder, { built: 'mine' });
  const { status, err } = kamino(folder, 'build');
  expect([status, err]).toEqual([
    2,
    expect.stringMatching(/^built: error cannot-write: .*a folder should be/),
  ]);
  expect(readFileSync(join(folder, 'built'), 'utf8')).toBe('mine');
});

/** The finished pages, and those of the same site built by itself. */
function both(folder: string): Record<'built' | 'clean', Record<string, string>> {
  const sources = Object.entries(contents(folder)).filter(([path]) => !path.startsWith('built/'));
  const other = folderWith({});
  put(other, Object.fromEntries(sources.map(([path, text]) => [path, Buffer.from(text, 'latin1')])));
  kamino(other, 'build');
  return { built: contents(join(folder, 'built')), clean: contents(join(other, 'built')) };
}

test('it is told into a pipe, a full disk, and nowhere', () => {
  const folder = folderWith(site);
  const first = kaminoAlone(folder, 'build');
  const again = kaminoAlone(folder, 'build');
  expect(again).toMatchObject({ status: 0, err: first.err, out: expect.stringContaining('Nothing to do') });
  const shell = (command: string) => {
    const { status, stdout, stderr } = spawnSync('bash', ['-c', command, process.execPath, program], {
      cwd: folder,
      encoding: 'utf8',
      env: plainly,
    });
    return { status, out: stdout, err: stderr };
  };
  expect(shell('"$0" "$1" build > /dev/full')).toEqual({
    status: 2,
    out: '',
    err: `${first.err}kamino: what is printed cannot be written (ENOSPC)\n`,
  });
  expect(shell('"$0" "$1" build > /dev/null')).toEqual({ status: 0, out: '', err: first.err });
  expect(shell('set -o pipefail; "$0" "$1" build --quiet 2>&1 | head -1')).toMatchObject({
    status: 0,
    out: expect.stringContaining('no-main'),
  });
});

test('a pipe that takes no more for a moment gets all of it in the end, in order', () => {
  const folder = folderWith(site);
  const { err } = kaminoAlone(folder, 'build');
  const long = 'so many words '.repeat(20_000);
  const file = join(folder, '.kamino/record.json');
  writeFileSync(file, readFileSync(file, 'utf8').replace('"message":"', `"message":"${long}`));
  const { stdout, stderr } = spawnSync(
    'bash',
    [
      '-c',
      'mkfifo way; "$0" "$1" "$2" "$3" & sleep 0.4; cat way; wait',
      process.execPath,
      '-e',
      slowly,
      program,
    ],
    { cwd: folder, encoding: 'utf8', env: plainly, maxBuffer: 1 << 26 },
  );
  expect([stderr, err.length]).toEqual(['', expect.any(Number)]);
  const { findings } = JSON.parse(stdout) as { findings: { message: string }[] };
  expect(findings[0]!.message.startsWith(long)).toBe(true);
});

/** Starts a build whose output goes into a pipe that says at once when it is full. */
const slowly = `
  const { openSync, constants } = require('node:fs');
  const reader = openSync('way', constants.O_RDWR | constants.O_NONBLOCK);
  const way = openSync('way', constants.O_WRONLY | constants.O_NONBLOCK);
  require('node:child_process').spawnSync(process.execPath, [process.argv[1], 'build', '--json'], {
    stdio: ['ignore', way, 'inherit'],
  });
  void reader;`;
