import { crc32 } from 'node:zlib';
import { findInlaid } from '../core/inlay/find.ts';
import { type Raw, rawOf } from '../core/text/bytes.ts';

/** Of what Kamino put into a page. */
export function checksumOf(raw: Raw): number {
  return new Checksums().of(findInlaid(raw).map(({ start, end }) => raw.slice(start, end)));
}

/** The same of a whole file, beside it: the one of a page, and the one of any other. */
export function sumsOf(bytes: Uint8Array): [page: number, file: number] {
  return [checksumOf(rawOf(bytes)), crcOf(bytes)];
}

/** Of a whole file. */
export const crcOf = (bytes: Uint8Array): number => crc32(bytes);

const mostSummed = 1 << 18;

/** Files that somebody may edit are small: of these it is known what they were, whatever dates a copy of the folder has. */
export const isSummed = (size: number): boolean => size <= mostSummed;

const mostKept = 4000;

/** Checksums of parts; those that many pages share are computed once. */
export class Checksums {
  readonly #known = new Map<Raw, number>();

  of(parts: readonly Raw[]): number {
    let sum = 0;
    for (const part of parts) sum = (Math.imul(sum, 31) + this.#one(part)) >>> 0;
    return sum;
  }

  #one(part: Raw): number {
    const known = this.#known.get(part);
    if (known !== undefined) return known;
    if (this.#known.size >= mostKept) this.#known.clear();
    const made = crc32(part);
    this.#known.set(part, made);
    return made;
  }
}
