import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, relative } from 'node:path';
import { afterAll } from '@jest/globals';
import { runWarm } from './warm.ts';

const program = join(import.meta.dirname, '../../dist/kamino.cjs');
export const demoFolder = join(import.meta.dirname, '../../demo');
const made: string[] = [];
afterAll(() => {
  for (const folder of made) rmSync(folder, { recursive: true, force: true });
});

/** A new folder with these files (text as UTF-8); it is removed after the tests. */
export function folderWith(files: Record<string, string | Uint8Array>): string {
  const folder = mkdtempSync(join(tmpdir(), 'kamino-'));
  made.push(folder);
  put(folder, files);
  return folder;
}

export function put(folder: string, files: Record<string, string | Uint8Array>): void {
  for (const [path, content] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), content);
  }
}

/** The environment of a command whose output is read: without colour, whatever the tests themselves run in. */
export const plainly: NodeJS.ProcessEnv = { ...process.env, NO_COLOR: '1', FORCE_COLOR: undefined };

export interface Ran {
  status: number | null;
  out: string;
  err: string;
}

/** Runs the built program in a process that is kept for all commands of a test file. */
export function kamino(folder: string, ...args: string[]): Ran {
  return runWarm({ cwd: folder, args, env: plainly });
}

/** The same in a process of its own, as a terminal starts it. */
export function kaminoAlone(folder: string, ...args: string[]): Ran {
  const { status, stdout, stderr } = spawnSync(process.execPath, [program, ...args], {
    cwd: folder,
    encoding: 'utf8',
    env: plainly,
  });
  return { status, out: stdout, err: stderr };
}

/** The same while this process goes on: to hear what it calls, or to start several. */
export function kaminoBeside(folder: string, ...args: string[]): Promise<Ran> {
  return new Promise(done => {
    const started = spawn(process.execPath, [program, ...args], { cwd: folder, env: plainly });
    const ran = { out: '', err: '' };
    started.stdout.on('data', (text: Buffer) => (ran.out += text.toString()));
    started.stderr.on('data', (text: Buffer) => (ran.err += text.toString()));
    started.on('close', status => {
      done({ status, ...ran });
    });
  });
}

/** Every file below a folder with its bytes as latin1 text; hidden folders are left out. */
export function contents(folder: string): Record<string, string> {
  const found: Record<string, string> = {};
  for (const path of filesOf(folder)) found[path] = readFileSync(join(folder, path), 'latin1');
  return found;
}

export function filesOf(folder: string): string[] {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter(entry => entry.isFile())
    .map(entry => relative(folder, join(entry.parentPath, entry.name)).replaceAll('\\', '/'))
    .filter(path => !/(^|\/)\.kamino\//.test(path))
    .sort();
}

/** The times of change of all files, to see which were written. */
export function times(folder: string): Record<string, number> {
  return Object.fromEntries(filesOf(folder).map(path => [path, statSync(join(folder, path)).mtimeMs]));
}

export const plan = (lines = '', entries = ['index.html', 'about.html']): string =>
  `kamino: 1\nmenus:\n  - menu: masthead\n    entries:\n${entries.map(one => `      - ${one}\n`).join('')}${lines}`;

export const page = (title: string, body = ''): string =>
  `<!doctype html>\n<html lang="en">\n<head>\n  <meta charset="utf-8">\n  <title>${title}</title>\n</head>\n<body>\n  <main>\n    <h1>${title}</h1>${body}\n  </main>\n</body>\n</html>\n`;

/** Text of pages without the checksums of what is in them. */
export const unsealedIn = (text: string): string => text.replace(/ data-kamino-sum="[^"]*"/g, '');

/** The files that printed findings of a rule tell, those of one cause too. */
export function toldFiles(printed: string, rule: string): string[] {
  return printed.split('\n\n').flatMap(text => {
    const file = new RegExp(`^(.*?)(?::\\d+:\\d+)?: \\w+ ${rule}: `).exec(text)?.[1];
    if (file === undefined) return [];
    const others = /\n {2}The same at (.*)/.exec(text)?.[1]?.split(/, /) ?? [];
    return [file, ...others.map(place => place.replace(/(?::\d+:\d+)?$/, ''))];
  });
}

interface Told {
  rule: string;
  place: { file: string; position?: { line: number } } | null;
  also?: readonly { file: string; position?: { line: number } }[];
}

/** Each place that findings tell, as `file:line rule`; of those of one cause all. */
export function toldPlaces(findings: readonly Told[]): string[] {
  return findings.flatMap(({ rule, place, also = [] }) =>
    [place, ...also].map(one => `${one?.file ?? ''}:${one?.position?.line ?? '-'} ${rule}`),
  );
}
