import { resolve } from 'node:path';

/** A picture is taken in so many parts across at most: in a wide window each is about as large as a letter. */
const across = 64;

/** The colours of the parts of a picture, `#rrggbb` or `#rrggbbaa`; null where it cannot be read here. */
export async function pictureColors(root: string, file: string): Promise<readonly string[] | null> {
  try {
    const { default: sharp } = await import('sharp');
    const data = await sharp(resolve(root, file))
      .toColourspace('srgb')
      .resize(across, across, { fit: 'inside', withoutEnlargement: true })
      .ensureAlpha()
      .raw()
      .toBuffer();
    return Array.from({ length: data.length / 4 }, (_, at) => {
      const hex = data.toString('hex', at * 4, at * 4 + 4);
      return `#${hex.endsWith('ff') ? hex.slice(0, 6) : hex}`;
    });
  } catch {
    return null;
  }
}
