import { readGradient } from '../look/gradient.ts';

/** A gradient of CSS as one of SVG, in a box. @param read a colour as SVG has it */
export function svgGradient(
  css: string,
  { id, width, height }: { id: string; width: number; height: number },
  read: (css: string) => string | null,
): string | null {
  const gradient = readGradient(css);
  if (!gradient) return null;
  const marked = gradient.with(gradient.stops.map((_, at) => `@${at}`));
  const inside = marked.slice(marked.indexOf('(') + 1, marked.lastIndexOf(')'));
  const pieces = inside.split(',').map(one => one.trim());
  const stops = pieces.flatMap((piece): { color: string; at: number | null }[] => {
    const found = /@(\d+)/.exec(piece);
    const color = found && read(gradient.stops[Number(found[1])]!);
    const at = /([\d.]+)%/.exec(piece.replace(/@\d+/, ''))?.[1];
    return color ? [{ color, at: at === undefined ? null : Number(at) / 100 }] : [];
  });
  if (stops.length === 0) return null;
  const lines = placed(stops).map(({ color, at }) => `<stop offset="${round(at)}" stop-color="${color}"/>`);
  const isRadial = css.includes('radial-');
  const head = pieces[0]!.includes('@') ? '' : pieces[0]!;
  const [x, y] = isRadial ? [0, 0] : direction(head, width, height);
  const place = isRadial
    ? `radialGradient id="${id}"`
    : `linearGradient id="${id}" gradientUnits="userSpaceOnUse" x1="${round(width / 2 - x)}" y1="${round(height / 2 - y)}" x2="${round(width / 2 + x)}" y2="${round(height / 2 + y)}"`;
  return `<${place}>${lines.join('')}</${isRadial ? 'radialGradient' : 'linearGradient'}>`;
}

const round = (value: number): number => Math.round(value * 1000) / 1000;

/** Stops without a place share the room between those that have one. */
function placed(stops: readonly { color: string; at: number | null }[]): { color: string; at: number }[] {
  const known = stops.map(
    ({ at }, number) => at ?? (number === 0 ? 0 : number === stops.length - 1 ? 1 : null),
  );
  return stops.map(({ color }, number) => {
    if (known[number] !== null) return { color, at: known[number]! };
    const before = known.findLastIndex((at, one) => one < number && at !== null);
    const after = known.findIndex((at, one) => one > number && at !== null);
    const share = (number - before) / (after - before);
    return { color, at: known[before]! + share * (known[after]! - known[before]!) };
  });
}

/** Half of the way that a gradient goes (https://www.w3.org/TR/css-images-4/#linear-gradient-syntax). */
function direction(head: string, width: number, height: number): [x: number, y: number] {
  const to = /^to\s+(.*)$/.exec(head)?.[1];
  const [across, down] = [
    to?.includes('left') ? -1 : to?.includes('right') ? 1 : 0,
    to?.includes('top') ? -1 : to?.includes('bottom') ? 1 : 0,
  ];
  if (across !== 0 && down !== 0) {
    // Towards a corner the middle line goes through the other two.
    const length = (width * height) / Math.hypot(width, height);
    const angle = Math.atan2(down * width, across * height);
    return [Math.cos(angle) * length, Math.sin(angle) * length];
  }
  if (to !== undefined) return [(across * width) / 2, (down * height) / 2];
  const turn = /^(-?[\d.]+)(deg|turn|rad)$/.exec(head);
  const scale = { deg: Math.PI / 180, turn: 2 * Math.PI, rad: 1 };
  const angle = turn ? Number(turn[1]) * scale[turn[2] as keyof typeof scale] : Math.PI;
  const half = (Math.abs(width * Math.sin(angle)) + Math.abs(height * Math.cos(angle))) / 2;
  return [Math.sin(angle) * half, -Math.cos(angle) * half];
}
