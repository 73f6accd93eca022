import { type Raw, splice } from '../text/bytes.ts';
import { attributeStarts } from '../page/wanted.ts';
import type { Scanner } from '../page/scanner.ts';
import type { Element } from '../page/types.ts';
import { type Listener, Walk } from '../page/walk.ts';
import { idAttribute, inlayAttribute, wasAttribute } from '../markup/names.ts';

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
export function findInlaid(raw: Raw): readonly Inlaid[] {
  if (last.raw === raw) return last.parts;
  const parts = attributeStarts(raw).others.length === 0 ? [] : soughtInlaid(raw);
  last = { raw, parts };
  return parts;
}

/** The last page that was looked at: a page is lifted, compared and told of one after the other. */
let last: { raw: Raw; parts: readonly Inlaid[] } = { raw: '', parts: [] };

function soughtInlaid(raw: Raw): Inlaid[] {
  const walk = new Walk(raw, true);
  const finder = new InlaidFinder(walk);
  walk.run([finder]);
  return withoutInner(finder.found);
}

/** Hears where parts of Kamino's begin and end. */
class InlaidFinder implements Listener {
  readonly #walk: Walk;
  readonly #found: (Inlaid & { element: Element | null })[] = [];
  #marks: { name: string; was: string | null } | null = null;

  constructor(walk: Walk) {
    this.#walk = walk;
  }

  /** The end is known once the element is closed; an element without an end tag is its tag alone. */
  get found(): Inlaid[] {
    return this.#found.map(({ element, ...part }) =>
      element && element.end > 0 ? { ...part, end: element.end } : part,
    );
  }

  hearsText(): boolean {
    return false;
  }

  asks(): boolean {
    const { raw, scanner } = this.#walk;
    const has = raw.slice(scanner.start, scanner.end).includes(`${inlayAttribute}=`);
    this.#marks = has ? marksOf(scanner) : null;
    return this.#marks !== null;
  }

  onTag(): void {
    const id = inlaidId(this.#walk.raw, this.#walk.scanner);
    if (id) this.#found.push(id);
    if (this.#walk.outline.isInside(templateOnly)) this.#marks = null;
  }

  onStart(element: Element | null): void {
    if (element && this.#marks)
      this.#found.push({ ...this.#marks, start: element.start, end: element.open, element });
  }
}

const templateOnly: ReadonlySet<string> = new Set(['template']);

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
