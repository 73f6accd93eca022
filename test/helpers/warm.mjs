// The program, kept running: each line of standard input is a command line to run in this one process, and its result goes
// into a pipe by name. So a test that runs fifty commands starts Node.js once.
import { closeSync, openSync, readSync, writeSync } from 'node:fs';
import { arm } from './kill-at.mjs';
import program from '../../dist/kamino.cjs';

const reply = process.argv[2];
const { again, load } = program;
const { run } = load();

/** The next line of standard input; null where there will be none. */
function nextLine() {
  const bytes = [];
  const one = Buffer.alloc(1);
  for (;;) {
    let got;
    try {
      got = readSync(0, one, 0, 1, null);
    } catch (error) {
      if (error.code !== 'EAGAIN') throw error;
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 1);
      continue;
    }
    if (got === 0) return null;
    if (one[0] === 10) return Buffer.from(bytes).toString('utf8');
    bytes.push(one[0]);
  }
}

for (let line = nextLine(); line !== null; line = nextLine()) {
  const { cwd, args, env } = JSON.parse(line);
  const pipe = openSync(reply, 'w');
  const said = { out: '', err: '' };
  process.chdir(cwd);
  for (const name of Object.keys(process.env)) if (!(name in env)) Reflect.deleteProperty(process.env, name);
  Object.assign(process.env, env);
  let status;
  arm({ FULL_AT: env.FULL_AT });
  try {
    const io = {
      out: text => void (said.out += text),
      err: text => void (said.err += text),
      outIsTerminal: false,
      errIsTerminal: false,
      environment: process.env,
    };
    status = (await again(args, io)) ?? (await run(args, io));
  } catch (error) {
    said.err += `${error.stack}\n`;
    status = 1;
  }
  arm({});
  const bytes = Buffer.from(JSON.stringify({ status, ...said }));
  for (let at = 0; at < bytes.length;) at += writeSync(pipe, bytes, at);
  closeSync(pipe);
  process.chdir('/');
}
