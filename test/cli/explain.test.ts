import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import { contents, folderWith, kamino, page } from '../helpers/site.ts';

const folder = folderWith({});

describe('explain', () => {
  test.each([
    ['branch', 'A key of a menu', 'branch: masthead'],
    ['missing-page', 'Its severity is error', 'page: Visit.html'],
    ['dropdown', 'Kamino’s word for it is entries', 'entries:'],
    ['within', 'aria-current', 'kamino-within'],
    ['EDITOR', 'JSON Schema 2020-12', '$schema=.kamino/plan.schema.json'],
  ])('tells of %s with an example', (name, words, example) => {
    const { status, out, err } = kamino(folder, 'explain', name);
    expect([status, err]).toEqual([0, '']);
    expect(out.replace(/\s+/g, ' ')).toContain(words);
    expect(out).toContain(example);
  });

  it('tells of a key in each part that has it', () => {
    expect(kamino(folder, 'explain', 'depth').out.match(/^depth /gm)).toHaveLength(3);
  });

  it('shows the hooks for own rules with six examples', () => {
    const { out } = kamino(folder, 'explain', 'css');
    expect(out.match(/^ {6}[^ ].*\{$/gm)?.length).toBeGreaterThanOrEqual(6);
  });

  it('knows the nearest page of a misspelt name', () => {
    const { status, out, err } = kamino(folder, 'explain', 'mising-page');
    expect([status, out]).toEqual([2, '']);
    expect(err).toContain('Did you mean `missing-page`?');
  });

  it('lists all pages, also as JSON', () => {
    const { names } = JSON.parse(kamino(folder, 'explain', '--json').out) as {
      names: Record<string, string[]>;
    };
    const { out } = kamino(folder, 'explain');
    for (const name of Object.values(names).flat()) expect(out).toContain(`  ${name}`);
    expect(names['key']).toContain('carried-by');
    const one = JSON.parse(kamino(folder, 'explain', 'css', '--json').out) as { pages: { name: string }[] };
    expect(one.pages.map(({ name }) => name)).toEqual(['css']);
  });
});

test('a draft names its schema in the first comment, and puts it beside the plan', () => {
  const site = folderWith({ 'index.html': page('Home'), 'about.html': page('About') });
  expect(kamino(site, 'draft').status).toBe(0);
  const plan = readFileSync(join(site, 'kamino.yaml'), 'utf8');
  const [, path] = /^# yaml-language-server: \$schema=(\S+)\n/.exec(plan)!;
  const schema = JSON.parse(readFileSync(join(site, path!), 'utf8')) as {
    $schema: string;
    properties: object;
  };
  expect(schema.$schema).toBe('https://json-schema.org/draft/2020-12/schema');
  expect(Object.keys(schema.properties)).toContain('menus');
  expect(kamino(site, 'build').status).toBe(0);
  expect(Object.keys(contents(join(site, 'built')))).not.toContain(path);
});
