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

const loaded = {};

/** The program, or a part of it that builds, with what V8 has compiled of it. */
function load(name = 'program') {
  return (loaded[name] ??= loadedNow(name));
}

function loadedNow(name) {
  const { join } = require('node:path');
  const { Script } = require('node:vm');
  const { crc32 } = require('node:zlib');
  const filename = join(__dirname, `${name}.cjs`);
  const source = readFileSync(filename);

  /** What was compiled of this very source, whole; V8 itself does not look, and falls over what is not. */
  const compiled = () => {
    try {
      const file = readFileSync(join(__dirname, `${name}.cache`));
      const data = file.subarray(8);
      const isRight = file.readUInt32LE(0) === crc32(source) && file.readUInt32LE(4) === crc32(data);
      return isRight ? data : undefined;
    } catch {
      return undefined;
    }
  };

  const code = `(function (exports, require, module, __filename, __dirname) {${source.toString('latin1')}\n})`;
  const script = new Script(code, { filename, cachedData: compiled() });
  const made = { exports: {} };
  script.runInThisContext()(made.exports, require, made, filename, __dirname);
  return { source, script, ...made.exports };
}

/** Builds, and gives the exit status; null for all other commands. */
async function again(words, io) {
  if (words[0] !== 'build') return null;
  // Small enough to be compiled in less time than it takes to see whether what was kept of it is whole.
  const part = require('./again.cjs');
  return part.again(words, io ?? part.straight(), load);
}

async function start(words) {
  const status = await again(words);
  if (status === null) load().program();
  else process.exitCode = status;
}

if (require.main !== module) module.exports = { again, load };
else {
  const words = process.argv.slice(2);
  const told = toldOf(words);
  if (!told || !tell(told)) void start(words);
}
