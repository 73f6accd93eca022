import { readFileSync, statSync } from 'node:fs';
import * as fontkit from 'fontkit';

/** A font file that texts are measured with. */
export interface FontFile {
  /** Advance width in em, with kerning and shaping; null where it lacks a letter of the text. */
  widthOf: (text: string, weight: number) => number | null;
}

const opened = new Map<string, FontFile>();

/** The same font once for all builds of a program, as long as its file stays the same. */
export function knownFont(file: string): FontFile {
  const { mtimeMs, size } = statSync(file);
  const key = `${file} ${mtimeMs} ${size}`;
  const font = opened.get(key) ?? readFont(file);
  opened.set(key, font);
  return font;
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
  return {
    widthOf: (text, weight) => {
      const letters = [...text].filter(letter => !/\p{Cf}/u.test(letter));
      if (!letters.every(letter => base.hasGlyphForCodePoint(letter.codePointAt(0)!))) return null;
      const font = at(weight);
      return text === '' ? 0 : font.layout(text).advanceWidth / font.unitsPerEm;
    },
  };
}
