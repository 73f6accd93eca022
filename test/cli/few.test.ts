// A build of few pages goes by what the last one understood of the plan. Whatever was changed in a page, everything is as a
// whole build of the same site has it: pages, what is told, and what the next build goes by.
import { spawnSync } from 'node:child_process';
import {
  appendFileSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { deserialize, serialize } from 'node:v8';
import { crc32 } from 'node:zlib';
import { expect, test } from '@jest/globals';
import { contents, folderWith, kamino, page, plainly, put } from '../helpers/site.ts';

const program = join(import.meta.dirname, '../../dist/kamino.cjs');

const old = '<ul class="old"><li><a href="index.html">Home</a><li><a href="news/b.html">B</a></ul>';
const text = '<main><h1>Words</h1><h2 id="one">One</h2><p>text</p><h2>Two</h2><p>text</p></main>';
const files = {
  'index.html': page('Home — Moor', `${old}${text}`),
  'other.html': page('Other — Moor', `<div class="in">${old}</div>${text}`),
  'news/index.html': page('News — Moor', '<main><time datetime="2026-03-01">March</time></main>'),
  'news/b.html': page('B — Moor', '<main><time datetime="2026-01-05">then</time></main>'),
  'news/c.html': page('C — Moor', `<time datetime="2026-02-05">then</time>${text}`),
  'cy/index.html': page('Hafan — Moor', text).replace('<html lang="en">', '<html lang="cy">'),
  'x.txt': 'x',
};

const menu = (lines: string, entries = '[index.html, other.html, news/index.html]'): string =>
  `kamino: 1\nmenus:\n  - menu: m\n    place: [{ first-in: body }]\n${lines}    entries: ${entries}\n`;
const second = (lines: string): string => `${menu('')}  - menu: n\n    place: { first-in: main }\n${lines}`;

/** Plans that ask their pages for most of what can be asked of them. */
const plans: Record<string, string> = {
  'labels from titles, where it stays': menu('    stays: top\n'),
  'labels from headings, a trail': `${second('    form: breadcrumb\n')}labels: { from: heading }\n`,
  'labels of its own': menu('', '[{ page: index.html, label: A }, { page: other.html, label: B }]'),
  'pages by date, before and behind': second('    form: previous-next\n    set: news/*.html\n').replace(
    'news/index.html]',
    '{ pages: "news/*.html", order: date }]',
  ),
  'sections of a page': menu('', '[{ page: index.html, entries: [{ sections: other.html }] }]'),
  'a heading': menu('', '[index.html, { page: other.html, heading: Two, label: Two }]'),
  contents: second('    form: contents\n    carried-by: "*.html"\n'),
  'in place of another': menu('').replace('first-in: body', 'instead-of: "div > .old"'),
  'above the text, languages, a way to the top':
    menu('', '[index.html, other.html]').replace('first-in: body', 'before: h1') +
    'languages: { en: { name: English }, cy: { name: Cymraeg, pages: "cy/**" } }\nto-top: { corner: end }\n',
};

/** What may be done to a page. */
const edits: Record<string, (text: string) => string> = {
  'no text': () => '\xff\xfe\x80',
  nothing: was => was,
  title: was => was.replace('<title>', '<title>New '),
  heading: was => was.replace('<h2', '<h2 id="early">Early</h2><h2'),
  'no id': was => was.replace(' id="one"', ''),
  'words above': was => was.replace('<main>', '<main><p>words above</p>'),
  'no main': was => was.replaceAll('main>', 'div>'),
  'another language': was => was.replace(/ lang="\w+"/, ' lang="de"'),
  'another date': was => was.replace('2026-0', '2027-0'),
  'no viewport': was => was.replace(/<meta name="viewport"[^>]*>/, ''),
  'no old menu': was => was.replace(old, ''),
  'its end': was => was.slice(0, was.length * 0.7),
  'a slot': was => was.replace('<h1', '<div data-kamino-slot="m"></div><h1'),
  words: was => `${was}\n<p>More`,
};

interface Pair {
  what: string;
  isQuick: boolean;
  few: unknown;
  whole: unknown;
}

/** Each page edited in each way: what a build makes of it then, and what a whole build of the same site does. */
const script = `async (edits, isInPlace, again, load) => {
  const { existsSync, readFileSync, readdirSync, rmSync, writeFileSync } = require('node:fs');
  const part = load('make');
  const { whole } = part;
  let isQuick;
  part.whole = (...given) => ((isQuick = false), whole(...given));
  const run = async (words, isWhole) => {
    const said = { out: '', err: '' };
    const io = {
      out: text => (said.out += text), err: text => (said.err += text),
      outIsTerminal: false, errIsTerminal: false, environment: {},
    };
    isQuick = !isWhole;
    const status = isWhole ? await load().run(words, io) : await again(words, io);
    const { findings, menus, pages } = JSON.parse(said.out);
    return { isQuick, told: { status, findings, menus, pages, err: said.err } };
  };
  const state = () => {
    const place = isInPlace ? '.' : 'built';
    if (!existsSync(place)) return null;
    const files = {};
    const enter = at => {
      for (const one of readdirSync(at, { withFileTypes: true }))
        if (one.isDirectory()) enter(at + '/' + one.name);
        else files[at + '/' + one.name] = readFileSync(at + '/' + one.name, 'latin1');
    };
    enter(place);
    for (const own of ['record.json', 'resolved']) delete files['./.kamino/' + own];
    const { outputs } = JSON.parse(readFileSync('.kamino/record.json', 'utf8'));
    const { glance, files: rows, others = [], taken, notes = [] } = outputs[isInPlace ? 'in-place' : 'built'];
    // But for dates, and the number of what was kept: it is of the bytes, which may say the same in two ways.
    const known = glance && { ...glance, resolved: glance.resolved !== undefined };
    return { files, known, notes, others, taken, rows: rows.map(row => [row[0], row[1], row[3], row[5]]) };
  };
  const all = [];
  const first = await run(['build', '--json'], true);
  if (first.told.status !== 0) throw new Error(first.told.findings[0].message);
  for (const [path, name, text] of edits) {
    writeFileSync(path, Buffer.from(text, 'latin1'));
    const { isQuick, ...first } = await run(['build', '--json'], false);
    // What was found in a page before it was changed itself is looked for once more.
    const { told } = isInPlace ? await run(['build', '--json'], false) : first;
    const few = [told, told.status === 2 ? null : state()];
    rmSync('.kamino/record.json', { force: true });
    rmSync('built', { recursive: true, force: true });
    const { told: whole } = await run(['build', '--json'], true);
    all.push({ what: name + ' of ' + path, isQuick, few, whole: [whole, state()] });
  }
  return all;
}`;

function pairsOf(planText: string, isInPlace: boolean): Pair[] {
  const folder = folderWith({
    ...files,
    'kamino.yaml': isInPlace ? `${planText}output: in-place\n` : planText,
  });
  const asked = ['other.html', 'news/c.html'].flatMap(path => {
    const was = files[path as keyof typeof files];
    return Object.entries(edits)
      .map(([name, edit]) => [path, name, edit(was)])
      .filter(([, name, now]) => now !== was || name === 'nothing');
  });
  const code = `const { again, load } = require(${JSON.stringify(program)});
    (${script})(${JSON.stringify(asked)}, ${isInPlace}, again, load).then(all => console.log(JSON.stringify(all)));`;
  const { stdout, stderr } = spawnSync(process.execPath, ['-e', code], {
    cwd: folder,
    encoding: 'utf8',
    env: plainly,
    maxBuffer: 1 << 28,
  });
  expect(stderr).toBe('');
  return JSON.parse(stdout) as Pair[];
}

const inPlace = Object.entries(plans).slice(-3);

test.each([
  ...Object.entries(plans).map(one => [...one, false] as const),
  ...inPlace.map(([name, one]) => [`${name}, in place`, one, true] as const),
])('all is as after a whole build: %s', (_, planText, isInPlace) => {
  const pairs = pairsOf(planText, isInPlace);
  for (const { what, few, whole } of pairs) expect([what, few]).toEqual([what, whole]);
  expect(pairs.filter(one => one.isQuick).map(one => one.what)).toContain('words of news/c.html');
});

const asOfAFirst = (folder: string): void => {
  const sources = Object.entries(contents(folder)).filter(([path]) => !path.startsWith('built/'));
  const other = folderWith({});
  put(other, Object.fromEntries(sources.map(([path, one]) => [path, Buffer.from(one, 'latin1')])));
  kamino(other, 'build');
  expect(contents(join(folder, 'built'))).toEqual(contents(join(other, 'built')));
};

const misfortunes: Record<string, (file: string) => void> = {
  gone: rmSync,
  'cut off': file => {
    writeFileSync(file, readFileSync(file).subarray(0, 100));
  },
  'of other bytes': file => {
    writeFileSync(file, 'x'.repeat(5000));
  },
  'a folder': file => {
    rmSync(file);
    mkdirSync(file);
  },
  'a link': file => {
    renameSync(file, `${file}-elsewhere`);
    symlinkSync(`${file}-elsewhere`, file);
  },
};

test.each(Object.entries(misfortunes))('what was kept is %s', (_, happen) => {
  const folder = folderWith({ ...files, 'kamino.yaml': menu('') });
  kamino(folder, 'build');
  expect(existsSync(join(folder, '.kamino/resolved'))).toBe(true);
  happen(join(folder, '.kamino/resolved'));
  for (let time = 0; time < 2; time += 1) {
    appendFileSync(join(folder, 'news/c.html'), '<p>more');
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, out: expect.stringMatching(/ 1 changed/) });
    asOfAFirst(folder);
  }
  expect(kamino(folder, 'build').out).toContain('Nothing to do');
});

