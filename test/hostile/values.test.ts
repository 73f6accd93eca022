import { describe, expect, it, test } from '@jest/globals';
import { type CssNode, parse, walk } from 'css-tree';
import fc from 'fast-check';
import { fitsGrammar } from '../../src/core/look/grammar.ts';
import { runs } from '../helpers/runs.ts';
import { contents, folderWith, kamino, page, put } from '../helpers/site.ts';

// Values of looks that want out of the declaration they stand in.
const hostile = [
  'red;} body{display:none} .x{color:red',
  'red; background: url(//away.example)',
  'foo(bar)',
  'rgb(',
  'rgb(0 0 0))',
  'url(//away.example/x)',
  'image-set("x.png" 1x)',
  'red}',
  '/*',
  'red /* x',
  '"',
  "'x",
  '</style><script>x()</script>',
  'var(--x',
  'var(--x, url(x))',
  '\\',
  'expression(alert(1))',
  '#12345',
  'reddish',
];

describe('a value of a look that is none', () => {
  const folder = folderWith({ 'index.html': page('Home') });
  const build = (look: string): { status: number | null; err: string } => {
    const plan = `kamino: 1\nmenus:\n  - menu: m\n    place: { first-in: body }\n    look: ${look}\n    entries: [index.html]\n`;
    put(folder, { 'kamino.yaml': plan });
    return kamino(folder, 'build');
  };

  test.each(hostile)('is told with its place, wherever it stands: %s', value => {
    const text = JSON.stringify(value);
    const looks = [
      ...['accent', 'background', 'color', 'icon-color'].map(key => `{ ${key}: ${text} }`),
      `{ border: ${JSON.stringify(`1px solid ${value}`)} }`,
      `{ shadow: ${JSON.stringify(`0 0 2px ${value}`)} }`,
      `{ states: { hover: { background: ${text} } } }`,
      `{ states: { current: { color: ${text} } } }`,
      `{ parts: { fold: { color: ${text} } } }`,
    ];
    for (const look of looks) {
      const { status, err } = build(look);
      expect([look, status, err]).toEqual([
        look,
        2,
        expect.stringMatching(/^kamino\.yaml:5:\d+: error wrong-value/m),
      ]);
    }
  });

  test.each([
    ['border: 1px solid #c9b6a8', 'border: "1px solid #c9b6a8"'],
    ['shadow: 0 2px 6px #0003', 'shadow: "0 2px 6px #0003"'],
    [
      'background: linear-gradient(180deg, #35404c, #000)',
      'background: "linear-gradient(180deg, #35404c, #000)"',
    ],
    ['color: #35404c', 'color: "#35404c"'],
  ])('is told where YAML takes a colour for a comment: %s', (line, remedy) => {
    const { status, err } = build(`\n      ${line}`);
    expect([status, err]).toEqual([2, expect.stringContaining('error yaml-comment')]);
    expect(err).toContain(remedy);
  });
});

test('right values of CSS are right', () => {
  for (const value of [
    'red',
    '#123',
    '#11223344',
    'currentcolor',
    'Canvas',
    'hsl(200deg 10% 20% / 50%)',
    'oklch(0.7 0.1 200)',
    'color-mix(in oklab, red, blue 30%)',
    'light-dark(#fff, #000)',
    'var(--brand)',
    'var(--brand, #123)',
    'rgb(from red r g b)',
  ])
    expect([value, fitsGrammar('color', value), fitsGrammar('background', value)]).toEqual([
      value,
      true,
      true,
    ]);
  expect(fitsGrammar('background', 'linear-gradient(180deg, #35404c, #000)')).toBe(true);
  expect(fitsGrammar('font-family', '"Source Sans 3", system-ui, sans-serif')).toBe(true);
  expect(fitsGrammar('border', '2px dashed var(--brand)')).toBe(true);
  expect(fitsGrammar('box-shadow', 'inset 0 0 0 2px #0003, 0 2px 8px rgb(0 0 0 / 0.2)')).toBe(true);
});

