#!/usr/bin/env node
// Starts the program from what V8 has compiled of it already, where that is of this version of Node.js. What only tells of the
// program was told when it was built, and needs none of it.
const { fstatSync, readFileSync, writeSync } = require('node:fs');
const process = require('node:process');

/** The least columns for which the help was told: in a narrower terminal it is laid out anew. */
const columns = 80;

function isWide() {
  return !fstatSync(1).isCharacterDevice() || (process.stdout.columns ?? columns) >= columns;
}

/** What these words ask for, as bytes; nothing where it was not kept, or has to be laid out. */
function toldOf(words) {
  if (words.length > 1) return undefined;
  try {
    const text = JSON.parse(readFileSync(`${__dirname}/told.json`, 'utf8'))[words[0] ?? ''];
    return text && (words[0] === '--version' || isWide()) ? Buffer.from(text) : undefined;
  } catch {
    return undefined;
  }
}

/** False where it cannot be written. */
function tell(bytes) {
  try {
    for (let at = 0; at < bytes.length;) at += writeSync(1, bytes, at);
    return true;
  } catch (error) {
    // Whoever reads may stop reading.
    return error.code === 'EPIPE';
  }
}

function start() {
  const { join } = require('node:path');
  const { Script } = require('node:vm');
  const { crc32 } = require('node:zlib');
  const filename = join(__dirname, 'program.cjs');
  const source = readFileSync(filename);

  /** What was compiled of this very source, whole; V8 itself does not look, and falls over what is not. */
  const compiled = () => {
    try {
      const file = readFileSync(join(__dirname, 'program.cache'));
      const data = file.subarray(8);
      const isRight = file.readUInt32LE(0) === crc32(source) && file.readUInt32LE(4) === crc32(data);
      return isRight ? data : undefined;
    } catch {
      return undefined;
    }
  };

  const code = `(function (exports, require, module, __filename, __dirname) {${source.toString('latin1')}\n})`;
  const script = new Script(code, { filename, cachedData: compiled() });
  const loaded = { exports: {} };
  script.runInThisContext()(loaded.exports, require, loaded, filename, __dirname);
  return { source, script, ...loaded.exports };
}

if (require.main !== module) module.exports = start();
else {
  const told = toldOf(process.argv.slice(2));
  if (!told || !tell(told)) void start().program();
}
