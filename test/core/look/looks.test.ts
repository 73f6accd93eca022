import { describe, expect, it, test } from '@jest/globals';
import fc from 'fast-check';
import { colorTools, contrast, mix, nearestPassing, readColor } from '../../../src/core/look/color.ts';
import { fitsGrammar } from '../../../src/core/look/grammar.ts';
import { nothingKnown } from '../../../src/core/look/picture-ground.ts';
import { resolveLooks } from '../../../src/core/look/scopes.ts';
import { wrongValues } from '../../../src/core/look/wrong-values.ts';
import type { Scope } from '../../../src/core/look/types.ts';
import { resolveMenus } from '../../../src/core/menu/resolve.ts';
import type { SiteFacts } from '../../../src/core/target/facts.ts';
import { readPlan } from '../../../src/core/plan/read.ts';
import { Source } from '../../../src/core/text/source.ts';
import { runs } from '../../helpers/runs.ts';

const pages = new Set(['index.html', 'about.html', 'book.html']);
const site: SiteFacts = {
  pages,
  files: pages,
  words: new Map(),
  sections: () => new Map(),
  parts: () => [],
  headings: () => [],
  language: () => null,
  date: () => null,
  picture: () => null,
  size: () => 0,
  text: () => null,
  movedTo: () => null,
  front: 'index.html',
};

function scopeAt(scopes: readonly Scope[], address: Partial<Scope['address']>): Scope | undefined {
  const all = JSON.stringify({ menu: null, part: null, entry: null, highlight: null, ...address });
  return scopes.find(one => JSON.stringify(one.address) === all);
}

/** The looks of a plan whose bar has a home, a fold, a submenu and a highlight. */
function resolve(lines: string, menu = '', entry = '') {
  const text = `kamino: 1\n${lines}\nmenus:\n  - menu: m\n    home: { label: Home }\n    fold: { when: below 40em }\n${menu}    entries:\n      - { page: about.html, label: About, entries: [{ page: index.html, label: I }]${entry} }\n      - { page: book.html, label: Book, highlight: background }\n`;
  const source = new Source('kamino.yaml', text);
  const { plan, findings } = readPlan(source);
  if (!plan) throw new Error(findings.map(one => one.message).join());
  const { menus, look, findings: ofMenus } = resolveMenus(plan, site, source);
  const resolved = resolveLooks(look, menus, { tools: colorTools, source, known: nothingKnown });
  const find = (address: Partial<Scope['address']>): Record<string, string> =>
    Object.fromEntries(scopeAt(resolved.looks.scopes, address)?.values ?? []);
  return {
    ...resolved,
    look,
    menus,
    source,
    site: find({}),
    find,
    told: [...findings, ...ofMenus, ...wrongValues(plan, fitsGrammar, source), ...resolved.findings],
  };
}

const wholePlan = resolve('look: { accent: "#000", background: "#fff" }');
/** The same plan with other colours. */
function withColors({
  accent,
  background,
  level,
}: {
  accent: string;
  background: string;
  level: 'AA' | 'AAA';
}) {
  const look = { ...wholePlan.look!, accent, background, contrast: { level, mend: null } };
  const { looks } = resolveLooks(look, wholePlan.menus, {
    tools: colorTools,
    source: wholePlan.source,
    known: nothingKnown,
  });
  const find = (address: Partial<Scope['address']>) =>
    Object.fromEntries(scopeAt(looks.scopes, address)?.values ?? []);
  return { looks, find, site: find({}) };
}
const rulesOf = (told: readonly { rule: string }[]): string[] => told.map(one => one.rule);

