// Tells whether the cost of each command grows in line with the pages: a site of some pages and one of eight times as
// many. More than twelve times the time fails. npm run bench:growth [-- pages rounds]
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pageOf, pathOf } from './pages.mjs';

const [count = 400, rounds = 2] = process.argv.slice(2).map(Number);
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
  const [small, large] = [count, times * count].map(measured);
  for (const name of Object.keys(commands)) {
    const grown = (large[name] - idle) / (small[name] - idle);
    const verdict = grown <= most ? 'holds' : 'MISSED';
    const took = [small, large].map(one => `${(one[name] * 1000).toFixed(0)} ms`).join(', ');
    console.log(`${name}: ${took}; ${grown.toFixed(1)} times (at most ${most}: ${verdict})`);
    if (grown > most) process.exitCode = 1;
  }
} finally {
  rmSync(root, { recursive: true, force: true });
}

/** The least time of each command on so many pages, in seconds. */
function measured(pages) {
  const folder = join(root, String(pages));
  makeSite(folder, pages);
  const least = Object.fromEntries(Object.keys(commands).map(name => [name, Infinity]));
  for (let round = 0; round < rounds; round += 1)
    for (const [name, argumentsFor] of Object.entries(commands))
      least[name] = Math.min(least[name], seconds(argumentsFor(folder)));
  return least;
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
