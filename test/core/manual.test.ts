import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import type Joi from 'joi';
import { format } from 'prettier';
import { documents } from '../../src/core/manual/documents.ts';
import { allPages } from '../../src/core/manual/index.ts';
import { keyPages, keyParts } from '../../src/core/manual/keys.ts';
import { type Part, partBelow, parts } from '../../src/core/plan/parts/index.ts';
import { readPlan } from '../../src/core/plan/read.ts';
import { planSchema } from '../../src/core/plan/parts/plan.ts';
import { Source } from '../../src/core/text/source.ts';

type PartName = Exclude<Part, 'languages' | 'looks' | 'picture-entries' | 'own-look' | 'state-font'>;

const indented = (text: string, by: number): string => text.replace(/^/gm, ' '.repeat(by));
const has = (text: string, key: string): boolean => new RegExp(`^${key}:`, 'm').test(text);
const menus = (lines = 'entries:\n  - index.html'): string =>
  `menus:\n${indented(`- menu: m\n${indented(lines, 2)}`, 2)}`;
const inMenu = (lines: string): string =>
  menus(
    ['entries', 'branch', 'entries-of', 'set', 'data'].some(key => has(lines, key))
      ? lines
      : `${lines}\nentries: [index.html]`,
  );

/** The lines of a part as a whole plan. */
const plans: Record<PartName, (lines: string) => string> = {
  plan: lines => (has(lines, 'menus') ? lines : `${lines}\n${menus()}`),
  language: lines => `languages:\n  en: { name: English }\n  cy:\n${indented(lines, 4)}\n${menus()}`,
  words: lines => `languages:\n  cy:\n    name: Cymraeg\n    words:\n${indented(lines, 6)}\n${menus()}`,
  question: lines => `questions:\n${indented(lines, 4).replace('    ', '  - ')}\n${menus()}`,
  rules: lines => `rules:\n${indented(lines, 2)}\n${menus()}`,
  excuse: lines => `rules:\n  excuse:\n${indented(lines, 6).replace('      ', '    - ')}\n${menus()}`,
  labels: lines => `labels:\n${indented(lines, 2)}\n${menus()}`,
  links: lines => `links:\n${indented(lines, 2)}\n${menus()}`,
  menu: lines => inMenu(lines.replace(/^menu: .*\n?/, '') || 'title: M'),
  place: lines => inMenu(`place:\n${indented(lines, 2)}`),
  stays: lines => inMenu(`stays:\n${indented(lines, 2)}`),
  home: lines => inMenu(`home:\n${indented(lines, 2)}`),
  opens: lines => inMenu(`opens:\n${indented(lines, 2)}`),
  fold: lines => inMenu(`fold:\n${indented(lines, 2)}`),
  toggle: lines => inMenu(`fold:\n  when: crowded\n  toggle:\n${indented(lines, 4)}`),
  button: lines =>
    `languages: { en: { name: English }, cy: { name: Cymraeg } }\n${menus()}\nbuttons:\n  - ${has(lines, 'button') ? '' : 'button: ask\n    '}${indented(lines, 4).trimStart()}`,
  panels: lines =>
    `${menus()}\npanels:\n  - ${has(lines, 'panels') ? '' : 'panels: planets\n    '}${indented(lines, 4).trimStart()}`,
  'to-top': lines => `to-top:\n${indented(lines, 2)}\n${menus()}`,
  entry: lines =>
    `languages: { en: { name: English }, cy: { name: Cymraeg } }\n${menus(`entries:\n  -\n${indented(lines, 4)}`)}`,
  look: lines => `look:\n${indented(lines, 2)}\n${menus()}`,
  font: lines => `look:\n  font:\n${indented(lines, 4)}\n${menus()}`,
  frame: lines => `look:\n  frame:\n${indented(lines, 4)}\n${menus()}`,
  picture: lines =>
    `look:\n  picture:\n${has(lines, 'file') ? '' : '    file: img/hill.jpg\n'}${indented(lines, 4)}\n${menus()}`,
  states: lines => `look:\n  states:\n${indented(lines, 4)}\n${menus()}`,
  state: lines => `look:\n  states:\n    current:\n${indented(lines, 6)}\n${menus()}`,
  marker: lines => `look:\n  states:\n    hover:\n      marker:\n${indented(lines, 8)}\n${menus()}`,
  pictures: lines =>
    `${menus()}\npictures:\n  - ${has(lines, 'menu') ? '' : 'menu: masthead\n    '}${indented(lines, 4).trimStart()}`,
  strip: lines => `${menus()}\npictures:\n  - menu: masthead\n    strip:\n${indented(lines, 6)}`,
  'picture-words': lines =>
    `${menus()}\npictures:\n  - menu: masthead\n    files: "{entry}-{state}.png"\n    words:\n${indented(lines, 6)}`,
  'entry-pictures': lines =>
    `${menus()}\npictures:\n  - menu: masthead\n    entries:\n      Visit:\n${indented(lines, 8)}`,
  separators: lines => inMenu(`separators:\n${indented(lines, 2)}`),
  parts: lines => `look:\n  parts:\n${indented(lines, 4)}\n${menus()}`,
  contrast: lines => `look:\n  contrast:\n${indented(lines, 4)}\n${menus()}`,
};

