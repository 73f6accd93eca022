// Every command line that people are shown is one that the program takes.
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { folderWith, kamino } from '../helpers/site.ts';

const root = join(import.meta.dirname, '../..');
const commands =
  'build check completion demo draft embed entry explain inventory lift map measure pack pictures preview specimen take-back walk'.split(
    ' ',
  );

/** What is shown in code, or as an example in a help. */
function shownIn(text: string): string[] {
  const code = [...text.matchAll(/```\w*\n([^]*?)```|`([^`\n]+)`|^ *\$ (.+)$/gm)].map(
    match => match[1] ?? match[2] ?? match[3]!,
  );
  return [
    ...code.flatMap(one => one.split('\n')),
    ...[...text.matchAll(/ {2}(kamino .*?)(?: {2}|$|[”’`])/gm)].map(match => match[1]!),
  ];
}

/** The command lines in a text, each as its words: up to what describes it, and what a shell makes of it. */
function commandLines(text: string): string[][] {
  return shownIn(text).flatMap(line =>
    line.split(/<br>| {2,}| → |→|#|;|&&|\||>|\)/).flatMap(part => {
      const [, rest] = /^\s*\$?\s*(?:npx )?kamino (.+)$/.exec(part) ?? [];
      if (rest === undefined || !commands.includes(rest.split(/[ .,]/)[0]!)) return [];
      const words = [...rest.matchAll(/(?:"(?:[^"\\]|\\.)*"|[^\s"])+/g)].map(match =>
        match[0].replaceAll('"', ''),
      );
      // `[plan]` and `NAME` stand for what is to be written there.
      return [words.map(word => word.replace(/[[\]<>.,…:]+$/, '').replace(/^[[<]/, '')).filter(Boolean)];
    }),
  );
}

const texts = {
  ...Object.fromEntries(
    [
      'README.md',
      ...readdirSync(join(root, 'docs'))
        .filter(name => name.endsWith('.md'))
        .map(name => `docs/${name}`),
    ].map(name => [name, readFileSync(join(root, name), 'utf8')]),
  ),
  ...Object.fromEntries(
    [...commands, 'entry add', 'entry move', 'entry retarget'].map(name => [
      `kamino ${name} --help`,
      kamino(folderWith({}), ...name.split(' '), '--help').out,
    ]),
  ),
  'kamino explain': explained(),
};

/** Every page of the manual. */
function explained(): string {
  const folder = folderWith({});
  const { names } = JSON.parse(kamino(folder, 'explain', '--json').out) as {
    names: Record<string, string[]>;
  };
  return [...new Set(Object.values(names).flat())]
    .map(name => kamino(folder, 'explain', name).out)
    .join('\n');
}

/** What goes on until somebody ends it, or goes through what another line has made. */
const ending: Record<string, string[]> = { preview: ['no-such-plan'], walk: ['--page', 'no-such-page.html'] };

describe.each(Object.entries(texts))('%s', (_, text) => {
  const lines = [...new Set(commandLines(text).map(words => words.join('\0')))].map(line => line.split('\0'));
  it(`has command lines that are taken (${lines.length})`, () => {
    // In a folder without anything each ends at once: what counts is that nothing in it is unknown.
    const folder = folderWith({});
    const unknown = lines.flatMap(words => {
      const run = [...words, ...(ending[words[0]!] ?? [])];
      const { err } = kamino(folder, ...run.map(word => (word.startsWith('/') ? join(folder, word) : word)));
      return /unknown (?:option|command)|too many arguments|missing required/.test(err)
        ? [[words.join(' '), err]]
        : [];
    });
    expect(unknown).toEqual([]);
  });
});

it('finds them', () => {
  const all = Object.values(texts).flatMap(commandLines);
  expect(new Set(all.map(([name]) => name)).size).toBe(commands.length);
  expect(all.length).toBeGreaterThan(110);
});
