import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { describe, expect, it } from '@jest/globals';
import {
  type Ran,
  contents,
  filesOf,
  folderWith,
  kamino,
  kaminoAlone,
  page,
  plainly,
  plan,
  put,
  toldFiles,
} from '../helpers/site.ts';

const program = join(import.meta.dirname, '../../dist/kamino.cjs');

describe('a large site', () => {
  const many = Object.fromEntries(
    Array.from({ length: 600 }, (_, at) => {
      const prose = `Words of page ${at}. `.repeat(at === 500 ? 70_000 : 700);
      return [at === 550 ? 'Ελλάδα/a b.html' : `part-${at % 9}/page-${at}.html`, page(`P${at}`, prose)];
    }),
  );
  const yaml = plan('', ['part-0/page-0.html']);
  const notes = 'as it is\n';
  const site = (): string => folderWith({ ...many, 'notes.txt': notes, 'kamino.yaml': yaml });
  const anew = (folder: string): void => {
    for (const made of ['built', '.kamino']) rmSync(join(folder, made), { recursive: true, force: true });
  };

  it('is written by another thread while this one makes its pages, and known file by file', () => {
    const folder = site();
    expect(kaminoAlone(folder, 'build').status).toBe(0);
    // Into a folder that is there already this thread writes alone.
    const [first, ...others] = Object.entries(many);
    const other = folderWith({ [first![0]]: first![1], 'kamino.yaml': yaml });
    expect(kamino(other, 'build').status).toBe(0);
    put(other, { ...Object.fromEntries(others), 'notes.txt': notes });
    expect(kamino(other, 'build').status).toBe(0);
    const built = contents(join(other, 'built'));
    expect(contents(join(folder, 'built'))).toEqual(built);
    expect(kaminoAlone(folder, 'build').out).toMatch(/^Nothing to do/);
    anew(folder);
    const elsewhere = join(folder, '.tried');
    expect(unluckily(folder, { REFUSED: 'page-572', ELSEWHERE: elsewhere }).status).toBe(0);
    expect(existsSync(elsewhere)).toBe(true);
    expect(contents(join(folder, 'built'))).toEqual(built);
    expect(kaminoAlone(folder, 'build').out).toMatch(/^Nothing to do/);
  });

  it('is built but for a page that cannot be written, which is told and made the next time', () => {
    const folder = site();
    const ran = unluckily(folder, { REFUSED: 'page-572' });
    expect(ran.status).toBe(1);
    expect(toldFiles(ran.err, 'cannot-write')).toEqual(['built/part-5/page-572.html']);
    expect(ran.out).toContain(`${Object.keys(many).length + 1} new`);
    expect(filesOf(join(folder, 'built'))).toHaveLength(Object.keys(many).length + 1);
    expect(kaminoAlone(folder, 'build').out).toContain('1 new, 0 changed');
  });

  it('leaves nothing half written on a disk that is full, and nothing but a folder to sweep when killed', () => {
    const folder = site();
    for (const at of [1, 200]) {
      const ran = unluckily(folder, { FULL_AT: String(at) });
      expect([ran.status, ran.err]).toEqual([
        2,
        expect.stringMatching(/the disk is full[^]*Nothing was written/),
      ]);
      expect(readdirSync(folder).filter(one => /built|\.part$/.test(one))).toEqual([]);
    }
    expect(unluckily(folder, { KILL_AT: '200' }).status).toBeNull();
    expect(existsSync(join(folder, 'built'))).toBe(false);
    expect(kaminoAlone(folder, 'build').status).toBe(0);
    expect(readdirSync(folder).filter(one => /\.part$/.test(one))).toEqual([]);
  });
});

/** A build in a process in which the disk does as the environment says. */
function unluckily(folder: string, environment: Record<string, string>): Ran {
  const misfortune = pathToFileURL(join(import.meta.dirname, '../helpers/kill-at.mjs')).href;
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--import', misfortune, program, 'build'], {
    cwd: folder,
    encoding: 'utf8',
    env: { ...plainly, ...environment },
  });
  return { status, out: stdout, err: stderr };
}