describe('the manual', () => {
  const examples = (keyParts as PartName[]).flatMap(part =>
    keyPages(part).map(({ key, example }) => ({ part, key, example })),
  );

  test.each(examples)('shows $key in $part by an example that is a right plan', ({ part, key, example }) => {
    expect(has(example, key)).toBe(true);
    const lines = plans[part](example);
    const text = has(lines, 'kamino') ? lines : `kamino: 1\n${lines}`;
    const { findings } = readPlan(new Source('kamino.yaml', text));
    expect(findings.filter(one => one.severity === 'error').map(one => `${one.message} in\n${text}`)).toEqual(
      [],
    );
  });

  it('has a page for every key that the plan takes, and for no other', () => {
    const found = new Set<Part>();
    const walk = (schema: Joi.Description, part: Part | null): void => {
      const keys = schema['keys'] as Record<string, Joi.Description> | undefined;
      if (keys) {
        expect([part, ...Object.keys(keys)]).toEqual([part, ...Object.keys(parts[part!].keys)]);
        found.add(part!);
      }
      const below = (name: string): Part | null => part && partBelow(part, name);
      for (const [key, one] of Object.entries(keys ?? {})) walk(one, below(key));
      for (const { rule } of (schema['patterns'] ?? []) as { rule: Joi.Description }[])
        walk(rule, below('any name'));
      for (const one of (schema['items'] ?? []) as Joi.Description[]) walk(one, part);
      for (const { then, otherwise } of (schema['matches'] ?? []) as Record<string, Joi.Description>[])
        for (const one of [then!, otherwise!]) walk(one, part);
    };
    walk(planSchema.describe(), 'plan');
    const withKeys = (Object.keys(parts) as Part[]).filter(part => Object.keys(parts[part].keys).length > 0);
    expect([...found].sort()).toEqual(withKeys.sort());
    // What is told elsewhere has no key that is not told there.
    expect(Object.keys(parts.look.keys)).toEqual(expect.arrayContaining(Object.keys(parts['own-look'].keys)));
  });

  it('points to pages that are there', () => {
    const names = new Set(allPages().map(page => page.name));
    const lost = allPages().flatMap(page =>
      page.see.filter(one => !names.has(one)).map(one => `${page.name}: ${one}`),
    );
    expect(lost).toEqual([]);
  });

  it('makes the documents that lie in docs', async () => {
    for (const [name, text] of Object.entries(documents())) {
      const made = await format(text, { parser: 'markdown', printWidth: 110 });
      expect([name, readFileSync(join(import.meta.dirname, '../../docs', name), 'utf8')]).toEqual([
        name,
        made,
      ]);
    }
  });
});
