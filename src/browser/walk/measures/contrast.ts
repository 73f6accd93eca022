import type { SeenBox, SeenText } from '../../../core/walk/seen.ts';
import { type Pixels, inkContrast } from '../../../core/walk/pixels.ts';
import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';

/** Letters have their whole colour where they are drawn so many times as large. */
const scale = 3;
/** What is still lost at the edges of thin letters. */
const tolerance = 0.15;

/** Labels, sampled from pictures of the page: WCAG 2.2, 1.4.3. */
export async function contrast(visit: Visit, noter: Noter): Promise<void> {
  const read = visit.tab.enlarges ? await pixelReader() : null;
  if (read === null) return;
  const [width, height] = visit.window;
  for (const [at, { menu, label, isLarge }] of (await visit.tab.ask<SeenText[]>('texts')).entries()) {
    if (visit.sampled.has(`${menu} ${label}`)) continue;
    const box = await visit.tab.ask<SeenBox | null>('bringText', at);
    if (!box || !isInside(box, width, height)) continue;
    visit.sampled.add(`${menu} ${label}`);
    const measured = inkContrast(await read(await visit.tab.picture(box, scale)));
    const least = isLarge ? 3 : 4.5;
    if (measured === null || measured >= least - tolerance) continue;
    await noter.seen(
      'weak-contrast',
      `labels in ${menu} are hard to read`,
      menu,
      `“${label}” (${measured.toFixed(1)} of ${least})`,
    );
  }
}

const isInside = ({ left, top, width, height }: SeenBox, wide: number, high: number): boolean =>
  left >= 0 && top >= 0 && left + width <= wide && top + height <= high;

/** null where what reads pictures is not installed. */
async function pixelReader(): Promise<((png: Uint8Array) => Promise<Pixels>) | null> {
  try {
    const { default: sharp } = await import('sharp');
    return async png => {
      const { data, info } = await sharp(png)
        .removeAlpha()
        .raw({ depth: 'uchar' })
        .toBuffer({ resolveWithObject: true });
      return { width: info.width, height: info.height, channels: info.channels, data };
    };
  } catch {
    return null;
  }
}
