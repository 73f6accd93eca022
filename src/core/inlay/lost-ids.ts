import { readAddress } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import { readFull } from '../page/full.ts';
import type { Raw, Span } from '../text/bytes.ts';
import { type Finding, finding } from '../text/finding.ts';
import { placeInRaw } from '../text/place.ts';
import { usualMainId } from './surroundings.ts';

/** So many are sought one by one in each page; more are sought in a second reading, when all are known. */
const few = 8;

/** Ids of Kamino's that have gone with the menus, and the links of pages to them. */
export class LostIds {
  readonly #ofPages = new Map<SitePath, Set<string>>();
  readonly #all = new Set<string>();
  /** They are sought while pages are read: one that most sites have, and all that have gone. */
  readonly #sought = new Set<string>([usualMainId]);
  /** Pages that name one of those, and how many there were when each page was looked at. */
  readonly #naming = new Set<SitePath>();
  readonly #looked = new Map<SitePath, number>();

  gone(path: SitePath, id: string): void {
    this.#ofPages.set(path, (this.#ofPages.get(path) ?? new Set()).add(id));
    this.#all.add(id);
    this.#sought.add(id);
  }

  /** Looks at a page without what goes out of it, while others are still to come. */
  look(path: SitePath, raw: Raw, spans: readonly Span[]): void {
    if (this.#sought.size > few) return;
    this.#looked.set(path, this.#sought.size);
    // They are written as they are.
    for (const id of this.#sought) if (staysIn(raw, spans, `#${id}`)) this.#naming.add(path);
  }

  /** Whether a page is to be read again, now that all are known. */
  mayName(path: SitePath): boolean {
    const isLookedAt = this.#looked.get(path) === this.#sought.size;
    return this.#all.size > 0 && (this.#naming.has(path) || !isLookedAt);
  }

  /** Links of a page's own to ids that have gone. @param raw without what Kamino put in */
  findings(path: SitePath, raw: Raw): Finding[] {
    if (!this.#names(raw)) return [];
    const { frame, links } = readFull(path, raw);
    return links.flatMap(({ href, start, end }) => {
      const address = readAddress(href, folderOf(path));
      const target = address.kind === 'inside' ? address.path : address.kind === 'same-page' ? path : null;
      const id = 'fragment' in address ? address.fragment : null;
      if (target === null || id === null || this.#ofPages.get(target)?.has(id) !== true) return [];
      return [lostId(placeInRaw(frame, start, end), target, id)];
    });
  }

  #names(raw: Raw): boolean {
    for (const [, id] of raw.matchAll(/#([^"'\s<>#&]+)/g)) if (this.#all.has(id!)) return true;
    return false;
  }
}

/** Whether a page says something but for what goes out of it, or what comes for that. */
function staysIn(raw: Raw, spans: readonly Span[], text: Raw): boolean {
  for (let at = raw.indexOf(text); at >= 0; at = raw.indexOf(text, at + 1))
    if (!spans.some(span => span.at <= at && at < span.at + (span.drop ?? 0))) return true;
  return spans.some(span => span.text.includes(text));
}

function lostId(place: Finding['place'], page: string, id: string): Finding {
  return finding(
    'lost-id',
    place,
    `this link leads to \`#${id}\`, an id that Kamino had given a heading of \`${page}\``,
    `Give the heading the id yourself:  id="${id}"`,
  );
}
