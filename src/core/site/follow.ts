import { baseFolder, readAddress, relativeAddress } from '../address/href.ts';
import { type SitePath, nameOf } from '../address/path.ts';
import type { FullPage } from '../page/content.ts';
import { readFull } from '../page/full.ts';
import { attributesOf } from '../page/tags.ts';
import { type Raw, bytesOf, splice } from '../text/bytes.ts';
import { placeInRaw } from '../text/place.ts';
import type { Place } from '../text/source.ts';

/** A link of a page's own that leads to another place now. */
export interface MovedLink {
  place: Place;
  was: string;
  is: string;
}

function beforeLast(attribute: Raw, value: Raw, by: Raw): Raw {
  const at = attribute.lastIndexOf(value);
  return attribute.slice(0, at) + by + attribute.slice(at + value.length);
}

const escaped = (address: string): string =>
  address.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/'/g, '&#39;').replace(/>/g, '&gt;');

/** A page with links of its own to the old path of a file. */
export interface Follower {
  path: SitePath;
  links: MovedLink[];
  before: Raw;
  after: Raw;
  /** Those of `after`. */
  bytes: Uint8Array;
}

/** The pages that lead to a file that was moved. @param raw gives a page; null where it cannot be read */
export function followersOf(
  { from, to }: { from: SitePath; to: SitePath },
  pages: Iterable<SitePath>,
  raw: (page: SitePath) => Raw | null,
): Follower[] {
  // As any way of writing the address has it.
  const sign = /^\w*/.exec(nameOf(from))![0];
  return [...pages].flatMap(path => {
    const before = raw(path);
    if (!before?.includes(sign)) return [];
    const { links, raw: after } = movedLinks(readFull(path, before), from, to);
    return links.length === 0 ? [] : [{ path, links, before, after, bytes: bytesOf(after) }];
  });
}

/** The links of a page to a file that was moved, but for those of Kamino's, and the page with all of them right. */
function movedLinks(page: FullPage, from: SitePath, to: SitePath): { links: MovedLink[]; raw: Raw } {
  const { frame } = page;
  const folder = baseFolder(frame.path, frame.base);
  const found = page.links.flatMap(link => {
    if (link.menu !== null) return [];
    const address = readAddress(link.href, folder);
    if (address.kind !== 'inside' || address.path !== from) return [];
    const behind = /[?#].*$/s.exec(link.href.trim())?.[0] ?? '';
    const nameEnd = link.start + 1 + /^<([a-z]+)/i.exec(frame.raw.slice(link.start, link.end))![1]!.length;
    const href = attributesOf(frame.raw, nameEnd, link.end).find(one => one.name === 'href')!;
    return [{ link, href, is: relativeAddress(folder, to) + behind }];
  });
  const spans = found.map(({ href, is }) => ({
    at: href.start,
    // As it is written there: its name in capitals, its quotes.
    text: beforeLast(frame.raw.slice(href.start, href.end), href.value, escaped(is)),
    drop: href.end - href.start,
  }));
  return {
    links: found.map(({ link, is }) => ({
      place: placeInRaw(frame, link.start, link.end),
      was: link.href,
      is,
    })),
    raw: splice(frame.raw, spans),
  };
}
