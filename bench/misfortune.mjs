// Kills builds and lifts at random moments, fills disks, and takes permissions away: no file may be partial, nothing
// written outside, every message true, and the next build right.
// npm run bench:misfortune [-- kills disks trees]. Full disks need the right to mount; trees another user, so root.
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { clearTimeout, setTimeout } from 'node:timers';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const [kills = 500, disks = 40, trees = 40] = process.argv.slice(2).map(Number);
const program = fileURLToPath(new URL('../dist/kamino.cjs', import.meta.url));
const root = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'kamino-misfortune-'));
const nobody = 65_534;
const count = 40;
const block = 4096;
let bad = 0;

const paths = Array.from(
  { length: count },
  (_, at) => `${at % 4 === 0 ? '' : `part${at % 4}/`}page${at}.html`,
);
const sources = Object.fromEntries(
  paths.map((path, at) => [
    path,
    `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>Page ${at}</title></head>\n<body><main><h1>Page ${at}</h1>\n<ul class="old"><li><a href="#x">Old</a></ul>\n${'<p>Words and words.</p>\n'.repeat(200)}</main></body></html>\n`,
  ]),
);
const planOf = (output, label) => `kamino: 1
output: ${output}
menus:
  - menu: masthead
    place: { instead-of: .old }
    entries:
      - { page: page0.html, label: ${label} }
`;
const labels = ['First', 'Second', 'Third'];

function put(folder, files) {
  for (const [path, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), text);
  }
}

const run = (folder, args, more = {}) =>
  spawnSync(process.execPath, [program, ...args], {
    cwd: folder,
    encoding: 'utf8',
    timeout: 60_000,
    ...more,
  });

/** Every finished page by label, as an undisturbed build makes it. */
function finished(output) {
  return labels.map((label, at) => {
    const folder = join(root, `right-${output}-${at}`);
    put(folder, { ...sources, 'kamino.yaml': planOf(output, label) });
    const { status, stderr } = run(folder, ['build']);
    if (status !== 0) throw new Error(stderr);
    const pages = output === 'in-place' ? folder : join(folder, output);
    return Object.fromEntries(paths.map(path => [path, readFileSync(join(pages, path), 'utf8')]));
  });
}

function tell(what, ok) {
  if (ok) return;
  bad += 1;
  console.log(`BAD: ${what}`);
}

/** Files of a folder that nobody asked for. */
function strays(folder) {
  return readdirSync(folder, { recursive: true }).filter(path => /part$|kamino-/.test(path));
}

/** Whether every page of a folder is one of the texts that it may be. */
function areWhole(what, folder, texts, mayLack) {
  for (const path of paths) {
    const file = join(folder, path);
    if (!existsSync(file)) tell(`${what}: ${path} is gone`, mayLack);
    else
      tell(
        `${what}: ${path} is none of what it may be`,
        texts.some(one => one[path] === readFileSync(file, 'utf8')),
      );
  }
}

const right = { built: finished('built'), 'in-place': finished('in-place') };

async function killed() {
  const times = { in: 0, on: 0 };
  for (const output of Object.keys(right)) {
    const folder = join(root, `kills-${output}`);
    const pages = output === 'in-place' ? folder : join(folder, output);
    put(folder, { ...sources, 'kamino.yaml': planOf(output, labels[0]) });
    run(folder, ['build']);
    const begin = performance.now();
    run(folder, ['build', '--overwrite']);
    const usual = performance.now() - begin;
    for (let number = 0; number < kills / 2; number += 1) {
      const label = (number + 1) % labels.length;
      const lifts = output === 'in-place' && number % 5 === 4;
      writeFileSync(join(folder, 'kamino.yaml'), planOf(output, labels[label]));
      const after = usual * (0.3 + Math.random() * 1.2);
      const isDone = await stopped(folder, lifts ? 'lift' : 'build', after);
      times[isDone ? 'on' : 'in'] += 1;
      const what = `${output}, kill ${number} of ${lifts ? 'a lift' : 'a build'} after ${after.toFixed(0)} ms`;
      areWhole(what, pages, [...right[output], sources], false);
      const next = run(folder, ['build']);
      tell(`${what}: the next build ends ${next.status}: ${next.stderr}`, next.status === 0);
      areWhole(`${what}, then built`, pages, [right[output][label]], false);
      tell(`${what}: left ${strays(folder)}`, strays(folder).length === 0);
    }
  }
  console.log(`${kills} kills, ${times.in} of them before the end`);
}

function stopped(folder, command, after) {
  return new Promise(done => {
    const child = spawn(process.execPath, [program, command], { cwd: folder, stdio: 'ignore' });
    const timer = setTimeout(() => child.kill('SIGKILL'), after);
    child.on('close', (_, signal) => {
      clearTimeout(timer);
      done(signal === null);
    });
  });
}

