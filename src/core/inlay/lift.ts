import { type Raw, type Span, splice } from '../text/bytes.ts';
import { idAttribute, inlayAttribute, sealAttribute, wasAttribute } from '../markup/names.ts';
import { findInlaid } from './find.ts';

/** Gives what was taken out of a page, by its hash; null where it is lost. */
export type Taken = (hash: string) => Raw | null;

/** What was taken out of a page can be found nowhere. */
export class LostRecord extends Error {
  readonly hash: string;

  constructor(hash: string) {
    super(`what was taken out of the page as ${hash} is not in the record`);
    this.hash = hash;
  }
}

const nothingTaken: Taken = () => null;

/**
 * The page as it was: without what Kamino put in, with what was taken out for it, and otherwise byte for byte the same.
 * A part that somebody has edited goes with the edit; one whose end tag is gone, as far as it is surely Kamino's.
 * @throws LostRecord where something that was taken out is not to be had
 */
export function lift(raw: Raw, taken: Taken = nothingTaken): Raw {
  return splice(raw, liftSpans(raw, taken));
}

/** What has to go out of a page for that, and in. @throws LostRecord */
export function liftSpans(raw: Raw, taken: Taken): Span[] {
  return findInlaid(raw).map(({ start, end, was }) => ({
    at: start,
    drop: end - start,
    text: was === null ? '' : found(was, taken),
  }));
}

/** The page with its menus, as plain markup: Kamino's marks are taken off, ids and classes stay. */
export function keepMenus(raw: Raw): Raw {
  return splice(raw, keepSpans(raw));
}

export function keepSpans(raw: Raw): Span[] {
  const marks = new RegExp(` (?:${inlayAttribute}|${wasAttribute}|${sealAttribute})="[^"]*"`, 'g');
  const idMark = new RegExp(` ${idAttribute}="[^"]*"`);
  return findInlaid(raw).map(({ name, start, end }) => {
    const part = raw.slice(start, end);
    const [tag] = /^[^>]*>?/.exec(part)!;
    const plain = name === null ? part.replace(idMark, '') : tag.replace(marks, '') + part.slice(tag.length);
    return { at: start, drop: end - start, text: plain };
  });
}

function found(hash: string, taken: Taken): Raw {
  const raw = taken(hash);
  if (raw === null) throw new LostRecord(hash);
  return raw;
}
