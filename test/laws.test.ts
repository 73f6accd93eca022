import { readFileSync, readdirSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { expect, it } from '@jest/globals';
import { checkRules } from '../src/core/check/index.ts';

const root = join(import.meta.dirname, '../src');
const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter(file => file.endsWith('.ts'));

/** Files that a file imports, types too. */
function importsOf(file: string): string[] {
  const text = readFileSync(join(root, file), 'utf8');
  const found = [...text.matchAll(/(?:from|import\()\s*'(\.[^']+)'/g)];
  return found.map(match => relative(root, join(root, dirname(file), match[1]!)));
}

it('has no two files that import each other, by whatever way', () => {
  const imports = new Map(files.map(file => [file, importsOf(file)]));
  expect([...imports.values()].flat().length).toBeGreaterThan(100);
  const reaches = (from: string, to: string, seen = new Set<string>()): boolean =>
    (imports.get(from) ?? []).some(
      next => next === to || (!seen.has(next) && reaches(next, to, seen.add(next))),
    );
  expect(files.filter(file => reaches(file, file))).toEqual([]);
});

it('has every file of a rule in the list of rules, by the name of the file', () => {
  const found = readdirSync(join(root, 'core/check/rules')).map(file => file.replace(/\.ts$/, ''));
  expect(checkRules.map(({ name }) => name).sort()).toEqual(found.sort());
});

it('has no job that stands on more than two others', () => {
  const jobs = files.filter(file => file.startsWith('jobs/'));
  const floor = (file: string): number =>
    1 +
    Math.max(
      0,
      ...importsOf(file)
        .filter(other => jobs.includes(other))
        .map(floor),
    );
  expect(jobs.length).toBeGreaterThan(20);
  expect(jobs.filter(file => floor(file) > 3)).toEqual([]);
});
