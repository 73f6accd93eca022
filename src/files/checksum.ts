import { crc32 } from 'node:zlib';
import { findInlaid } from '../core/inlay/find.ts';
import { type Raw, rawOf } from '../core/text/bytes.ts';

/** Of what Kamino put into a page. */
export function checksumOf(raw: Raw): number {
  return new Checksums().of(findInlaid(raw).map(({ start, end }) => raw.slice(start, end)));
}

const mostSummed = 1 << 18;

/** Files that somebody may edit are small: of these it is known what they were, whatever dates a copy of the folder has. */
export const isSummed = (size: number): boolean => size <= mostSummed;

/** Of a copied file; null for a large one. */
export const sumOfCopy = (bytes: Uint8Array): number | null => (isSummed(bytes.length) ? crc32(bytes) : null);

/** Whether a file of its own, or a copied one, is as a record says: by the checksum of the whole. */
export const isAsRecorded = (there: Uint8Array, checksum: number | null | undefined): boolean =>
  crc32(there) === checksum;

/** The same of a page too, by what Kamino put into it. */
export const isAsMade = (there: Uint8Array, checksum: number): boolean =>
  isAsRecorded(there, checksum) || checksumOf(rawOf(there)) === checksum;

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
