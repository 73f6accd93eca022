// Loaded before the program: it ends itself, as nothing can foresee, at the nth thing that it does to the disk.
import fs from 'node:fs';
import { syncBuiltinESMExports } from 'node:module';

let left = Number(process.env.KILL_AT);

for (const name of ['writeSync', 'renameSync', 'copyFileSync', 'mkdirSync', 'rmSync']) {
  const own = fs[name];
  fs[name] = (...given) => {
    left -= 1;
    if (left < 0) process.kill(process.pid, 'SIGKILL');
    // Half of what is written is there.
    if (left === 0 && name === 'writeSync' && given[1] instanceof Uint8Array)
      own(given[0], given[1].subarray(0, given[1].length >> 1));
    if (left === 0) process.kill(process.pid, 'SIGKILL');
    return own(...given);
  };
}
syncBuiltinESMExports();
