import type { Marker, StateName } from '../plan/look-types.ts';

/**
 * Where a mark is drawn: in a line of entries; in one without room around its labels; where entries stand below each
 * other, with a mark of the line or one that was given for there.
 */
export type MarkPlace = 'line' | 'flat' | 'stack' | 'own-stack';

/** A mark below or above its label turns to its side where entries stand below each other. */
const turns = ({ at }: Marker, place: MarkPlace): boolean =>
  place === 'stack' && (at === 'below' || at === 'above');

/** Whether a mark stands upright. */
const isUpright = (marker: Marker, place: MarkPlace): boolean =>
  marker.at === 'start' || turns(marker, place);

/** The lines of a rule that draw a mark in its place: always of the same properties. */
export function markGeometry(marker: Marker, place: MarkPlace, name: StateName): string[] {
  if (marker.at === 'none') return ['  content: none;\n'];
  if (isUpright(marker, place)) return upright(marker, place, name);
  return marker.at === 'dot' ? dot(marker) : lying(marker, place, name);
}

/** What a mark is before it comes, and when it is there. */
export function markMotion(marker: Marker, place: MarkPlace): { before: string; there: string } {
  if (marker.comes !== 'grow') return { before: '  opacity: 0;\n', there: '  opacity: 1;\n' };
  const before = marker.at === 'dot' ? '0' : isUpright(marker, place) ? '1 0' : '0 1';
  return { before: `  scale: ${before};\n`, there: '  scale: 1;\n' };
}

/** Where the label and its opener stand side by side: how far the mark goes on; null where that is not asked. */
export function markEndOfPair(marker: Marker, place: MarkPlace): string | null {
  const isLying = (marker.at === 'below' || marker.at === 'above') && !turns(marker, place);
  if (!isLying || isMeasure(marker.length) || place === 'flat') return null;
  return marker.length === 'entry' ? '-2em' : '0.3em';
}

const isMeasure = (length: string | null): length is string =>
  length !== null && length !== 'entry' && length !== 'label';

function lines(
  [block, inline]: readonly [string, string],
  [blockSize, inlineSize]: readonly [string, string],
  margin: string,
): string[] {
  return [
    `  inset-block: ${block};\n`,
    `  inset-inline: ${inline};\n`,
    `  block-size: ${blockSize};\n`,
    `  inline-size: ${inlineSize};\n`,
    `  margin: ${margin};\n`,
  ];
}

/** The mark of an entry whose branch holds this page is shorter than that of the entry of this very page. */
function lying({ at, thickness, length, offset }: Marker, place: MarkPlace, name: StateName): string[] {
  const half = place === 'flat' ? '0.1em' : 'var(--kamino-mark-block)';
  const away = offset ?? (at === 'above' && place !== 'flat' ? `calc(${half} * 0.6)` : half);
  const side = length === 'entry' || place === 'flat' ? '0' : 'var(--kamino-mark-inline)';
  const isMeasured = isMeasure(length);
  const size = isMeasured ? length : name === 'within' && length === null ? '1.2em' : null;
  return lines(
    [at === 'below' ? `auto ${away}` : `${away} auto`, isMeasured ? '0' : side],
    [thickness ?? '0.15em', size ?? 'auto'],
    size === null ? '0' : '0 auto',
  );
}

function upright({ at, thickness, length, offset }: Marker, place: MarkPlace, name: StateName): string[] {
  const isOwn = at === 'start';
  const size = isOwn && isMeasure(length) ? length : name === 'within' && length === null ? '0.5em' : null;
  const away = (isOwn ? offset : null) ?? (place === 'flat' ? '-0.5em' : besideLabel(thickness ?? '0.15em'));
  return lines(
    [size !== null || length === 'entry' ? '0' : '0.6em', `${away} auto`],
    [size ?? 'auto', thickness ?? '0.15em'],
    size === null ? '0' : 'auto 0',
  );
}

/** Where an entry has little room at its side, in the middle of that: no mark lies over a label. */
export const besideLabel = (thickness: string, most = '0.35em'): string =>
  `min(${most}, (var(--kamino-mark-inline) - ${thickness}) / 2)`;

const dot = ({ thickness, offset }: Marker): string[] =>
  lines(
    ['0', `${offset ?? besideLabel(thickness ?? '0.36em', '0.3em')} auto`],
    [thickness ?? '0.36em', thickness ?? '0.36em'],
    'auto 0',
  );