it('whatever is accepted stays in its declaration, and fetches nothing', () => {
  const piece = fc.constantFrom(
    ...hostile,
    'red',
    'var(--a)',
    'rgb(0 0 0)',
    ' ',
    ',',
    '(',
    ')',
    ';',
    '{',
    '}',
    '"',
    "'",
    '\\',
    '\n',
    '/*',
    '*/',
    'url(',
    '#123',
    '1px',
    'solid',
    '!important',
    'from',
    'linear-gradient(',
    '@import',
    '\0',
  );
  const property = fc.constantFrom('color', 'background', 'border', 'box-shadow', 'font-family');
  fc.assert(
    fc.property(property, fc.array(piece, { minLength: 1, maxLength: 5 }), (name, pieces) => {
      const value = pieces.join('');
      if (!fitsGrammar(name as 'color', value)) return;
      const found: string[] = [];
      walk(parse(`a{--x:${value};color:red}b{top:0}`, { parseCustomProperty: true }), (node: CssNode) => {
        if (
          node.type === 'Declaration' ||
          node.type === 'Rule' ||
          node.type === 'Url' ||
          node.type === 'Atrule'
        )
          found.push(node.type === 'Declaration' ? node.property : node.type);
      });
      expect([value, found]).toEqual([value, ['Rule', '--x', 'color', 'Rule', 'top']]);
    }),
    { numRuns: 3000 },
  );
});

describe('a gradient as a ground', () => {
  const folder = folderWith({ 'index.html': page('Home') });
  const built = (look: object): { status: number | null; err: string; css: string } => {
    const plan = {
      kamino: 1,
      menus: [{ menu: 'm', place: { 'first-in': 'body' }, entries: ['index.html'] }],
      look,
    };
    put(folder, { 'kamino.yaml': JSON.stringify(plan) });
    const { status, err } = kamino(folder, 'build');
    return { status, err, css: contents(folder)['built/kamino/menu.css']! };
  };

  it('is told at its worst point, between its stops too', () => {
    const { status, err } = built({
      background: 'linear-gradient(90deg, #ff0000, #00ff00)',
      color: '#3d3d00',
    });
    expect([status, err]).toEqual([
      0,
      expect.stringMatching(
        /warning low-contrast: text in #3d3d00 on (?!#ff0000|#00ff00)#\w+, a point of the gradient/,
      ),
    ]);
    expect(built({ background: 'linear-gradient(#fff, #000)' }).err).toContain(
      'No colour can be read on the whole',
    );
  });

  it('changes as a layer in its states, and at each stop in a dark scheme', () => {
    const { css } = built({
      background: '#ffffff',
      states: {
        current: { background: 'linear-gradient(#fff, #dde)' },
        pressed: { from: 'current', darker: '10%' },
      },
    });
    const layer = 'color-mix(in oklab, black 10%, transparent)';
    expect(css).toContain(
      `pressed-background: linear-gradient(${layer}, ${layer}), linear-gradient(#fff, #dde);`,
    );
    expect(css).toMatch(
      /current-background: linear-gradient\(light-dark\(#fff, #\w+\), light-dark\(#dde, #\w+\)\);/,
    );
  });

  it('is read everywhere by labels without a colour of their own, or told', () => {
    const channel = fc.nat(255).map(one => one.toString(16).padStart(2, '0'));
    const color = fc.tuple(channel, channel, channel).map(all => `#${all.join('')}`);
    fc.assert(
      fc.property(fc.array(color, { minLength: 2, maxLength: 4 }), stops => {
        const { err, css } = built({ background: `linear-gradient(${stops.join(', ')})` });
        const label = /--kamino-color: (#\w{6});/.exec(css)![1]!;
        const least = Math.min(
          ...stops
            .slice(1)
            .flatMap((next, at) =>
              Array.from({ length: 101 }, (_, step) =>
                contrastOf(label, between(stops[at]!, next, step / 100)),
              ),
            ),
        );
        expect([stops, least, err]).toEqual([
          stops,
          least,
          least < 4.4 ? expect.stringContaining('low-contrast') : err,
        ]);
      }),
      { numRuns: runs(40) },
    );
  });
});

const channels = (hex: string): number[] => [1, 3, 5].map(at => parseInt(hex.slice(at, at + 2), 16));

/** Between two colours in sRGB, as a gradient of CSS goes. */
function between(one: string, other: string, share: number): number[] {
  const [from, to] = [channels(one), channels(other)];
  return from.map((value, at) => value + (to[at]! - value) * share);
}

/** WCAG 2.2, relative luminance and contrast. */
function contrastOf(label: string, ground: number[]): number {
  const luminance = (all: number[]): number => {
    const [r, g, b] = all.map(value =>
      value / 255 <= 0.04045 ? value / 255 / 12.92 : ((value / 255 + 0.055) / 1.055) ** 2.4,
    );
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
  };
  const [less, more] = [luminance(channels(label)), luminance(ground)].sort((one, other) => one - other);
  return (more! + 0.05) / (less! + 0.05);
}
