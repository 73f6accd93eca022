import sharp from 'sharp';

/** A button as a picture: a box with a band across it that tells it from others. */
export function button(
  width: number,
  height: number,
  [ground, band]: readonly [string, string],
  format: 'png' | 'gif' | 'jpeg' | 'webp' = 'png',
): Promise<Buffer> {
  return sharp(Buffer.from(buttonSvg(width, height, [ground, band])))
    .toFormat(format)
    .toBuffer();
}

export const buttonSvg = (width: number, height: number, [ground, band]: readonly [string, string]): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="${width}" height="${height}" fill="${ground}"/><rect x="4" y="${Math.round(height / 2) - 2}" width="${width - 8}" height="4" fill="${band}"/></svg>`;

export const grounds = { base: '#3d5a80', hover: '#b23a48', current: '#293241', pressed: '#6b2737' } as const;

/** Pictures of entries in states, by a pattern of names; each entry is of another width. */
export async function buttonFiles(
  entries: readonly string[],
  {
    states = Object.keys(grounds) as (keyof typeof grounds)[],
    name = (entry: string, state: string) => `buttons/${entry}-${state}.png`,
    height = 40,
    scales = [1] as readonly (1 | 2)[],
  } = {},
): Promise<Record<string, Buffer>> {
  const files: Record<string, Buffer> = {};
  for (const [at, entry] of entries.entries())
    for (const state of states)
      for (const scale of scales) {
        const path = name(entry, state).replace(/(?=\.[^.]*$)/, scale === 2 ? '@2x' : '');
        const band = `#${['ffffff', 'ffe8a3', 'cfe8ff', 'd8ffd2', 'ffd2f0'][at % 5]!}`;
        files[path] = await button((80 + at * 20) * scale, height * scale, [grounds[state], band]);
      }
  return files;
}

export const picturePage = (title: string, inside = ''): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${title}</title></head><body><header></header>${inside}<main><h1>${title}</h1><p>Words of ${title}.</p></main></body></html>`;

/** A plan with one menu and what is said of its pictures. */
export const picturePlan = (pictures: string, menu = ''): string => `kamino: 1
menus:
  - menu: masthead
    place: { first-in: header }
${menu.replace(/^(?=.)/gm, '    ')}${menu === '' ? '' : '\n'}    entries: [tonight.html, visit.html, telescopes.html]
pictures:
  - menu: masthead
${pictures.replace(/^(?=.)/gm, '    ')}
`;
