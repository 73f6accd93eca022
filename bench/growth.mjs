// Tells whether the cost of each command grows in line with the pages: a site of some pages and one of eight times as
// many, in turn. More than twelve times the time fails. npm run bench:growth [-- pages rounds]
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pageOf, pathOf } from './pages.mjs';

const [count = 400, rounds = 3] = process.argv.slice(2).map(Number);
const times = 8;
const most = 12;
const program = fileURLToPath(new URL('../dist/kamino.cjs', import.meta.url));
const root = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'kamino-growth-'));

/** What is measured, in the order in which one makes room for the next. */
const commands = {
  inventory: folder => ['inventory', '--json', folder],
  build: folder => ['build', folder],
  check: folder => ['check', folder],
  lift: folder => ['lift', folder],
};

try {
  const idle = Math.min(...Array.from({ length: 5 }, () => seconds(['--version'])));
  const [small, large] = [count, times * count].map(siteOf);
  const grown = name => (large.least[name] - idle) / (small.least[name] - idle);
  const isTooMuch = name => grown(name) > most;
  const names = Object.keys(commands);
  // In turn: a machine that stands still for a while does so for one of them no more than for the other.
  for (let round = 0; round < rounds; round += 1) for (const site of [small, large]) measure(site);
  for (const name of names) {
    const verdict = isTooMuch(name) ? 'MISSED' : 'holds';
    const took = [small, large].map(({ least }) => `${(least[name] * 1000).toFixed(0)} ms`).join(', ');
    console.log(`${name}: ${took}; ${grown(name).toFixed(1)} times (at most ${most}: ${verdict})`);
  }
  if (names.some(isTooMuch)) process.exitCode = 1;
} finally {
  rmSync(root, { recursive: true, force: true });
}

/** A site of so many pages, and the least time of each command on it so far, in seconds. */
function siteOf(pages) {
  const folder = join(root, String(pages));
  makeSite(folder, pages);
  return { folder, least: Object.fromEntries(Object.keys(commands).map(name => [name, Infinity])) };
}

function measure({ folder, least }) {
  for (const [name, argumentsFor] of Object.entries(commands))
    least[name] = Math.min(least[name], seconds(argumentsFor(folder)));
}

function seconds(args) {
  const begin = process.hrtime.bigint();
  const { status, stderr } = spawnSync(process.execPath, [program, ...args], { encoding: 'utf8' });
  if (status > 1) throw new Error(`${args.join(' ')} failed: ${stderr}`);
  return Number(process.hrtime.bigint() - begin) / 1e9;
}

/** Changed in place, each with a menu by hand beside the slot, so that there is something to count and to take out. */
function makeSite(folder, pages) {
  const hand = `<ul id="old">${Array.from({ length: 8 }, (_, at) => `<li><a href="/${pathOf(at)}">Part ${at}</a></li>`).join('')}</ul>`;
  for (let number = 0; number < pages; number += 1) {
    const path = join(folder, pathOf(number));
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, pageOf(number).replace('<main', `${hand}\n  <main`));
  }
  const entries = Array.from({ length: 8 }, (_, at) => `      - { page: ${pathOf(at)}, label: Part ${at} }`);
  const menu = ['  - menu: masthead', '    place: { instead-of: "#old" }', '    entries:', ...entries];
  writeFileSync(
    join(folder, 'kamino.yaml'),
    `${['kamino: 1', 'output: in-place', 'menus:', ...menu].join('\n')}\n`,
  );
}
