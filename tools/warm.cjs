// Runs what people run first, and keeps what V8 has compiled for it: node tools/warm.cjs
const { mkdtempSync, rmSync, writeFileSync } = require('node:fs');
const { tmpdir } = require('node:os');
const { join } = require('node:path');
const { crc32 } = require('node:zlib');
const { source, script, run } = require('../dist/kamino.cjs');

const nothing = () => undefined;
const io = { out: nothing, err: nothing, outIsTerminal: false, errIsTerminal: false, environment: {} };
const folder = mkdtempSync(join(tmpdir(), 'kamino-warm-'));

/** Keeps what has been compiled so far. */
function keep(name) {
  const data = script.createCachedData();
  const sums = Buffer.alloc(8);
  sums.writeUInt32LE(crc32(source), 0);
  sums.writeUInt32LE(crc32(data), 4);
  writeFileSync(join(__dirname, '../dist', name), Buffer.concat([sums, data]));
}

async function warm() {
  await run(['--version'], io);
  await run(['--help'], io);
  keep('told.cache');
  await run(['demo', folder], io);
  const commands = ['build', 'build', 'check', 'inventory', 'draft', 'lift', 'measure', 'map'];
  for (const command of commands) await run([command, folder], io);
  await run(['build', '--help'], io);
  keep('program.cache');
}

warm().finally(() => rmSync(folder, { recursive: true, force: true }));
