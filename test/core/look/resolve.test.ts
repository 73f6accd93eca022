import { describe, expect, it, test } from '@jest/globals';
import fc from 'fast-check';
import { contrast, mix, nearestPassing, readColor } from '../../../src/core/look/color.ts';
import { resolveLook } from '../../../src/core/look/resolve.ts';
import type { Look } from '../../../src/core/plan/types.ts';
import { Source } from '../../../src/core/text/source.ts';

const mark = { start: 0, end: 1 };
const lookOf = (colors: Partial<Record<'accent' | 'background' | 'color', string>>): Look => ({
  accent: null,
  background: null,
  color: null,
  ...colors,
  marks: { accent: mark, background: mark, color: mark },
  font: { family: null, size: null, weight: null, spacing: null },
  padding: null,
  radius: null,
});
const resolve = (colors: Parameters<typeof lookOf>[0]) =>
  resolveLook(lookOf(colors), new Source('kamino.yaml', 'look:'));

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
      { numRuns: 300 },
    );
  });

  it('are mended to the level wherever a lightness reaches it', () => {
    fc.assert(
      fc.property(hex, hex, (color, ground) => {
        const passing = nearestPassing(color, [ground], 4.5);
        expect(independentContrast(passing, ground)).toBeGreaterThanOrEqual(4.49);
        if (independentContrast(color, ground) >= 4.52) expect(passing).toBe(color);
      }),
      { numRuns: 300 },
    );
  });

  it('follow from the three that are given, marks and text on every ground readable', () => {
    fc.assert(
      fc.property(hex, hex, (accent, background) => {
        const { look } = resolve({ accent, background });
        const ground = contrast(look.color, look.background);
        expect(ground).toBeGreaterThanOrEqual(4.5);
        expect(look.background).toBe(background);
        expect(look.hoverBackground).toBe(mix(background, accent, 0.12));
        expect(contrast(look.onAccent, look.accent)).toBeGreaterThanOrEqual(4.5);
      }),
      { numRuns: 2000 },
    );
  });

  it('stay as the designer wrote them, and are told where they cannot be read', () => {
    const { look, findings } = resolve({ background: '#ffffff', color: '#999999', accent: 'yellow' });
    expect([look.color, look.background, look.accent]).toEqual(['#999999', '#ffffff', '#ffff00']);
    expect(findings.map(one => one.rule)).toEqual(['low-contrast']);
    expect(contrast(look.marker, '#ffffff')).toBeGreaterThanOrEqual(3);
  });
});