function full() {
  for (let number = 0; number < disks; number += 1) {
    const output = number % 2 === 0 ? 'built' : 'in-place';
    const folder = join(root, `disk${number}`);
    // Room for the site, and for a part of what is to be written.
    const site = (count + 20) * block * 2;
    const room = site + ((number + 1) / disks) * (output === 'built' ? site : block * 20);
    mkdirSync(folder);
    execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${Math.ceil(room / block) * block}`, 'tmpfs', folder]);
    try {
      put(folder, { ...sources, 'kamino.yaml': planOf(output, labels[0]) });
      const pages = output === 'in-place' ? folder : join(folder, output);
      const { status, stderr } = run(folder, ['build']);
      const what = `disk ${number}, ${output}`;
      const isTold =
        status === 0 ? stderr === '' : /disk is full|ENOSPC/.test(stderr) && !/\n\s+at /.test(stderr);
      tell(`${what}: ends ${status} and says ${stderr}`, isTold);
      const saysNothing = /Nothing was written/.test(stderr);
      areWhole(what, folder, output === 'in-place' ? [right[output][0], sources] : [sources], false);
      if (output === 'built' && existsSync(pages)) areWhole(what, pages, [right.built[0]], status !== 0);
      const changed = paths.filter(path => readFileSync(join(folder, path), 'utf8') !== sources[path]);
      tell(
        `${what}: says that nothing was written, and ${changed.length} pages were`,
        !saysNothing || changed.length === 0,
      );
      execFileSync('mount', ['-o', `remount,size=${site * 8}`, folder]);
      const next = run(folder, ['build']);
      tell(`${what}: the next build ends ${next.status}: ${next.stderr}`, next.status === 0);
      areWhole(`${what}, then built`, pages, [right[output][0]], false);
      tell(`${what}: left ${strays(folder)}`, strays(folder).length === 0);
    } finally {
      execFileSync('umount', [folder]);
    }
  }
  console.log(`${disks} full disks`);
}

function readOnly() {
  chmodSync(root, 0o755);
  for (let number = 0; number < trees; number += 1) {
    const output = number % 2 === 0 ? 'in-place' : 'built';
    const folder = join(root, `tree${number}`);
    put(folder, { ...sources, 'kamino.yaml': planOf(output, labels[0]) });
    const pages = output === 'in-place' ? folder : join(folder, output);
    own(folder);
    const as = { uid: nobody, gid: nobody };
    if (number % 4 > 1) run(folder, ['build'], as);
    writeFileSync(join(folder, 'kamino.yaml'), planOf(output, labels[1]));
    const closed = ['part1', 'part2', 'part3', '', '.kamino'][number % 5];
    const targets =
      number % 3 === 0 && closed !== '.kamino'
        ? paths.filter(path => dirname(path) === (closed || '.')).map(path => join(pages, path))
        : [join(closed === '.kamino' ? folder : pages, closed)];
    const there = targets.filter(existsSync);
    for (const one of there) chmodSync(one, 0o555);
    const what = `tree ${number}, ${output}, ${closed || 'the folder itself'}`;
    const texts =
      output === 'in-place' ? [right[output][0], right[output][1], sources] : right.built.slice(0, 2);
    for (const command of ['build', ...(output === 'in-place' ? ['lift'] : [])]) {
      const { status, stderr, stdout } = run(folder, [command], as);
      tell(`${what}: ${command} leaves a trace ${stderr}`, !/\n\s+at /.test(stderr));
      const isRefused = /cannot-write|read-only/.test(stderr);
      tell(`${what}: ${command} ends ${status} and says ${stderr}`, (status !== 0) === isRefused);
      tell(`${what}: ${command} says ${stdout}`, !isRefused || !/Nothing to do/.test(stdout));
      if (existsSync(pages)) areWhole(what, pages, texts, true);
    }
    for (const one of there) chmodSync(one, 0o755);
    const next = run(folder, ['build'], as);
    tell(`${what}: the next build ends ${next.status}: ${next.stderr}`, next.status === 0);
    areWhole(`${what}, then built`, pages, [right[output][1]], false);
  }
  console.log(`${trees} read-only trees`);
}

function own(folder) {
  chownSync(folder, nobody, nobody);
  for (const path of readdirSync(folder, { recursive: true })) chownSync(join(folder, path), nobody, nobody);
}

try {
  await killed();
  const isRoot = process.getuid?.() === 0;
  if (isRoot) {
    full();
    readOnly();
  } else console.log('Full disks and read-only trees need root.');
  console.log(bad === 0 ? 'Nothing was lost, and all messages were true.' : `${bad} were bad.`);
} finally {
  rmSync(root, { recursive: true, force: true });
}
process.exitCode = bad > 0 ? 1 : 0;
