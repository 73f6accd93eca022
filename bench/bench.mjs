// Measures a build of 10,000 pages against a plain program that reads and writes the same files, and the start of the
// program against an empty one. Everything in memory (/dev/shm), interleaved, the minimum of several rounds, less the
// time of `node -e 0`. Run alone: npm run bench [-- pages rounds]
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pageOf, pathOf } from './pages.mjs';

const [count = 10_000, rounds = 9] = process.argv.slice(2).map(Number);
const program = fileURLToPath(new URL('../dist/kamino.cjs', import.meta.url));
const yardstick = fileURLToPath(new URL('yardstick.mjs', import.meta.url));
const root = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'kamino-bench-'));

try {
  makeSite(join(root, 'site'));
  start();
  builds();
  inventories();
  inPlace();
} finally {
  rmSync(root, { recursive: true, force: true });
}

/** Seconds of wall time. */
function seconds(...args) {
  const begin = process.hrtime.bigint();
  const { status, stderr } = spawnSync(process.execPath, args, { encoding: 'utf8' });
  if (status !== 0) throw new Error(`${args.join(' ')} failed: ${stderr}`);
  return Number(process.hrtime.bigint() - begin) / 1e9;
}

/** Seconds of processor time of a child. */
function processor(...args) {
  const result = spawnSync(
    'sh',
    ['-c', `"${process.execPath}" ${args.map(one => `"${one}"`).join(' ')} >/dev/null; times`],
    { encoding: 'utf8' },
  );
  const last = result.stdout.trim().split('\n').at(-1);
  return [...last.matchAll(/(\d+)m([\d.]+)s/g)].reduce(
    (sum, match) => sum + Number(match[1]) * 60 + Number(match[2]),
    0,
  );
}

function start() {
  const empty = [];
  const own = [];
  for (let round = 0; round < rounds * 3; round += 1) {
    empty.push(processor('-e', '0'));
    own.push(processor(program, '--version'));
  }
  report('kamino --version, processor time', Math.min(...own), 'node -e 0', Math.min(...empty), 1.6);
}

function builds() {
  const empty = [];
  const plain = [];
  const full = [];
  const idle = [];
  const plan = join(root, 'site/kamino.yaml');
  for (let round = 0; round < rounds; round += 1) {
    empty.push(seconds('-e', '0'));
    plain.push(seconds(yardstick, join(root, 'site'), join(root, `plain-${round}`)));
    rmSync(join(root, `plain-${round}`), { recursive: true });
    writePlan(`../out-${round}`);
    full.push(seconds(program, 'build', plan));
    idle.push(seconds(program, 'build', plan));
    rmSync(join(root, `out-${round}`), { recursive: true });
    rmSync(join(root, 'site/.kamino'), { recursive: true });
  }
  const least = Math.min(...empty);
  const unit = Math.min(...plain) - least;
  console.log(`\n${count} pages; less ${(least * 1000).toFixed(0)} ms for node itself`);
  report('full build', Math.min(...full) - least, 'reading and writing the same files', unit, 2.65);
  report(
    'build when nothing changed',
    Math.min(...idle) - least,
    'reading and writing the same files',
    unit,
    0.6,
  );
}

/** Of the first 3,000 pages, against reading them. */
function inventories() {
  const empty = [];
  const plain = [];
  const own = [];
  const site = join(root, 'smaller');
  for (let number = 0; number < Math.min(count, 3000); number += 1) {
    const path = join(site, pathOf(number));
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, pageOf(number));
  }
  for (let round = 0; round < 3; round += 1) {
    empty.push(seconds('-e', '0'));
    plain.push(seconds(yardstick, site, join(root, `read-${round}`)));
    rmSync(join(root, `read-${round}`), { recursive: true });
    own.push(spend(program, 'inventory', '--json', site));
  }
  const least = Math.min(...empty);
  const unit = Math.min(...plain) - least;
  const time = Math.min(...own) - least;
  console.log(
    `inventory of 3,000 pages: ${(time * 1000).toFixed(0)} ms; reading and writing the same files: ${(unit * 1000).toFixed(0)} ms; ratio ${(time / unit).toFixed(2)}`,
  );
}

/** What it costs that each page is on the disk before it takes its place: a site in memory, and one on a disk. */
function inPlace() {
  const pages = Math.min(count, 1000);
  const onDisk = mkdtempSync(join(tmpdir(), 'kamino-bench-'));
  try {
    const times = [root, onDisk].map(place => {
      const site = join(place, 'in-place');
      for (let number = 0; number < pages; number += 1) {
        const path = join(site, pathOf(number));
        mkdirSync(dirname(path), { recursive: true });
        writeFileSync(path, pageOf(number));
      }
      const plan = `kamino: 1\noutput: in-place\nmenus:\n  - menu: masthead\n    entries: [${pathOf(0)}]\n`;
      writeFileSync(join(site, 'kamino.yaml'), plan);
      return Math.min(
        ...Array.from({ length: 3 }, () => {
          const time = spend(program, 'build', site);
          spend(program, 'lift', site);
          return time;
        }),
      );
    });
    const [memory, disk] = times.map(time => (time * 1000).toFixed(0));
    const each = (((times[1] - times[0]) * 1000) / pages).toFixed(2);
    console.log(
      `${pages} pages in place: ${disk} ms on a disk, ${memory} ms in memory; ${each} ms a page to be sure of it`,
    );
  } finally {
    rmSync(onDisk, { recursive: true, force: true });
  }
}

/** Seconds of wall time, whatever the exit status. */
function spend(...args) {
  const begin = process.hrtime.bigint();
  spawnSync(process.execPath, args, { stdio: 'ignore' });
  return Number(process.hrtime.bigint() - begin) / 1e9;
}

function report(name, time, against, unit, most) {
  const ratio = time / unit;
  const verdict = ratio <= most ? 'holds' : 'MISSED';
  console.log(
    `${name}: ${(time * 1000).toFixed(0)} ms; ${against}: ${(unit * 1000).toFixed(0)} ms; ratio ${ratio.toFixed(2)} (at most ${most}: ${verdict})`,
  );
}

function makeSite(folder) {
  for (let number = 0; number < count; number += 1) {
    const path = join(folder, pathOf(number));
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, pageOf(number));
  }
  writeFileSync(join(folder, 'index.html'), pageOf(0));
  writePlan('../out');
}

function writePlan(output) {
  const entries = Array.from({ length: 8 }, (_, at) => `      - { page: ${pathOf(at)}, label: Part ${at} }`);
  const plan = [
    'kamino: 1',
    `output: ${output}`,
    'menus:',
    '  - menu: masthead',
    '    home: { label: Home }',
    '    entries:',
    ...entries,
  ];
  writeFileSync(join(root, 'site/kamino.yaml'), `${plan.join('\n')}\n`);
}
