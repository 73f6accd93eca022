#!/usr/bin/env node
// Starts the program from what V8 has compiled of it already, where that is of this version of Node.js.
const { readFileSync } = require('node:fs');
const { join } = require('node:path');
const { argv } = require('node:process');
const { Script } = require('node:vm');
const { crc32 } = require('node:zlib');

const filename = join(__dirname, 'program.cjs');
const source = readFileSync(filename);

/** What only tells of the program needs little of it: the less is read, the sooner it is told. */
const isTold = [undefined, '--version', '--help', '-h', 'help'].includes(argv[2]);

/** What was compiled of this very source, whole; V8 itself does not look, and falls over what is not. */
function compiled() {
  try {
    const file = readFileSync(join(__dirname, isTold ? 'told.cache' : 'program.cache'));
    const data = file.subarray(8);
    const isRight = file.readUInt32LE(0) === crc32(source) && file.readUInt32LE(4) === crc32(data);
    return isRight ? data : undefined;
  } catch {
    return undefined;
  }
}

const code = `(function (exports, require, module, __filename, __dirname) {${source.toString('latin1')}\n})`;
const script = new Script(code, { filename, cachedData: compiled() });
const loaded = { exports: {} };
script.runInThisContext()(loaded.exports, require, loaded, filename, __dirname);
if (require.main === module) void loaded.exports.program();
else module.exports = { source, script, run: loaded.exports.run };
