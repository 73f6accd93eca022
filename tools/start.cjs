#!/usr/bin/env node
// Starts the program from what V8 has compiled of it already, where that is of this version of Node.js.
const { readFileSync } = require('node:fs');
const { join } = require('node:path');
const { Script } = require('node:vm');

/** @param name of a file beside this one; undefined where it is not there */
function beside(name, encoding) {
  try {
    return readFileSync(join(__dirname, name), encoding);
  } catch {
    return undefined;
  }
}

const filename = join(__dirname, 'program.cjs');
const code = `(function (exports, require, module, __filename, __dirname) {${readFileSync(filename, 'latin1')}\n})`;
const script = new Script(code, { filename, cachedData: beside('program.cache') });
const loaded = { exports: {} };
script.runInThisContext()(loaded.exports, require, loaded, filename, __dirname);
if (require.main === module) void loaded.exports.program();
else module.exports = { script, run: loaded.exports.run };
