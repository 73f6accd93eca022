import { type Raw, bytesOf, rawOf } from '../text/bytes.ts';
import { inlayAttribute, sealAttribute } from './names.ts';

const nameMark = ` ${inlayAttribute}="`;
const sealMark = ` ${sealAttribute}="`;
/** A checksum as it is written: eight hexadecimal digits. */
const sealLength = sealMark.length + 8 + 1;

/** The same part with one attribute more on its first element, behind its name. */
export function sealedWith(part: Raw, attribute: Raw): Raw {
  const whole = unsealed(part);
  const end = endOfName(whole);
  return sealed(`${whole.slice(0, end)}${attribute}${whole.slice(end)}`);
}

/** What goes into a page, with a checksum of itself, by which it is known later that nobody has edited it. */
export function sealed(part: Raw): Raw {
  const end = endOfName(part);
  if (end < 0) return part;
  return `${part.slice(0, end)}${sealMark}${digits(sumOf(part))}"${part.slice(end)}`;
}

/** Behind the attribute that names a part; -1 where it has none. */
function endOfName(part: Raw): number {
  const at = part.indexOf(nameMark);
  return at < 0 ? -1 : part.indexOf('"', at + nameMark.length) + 1;
}

/** The same with the checksum that another part has, to compare the two. */
export function resealed(part: Raw, other: Raw): Raw {
  const [at, there] = [sealAt(part), sealAt(other)];
  return at < 0 || there < 0
    ? part
    : part.slice(0, at) + other.slice(there, there + sealLength) + part.slice(at + sealLength);
}

/** What the checksum is of: all but itself and white space, which tells of no edit. */
export function withoutSpace(part: Raw): Raw {
  return unsealed(part).replace(/[\0- ]+/g, '');
}

function unsealed(part: Raw): Raw {
  const at = sealAt(part);
  return at < 0 ? part : part.slice(0, at) + part.slice(at + sealLength);
}

/** Whether a part of a page is as Kamino wrote it, but for white space. @param seal what it says of itself */
export function isAsSealed(part: Raw, seal: string): boolean {
  if (right.get(seal) === part) return true;
  if (digits(sumOf(unsealed(part))) !== seal) return false;
  if (right.size >= mostKept) right.clear();
  // A copy: a piece of a page would keep the whole page.
  right.set(seal, rawOf(bytesOf(part)));
  return true;
}

/** Parts that recur from page to page, by what they rightly say of themselves. */
const right = new Map<string, Raw>();
const mostKept = 1000;

/**
 * Where a part would have to end whose end tag somebody has taken out: the offset at which it is, with that tag, what
 * Kamino wrote; -1 where there is none.
 * @param start of the part in the page
 * @param most how many bytes of the page may belong to it
 */
export function endByChecksum(
  raw: Raw,
  { start, most, seal, tail }: { start: number; most: number; seal: string; tail: string },
): number {
  const part = raw.slice(start, start + most);
  const at = sealAt(part);
  if (at < 0) return -1;
  const wanted = parseInt(seal, 16);
  let sum = sumOf(part.slice(0, at));
  const edges = /[<>]/g;
  let from = at + sealLength;
  for (edges.lastIndex = from; ;) {
    const edge = edges.exec(part);
    if (!edge) return -1;
    const end = edge[0] === '>' ? edge.index + 1 : edge.index;
    sum = sumOf(part.slice(from, end), sum);
    if (sumOf(tail, sum) === wanted) return start + end;
    from = end;
  }
}

/** Where the checksum stands in the first tag of a part. */
function sealAt(part: Raw): number {
  const at = part.indexOf(sealMark);
  return at >= 0 && part[at + sealLength - 1] === '"' ? at : -1;
}

const basis = 0x811c9dc5;
const prime = 0x01000193;

/** FNV-1a of 32 bits (Fowler, Noll and Vo) over all that is no white space: a page that is laid out anew is not edited. */
function sumOf(part: Raw, before = basis): number {
  let next = before;
  for (let at = 0; at < part.length; at += 1) {
    const byte = part.charCodeAt(at);
    if (byte > 0x20) next = Math.imul(next ^ byte, prime) >>> 0;
  }
  return next;
}

function digits(sum: number): string {
  return sum.toString(16).padStart(8, '0');
}
