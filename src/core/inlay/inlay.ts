import { baseFolder } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { isToFold } from '../menu/folds.ts';
import { isLanguage } from '../menu/languages.ts';
import { isShown } from '../menu/on-page.ts';
import { readFrame } from '../page/frame.ts';
import { indentAt, lineBreakOf } from '../page/lines.ts';
import { attributeStarts } from '../page/wanted.ts';
import type { Frame, MainContent } from '../page/types.ts';
import { type Raw, type Span, bytesOf, rawOf } from '../text/bytes.ts';
import { unreadable } from '../text/charset.ts';
import type { Finding } from '../text/finding.ts';
import type { Standpoint } from '../markup/standpoint.ts';
import { idMarkup } from '../markup/page-links.ts';
import { isScripted } from '../markup/script.ts';
import { isEnglish, wordsOf } from '../markup/words.ts';
import { MenuWriter } from '../markup/writer.ts';
import {
  badPlace,
  baseElsewhere,
  framesetPage,
  lostRecord,
  noPlace,
  unreadablePage,
  xmlPage,
} from './findings.ts';
import { Earlier } from './earlier.ts';
import { LostRecord, lift } from './lift.ts';
import { type Inlay, type Inlaying, type Making, nothing } from './inlaying.ts';
import { Placement } from './placement.ts';
import { differences, overlapOf, staysShort } from './places.ts';
import { pointFor } from './points.ts';
import { Repeats } from './repeats.ts';
import { slotFindings } from './slots.ts';
import { Starts } from './starts.ts';
import { holdsMore, lostWith } from './taken-out.ts';
import { freeId } from './surroundings.ts';

/** Makes the pages of one site. The same page and plan give the same bytes; a page with menus in it gets them anew. */
export class Inlayer {
  readonly #inlay: Inlay;
  readonly #placement: Placement;
  readonly #names: ReadonlySet<string>;
  readonly #writer: MenuWriter;
  readonly #starts: Starts;
  readonly #repeats = new Repeats();

  constructor(inlay: Inlay) {
    this.#inlay = inlay;
    this.#writer = new MenuWriter(inlay.links);
    this.#placement = new Placement(inlay);
    this.#starts = new Starts(this.#placement);
    this.#names = new Set(inlay.menus.map(menu => menu.name));
  }

  /** @param how menus that somebody has edited by hand are made anew, and the edits lost */
  page(path: SitePath, bytes: Uint8Array, how: Making = {}): Inlaying {
    const { menus: all, carries } = this.#inlay;
    const own = path.normalize('NFC');
    const menus = all.filter(menu => carries(menu, own) && isShown(menu, own));
    const made = this.#made(path, menus, { bytes, ...how });
    return made.menus === 0 ? { ...made, without: menus.map(menu => menu.name) } : made;
  }

