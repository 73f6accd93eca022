import { type AddressStyle, baseFolder } from '../address/href.ts';
import type { SitePath } from '../address/path.ts';
import type { GivenId, ResolvedMenu } from '../menu/types.ts';
import { isLanguage } from '../menu/languages.ts';
import { entriesOn } from '../menu/on-page.ts';
import { AlikeStarts } from '../page/alike.ts';
import { readFrame } from '../page/frame.ts';
import { attributeStarts } from '../page/wanted.ts';
import type { Frame, MainContent } from '../page/types.ts';
import { type Raw, type Span, bytesOf, lastMention, rawOf } from '../text/bytes.ts';
import { encodeMarkup, unreadable } from '../text/charset.ts';
import { type Finding, finding } from '../text/finding.ts';
import { escapeMarkup } from '../text/references.ts';
import {
  badPlace,
  baseElsewhere,
  framesetPage,
  lostRecord,
  noPlace,
  placeOf,
  unreadablePage,
  xmlPage,
} from './findings.ts';
import { LostRecord, type Taken, lift } from './lift.ts';
import { type Standpoint, skipMarkup } from '../markup/markup.ts';
import { idAttribute } from '../markup/names.ts';
import { Placement, type PlacementSource } from './placement.ts';
import { holderOf, pointFor } from './points.ts';
import { isScripted } from '../markup/script.ts';
import { type Words, isEnglish, wordsOf } from '../markup/words.ts';
import { MenuWriter } from '../markup/writer.ts';

/** What is put into the pages of a site. */
export interface Inlay extends PlacementSource {
  carries: (menu: ResolvedMenu, page: SitePath) => boolean;
  /** Style sheets in order: Kamino's, then the designer's own. */
  styles: readonly SitePath[];
  /** The script, for pages whose menus need it; null where none does. */
  script: SitePath | null;
  links: AddressStyle;
  /** Labels keep room for a bolder state. */
  reserves: boolean;
  /** Which of the plan's languages a page is in, with Kamino's own words; null where the plan names none. */
  languageOf: (page: SitePath) => { tag: string; words: Partial<Words> } | null;
  /** The name under which what is taken out is kept, and what is kept under a name. */
  hash: (raw: Raw) => string;
  taken: Taken;
  /** Ids that headings are given, by page. */
  ids: ReadonlyMap<SitePath, readonly GivenId[]>;
}

export interface Inlaying {
  /** The page without what Kamino put in earlier; the page as it was given where it could not be done. */
  source: Uint8Array;
  /** What goes in, in the order of the page. */
  spans: readonly Span[];
  /** What was taken out, to be kept before the page is written. */
  taken: readonly { hash: string; raw: Raw }[];
  findings: Finding[];
  /** Menus put in. */
  menus: number;
  /** The language that the page says it is in, where Kamino's own words in it are of another. */
  otherLanguage: string | null;
  /** Menus that are to stay, and stand in an element that is gone as soon as it is scrolled past. */
  staysShort: readonly { menu: string; holder: string }[];
  /** The page carries a menu, but has no main content for a skip link. */
  lacksMain: boolean;
}

/** Elements that are no longer than what they hold. */
const shortHolders = new Set(['slot', 'header', 'hgroup', 'nav', 'form', 'td']);

/** So many bytes behind the last slot are looked at before the whole page is. */
const margin = 4096;

/** Makes the pages of one site. The same page and plan give the same bytes; a page with menus in it gets them anew. */
export class Inlayer {
  readonly #inlay: Inlay;
  readonly #placement: Placement;
  readonly #names: ReadonlySet<string>;
  readonly #writer = new MenuWriter();
  readonly #alike = new Map<string, AlikeStarts>();

  constructor(inlay: Inlay) {
    this.#inlay = inlay;
    this.#placement = new Placement(inlay);
    this.#names = new Set(inlay.menus.map(menu => menu.name));
  }

