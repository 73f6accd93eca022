import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import * as fontkit from 'fontkit';
import type { FontFile, LetterSpacing, Outline } from '../core/look/fonts.ts';

const opened = new Map<string, FontFile>();

/** The same font once for all builds of a program, as long as its file stays the same. */
function knownFont(file: string): FontFile {
  const { mtimeMs, size } = statSync(file);
  const key = `${file} ${mtimeMs} ${size}`;
  const font = opened.get(key) ?? readFont(file);
  opened.set(key, font);
  return font;
}

/** A font file of a site; null where it is no font that can be read. */
export function fontIn(root: string, file: string): FontFile | null {
  try {
    return knownFont(join(root, file));
  } catch {
    return null;
  }
}

/** @throws Error where the file is no font that can be read (TTF, OTF, WOFF, WOFF2) */
export function readFont(file: string): FontFile {
  const made = fontkit.create(readFileSync(file));
  const base = 'fonts' in made ? made.fonts[0] : made;
  if (!base) throw new Error('the file holds no font');
  const variations = new Map<number, fontkit.Font>();
  const at = (weight: number): fontkit.Font => {
    const axis = (base.variationAxes as { wght?: { min: number; max: number } }).wght;
    if (!axis) return base;
    const wanted = Math.min(axis.max, Math.max(axis.min, weight));
    const known = variations.get(wanted) ?? base.getVariation({ wght: wanted });
    variations.set(wanted, known);
    return known;
  };
  const hasAll = (text: string): boolean =>
    [...text].every(letter => /\p{Cf}/u.test(letter) || base.hasGlyphForCodePoint(letter.codePointAt(0)!));
  return {
    outlineOf: (text, weight, spacing) => (hasAll(text) ? outlineIn(at(weight), text, spacing) : null),
    widthOf: (text, weight) => {
      if (!hasAll(text)) return null;
      const font = at(weight);
      return text === '' ? 0 : font.layout(text).advanceWidth / font.unitsPerEm;
    },
  };
}

const commands: Readonly<Record<string, string>> = {
  moveTo: 'M',
  lineTo: 'L',
  quadraticCurveTo: 'Q',
  bezierCurveTo: 'C',
  closePath: 'Z',
};

/** The letters of a text as a path, in thousandths of an em. */
function outlineIn(font: fontkit.Font, text: string, { letters, words }: LetterSpacing): Outline {
  const { glyphs, positions } = font.layout(text);
  const em = font.unitsPerEm;
  const round = (value: number): number => Math.round(value * 1000);
  let x = 0;
  const path = glyphs.map((glyph, at) => {
    const { xAdvance, xOffset, yOffset } = positions[at]!;
    const start = x + xOffset / em;
    x += xAdvance / em + letters + (glyph.codePoints.includes(0x20) ? words : 0);
    return glyph.path.commands
      .map(({ command, args }) => {
        const points = args.map((value, axis) =>
          round(axis % 2 === 0 ? start + value / em : -(value + yOffset) / em),
        );
        return (commands[command] ?? '') + points.join(' ');
      })
      .join('');
  });
  return { path: path.join(''), width: x - letters, ascent: font.ascent / em, descent: -font.descent / em };
}