test('what was kept by somebody else is not believed', () => {
  const folder = folderWith({ ...files, 'kamino.yaml': menu('') });
  const other = folderWith({ ...files, 'kamino.yaml': menu('').replace('- menu: m', '- menu: other') });
  for (const one of [folder, other]) kamino(one, 'build');
  writeFileSync(join(folder, '.kamino/resolved'), readFileSync(join(other, '.kamino/resolved')));
  appendFileSync(join(folder, 'news/c.html'), '<p>more');
  expect(kamino(folder, 'build').status).toBe(0);
  asOfAFirst(folder);
});

test('what was kept leads nowhere but where the plan says', () => {
  const entries = menu('', '[index.html, { page: a.html, label: A }]');
  const innocent = `${entries}output: in-place\n`;
  const pages = { 'index.html': page('Home'), 'a.html': page('A'), 'b.html': page('B') };
  const under = (name: string) =>
    Object.fromEntries(Object.entries(pages).map(([path, one]) => [`${name}/${path}`, one]));
  const top = folderWith({
    ...under('own'),
    ...under('others'),
    'own/kamino.yaml': `${innocent}site: ../others\n`,
  });
  const own = join(top, 'own');
  expect(kamino(own, 'build').status).toBe(0);
  const usual = folderWith({ ...pages, 'kamino.yaml': innocent });
  kamino(usual, 'build');
  const recordIn = (folder: string): Forged =>
    JSON.parse(readFileSync(join(folder, '.kamino/record.json'), 'utf8')) as Forged;
  const forged = recordIn(own);
  const glance = forged.outputs['in-place'].glance;
  glance.plan = recordIn(usual).outputs['in-place'].glance.plan;
  const kept = deserialize(readFileSync(join(own, '.kamino/resolved'))) as { mark: string };
  const bytes = serialize({ ...kept, mark: glance.plan });
  glance.resolved = crc32(bytes);
  put(own, {
    '.kamino/record.json': JSON.stringify(forged),
    '.kamino/resolved': bytes,
    'kamino.yaml': innocent,
  });
  put(top, { 'others/b.html': pages['b.html'] });
  expect(kamino(own, 'build')).toMatchObject({ status: 0, err: '' });
  expect(readFileSync(join(top, 'others/b.html'), 'utf8')).toBe(pages['b.html']);
  expect(readFileSync(join(own, 'b.html'), 'utf8')).toContain('<nav');
});

interface Forged {
  outputs: { 'in-place': { glance: { plan: string; resolved: number } } };
}

test('a run that is killed, or finds the disk full, anywhere on the way loses nothing', () => {
  const folder = folderWith({ ...files, 'kamino.yaml': menu('') });
  kamino(folder, 'build');
  const helper = pathToFileURL(join(import.meta.dirname, '../helpers/kill-at.mjs')).href;
  for (const way of ['KILL_AT', 'FULL_AT']) {
    const ends = new Set<number | null>();
    for (let at = 0; !ends.has(0); at += 1) {
      appendFileSync(join(folder, 'news/c.html'), '<p>more');
      const { status } = spawnSync(process.execPath, ['--import', helper, program, 'build'], {
        cwd: folder,
        stdio: 'ignore',
        env: { ...plainly, [way]: String(at) },
      });
      ends.add(status);
      for (const [path, one] of Object.entries(contents(join(folder, 'built'))))
        if (path.endsWith('.html')) expect([path, one.length > 100]).toEqual([path, true]);
      expect(kamino(folder, 'build').status).toBe(0);
      asOfAFirst(folder);
    }
    expect([way, [...ends]]).toEqual([way, [way === 'KILL_AT' ? null : 2, 0]]);
  }
});
