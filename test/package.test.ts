import { spawnSync } from 'node:child_process';
import { copyFileSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from '@jest/globals';
import { folderWith, plainly, put } from './helpers/site.ts';

const root = join(import.meta.dirname, '..');
const npm = (folder: string, ...args: string[]) => {
  const { status, stdout, stderr } = spawnSync('npm', args, {
    cwd: folder,
    encoding: 'utf8',
    env: { ...process.env, npm_config_loglevel: 'error' },
  });
  expect([status, status === 0 ? '' : stderr]).toEqual([0, '']);
  return stdout;
};

it('packs only what runs, and works when installed into an empty folder', () => {
  const folder = folderWith({});
  npm(root, 'pack', '--pack-destination', folder, '--ignore-scripts');
  const [archive] = readdirSync(folder);
  put(folder, { 'package.json': '{ "name": "client", "private": true, "type": "module" }' });
  npm(folder, 'install', '--no-audit', '--no-fund', '--offline', `./${archive!}`);
  const installed = join(folder, 'node_modules/kamino');
  expect(readdirSync(installed).sort()).toEqual([
    'LICENSE',
    'README.md',
    'demo',
    'demo-old',
    'dist',
    'package.json',
  ]);
  const run = spawnSync(join(folder, 'node_modules/.bin/kamino'), ['demo'], {
    cwd: folder,
    encoding: 'utf8',
    env: plainly,
  });
  // Without a network what reads pictures may be missing, which is told; menus show their words then.
  expect(run.status).toBe(0);
  expect(run.stderr).toMatch(/^$|^\S+ warning words-only: .*\n.*\n\n1 warning\n$/);
  expect(run.stdout).toContain('each leads to its page');
  put(folder, {
    'use.mjs':
      "import { readPlan, Source, version } from 'kamino';\nconsole.log(version, readPlan(new Source('x', '')).findings[0].rule);\n",
  });
  expect(spawnSync(process.execPath, ['use.mjs'], { cwd: folder, encoding: 'utf8' }).stdout).toBe(
    '0.1.0 empty-plan\n',
  );
  put(folder, {
    'use.ts':
      "import { build, type BuildResult } from 'kamino';\nconst result: BuildResult = await build({ plan: '.' });\nexport const pages: number = result.pages;\n",
  });
  const tsc = join(root, 'node_modules/@typescript/native/bin/tsc');
  const types = spawnSync(
    process.execPath,
    [tsc, '--noEmit', '--strict', '--module', 'nodenext', '--skipLibCheck', 'use.ts'],
    { cwd: folder, encoding: 'utf8' },
  );
  expect(types.stdout).toBe('');
});

/** The program with what was kept for its start, in a folder of its own. */
const startWith = (name: string, kept: Buffer, ...args: string[]) => {
  const folder = folderWith({
    'package.json': readFileSync(join(root, 'package.json')),
    [`dist/${name}`]: kept,
  });
  for (const file of ['kamino.cjs', 'again.cjs', 'program.cjs'])
    copyFileSync(join(root, 'dist', file), join(folder, 'dist', file));
  const start = [join(folder, 'dist/kamino.cjs'), ...args];
  const { status, stdout } = spawnSync(process.execPath, start, { encoding: 'utf8', env: plainly });
  return { status, stdout };
};

it('starts without what was compiled before, where that is broken or of another program', () => {
  const kept = readFileSync(join(root, 'dist/program.cache'));
  const other = Buffer.from(kept);
  for (let at = 5000; at < other.length; at += 5000) other[at]! ^= 0xff;
  for (const cache of [kept, other, kept.subarray(0, 100_000), Buffer.alloc(0)])
    expect(startWith('program.cache', cache, 'build', '--help')).toEqual({
      status: 0,
      stdout: expect.stringMatching(/^Usage: kamino build /),
    });
});

it.each(['', '--version', '-V', '--help', '-h', 'help'])('tells at once what the program tells: %j', word => {
  const words = word === '' ? [] : [word];
  const kept = readFileSync(join(root, 'dist/told.json'));
  const [first, ...others] = [kept, kept.subarray(0, 100), Buffer.alloc(0)].map(told =>
    startWith('told.json', told, ...words),
  );
  expect(first).toEqual({ status: 0, stdout: expect.stringMatching(/^0\.1\.0\n$|^Usage: kamino /) });
  expect(others).toEqual([first, first]);
});
