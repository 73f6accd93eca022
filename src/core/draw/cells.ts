import type { CutStrip } from '../look/button-pictures.ts';
import { escapeMarkup } from '../text/references.ts';

const margin = { top: 34, left: 84, end: 16 };
const line = '#d6006c';
const ink = '#22262e';

/**
 * A strip with its cells drawn in, as a drawing: enlarged where it is small, over squares that show where it is
 * transparent, the entries above and the states beside it.
 * @param image the strip as an address that holds it
 */
export function cellSheet({ raster, cells, states, labels }: CutStrip, image: string): string {
  const scale = Math.max(1, Math.min(4, Math.floor(1100 / raster.width)));
  const size = { width: raster.width * scale, height: raster.height * scale };
  const whole = {
    width: size.width + margin.left + margin.end,
    height: size.height + margin.top + margin.end + 22,
  };
  const text = (x: number, y: number, words: string, anchor: string): string =>
    `<text x="${x}" y="${y}" text-anchor="${anchor}" fill="${ink}">${escapeMarkup(words)}</text>`;
  const boxes = (cells ?? []).flatMap((row, at) =>
    row.map(({ x, y, width, height }, column) => {
      const left = margin.left + x * scale;
      const top = margin.top + y * scale;
      const frame = `<rect x="${left - 0.5}" y="${top - 0.5}" width="${width * scale + 1}" height="${height * scale + 1}" fill="none" stroke="${line}"/>`;
      const head =
        at === 0 ? text(left + (width * scale) / 2, margin.top - 12, labels[column]!, 'middle') : '';
      const side =
        column === 0 ? text(margin.left - 10, top + (height * scale) / 2 + 4, states[at]!, 'end') : '';
      return frame + head + side;
    }),
  );
  const widths = cells?.[0]?.map(({ x, width }) =>
    text(margin.left + (x + width / 2) * scale, margin.top + size.height + 18, `${width}`, 'middle'),
  );
  const foot = cells
    ? (widths ?? []).join('')
    : text(margin.left, margin.top - 12, 'the cells are not sure', 'start');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${whole.width}" height="${whole.height}" viewBox="0 0 ${whole.width} ${whole.height}" font-family="system-ui, DejaVu Sans, sans-serif" font-size="12">
<defs><pattern id="squares" width="16" height="16" patternUnits="userSpaceOnUse"><rect width="16" height="16" fill="#fff"/><path d="M0 0h8v8H0zM8 8h8v8H8z" fill="#e6e6e6"/></pattern></defs>
<rect width="100%" height="100%" fill="#fafaf8"/>
<rect x="${margin.left}" y="${margin.top}" width="${size.width}" height="${size.height}" fill="url(#squares)"/>
<image x="${margin.left}" y="${margin.top}" width="${size.width}" height="${size.height}" href="${image}" style="image-rendering:pixelated" preserveAspectRatio="none"/>
${boxes.join('\n')}
${foot}
</svg>
`;
}
