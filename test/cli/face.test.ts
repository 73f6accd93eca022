import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import { folderWith, kamino, page, plainly, plan } from '../helpers/site.ts';

describe('the face of the program', () => {
  const folder = folderWith({ 'kamino.yaml': plan('', ['index.html']), 'index.html': page('Home') });

  test.each([[[]], [['--help']], [['help']]])('says with %j what to do first', args => {
    const { status, out, err } = kamino(folder, ...args);
    expect([status, err]).toEqual([0, '']);
    expect(out).toMatch(/What to do first:\n {2}\$ kamino demo/);
    expect(out).toContain('kamino build');
  });

  it('gives examples in the help of a command', () => {
    expect(kamino(folder, 'build', '--help').out).toMatch(/Examples:\n {2}\$ kamino build/);
  });

  it('prints its version', () => {
    expect(kamino(folder, '--version')).toMatchObject({ status: 0, out: '0.1.0\n' });
  });

  test.each([
    [['biuld'], 'build'],
    [['build', '--dry-rnu'], '--dry-run'],
    [['build', 'a', 'b'], 'kamino --help'],
  ])('answers %j with one line and exit status 2', (args, hint) => {
    const { status, out, err } = kamino(folder, ...args);
    expect([status, out]).toEqual([2, '']);
    expect(err.trim().split('\n')).toHaveLength(1);
    expect(err).toContain(hint);
    expect(err).toContain('kamino --help');
  });

  it('says what to do where there is no plan', () => {
    const { status, err } = kamino(folderWith({}), 'build');
    expect(status).toBe(2);
    expect(err).toContain('kamino.yaml: error no-plan');
    expect(err).toContain('menus:');
  });

  it('colours only where asked, and never when told not to', () => {
    const run = (environment: Record<string, string>, ...args: string[]) =>
      spawnSync(
        process.execPath,
        [join(import.meta.dirname, '../../dist/kamino.cjs'), 'build', 'nowhere', ...args],
        {
          cwd: folder,
          encoding: 'utf8',
          env: { PATH: process.env['PATH'], ...environment },
        },
      ).stderr;
    expect(run({})).not.toContain('\x1b[');
    expect(run({ FORCE_COLOR: '1' })).toContain('\x1b[31merror');
    expect(run({ FORCE_COLOR: '1', NO_COLOR: '1' })).not.toContain('\x1b[');
    expect(run({ FORCE_COLOR: '1' }, '--no-color')).not.toContain('\x1b[');
  });

  it('takes a reader that stops reading for no error', () => {
    const command = `"${process.execPath}" "${join(import.meta.dirname, '../../dist/kamino.cjs')}" --help | head -n 1`;
    const { stderr, stdout } = spawnSync('sh', ['-c', command], { encoding: 'utf8' });
    expect([stderr, stdout.split('\n').length]).toEqual(['', 2]);
  });
});

describe('on a terminal', () => {
  const links = Array.from({ length: 30 }, (_, at) => `<a href="gone${at}.html">A</a> `).join('\n');
  const folder = folderWith({ 'a.html': page('One'), 'b.html': page('Two', `<main>${links}</main>`) });
  const told = (columns: number, ...args: string[]): string[] => {
    const program = join(import.meta.dirname, '../../dist/kamino.cjs');
    const line = `stty cols ${columns} rows ${columns === 0 ? 0 : 30}; ${process.execPath} ${program} check ${args.join(' ')}`;
    const { stdout } = spawnSync('script', ['-qec', line, '/dev/null'], {
      cwd: folder,
      encoding: 'utf8',
      env: { ...plainly, TERM: 'xterm' },
    });
    return stdout.split('\r\n');
  };

  it('tells the worst that fits, and all where that is asked for', () => {
    const some = told(80);
    expect(some.length).toBeLessThan(32);
    expect(some[0]).toMatch(/^b\.html:\d+:\d+: error dead-link/);
    expect(some.at(-3)).toMatch(
      /^30 errors, \d warnings?, \d+ of them left out here; {2}--all {2}shows them$/,
    );
    const all = told(80, '--all').join('\n');
    expect(all.match(/error dead-link/g)).toHaveLength(30);
    expect(all).not.toContain('left out');
  });

  it('tells all in whole lines where the terminal says that it has no size', () => {
    const lines = told(0, '; stty size').filter(line => /^\d/.test(line));
    expect(lines.at(-1)).toMatch(/^(?:\d+ )?0$/);
    expect(told(0).join('\n')).toMatch(/^b\.html:\d+:\d+: error dead-link: the site has no `gone29\.html`$/m);
  });

  it.each([40, 60, 200])('breaks lines of %d characters between words', columns => {
    const lines = told(columns, '--all').filter(line => !line.startsWith('Checked'));
    expect(lines.filter(line => line.length > columns && !/^ {2}(?:\S+ ){0,3}\S+$/.test(line))).toEqual([]);
    expect(lines.join(' ').replace(/\s+/g, ' ')).toContain('error dead-link: the site has no `gone7.html`');
  });
});

describe('completion', () => {
  const complete = (...words: string[]): string[] => {
    const { out } = kamino(folderWith({}), 'completion', 'bash');
    const script = `${out}\nCOMP_WORDS=(${words.map(word => `'${word}'`).join(' ')}); COMP_CWORD=${words.length - 1}; _kamino; printf '%s\\n' "\${COMPREPLY[@]}"`;
    return spawnSync('bash', ['-c', script], { encoding: 'utf8' }).stdout.split('\n').filter(Boolean);
  };

  it.each([
    [['kamino', 'in'], ['inventory']],
    [['kamino', 'build', '--dr'], ['--dry-run']],
    [
      ['kamino', 'entry', 'r'],
      ['rename', 'remove', 'retarget'],
    ],
    [
      ['kamino', 'draft', '--f'],
      ['--from', '--force'],
    ],
  ])('%j', (words, found) => {
    expect(complete(...words)).toEqual(found);
  });

  it('is there for other shells, and for no unknown one', () => {
    expect(kamino(folderWith({}), 'completion', 'zsh').out).toMatch(/^#compdef kamino\n[^]*'--dry-run\[/);
    expect(kamino(folderWith({}), 'completion', 'fish').out).toContain(
      "-n '__fish_seen_subcommand_from build' -l dry-run",
    );
    expect(kamino(folderWith({}), 'completion', 'tcl').status).toBe(2);
  });
});
