// Writes src/core/look/fallback-widths.ts: how wide the letters of common system fonts are, from free fonts of the same
// widths (Debian: fonts-liberation, fonts-crosextra-carlito, fonts-roboto-unhinted, fonts-dejavu-core).
import { writeFileSync } from 'node:fs';
import * as fontkit from 'fontkit';
import { format } from 'prettier';

const folder = '/usr/share/fonts/truetype';
const fonts = {
  arial: ['liberation/LiberationSans-Regular.ttf', 'liberation/LiberationSans-Bold.ttf'],
  times: ['liberation/LiberationSerif-Regular.ttf', 'liberation/LiberationSerif-Bold.ttf'],
  calibri: ['crosextra/Carlito-Regular.ttf', 'crosextra/Carlito-Bold.ttf'],
  roboto: ['roboto/unhinted/RobotoTTF/Roboto-Regular.ttf', 'roboto/unhinted/RobotoTTF/Roboto-Bold.ttf'],
  dejavu: ['dejavu/DejaVuSans.ttf', 'dejavu/DejaVuSans-Bold.ttf'],
  dejavuSerif: ['dejavu/DejaVuSerif.ttf', 'dejavu/DejaVuSerif-Bold.ttf'],
  mono: ['dejavu/DejaVuSansMono.ttf', 'dejavu/DejaVuSansMono-Bold.ttf'],
};
const ranges = [
  [0x20, 0x7e],
  [0xa0, 0xff],
  [0x391, 0x3c9],
  [0x410, 0x451],
];
const letters = ranges.flatMap(([from, to]) => Array.from({ length: to - from + 1 }, (_, at) => from + at));

const widths = {};
for (const [name, files] of Object.entries(fonts)) {
  widths[name] = files.map(file => {
    const font = fontkit.openSync(`${folder}/${file}`);
    return letters
      .map(code => Math.round((font.glyphForCodePoint(code).advanceWidth / font.unitsPerEm) * 1000))
      .join(' ');
  });
}
const text = `/** Ranges of letters whose widths are known, in the order of the tables. */
export const ranges: readonly (readonly [from: number, to: number])[] = ${JSON.stringify(ranges)};

/** Advance widths of common system fonts in thousandths of an em: upright, then bold. Written by tools/fallback-widths.mjs. */
export const widths: Readonly<Record<string, readonly [upright: string, bold: string]>> = ${JSON.stringify(widths)};
`;
writeFileSync(
  'src/core/look/fallback-widths.ts',
  await format(text, { parser: 'typescript', singleQuote: true, printWidth: 110, arrowParens: 'avoid' }),
);
