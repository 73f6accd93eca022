import { type Raw, splice } from '../text/bytes.ts';
import { attributeStarts } from '../site/wanted.ts';
import { Outline } from '../site/outline.ts';
import { Scanner } from '../site/scanner.ts';
import type { Element } from '../site/types.ts';
import { idAttribute, inlayAttribute, wasAttribute } from './names.ts';

/** A part of a page that Kamino put in: bytes from `start` up to `end`. */
export interface Inlaid {
  /** The menu's name or a reserved word; null for an id. */
  name: string | null;
  /** The hash of what was taken out for it, or null. */
  was: string | null;
  start: number;
  end: number;
}

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

const idMark = ` ${idAttribute}="" id="`;
const nothingTaken: Taken = () => null;

/**
 * The page as it was: without what Kamino put in, with what was taken out for it, and otherwise byte for byte the same.
 * @throws LostRecord where something that was taken out is not to be had
 */
export function lift(raw: Raw, taken: Taken = nothingTaken): Raw {
  const parts = findInlaid(raw);
  if (parts.length === 0) return raw;
  const spans = parts.map(({ start, end, was }) => ({
    at: start,
    drop: end - start,
    text: was === null ? '' : found(was, taken),
  }));
  return splice(raw, spans);
}

/** The page with its menus, as plain markup: Kamino's marks are taken off, ids and classes stay. */
export function keepMenus(raw: Raw): Raw {
  const marks = new RegExp(` (?:${inlayAttribute}|${wasAttribute})="[^"]*"`, 'g');
  const spans = findInlaid(raw).map(({ name, start, end }) => {
    const part = raw.slice(start, end);
    const [tag] = /^[^>]*>?/.exec(part)!;
    const plain =
      name === null
        ? part.replace(` ${idAttribute}=""`, '')
        : tag.replace(marks, '') + part.slice(tag.length);
    return { at: start, drop: end - start, text: plain };
  });
  return splice(raw, spans);
}

function found(hash: string, taken: Taken): Raw {
  const raw = taken(hash);
  if (raw === null) throw new LostRecord(hash);
  return raw;
}

/** What Kamino put into a page, in the order of the page. */
export function findInlaid(raw: Raw): Inlaid[] {
  if (attributeStarts(raw).others.length === 0) return [];
  const scanner = new Scanner(raw, raw.startsWith('\xef\xbb\xbf') ? 3 : 0);
  const outline = new Outline(scanner, true);
  const found: (Inlaid & { element: Element | null })[] = [];
  while (scanner.next(outline.inForeign) !== 'done') {
    if (scanner.kind === 'end') outline.close();
    if (scanner.kind !== 'start' || !outline.before(scanner.name)) continue;
    const id = inlaidId(raw, scanner);
    if (id) found.push(id);
    const marks = raw.slice(scanner.start, scanner.end).includes(`${inlayAttribute}=`)
      ? marksOf(scanner)
      : null;
    if (marks === null || outline.isInside(templateOnly)) outline.open();
    else found.push({ ...marks, ...extentOf(outline.enter()) });
  }
  return withoutInner(
    found.map(({ element, ...part }) => (element && element.end > 0 ? { ...part, end: element.end } : part)),
  );
}

const templateOnly: ReadonlySet<string> = new Set(['template']);

/** The end is known once the element is closed; an element without an end tag is its tag alone. */
function extentOf(element: Element): { start: number; end: number; element: Element } {
  return { start: element.start, end: element.open, element };
}

function marksOf(scanner: Scanner): { name: string; was: string | null } | null {
  const attributes = scanner.attributes();
  const value = (name: string): string | undefined => attributes.find(one => one.name === name)?.value;
  const name = value(inlayAttribute);
  return name === undefined ? null : { name, was: value(wasAttribute) ?? null };
}

function inlaidId(raw: Raw, scanner: Scanner): (Inlaid & { element: null }) | null {
  const start = scanner.start + 1 + scanner.name.length;
  if (!raw.startsWith(idMark, start)) return null;
  const end = raw.indexOf('"', start + idMark.length) + 1;
  return end > 0 && end < scanner.end ? { name: null, was: null, start, end, element: null } : null;
}

/** What lies inside another part goes with it. */
function withoutInner(parts: Inlaid[]): Inlaid[] {
  const kept: Inlaid[] = [];
  for (const part of parts) if (part.start >= (kept.at(-1)?.end ?? 0)) kept.push(part);
  return kept;
}
