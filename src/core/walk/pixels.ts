/** A picture as pixels: so many bytes each, red, green and blue first; rows from above. */
export interface Pixels {
  width: number;
  height: number;
  channels: number;
  data: Uint8Array;
}

/** A ground that is less of the picture than this is no one colour. */
const leastGround = 0.3;

/**
 * The contrast of what is written in a picture with its ground: of the colour that most pixels have with the one that
 * differs most from it (WCAG 2.2, contrast ratio). @returns null where no colour is the ground, or nothing is written
 */
export function inkContrast({ width, height, channels, data }: Pixels): number | null {
  const counts = new Map<number, number>();
  for (let at = 0; at < width * height * channels; at += channels) {
    const key = (data[at]! << 16) | (data[at + 1]! << 8) | data[at + 2]!;
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  const [ground, count] = [...counts].reduce((most, one) => (one[1] > most[1] ? one : most), [0, 0]);
  if (count < width * height * leastGround || counts.size < 2) return null;
  const own = luminance(ground);
  return Math.max(...[...counts.keys()].map(one => ratio(luminance(one), own)));
}

/** https://www.w3.org/TR/WCAG22/#dfn-relative-luminance */
function luminance(color: number): number {
  const part = (value: number): number =>
    value / 255 <= 0.04045 ? value / 255 / 12.92 : ((value / 255 + 0.055) / 1.055) ** 2.4;
  return 0.2126 * part(color >> 16) + 0.7152 * part((color >> 8) & 255) + 0.0722 * part(color & 255);
}

const ratio = (one: number, other: number): number =>
  (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);
