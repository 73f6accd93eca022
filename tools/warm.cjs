// Runs what people run first, and keeps what V8 has compiled for it: node tools/warm.cjs
const { mkdtempSync, rmSync, writeFileSync } = require('node:fs');
const { tmpdir } = require('node:os');
const { join } = require('node:path');
const { script, run } = require('../dist/kamino.cjs');

const nothing = () => undefined;
const io = { out: nothing, err: nothing, outIsTerminal: false, errIsTerminal: false, environment: {} };
const folder = mkdtempSync(join(tmpdir(), 'kamino-warm-'));

async function warm() {
  await run(['demo', folder], io);
  const commands = ['build', 'build', 'check', 'inventory', 'draft', 'lift', 'measure', 'map'];
  for (const command of commands) await run([command, folder], io);
  await run(['--help'], io);
  await run(['build', '--help'], io);
  writeFileSync(join(__dirname, '../dist/program.cache'), script.createCachedData());
}

warm().finally(() => rmSync(folder, { recursive: true, force: true }));
