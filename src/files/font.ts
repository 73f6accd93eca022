import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import * as fontkit from 'fontkit';
import type { FontFile } from '../core/look/fonts.ts';

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
  return {
    widthOf: (text, weight) => {
      const letters = [...text].filter(letter => !/\p{Cf}/u.test(letter));
      if (!letters.every(letter => base.hasGlyphForCodePoint(letter.codePointAt(0)!))) return null;
      const font = at(weight);
      return text === '' ? 0 : font.layout(text).advanceWidth / font.unitsPerEm;
    },
  };
}
