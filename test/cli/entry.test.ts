import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import { folderWith, kamino, page } from '../helpers/site.ts';

const plan = `kamino: 1
menus:
  - menu: masthead
    entries:
      - index.html            # the front page
      - page: visit.html
        entries:
          - cafe.html
      - { pages: "log/*.html" }
`;
const site = (text = plan): string =>
  folderWith({
    'kamino.yaml': text,
    'index.html': page('Home | Fold'),
    'visit.html': page('Visit | Fold'),
    'cafe.html': page('Café | Fold'),
    'news.html': page('News | Fold'),
    'log/a.html': page('First log | Fold'),
  });
const planOf = (folder: string): string => readFileSync(join(folder, 'kamino.yaml'), 'utf8');

describe('kamino entry', () => {
  test.each([
    [['add', 'news.html', '--after', 'Visit'], '          - cafe.html\n      - news.html\n'],
    [
      ['add', 'news.html', '--under', 'visit.html', '--label', 'What is new?'],
      '          - cafe.html\n          - { page: news.html, label: What is new? }\n',
    ],
    [
      ['add', 'https://a.example/', '--label', 'A', '--first'],
      '    entries:\n      - { url: "https://a.example/", label: A }\n      - index.html',
    ],
    [
      ['move', 'Visit/Café', '--before', 'Home'],
      '    entries:\n      - cafe.html\n      - index.html            # the front page\n      - visit.html\n',
    ],
    [['rename', 'Café', 'Tea room'], '- { page: cafe.html, label: Tea room }'],
    [['remove', 'cafe.html'], '      - visit.html\n      - { pages'],
    [['highlight', 'Visit'], '      - page: visit.html\n        highlight: background\n'],
  ])('%j', (args, lines) => {
    const folder = site();
    const dry = kamino(folder, 'entry', ...args, '--dry-run');
    expect([dry.status, planOf(folder)]).toEqual([0, plan]);
    const { status, out, err } = kamino(folder, 'entry', ...args);
    expect([status, err]).toEqual([0, '']);
    expect(planOf(folder)).toContain(lines);
    expect(out).toMatch(/^kamino\.yaml:\d+\n/);
    for (const line of out.split('\n').filter(one => /^[+]/.test(one)))
      expect(planOf(folder)).toContain(line.slice(1));
    expect(kamino(folder, 'build').status).toBe(0);
  });

  test.each([
    [['add', 'nws.html'], 'Did you mean `news.html`?'],
    [['move', 'Visit', '--under', 'Café'], 'cannot stand under'],
    [['remove', 'Cafe'], 'Did you mean `Café`?'],
    [['rename', 'First log', 'x'], 'the pattern in line 9'],
    [['rename', 'Home', 'x', '--menu', 'foot'], '--menu masthead'],
  ])('%j is refused, and nothing is written', (args, remedy) => {
    const folder = site();
    const { status, err } = kamino(folder, 'entry', ...args);
    expect([status, err]).toEqual([2, expect.stringContaining(remedy)]);
    expect(planOf(folder)).toBe(plan);
  });

  it('writes the entries of a pattern one by one when asked', () => {
    const folder = site();
    expect(kamino(folder, 'entry', 'rename', 'First log', 'Number one', '--spell-out').status).toBe(0);
    expect(planOf(folder)).toBe(
      plan.replace('{ pages: "log/*.html" }', '{ page: log/a.html, label: Number one }'),
    );
  });

  it('takes a highlight back, and says where nothing changes', () => {
    const folder = site();
    kamino(folder, 'entry', 'highlight', 'Visit');
    expect(kamino(folder, 'entry', 'highlight', 'Visit').out).toContain('is so already');
    kamino(folder, 'entry', 'highlight', 'Visit', '--off');
    expect(planOf(folder)).toBe(plan);
    expect(kamino(folder, 'entry').status).toBe(2);
    expect(kamino(folder, 'entry', '--help').out).toContain('kamino entry move');
  });
});
