import { visibleJson } from './visible.ts';

const indent = '  ';
/** In a longer list each member is written as a whole. */
const many = 8;
/** In UTF-16 units: so much is given at once. */
const pieceSize = 1 << 16;

/**
 * A document of JSON with a line break behind it, in pieces: as a whole, that of a large site would take as much memory as all
 * that is known of it. Together they are what `JSON.stringify` gives, indented by two, with control characters by number.
 */
export function* jsonPieces(value: object): Generator<string> {
  let piece = '';
  for (const part of partsOf(value, '\n')) {
    piece += part;
    if (piece.length < pieceSize) continue;
    yield visibleJson(piece);
    piece = '';
  }
  yield visibleJson(`${piece}\n`);
}

/** @param line a line break with what the value is indented by */
function* partsOf(value: unknown, line: string): Generator<string> {
  const isList = Array.isArray(value);
  if (typeof value !== 'object' || value === null || 'toJSON' in value) return yield whole(value, line);
  const members: [string, unknown][] = isList
    ? value.map(one => ['', isLeftOut(one) ? null : one])
    : Object.entries(value).flatMap(([name, one]) =>
        isLeftOut(one) ? [] : [[`${JSON.stringify(name)}: `, one]],
      );
  const [open, close] = isList ? '[]' : '{}';
  const inner = line + indent;
  let before = `${open!}${inner}`;
  for (const [name, one] of members) {
    yield before + name;
    if (isList && members.length > many) yield whole(one, inner);
    else yield* partsOf(one, inner);
    before = `,${inner}`;
  }
  yield members.length === 0 ? `${open!}${close!}` : line + close!;
}

const isLeftOut = (one: unknown): boolean => ['undefined', 'function', 'symbol'].includes(typeof one);

/** Line breaks stand nowhere in JSON but between its parts. */
function whole(value: unknown, line: string): string {
  return JSON.stringify(value, null, indent).replaceAll('\n', line);
}