  #made(
    path: SitePath,
    menus: readonly ResolvedMenu[],
    { bytes, overwrite = false }: Making & { bytes: Uint8Array },
  ): Inlaying {
    const given = rawOf(bytes);
    const starts = attributeStarts(given);
    const isFresh = starts.others.length === 0;
    const raw = isFresh ? given : this.#lift(given);
    if (raw === null) return nothing(bytes, [lostRecord(path)]);
    const source = isFresh ? bytes : bytesOf(raw);
    const earlier = isFresh ? null : new Earlier(path, bytes, { given, lifted: raw });
    const untouched = (why: Finding): Inlaying => earlier?.untouched(why) ?? nothing(bytes, [why]);
    const settled = (made: Inlaying): Inlaying => earlier?.settled(made, overwrite) ?? made;
    if (menus.length === 0) return settled({ ...nothing(source, []), spans: this.#idSpans(path, raw) });
    if (/\.xht(ml)?$/i.test(path)) return untouched(xmlPage(path));
    const { slots } = isFresh ? starts : attributeStarts(raw);
    const { like, charset, isKnown, ...start } = this.#starts.of(path, raw, { menus, slots });
    const why = unreadable(given, charset);
    if (why !== null) return untouched(unreadablePage(path, why));
    const key = like && this.#keyFor({ path, raw }, menus, like.told);
    const again = isKnown && key !== null ? this.#repeats.find(like!, key, source) : null;
    if (again) return settled(again);
    const frame = start.frame();
    if (frame.isFrameset) return untouched(framesetPage(path));
    const misread = frame.isDoubtful ? this.#misread(menus, frame, slots) : null;
    if (misread) return untouched(badPlace(frame, misread, { element: null, why: openNoscript }));
    const made = this.#fill(menus, frame, bytes, source);
    // It is another one where the markup leads to what no markup led to before.
    const keyNow = key === null ? null : this.#keyFor({ path, raw }, menus, like!.told);
    if (keyNow !== null) this.#repeats.keep(like!, keyNow, made);
    return settled(made);
  }

  /** Stands for what the markup for a page depends on beside its start; null where it is of this page alone. */
  #keyFor(
    { path, raw }: { path: SitePath; raw: Raw },
    menus: readonly ResolvedMenu[],
    { base, main, hasSkipLink }: Frame,
  ): string | null {
    const page = path.normalize('NFC');
    const { ids, languageOf } = this.#inlay;
    if (base !== null || ids.has(page) || languageOf(page) !== null) return null;
    // Addresses are read from the folder as the disk has it.
    const key = this.#writer.ofPage(menus, page, folderOf(path));
    const isGivenId = main?.id === null && !hasSkipLink;
    return key !== null && isGivenId ? `${key}\n${freeId(raw)}` : key;
  }

  #misread(menus: readonly ResolvedMenu[], frame: Frame, slots: readonly number[]): ResolvedMenu | null {
    const { path, raw } = frame;
    const wanted = { ...this.#placement.wanted(menus, raw, slots), scripting: false };
    return differences(menus, frame, readFrame(path, raw, wanted));
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
    const { path, raw, base, headPoint } = frame;
    const findings = slotFindings(frame, this.#names);
    const left = (one: Finding): Inlaying => nothing(given, [...findings, one]);
    const folder = baseFolder(path, base);
    const { links } = this.#writer;
    const carried = new Set(menus.map(menu => menu.name));
    const here = { page: path.normalize('NFC'), folder, links, reserves: this.#inlay.reserves, carried };
    const put = this.#menuSpans(menus, frame, here);
    findings.push(...put.lost.map(menu => noPlace(frame, menu)));
    if (put.refused) return left(put.refused);
    if (put.spans.length === 0) return nothing(source, findings);
    if (headPoint >= raw.length && frame.isCutOff)
      return left(badPlace(frame, menus[0]!, { element: null, why: cutOff }));
    if (base !== null && /^(?:[a-z]+:)?\/\//i.test(base)) findings.push(baseElsewhere(frame, folder));
    const overlap = put.taken.length > 0 ? overlapOf(put.spans) : null;
    if (overlap) return left(badPlace(frame, menus[0]!, { element: null, why: overlap }));
    const isTaken = (offset: number): boolean =>
      put.spans.some(({ at, drop = 0 }) => at < offset && offset < at + drop);
    const main = frame.main && !isTaken(frame.main.insert) ? frame.main : null;
    const head = this.#head(frame, menus, here);
    const all = [
      ...head,
      ...this.#skip(frame, main, here),
      ...put.spans,
      ...this.#idSpans(path, raw, isTaken),
    ];
    return {
      source,
      // Of two at one place the first stays first.
      spans: all.sort((one, other) => one.at - other.at),
      taken: put.taken,
      findings,
      menus: put.spans.length,
      without: put.lost.map(menu => menu.name),
      staysShort: staysShort(menus, frame),
      otherLanguage: this.#otherLanguage(frame),
      lacksMain: !main && !frame.hasSkipLink,
      lacksViewport: !frame.hasViewport && !this.#inlay.addsViewport && menus.some(isToFold),
    };
  }

  /** The menus of a page, each at its place; `lost` have none, `refused` says why one cannot go to its place. */
  #menuSpans(
    menus: readonly ResolvedMenu[],
    frame: Frame,
    here: Standpoint,
  ): { spans: Span[]; taken: { hash: string; raw: Raw }[]; lost: ResolvedMenu[]; refused: Finding | null } {
    const spans: Span[] = [];
    const taken: { hash: string; raw: Raw }[] = [];
    const lost: ResolvedMenu[] = [];
    const lineBreak = lineBreakOf(frame.raw);
    for (const menu of menus) {
      const point = pointFor(menu, frame);
      if (point.kind === 'none') lost.push(menu);
      else if (point.kind !== 'at') return { spans, taken, lost, refused: badPlace(frame, menu, point) };
      else {
        const { at, drop = 0, cell = null } = point;
        const out = drop > 0 ? frame.raw.slice(at, at + drop) : null;
        const more = out === null || point.isWhole ? [] : lostWith(out, menu, frame);
        if (more.length > 0) return { spans, taken, lost, refused: holdsMore(frame, menu, at, more) };
        const was = out === null ? null : this.#inlay.hash(out);
        if (out !== null && was !== null) taken.push({ hash: was, raw: out });
        const line = { indent: indentAt(frame.raw, at), lineBreak, was, cell };
        spans.push({ at, text: this.#writer.write(menu, here, line, frame.charset), drop });
      }
    }
    return { spans, taken, lost, refused: null };
  }

  /** Links to the style sheets, and the script where these menus need one: each an element on its own. */
  #head(frame: Frame, menus: readonly ResolvedMenu[], here: Standpoint): Span[] {
    const { headPoint: at, charset, hasViewport } = frame;
    const { script, styles, addsViewport } = this.#inlay;
    const links = styles.map(file => ({ at, text: this.#writer.style(file, here, charset) }));
    if (addsViewport && !hasViewport) links.unshift({ at, text: this.#writer.viewport() });
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
    const { skip: words } = wordsOf(this.#inlay.languageOf(from.page));
    const link = {
      at: frame.bodyPoint,
      text: this.#writer.skip({ words, id, hasBase: frame.base !== null }, from, frame.charset),
    };
    return main.id === null ? [link, { at: main.insert, text: idMarkup(id) }] : [link];
  }

  /** The ids that headings of this page are given. */
  #idSpans(path: SitePath, raw: Raw, isTaken: (offset: number) => boolean = () => false): Span[] {
    const ids = this.#inlay.ids.get(path.normalize('NFC')) ?? [];
    return ids
      .filter(({ at }) => at <= raw.length && !isTaken(at))
      .map(({ at, id }) => ({ at, text: idMarkup(id) }))
      .sort((one, other) => one.at - other.at);
  }
}

const openNoscript = 'a `noscript` in this page is never closed, or holds part of an element';
const cutOff = 'the page ends inside a tag, a comment, an element of text or code that is never closed';
