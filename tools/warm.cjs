// Runs what people run first, and keeps what V8 has compiled for it, and what tells of the program: node tools/warm.cjs
const { appendFileSync, cpSync, mkdtempSync, rmSync, writeFileSync } = require('node:fs');
const { tmpdir } = require('node:os');
const { join } = require('node:path');
const { crc32 } = require('node:zlib');
const { again, load } = require('../dist/kamino.cjs');

const { run } = load();

const nothing = () => undefined;
const io = { out: nothing, err: nothing, outIsTerminal: false, errIsTerminal: false, environment: {} };
const folder = mkdtempSync(join(tmpdir(), 'kamino-warm-'));
const inDist = name => join(__dirname, '../dist', name);

/** Keeps what is told of the program itself, by the word that asks for it. */
async function keepTold() {
  const told = {};
  for (const word of ['', '--version', '-V', '--help', '-h', 'help']) {
    told[word] = '';
    const out = text => (told[word] += text);
    await run(word === '' ? [] : [word], { ...io, out });
  }
  writeFileSync(inDist('told.json'), JSON.stringify(told));
}

/** Keeps what has been compiled of a part so far. */
function keepCompiled(name) {
  const { source, script } = load(name);
  const data = script.createCachedData();
  const sums = Buffer.alloc(8);
  sums.writeUInt32LE(crc32(source), 0);
  sums.writeUInt32LE(crc32(data), 4);
  writeFileSync(inDist(`${name}.cache`), Buffer.concat([sums, data]));
}

async function warm() {
  await keepTold();
  await keepParts();
  await run(['demo', folder], io);
  const commands = ['build', 'build', 'check', 'inventory', 'draft', 'lift', 'measure', 'map'];
  for (const command of commands) await run([command, folder], io);
  await run(['build', '--help'], io);
  keepCompiled('program');
}

/** The parts that build, before V8 forgets what ran once. */
async function keepParts() {
  cpSync(join(__dirname, '../demo'), folder, { recursive: true });
  await again(['build', folder], io);
  keepCompiled('make');
  appendFileSync(join(folder, 'visit/index.html'), '\n');
  await again(['build', folder], io);
  keepCompiled('few');
  rmSync(folder, { recursive: true });
}

warm().finally(() => rmSync(folder, { recursive: true, force: true }));
