import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import { demoFolder, folderWith, kamino, page, put } from '../helpers/site.ts';
import type { MeasureResult } from '../../src/jobs/measure.ts';

const sans = readFileSync(join(demoFolder, 'fonts/source-sans-400.woff2'));
const styled = (body: string): string =>
  page('Home', '').replace(
    '</head>',
    `<style>@font-face{font-family:S;src:url(s.woff2)}${body}</style></head>`,
  );
const plan = (
  lines = '',
  entries = '[{ page: index.html, label: Visit }, { page: index.html, label: Telescopes }]',
): string =>
  `kamino: 1\n${lines}menus:\n  - menu: m\n    entries:\n${entries
    .slice(1, -1)
    .replace(/(?:^|, )(?=\{)/g, '\n      - ')
    .slice(1)}\n`;
const site = (text: string, css = 'body{font:17px S, sans-serif}'): string =>
  folderWith({ 'index.html': styled(css), 's.woff2': sans, 'kamino.yaml': text });
const measured = (folder: string, ...more: string[]): MeasureResult =>
  JSON.parse(kamino(folder, 'measure', '--json', ...more).out) as MeasureResult;

describe('measure', () => {
  it('takes the font and size of the page, and adds what the look says', () => {
    const [menu] = measured(site(plan('look: { padding: 10px 20px, gap: 5px }\n'))).menus;
    expect(menu!.font).toMatchObject({ sizePx: 17, files: ['s.woff2'], isKnown: true });
    const [visit, telescopes] = menu!.entries;
    expect(visit!.width).toBeCloseTo(visit!.textWidth + 40, 1);
    expect(telescopes!.offset).toBeCloseTo(visit!.width + 5, 1);
    expect(menu!.fitsFromPx).toBeCloseTo(telescopes!.offset + telescopes!.width, 1);
    expect(menu!.height).toBeCloseTo(17 * 1.35 + 20, 1);
    expect(menu!.widths.map(one => one.width)).toEqual([320, 390, 768, 1024, 1280, 1440]);
  });

  test.each([
    ['look: { font: { size: 2em } }\n', 2],
    ['look: { font: { size: 34px } }\n', 2],
    ['look: { font: { size: 1.0625rem } }\n', 1],
  ])('%s', (lines, scale) => {
    const width = (text: string): number => measured(site(text)).menus[0]!.entries[1]!.textWidth;
    expect(width(plan(lines))).toBeCloseTo(width(plan()) * scale, 0);
  });

  it('adds letter spacing, and measures with the file that the plan names', () => {
    const width = (folder: string): number => measured(folder).menus[0]!.entries[0]!.textWidth;
    const given = site(plan('look: { font: { file: s.woff2, spacing: 2px } }\n'), 'body{font:17px serif}');
    expect(width(given)).toBeCloseTo(width(site(plan())) + 5 * 2, 1);
    const lost = kamino(site(plan('look: { font: { file: lost.woff2 } }\n')), 'measure');
    expect([lost.status, lost.err]).toEqual([
      2,
      expect.stringContaining('kamino.yaml:2:23: error missing-file'),
    ]);
  });

  it('gives a range where only system fonts are named', () => {
    const [menu] = measured(site(plan(), 'body{font:17px Georgia, serif}')).menus;
    expect(menu!.font.isKnown).toBe(false);
    expect(menu!.fitsFromLeastPx).toBeLessThan(menu!.fitsFromPx);
  });

  it('tells where a bar fits, and how wide the longest label may be for it to fit', () => {
    const long =
      '[{ page: index.html, label: The telescopes on the hill }, { page: index.html, label: Visit }]';
    const [menu] = measured(site(plan('', long)), '--at', '240', '--at', '500').menus;
    const at = (width: number) => menu!.widths.find(one => one.width === width)!;
    expect(at(500)).toMatchObject({ fits: true, shorter: null });
    const { label, width, atMost } = at(240).shorter!;
    expect(label).toBe('The telescopes on the hill');
    expect(width - atMost).toBeCloseTo(-at(240).left, 1);
    // Labels of that width fit, and of one letter more do not.
    const fits = (text: string): boolean =>
      measured(site(plan('', long.replace(label, text))), '--at', '240').menus[0]!.widths[0]!.fits;
    let cut = label;
    const widthOf = (text: string): number =>
      measured(site(plan('', long.replace(label, text)))).menus[0]!.entries[0]!.textWidth;
    while (widthOf(cut) > atMost) cut = cut.slice(0, -1);
    expect([fits(cut), fits(label.slice(0, cut.length + 1))]).toEqual([true, false]);
  });

  it('prints a table', () => {
    const { status, out } = kamino(site(plan()), 'measure');
    expect(status).toBe(0);
    expect(out).toMatch(/Telescopes +[\d.]+ +[\d.]+ +[\d.]+/);
    expect(out).toMatch(/320 px {2}fits, [\d.]+ px left/);
    expect(out).toMatch(/px wide, [\d.]+ em, and fits windows from [\d.]+em\./);
    const lost = kamino(site(plan()), 'measure', '--menu', 'n');
    expect([lost.status, lost.err]).toEqual([2, expect.stringContaining('no menu is called `n`')]);
  });

  it('refuses a width that is none', () => {
    const { status, err } = kamino(site(plan()), 'measure', '--at', 'wide');
    expect([status, err]).toEqual([2, expect.stringContaining('A width is a number of px')]);
  });
});