  page(path: SitePath, bytes: Uint8Array): Inlaying {
    const { menus: all, carries } = this.#inlay;
    const own = path.normalize('NFC');
    const menus = all.filter(menu => carries(menu, own) && hasEntries(menu, own));
    return this.#byItsStart(path, menus, bytes) ?? this.#whole(path, menus, bytes);
  }

  /** From the start of a page alone, where all that counts stands there and nothing is amiss; null where not. */
  #byItsStart(path: SitePath, menus: readonly ResolvedMenu[], bytes: Uint8Array): Inlaying | null {
    const end = Math.max(lastMention(bytes, '-kamino') + margin, 2 * margin);
    if (menus.length === 0 || end >= bytes.length || /\.xht(ml)?$/i.test(path) || bytes.includes(0))
      return null;
    const raw = rawOf(bytes.subarray(0, end));
    if (this.#inlay.seek !== null || this.#inlay.ids.has(path.normalize('NFC'))) return null;
    const starts = attributeStarts(raw);
    if (starts.others.length > 0 || !raw.includes('\n')) return null;
    const alike = this.#alikeFor(menus);
    const frame = alike.find(path, raw, starts.slots) ?? this.#readStart(path, raw, menus, starts.slots);
    if (frame === null) return null;
    const made = this.#fill(menus, frame, bytes, bytes);
    return made.findings.length === 0 ? made : null;
  }

