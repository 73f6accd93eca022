// Loaded before the program. EDIT_FILE: somebody saves this file right after it was read, EDIT_TIMES times.
import fs from 'node:fs';
import { syncBuiltinESMExports } from 'node:module';
import { resolve } from 'node:path';

const file = resolve(process.env.EDIT_FILE);
let left = Number(process.env.EDIT_TIMES);
let read = false;

// The reading is over where the next file is made.
const open = fs.openSync;
fs.openSync = (path, flags, ...more) => {
  const handle = open(path, flags, ...more);
  if (resolve(String(path)) === file) read = true;
  else if (flags === 'wx' && read && left > 0) {
    left -= 1;
    fs.appendFileSync(file, `<p>edit ${left}</p>\n`);
  }
  return handle;
};
syncBuiltinESMExports();
