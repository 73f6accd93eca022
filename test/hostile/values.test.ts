import { describe, expect, it, test } from '@jest/globals';
import { type CssNode, parse, walk } from 'css-tree';
import fc from 'fast-check';
import { fitsGrammar } from '../../src/core/look/grammar.ts';
import { folderWith, kamino, page, put } from '../helpers/site.ts';

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