/** Contrast written down anew from https://www.w3.org/TR/WCAG22/#dfn-relative-luminance. */
function independentContrast(one: string, other: string): number {
  const luminance = (hex: string): number => {
    const [red, green, blue] = [1, 3, 5].map(at => {
      const value = parseInt(hex.slice(at, at + 2), 16) / 255;
      return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * red! + 0.7152 * green! + 0.0722 * blue!;
  };
  const [dark, light] = [luminance(one), luminance(other)].sort((a, b) => a - b);
  return (light! + 0.05) / (dark! + 0.05);
}

test.each([
  ['#3d5a80', '#3d5a80'],
  ['#ABC', '#aabbcc'],
  ['rebeccapurple', '#663399'],
  ['rgb(255 0 0)', '#ff0000'],
  ['hsl(120, 100%, 25%)', '#008000'],
  ['oklch(1 0 0)', '#ffffff'],
  ['currentcolor', null],
  ['nonsense', null],
])('reads %s', (css, hex) => {
  expect(readColor(css)).toBe(hex);
});

describe('colours', () => {
  const hex = fc
    .tuple(fc.nat(255), fc.nat(255), fc.nat(255))
    .map(parts => `#${parts.map(one => one.toString(16).padStart(2, '0')).join('')}`);

  it('have the contrast of the standard', () => {
    fc.assert(
      fc.property(hex, hex, (one, other) => {
        expect(contrast(one, other)).toBeCloseTo(independentContrast(one, other), 1);
      }),
      { numRuns: runs(300) },
    );
  });

  it('are mended to the level wherever a lightness reaches it', () => {
    fc.assert(
      fc.property(hex, hex, (color, ground) => {
        const passing = nearestPassing(color, [ground], 4.5);
        expect(independentContrast(passing, ground)).toBeGreaterThanOrEqual(4.49);
        if (independentContrast(color, ground) >= 4.52) expect(passing).toBe(color);
      }),
      { numRuns: runs(300) },
    );
  });

  it('follow from accent and ground: no derived state is below its level, nothing written is changed', () => {
    fc.assert(
      fc.property(hex, hex, fc.boolean(), (accent, background, isStrict) => {
        const level = isStrict ? 7 : 4.5;
        const { site, find, looks } = withColors({ accent, background, level: isStrict ? 'AAA' : 'AA' });
        const wrong: string[] = [];
        const least = (what: string, ratio: number, wanted: number): void => {
          if (ratio < wanted - 0.02) wrong.push(`${what}: ${ratio} is less than ${wanted}`);
        };
        const most = (ground: string): number =>
          Math.max(independentContrast('#000000', ground), independentContrast('#ffffff', ground));
        if (site['background'] !== background || site['accent'] !== accent) wrong.push('written');
        least('label', independentContrast(site['color']!, background), Math.min(level, most(background)));
        for (const scope of [site, find({ menu: 'm', highlight: 'background' })]) {
          const under = scope['entry-background'] ?? background;
          const atRest = independentContrast(scope['color']!, under);
          for (const state of ['hover', 'pressed']) {
            const ground = scope[`${state}-background`]!;
            const ratio = independentContrast(scope[`${state}-color`]!, ground);
            least(state, ratio, Math.min(level, most(ground), atRest));
            // The pointer leaves a trace on any ground.
            if (ground === under) wrong.push(`${state} is not seen`);
          }
          least('focus', independentContrast(scope['focus']!, under), 3);
        }
        for (const { figures } of looks.scopes)
          for (const one of figures)
            if (Math.abs(one.ratio - independentContrast(one.color, one.ground)) > 0.02) wrong.push('figure');
        expect(wrong).toEqual([]);
      }),
      { numRuns: runs(2000) },
    );
  }, 600_000);
});

describe('a state', () => {
  const ground = 'accent: "#3d5a80", background: "#ffffff", color: "#1d2733"';

  it('leaves the words of what is set apart, where its own cannot be read on the accent', () => {
    const hover = (color: string): { words: string; others: string; told: string[] } => {
      const { site, find, told } = resolve(
        `look: { accent: "#e4572e", background: "#ffffff", color: "#333333", states: { hover: { color: "${color}" } } }`,
      );
      const words = find({ menu: 'm', highlight: 'background' })['hover-color']!;
      return { words, others: site['hover-color']!, told: told.map(one => `${one.rule} ${one.message}`) };
    };
    const same = hover('#b23c17');
    expect(same.others).toBe('#b23c17');
    expect(independentContrast(same.words, '#e4572e')).toBeGreaterThan(4.5);
    expect(same.told.filter(one => one.startsWith('low-contrast'))).toEqual([]);
    // One that can be read on both is that of both.
    expect(hover('#1a0500').words).toBe('#1a0500');
  });

  it('starts from base, or from another, and says only what differs', () => {
    const { site } = resolve(
      `look: { ${ground}, states: { hover: { background: "#e0e8f0", shadow: 0 1px 2px black }, pressed: { from: hover, darker: 10% }, current: { from: hover, color: "#7a1f1f" } } }`,
    );
    expect(site['hover-background']).toBe('#e0e8f0');
    expect(site['pressed-background']).toBe(colorTools.withLightness('#e0e8f0', one => one - 0.1));
    expect([site['current-background'], site['current-color']]).toEqual(['#e0e8f0', '#7a1f1f']);
    expect([site['shadow'], site['hover-shadow'], site['pressed-shadow'], site['current-shadow']]).toEqual([
      'none',
      '0 1px 2px black',
      '0 1px 2px black',
      '0 1px 2px black',
    ]);
  });

  it('mixes a tint in OKLab', () => {
    expect(resolve(`look: { ${ground}, states: { hover: { tint: 30% } } }`).site['hover-background']).toBe(
      mix('#ffffff', '#3d5a80', 0.3),
    );
  });

  it('keeps room for the widest border in all others', () => {
    const { site } = resolve(
      `look: { ${ground}, states: { hover: { border: 2px solid red }, current: { border: 0.5em solid blue } } }`,
    );
    expect([site['border'], site['hover-border'], site['pressed-border'], site['current-border']]).toEqual([
      '0.5em solid transparent',
      '2px solid red',
      '2px solid red',
      '0.5em solid blue',
    ]);
  });

  test.each([
    ['hover: { from: pressed }, pressed: { from: hover }', 'state-circle'],
    ['current: { marker: none }', 'same-but-hue'],
    ['current: { marker: none, color: "#1f2a77" }', 'same-but-hue'],
    ['hover: { color: "#aaaaaa" }', 'low-contrast'],
    ['hover: { color: nonsense }', 'wrong-value'],
  ])('%s is told', (states, rule) => {
    expect(rulesOf(resolve(`look: { ${ground}, states: { ${states} } }`).told)).toContain(rule);
  });

  test.each([
    'current: { marker: none, font: { weight: 700 } }',
    'current: { marker: none, background: "#3d5a80", color: "#ffffff" }',
    'current: { marker: dot }',
  ])('%s differs by more than hue', states => {
    expect(rulesOf(resolve(`look: { ${ground}, states: { ${states} } }`).told)).toEqual([]);
  });
});

describe('contrast', () => {
  const faint = 'background: "#ffffff", color: "#999999", accent: yellow';

  it('tells of written colours and leaves them, and mends derived ones', () => {
    const { site, told } = resolve(`look: { ${faint} }`);
    expect([site['color'], site['background'], site['accent']]).toEqual(['#999999', '#ffffff', 'yellow']);
    expect(rulesOf(told)).toEqual(['low-contrast', 'mended-color']);
    expect(contrast(site['marker']!, '#ffffff')).toBeGreaterThanOrEqual(3);
  });

  it('mends all when asked', () => {
    const { site, told } = resolve(`look: { ${faint}, contrast: { mend: all } }`);
    expect(contrast(site['color']!, '#ffffff')).toBeGreaterThanOrEqual(4.5);
    expect(rulesOf(told)).not.toContain('low-contrast');
  });

  it('gives marks and rings the colour of labels where none is seen in all states', () => {
    const dark = 'background: "#31477c", color: "#ffffff"';
    const of = (states: string): (string | undefined)[] => {
      const { site } = resolve(`look: { ${dark}, accent: "#ffffff", states: { ${states} } }`);
      return [site['marker'], site['focus']];
    };
    const light = '{ color: "#1d2b4f", background: "#f0b23a" }';
    expect(of('hover: { color: "#ffffff", background: "#1d2b4f" }')).toEqual(['#ffffff', '#ffffff']);
    expect(of(`hover: ${light}`)).toEqual(['currentcolor', 'currentcolor']);
    expect(of(`current: ${light}`)).toEqual(['currentcolor', 'currentcolor']);
  });

  it('mends nothing when asked', () => {
    const { site, told } = resolve(`look: { ${faint}, contrast: { mend: none } }`);
    expect([site['color'], site['marker']]).toEqual(['#999999', '#ffff00']);
    expect(rulesOf(told)).not.toContain('mended-color');
  });

  it('asks for more at AAA', () => {
    const look = 'look: { background: "#ffffff", color: "#6b6b6b", contrast: { level: AAA } }';
    expect(rulesOf(resolve(look).told)).toContain('low-contrast');
    expect(rulesOf(resolve(look.replace('AAA', 'AA')).told)).not.toContain('low-contrast');
  });
});

describe('a look of its own', () => {
  const looks =
    'looks: { quiet: { accent: "#55606e" } }\nlook: { accent: "#aa3311", background: "#ffffff", color: "#222222", padding: 1em }';

  it('says what differs in a menu; the rest holds', () => {
    const { find } = resolve(looks, '    look: quiet\n');
    expect(find({ menu: 'm' })).toMatchObject({ accent: '#55606e', color: '#222222', padding: '1em' });
  });

  it('holds in parts', () => {
    const { find } = resolve(
      `${looks.slice(0, -2)}, parts: { submenu: { background: "#222222", color: "#ffffff" }, home: { color: "#aa3311" }, toggle: { background: "#aa3311" }, fold: { background: "#f0f0f0" } } }`,
    );
    expect(find({ part: 'submenu' })).toMatchObject({ background: '#222222', color: '#ffffff' });
    expect(find({ part: 'home' })).toMatchObject({ color: '#aa3311', 'entry-background': 'transparent' });
    expect(find({ menu: 'm', part: 'fold' })).toMatchObject({ background: '#f0f0f0' });
    // What was not written stands out from the ground that was.
    const toggle = find({ part: 'toggle' });
    expect(contrast(toggle['color']!, toggle['entry-background']!)).toBeGreaterThanOrEqual(4.5);
  });

  it('holds in one entry', () => {
    const { find } = resolve(
      looks,
      '',
      ', look: { background: "#14213a", states: { hover: { lighter: 10% } } }',
    );
    const entry = find({ menu: 'm', entry: 'about' });
    expect(entry['entry-background']).toBe('#14213a');
    expect(entry['hover-background']).toBe(colorTools.withLightness('#14213a', one => one + 0.1));
    expect(contrast(entry['color']!, '#14213a')).toBeGreaterThanOrEqual(4.5);
  });

  it('is told where its name is unknown, with the nearest one', () => {
    const { told } = resolve(looks, '    look: quite\n');
    expect(told.map(one => [one.rule, one.remedy])).toEqual([['unknown-look', 'Did you mean `quiet`?']]);
  });
});

describe('a dark scheme', () => {
  it('turns a light ground dark, readable, and leaves a dark one', () => {
    const light = resolve('look: { accent: "#3d5a80", background: "#ffffff", color: "#1d2733" }').looks
      .scopes[0]!;
    // In both schemes: `light-dark(#ffffff, #161616)`.
    const dark = Object.fromEntries(
      [...light.dark].map(([name, both]) => [name, /, (#\w+)\)$/.exec(both)?.[1] ?? '']),
    );
    expect(colorTools.lightnessOf(dark['background']!)).toBeLessThan(0.3);
    expect(contrast(dark['color']!, dark['background']!)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(dark['hover-color']!, dark['hover-background']!)).toBeGreaterThanOrEqual(4.5);
    expect(resolve('look: { background: "#14213a" }').looks.scopes[0]!.dark.size).toBe(0);
    expect(resolve('look: { background: "#ffffff", dark: off }').looks.scopes[0]!.dark.size).toBe(0);
  });
});
