import { type Raw, lowerAscii } from '../text/bytes.ts';
import {
  foreignEnders,
  formatting,
  headings,
  integrationPoints,
  itemScopeEnders,
  markers,
  paragraphEnders,
  rawTextElements,
  scopeEnds,
  special,
  tableParts,
  voidElements,
} from './kinds.ts';

/** What the construction of a tree asks of an element's name: a bit for each set of names. */
export const bit = {
  root: 1,
  void: 1 << 1,
  rawText: 1 << 2,
  endsParagraph: 1 << 3,
  heading: 1 << 4,
  formatting: 1 << 5,
  tablePart: 1 << 6,
  special: 1 << 7,
  endsScope: 1 << 8,
  endsItemScope: 1 << 9,
  endsButtonScope: 1 << 10,
  marker: 1 << 11,
  integrationPoint: 1 << 12,
  endsForeign: 1 << 13,
  /** Its start tag closes something of its own kind. */
  acts: 1 << 14,
  /** Its tags tell something of the page wherever they stand. */
  told: 1 << 15,
} as const;

/** An element's name in small letters; the same name is the same object, but for names that nobody knows. */
export interface TagName {
  name: string;
  bits: number;
}

const acting = 'li dd dt button a option optgroup'.split(' ');
const others =
  'abbr audio b bdi bdo canvas cite code data datalist del dfn em font form i ins kbd label legend map mark meter nobr ' +
  'output path picture progress q rect rp rt ruby s samp slot small span strong sub sup svg time tt u use var video';

const sets: readonly [number, Iterable<string>][] = [
  [bit.root, ['html', 'head', 'body']],
  [bit.void, voidElements],
  [bit.rawText, rawTextElements],
  [bit.endsParagraph, paragraphEnders],
  [bit.heading, headings],
  [bit.formatting, formatting],
  [bit.tablePart, tableParts],
  [bit.special, special],
  [bit.endsScope | bit.endsItemScope | bit.endsButtonScope, scopeEnds],
  [bit.endsItemScope, itemScopeEnders],
  [bit.endsButtonScope, ['button']],
  [bit.marker, markers],
  [bit.integrationPoint, integrationPoints],
  [bit.endsForeign, foreignEnders],
  [bit.acts, acting],
  [bit.told, ['base', 'body', 'html', 'link', 'meta', 'noscript']],
  [0, others.split(' ')],
];

const byName = new Map<string, TagName>();
/** By a number made of the letters of a name, the first of those that have it in common. */
const byHash: (TagName | undefined)[] = Array.from({ length: 1 << 12 });

for (const [bits, names] of sets)
  for (const name of names) {
    const known = byName.get(name);
    if (known) known.bits |= bits;
    else byName.set(name, { name, bits });
  }
for (const one of byName.values()) byHash[hashOf(one.name)] ??= one;

/** The next number, with one letter more. */
export function hashed(hash: number, code: number): number {
  return (Math.imul(hash, 31) + code) & 0xfff;
}

function hashOf(name: string): number {
  let hash = 0;
  for (let at = 0; at < name.length; at += 1) hash = hashed(hash, name.charCodeAt(at));
  return hash;
}

/** The name between two offsets, in small letters, whose number is known. */
export function nameAt(raw: Raw, from: number, to: number, hash: number): TagName {
  const likely = byHash[hash];
  if (likely?.name.length === to - from && raw.startsWith(likely.name, from)) return likely;
  return nameOf(raw.slice(from, to));
}

/** The same for one that may be written in any letters. */
export function nameOf(written: string): TagName {
  const name = lowerAscii(written);
  return byName.get(name) ?? { name, bits: 0 };
}
