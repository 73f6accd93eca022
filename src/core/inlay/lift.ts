import type { Raw } from '../text/bytes.ts';
import { attributeStarts } from '../site/frame.ts';
import { Outline } from '../site/outline.ts';
import { Scanner } from '../site/scanner.ts';
import type { Element } from '../site/types.ts';
import { idAttribute, inlayAttribute } from './names.ts';

/** A part of a page that Kamino put in: bytes from `start` up to `end`. */
export interface Inlaid {
  /** The menu's name or a reserved word; null for an id. */
  name: string | null;
  start: number;
  end: number;
}

const idMark = ` ${idAttribute}="" id="`;

/** The page as it was: without what Kamino put in, and otherwise byte for byte the same. */
export function lift(raw: Raw): Raw {
  const parts = findInlaid(raw);
  let at = 0;
  let page = '';
  for (const { start, end } of parts) {
    page += raw.slice(at, start);
    at = end;
  }
  return parts.length === 0 ? raw : page + raw.slice(at);
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
    const name = raw.slice(scanner.start, scanner.end).includes(`${inlayAttribute}=`)
      ? inlaidName(scanner)
      : null;
    if (name === null || outline.isInside(templateOnly)) outline.open();
    else found.push({ name, ...extentOf(outline.enter()) });
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

function inlaidName(scanner: Scanner): string | null {
  return scanner.attributes().find(one => one.name === inlayAttribute)?.value ?? null;
}

function inlaidId(raw: Raw, scanner: Scanner): (Inlaid & { element: null }) | null {
  const start = scanner.start + 1 + scanner.name.length;
  if (!raw.startsWith(idMark, start)) return null;
  const end = raw.indexOf('"', start + idMark.length) + 1;
  return end > 0 && end < scanner.end ? { name: null, start, end, element: null } : null;
}

/** What lies inside another part goes with it. */
function withoutInner(parts: Inlaid[]): Inlaid[] {
  const kept: Inlaid[] = [];
  for (const part of parts) if (part.start >= (kept.at(-1)?.end ?? 0)) kept.push(part);
  return kept;
}
