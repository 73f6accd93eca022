// What outlives a test file in its process: the program kept for commands, the driver of browsers, and its browsers. Each
// is made when it is first asked for, and ended when no other test file has followed for a moment.
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { clearTimeout, setTimeout } from 'node:timers';

const moment = 60;

let program = null;
const browsers = new Map();
let files = 0;
let ending = null;

/** A test file begins. */
export function enter() {
  files += 1;
  clearTimeout(ending);
}

/** A test file is over. */
export function leave() {
  files -= 1;
  if (files === 0) ending = setTimeout(() => void end(), moment);
}

async function end() {
  program?.child.kill();
  if (program) rmSync(program.folder, { recursive: true, force: true });
  program = null;
  const all = [...browsers.values()];
  browsers.clear();
  for (const one of all) await (await one).close();
}

/** The library that drives browsers, outside of any test's own globals. */
export const driver = () => import('playwright-core');

/** A browser started with these options; the same for all who ask with the same ones. */
export function browserWith(options) {
  const key = JSON.stringify(options);
  const known = browsers.get(key);
  if (known) return known;
  const started = driver().then(({ chromium }) => chromium.launch(options));
  browsers.set(key, started);
  return started;
}

/** The program, waiting for command lines: where they go, and through which pipe its answers come. */
export function keptProgram() {
  if (program && program.child.exitCode === null && program.child.signalCode === null) return program;
  const folder = mkdtempSync(join(tmpdir(), 'kamino-warm-'));
  const reply = join(folder, 'reply');
  execFileSync('mkfifo', [reply]);
  const child = spawn(process.execPath, [join(import.meta.dirname, 'warm.mjs'), reply], {
    stdio: ['pipe', 'inherit', 'inherit'],
  });
  program = { child, folder, reply, input: child.stdin._handle.fd };
  return program;
}