  #readStart(
    path: SitePath,
    raw: Raw,
    menus: readonly ResolvedMenu[],
    slots: readonly number[],
  ): Frame | null {
    const frame = readFrame(path, raw, this.#placement.wanted(menus, raw, slots));
    const isEnough =
      frame.isComplete &&
      frame.charset.declared &&
      !frame.isFrameset &&
      !frame.hasNoscript &&
      frame.main?.id !== null;
    if (!isEnough) return null;
    this.#alikeFor(menus).add(frame, slots);
    return frame;
  }

  /** Starts of pages with these menus. */
  #alikeFor(menus: readonly ResolvedMenu[]): AlikeStarts {
    const key = menus.length === 1 ? menus[0]!.name : menus.map(menu => menu.name).join(' ');
    const alike = this.#alike.get(key) ?? new AlikeStarts();
    this.#alike.set(key, alike);
    return alike;
  }

  #whole(path: SitePath, menus: readonly ResolvedMenu[], bytes: Uint8Array): Inlaying {
    const asGiven = rawOf(bytes);
    const starts = attributeStarts(asGiven);
    const raw = starts.others.length > 0 ? this.#lift(asGiven) : asGiven;
    if (raw === null) return nothing(bytes, [lostRecord(path)]);
    const source = raw === asGiven ? bytes : bytesOf(raw);
    const untouched = (one: Finding): Inlaying => nothing(bytes, [one]);
    const given = this.#idSpans(path, raw);
    if (menus.length === 0) return { ...nothing(source, []), spans: given };
    if (/\.xht(ml)?$/i.test(path)) return untouched(xmlPage(path));
    const wanted = this.#placement.wanted(menus, raw, raw === asGiven ? starts.slots : null);
    const frame = readFrame(path, raw, wanted);
    const why = unreadable(asGiven, frame.charset);
    if (why !== null) return untouched(unreadablePage(path, why));
    if (frame.isFrameset) return untouched(framesetPage(path));
    const misread = frame.hasNoscript
      ? differences(menus, frame, readFrame(path, raw, { ...wanted, scripting: false }))
      : null;
    if (misread)
      return untouched(
        badPlace(frame, misread, {
          element: null,
          why: 'a `noscript` in this page is never closed, or holds part of an element',
        }),
      );
    return this.#fill(menus, frame, bytes, source);
  }

  #lift(given: Raw): Raw | null {
    try {
      return lift(given, this.#inlay.taken);
    } catch (error) {
      if (error instanceof LostRecord) return null;
      throw error;
    }
  }

  /** @param given the page as it was given; @param source the same without what Kamino put in earlier */
  #fill(menus: readonly ResolvedMenu[], frame: Frame, given: Uint8Array, source: Uint8Array): Inlaying {
    const findings = this.#slotFindings(frame);
    const spans: Span[] = [];
    const taken: { hash: string; raw: Raw }[] = [];
    const folder = baseFolder(frame.path, frame.base);
    const here = {
      page: frame.path.normalize('NFC'),
      folder,
      links: this.#inlay.links,
      reserves: this.#inlay.reserves,
      carried: new Set(menus.map(menu => menu.name)),
    };
    const lineBreak = lineBreakOf(frame.raw);
    const staysShort = menus
      .filter(menu => menu.stays !== null && menu.stays.selector === null)
      .map(menu => ({ menu: menu.name, holder: holderOf(menu, frame) }))
      .filter(one => shortHolders.has(one.holder));
    for (const menu of menus) {
      const point = pointFor(menu, frame);
      if (point.kind === 'at') {
        const out = point.drop ? frame.raw.slice(point.at, point.at + point.drop) : null;
        const was = out === null ? null : this.#inlay.hash(out);
        if (out !== null && was !== null) taken.push({ hash: was, raw: out });
        const cell = point.cell ?? null;
        const line = { indent: indentAt(frame.raw, point.at), lineBreak, was, cell };
        const text = this.#writer.write(menu, here, line, frame.charset);
        spans.push({ at: point.at, text, drop: point.drop ?? 0 });
      } else if (point.kind === 'none') findings.push(noPlace(frame, menu));
      else return nothing(given, [...findings, badPlace(frame, menu, point)]);
    }
    const count = spans.length;
    if (count === 0) return nothing(source, findings);
    if (frame.headPoint >= frame.raw.length && frame.isCutOff) {
      const why = 'the page ends inside a tag, a comment or an element of text';
      return nothing(given, [...findings, badPlace(frame, menus[0]!, { element: null, why })]);
    }
    if (frame.base !== null && /^(?:[a-z]+:)?\/\//i.test(frame.base))
      findings.push(baseElsewhere(frame, folder));
    const head = this.#head(frame, menus, here);
    const overlap = taken.length > 0 ? overlapOf(spans) : null;
    if (overlap)
      return nothing(given, [...findings, badPlace(frame, menus[0]!, { element: null, why: overlap })]);
    const isTaken = (offset: number): boolean =>
      spans.some(({ at, drop = 0 }) => at < offset && offset < at + drop);
    const main = frame.main && !isTaken(frame.main.insert) ? frame.main : null;
    return {
      source,
      // Of two at one place the first stays first.
      spans: [
        ...head,
        ...this.#skip(frame, main, here),
        ...spans,
        ...this.#idSpans(frame.path, frame.raw, isTaken),
      ].sort((one, other) => one.at - other.at),
      taken,
      findings,
      menus: count,
      staysShort,
      otherLanguage: this.#otherLanguage(frame),
      lacksMain: !main && !frame.hasSkipLink,
    };
  }

  /** Links to the style sheets, and the script where these menus need one: each an element on its own. */
  #head({ headPoint: at, charset }: Frame, menus: readonly ResolvedMenu[], here: Standpoint): Span[] {
    const { script, styles } = this.#inlay;
    const links = styles.map(file => ({ at, text: this.#writer.style(file, here, charset) }));
    const needed = script !== null && menus.some(isScripted) ? script : null;
    return needed === null ? links : [...links, { at, text: this.#writer.script(needed, here, charset) }];
  }

  #otherLanguage({ language, path }: Frame): string | null {
    if (language === null) return null;
    const known = this.#inlay.languageOf(path.normalize('NFC'));
    const isSame = known
      ? isLanguage(language, known.tag) || isLanguage(known.tag, language)
      : isEnglish(language);
    return isSame ? null : language;
  }

  #skip(frame: Frame, main: MainContent | null, from: Standpoint): Span[] {
    if (!main || frame.hasSkipLink) return [];
    const id = main.id ?? freeId(frame.raw);
    const span = (at: number, markup: string): Span => ({ at, text: encodeMarkup(markup, frame.charset) });
    const link = span(
      frame.bodyPoint,
      skipMarkup(wordsOf(this.#inlay.languageOf(from.page)).skip, id, from, frame.base !== null),
    );
    if (main.id !== null) return [link];
    return [link, span(main.insert, ` ${idAttribute}="" id="${escapeMarkup(id)}"`)];
  }

  /** The ids that headings of this page are given. */
  #idSpans(path: SitePath, raw: Raw, isTaken: (offset: number) => boolean = () => false): Span[] {
    const ids = this.#inlay.ids.get(path.normalize('NFC')) ?? [];
    return ids
      .filter(({ at }) => at <= raw.length && !isTaken(at))
      .map(({ at, id }) => ({ at, text: ` ${idAttribute}="" id="${escapeMarkup(id)}"` }))
      .sort((one, other) => one.at - other.at);
  }

  #slotFindings(frame: Frame): Finding[] {
    const seen = new Set<string>();
    return frame.slots.flatMap(({ name, element }) => {
      const isSecond = seen.has(name);
      seen.add(name);
      if (this.#names.has(name) && !isSecond) return [];
      const place = placeOf(frame, element.start, element.open);
      if (!this.#names.has(name)) {
        const known = [...this.#names].map(one => `\`${one}\``).join(', ');
        return [
          finding('unknown-slot', place, `no menu is called \`${name}\``, `Menus of the plan: ${known}.`),
        ];
      }
      return [
        finding(
          'second-slot',
          place,
          `a second slot \`${name}\` stays empty`,
          'Give it another name, or take the attribute out.',
        ),
      ];
    });
  }
}

/** The first menu whose place is another one with scripts off, where a `noscript` holds markup; null where all agree. */
function differences(menus: readonly ResolvedMenu[], on: Frame, off: Frame): ResolvedMenu | null {
  const isSame =
    !off.leaks &&
    on.main?.insert === off.main?.insert &&
    on.bodyPoint === off.bodyPoint &&
    on.headPoint === off.headPoint;
  const at = (menu: ResolvedMenu, frame: Frame): number | string => {
    const point = pointFor(menu, frame);
    return point.kind === 'at' ? point.at : point.kind;
  };
  return (isSame ? menus.find(menu => at(menu, on) !== at(menu, off)) : menus[0]) ?? null;
}

/** Why two menus cannot both stand: one takes out the place of the other. */
function overlapOf(spans: readonly Span[]): string | null {
  const inside = (one: Span): boolean =>
    spans.some(other => other !== one && other.at <= one.at && one.at < other.at + (other.drop ?? 0));
  return spans.some(inside) ? 'another menu takes the place of this one' : null;
}

function nothing(source: Uint8Array, findings: Finding[]): Inlaying {
  return {
    source,
    spans: [],
    taken: [],
    findings,
    menus: 0,
    staysShort: [],
    otherLanguage: null,
    lacksMain: false,
  };
}

function hasEntries(menu: ResolvedMenu, path: SitePath): boolean {
  return menu.shows === 'entries' || entriesOn(menu, path).length > 0;
}

/** The page's own line break: the first that it has. */
function lineBreakOf(raw: Raw): string {
  const at = raw.indexOf('\n');
  if (at > 0 && raw[at - 1] === '\r') return '\r\n';
  return at < 0 && raw.includes('\r') ? '\r' : '\n';
}

/** White space at the start of the line. */
function indentAt(raw: Raw, at: number): string {
  if (at === 0) return '';
  const start = Math.max(raw.lastIndexOf('\n', at - 1), raw.lastIndexOf('\r', at - 1)) + 1;
  let end = start;
  while (end < at && (raw[end] === ' ' || raw[end] === '\t')) end += 1;
  return raw.slice(start, end);
}

/** An id that the page does not use anywhere. */
function freeId(raw: Raw): string {
  for (let number = 1; ; number += 1) {
    const id = number === 1 ? 'main' : `main-${number}`;
    if (!new RegExp(`id\\s*=\\s*["']?${id}(?![\\w-])`, 'i').test(raw)) return id;
  }
}