describe('measure --browser', () => {
  it('agrees with the browser on the demo, in both languages, on every kind of page', () => {
    const folder = folderWith({});
    kamino(folder, 'demo');
    const { status, menus, seen, findings } = measured(join(folder, 'brackenfold'), '--browser');
    // An old page has a font of its own, which is wider or not as the machine has it.
    expect([status, findings.filter(one => one.place?.file !== 'almanac/1998.html')]).toEqual([0, []]);
    const bar = menus.find(one => one.menu === 'masthead' && one.language === 'en')!;
    const wide = seen!.filter(one => one.width === 1280 && !one.page.startsWith('cy/'));
    expect(wide.length).toBeGreaterThan(3);
    for (const { menus: all } of wide) {
      const one = all.find(({ menu }) => menu === 'masthead')!;
      if (one.font.includes('Brackenfold Sans'))
        expect(Math.abs(one.used! - bar.fitsFromPx)).toBeLessThan(0.6);
      expect(one.isFolded).toBe(false);
    }
    for (const { menus: all } of seen!.filter(one => one.width <= 768))
      expect(all.find(({ menu }) => menu === 'masthead')!.isFolded).toBe(true);
  });

  it('tells where own rules make a bar wider than was computed', () => {
    const folder = site(plan(), 'body{font:17px S, sans-serif} .kamino .kamino-link{padding-inline:3em}');
    expect(kamino(folder, 'measure', '--browser').err).toContain('kamino build');
    kamino(folder, 'build');
    expect(kamino(folder, 'measure', '--browser').err).toContain('warning width-differs');
  });
});

test.each([
  [
    'fold: { when: below 12em }',
    '',
    /late-fold: .* folds below 12em and takes ([\d.]+)em/,
    'fold: { when: below $1em }',
  ],
  [
    'widths: equal\n    fold: { when: never }',
    '[{ page: index.html, label: Observatory }, { page: index.html, label: Planetarium }, { page: index.html, label: Telescopes }]',
    /broken-word: in a window of 390 px each entry of `m` is 1\d\d px wide, and `(?:Observatory|Planetarium)` needs 1\d\d/,
    'widths: equal\n    fold: { when: crowded }',
  ],
  [
    'home: { label: Observatory on the hill }\n    fold: { when: crowded }',
    '[{ page: index.html, label: Tonight }, { page: index.html, label: Book a night, folds: false }]',
    /folded-wide: folded, `m` needs \d{3} px for what stays in view, and a window of 390 px has 390/,
    'home: { label: Hill }\n    fold: { when: crowded }',
  ],
])('a bar with  %s  is told before it is seen, and not where it has room', (lines, entries, says, mended) => {
  const text = (own: string): string =>
    plan('look: { font: { size: 22px } }\n', entries || undefined).replace(
      '- menu: m\n',
      `- menu: m\n    ${own}\n`,
    );
  const folder = site(text(lines));
  const told = kamino(folder, 'build');
  expect([told.status, told.err]).toEqual([0, expect.stringContaining('warning')]);
  const found = says.exec(told.err.replace(/\s+/g, ' '));
  expect(found).not.toBeNull();
  put(folder, { 'kamino.yaml': text(mended.replace('$1', found![1]!)) });
  expect(kamino(folder, 'build').err).not.toMatch(/late-fold|broken-word|folded-wide/);
});

test('a label that is longer than the narrowest window is told, by the build and by the check of what it made', () => {
  const text = (label: string): string =>
    plan('', `[{ page: index.html, label: ${label} }, { page: index.html, label: Tonight }]`);
  const folder = site(text('What there is to see on the hill tonight and tomorrow'));
  for (const command of ['build', 'check'])
    expect(kamino(folder, command).err).toMatch(
      /note long-label: `What there is .* tomorrow` of `m` is [34]\d\d px wide, and a window of 320 px has 320/,
    );
  put(folder, { 'kamino.yaml': text('The hill') });
  expect(kamino(folder, 'build').err).not.toContain('long-label');
});
