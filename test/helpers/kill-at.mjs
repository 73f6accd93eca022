// Loaded before the program. KILL_AT: it ends itself, as nothing can foresee, at the nth thing that it does to the disk.
// FULL_AT: from the nth write on the disk is full. REFUSED: files with this in their names are too large to be written, with
// ELSEWHERE not by another thread, which then makes a file of that name. Threads count on their own. What is kept for many commands is armed for each of them.
import fs from 'node:fs';
import { syncBuiltinESMExports } from 'node:module';
import { isMainThread } from 'node:worker_threads';

let left = Infinity;
let room = Infinity;

export function arm({ KILL_AT, FULL_AT }) {
  left = Number(KILL_AT ?? Infinity);
  room = Number(FULL_AT ?? Infinity);
}

arm(process.env);

for (const name of ['writeSync', 'renameSync', 'copyFileSync', 'mkdirSync', 'rmSync']) {
  const own = fs[name];
  fs[name] = (...given) => {
    if (name === 'writeSync' || name === 'copyFileSync') {
      room -= 1;
      if (room < 0) throw Object.assign(new Error('ENOSPC'), { code: 'ENOSPC', syscall: 'write' });
    }
    left -= 1;
    if (left < 0) process.kill(process.pid, 'SIGKILL');
    // Half of what is written is there.
    if (left === 0 && name === 'writeSync' && given[1] instanceof Uint8Array)
      own(given[0], given[1].subarray(0, given[1].length >> 1));
    if (left === 0) process.kill(process.pid, 'SIGKILL');
    return own(...given);
  };
}

const { REFUSED, ELSEWHERE } = process.env;
const open = fs.openSync;
let waits = ELSEWHERE !== undefined && isMainThread;
fs.openSync = (path, ...how) => {
  // Time for the other thread to begin.
  if (waits && how[0] === 'wx' && path.endsWith('.html')) {
    waits = false;
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 1000);
  }
  const isRefused = REFUSED && how[0] === 'wx' && path.includes(REFUSED) && !(ELSEWHERE && isMainThread);
  if (isRefused && ELSEWHERE) fs.writeFileSync(ELSEWHERE, '');
  if (isRefused) throw Object.assign(new Error('EFBIG'), { code: 'EFBIG', syscall: 'open', path });
  return open(path, ...how);
};
syncBuiltinESMExports();
