// Measures every command on documentation that others have made, against a plain program that reads and writes the same
// files: processor time, in memory, interleaved, the least of some rounds, less that of `node -e 0`. Prints one table.
// npm run bench:real [-- rounds [name of a package …]]
import { spawnSync } from 'node:child_process';
import {
  appendFileSync,
  cpSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { sets, unpack } from './packages.mjs';

const [given, ...named] = process.argv.slice(2);
const rounds = Number(given ?? 3);
const names = named.length > 0 ? named : Object.keys(sets);
const program = fileURLToPath(new URL('../dist/kamino.cjs', import.meta.url));
const yardstick = fileURLToPath(new URL('yardstick.mjs', import.meta.url));
/** Tells in the end how much time and memory a process took, with all its threads. */
const used =
  'data:text/javascript,process.on("exit",()=>{const{userCPUTime,systemCPUTime,maxRSS}=process.resourceUsage();process.stderr.write(`\\n${(userCPUTime+systemCPUTime)/1e6} ${maxRSS}\\n`)})';

/** The most that each may take, in times of the plain copy. */
const rows = {
  'full build, slots': 1.8,
  'full build, every page searched': 4,
  'full build, in place of what is there': 4,
  'nothing changed, with warnings': 0.5,
  'one page changed': 0.6,
  'in place': 5,
  'in place, nothing changed': 0.5,
  'in place, one page changed': 0.6,
  lift: 3,
  check: 8,
  'check, nothing changed': 8,
  inventory: 8,
};
const table = Object.fromEntries(Object.keys(rows).map(name => [name, []]));
const root = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'kamino-real-'));
const empty = Math.min(...Array.from({ length: 5 }, () => spend('-e', '0').seconds));

try {
  for (const name of names) measure(name);
} finally {
  rmSync(root, { recursive: true, force: true });
}

console.log(`| times the plain copy (memory) | at most | ${names.join(' | ')} |`);
console.log(`|---|---|${'---|'.repeat(names.length)}`);
for (const [row, cells] of Object.entries(table))
  console.log(`| ${row} | ${rows[row]} | ${cells.join(' | ')} |`);

function measure(name) {
  const site = join(root, name);
  unpack(name, site);
  const least = { copy: Infinity };
  const most = {};
  const note = (row, { seconds, megabytes }) => {
    least[row] = Math.min(least[row] ?? Infinity, seconds);
    most[row] = Math.max(most[row] ?? 0, megabytes);
  };
  for (let round = 0; round < rounds; round += 1) {
    for (let time = 0; time < 3; time += 1) {
      const copy = join(root, 'copy');
      note('copy', spend(yardstick, site, copy));
      rmSync(copy, { recursive: true });
    }
    intoFolders(name, site, note);
    inPlace(name, site, note);
    if (round === 0) note('inventory', spend(program, 'inventory', '--json', site));
  }
  const unit = least.copy - empty;
  for (const row of Object.keys(rows)) {
    const times = (least[row] - empty) / unit;
    table[row].push(`${times.toFixed(2)} (${Math.round(most[row])} MB)`);
  }
  console.error(`${name}: the copy takes ${(unit * 1000).toFixed(0)} ms`);
  rmSync(site, { recursive: true });
}

function intoFolders(name, site, note) {
  const { insteadOf } = sets[name];
  const plan = join(site, 'kamino.yaml');
  const out = join(root, 'out');
  const clear = () => {
    for (const folder of [out, join(site, '.kamino')]) rmSync(folder, { recursive: true, force: true });
  };
  writePlan(plan, name, `{ instead-of: "${insteadOf}", drop: true }`, '../out');
  note('full build, in place of what is there', spend(program, 'build', plan));
  clear();
  writePlan(plan, name, '{ first-in: body }', '../out');
  note('full build, every page searched', spend(program, 'build', plan));
  note('nothing changed, with warnings', spend(program, 'build', plan));
  const page = join(site, sets[name].entries[1]);
  const was = readFileSync(page);
  appendFileSync(page, '\n');
  note('one page changed', spend(program, 'build', plan));
  writeFileSync(page, was);
  if (least(note)) note('check', spend(program, 'check', plan));
  // Of a small site, or one that was built just now, nothing is kept.
  note('check, nothing changed', spend(program, 'check', plan));
  clear();
  const slots = join(root, 'slots');
  cpSync(site, slots, { recursive: true });
  addSlots(slots);
  writePlan(join(slots, 'kamino.yaml'), name, null, '../out');
  note('full build, slots', spend(program, 'build', slots));
  rmSync(slots, { recursive: true });
  clear();
  rmSync(plan);
}

function inPlace(name, site, note) {
  const place = join(root, 'place');
  cpSync(site, place, { recursive: true });
  writePlan(join(place, 'kamino.yaml'), name, '{ first-in: body }', 'in-place');
  note('in place', spend(program, 'build', place));
  // What was found in pages before they were changed is looked at once more.
  spend(program, 'build', place);
  note('in place, nothing changed', spend(program, 'build', place));
  appendFileSync(join(place, sets[name].entries[1]), '\n');
  note('in place, one page changed', spend(program, 'build', place));
  note('lift', spend(program, 'lift', place));
  rmSync(place, { recursive: true });
}

/** Once is enough for what takes long. */
function least(note) {
  if (least.seen === note) return false;
  least.seen = note;
  return true;
}

function writePlan(file, name, place, output) {
  const entries = sets[name].entries.map((page, at) => `      - { page: ${page}, label: Part ${at} }`);
  const lines = [
    'kamino: 1',
    `output: ${output}`,
    'menus:',
    '  - menu: masthead',
    ...(place === null ? [] : [`    place: ${place}`]),
    '    entries:',
    ...entries,
  ];
  writeFileSync(file, `${lines.join('\n')}\n`);
}

function addSlots(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) addSlots(path);
    else if (/\.html?$/.test(entry.name)) {
      const page = readFileSync(path, 'latin1');
      const slot = '<div data-kamino-slot="masthead"></div>';
      writeFileSync(
        path,
        page.replace(/<body[^>]*>/i, body => `${body}\n${slot}`),
        'latin1',
      );
    }
  }
}

/** Processor time in seconds, and the most memory in MB, whatever the exit status. */
function spend(...args) {
  const { stderr } = spawnSync(process.execPath, ['--import', used, ...args], {
    encoding: 'utf8',
    maxBuffer: 1 << 28,
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  const [seconds, kilobytes] = stderr.trim().split('\n').at(-1).split(' ').map(Number);
  return { seconds, megabytes: kilobytes / 1024 };
}
