import { baseFolder } from '../address/href.ts';
import type { SitePath } from '../address/path.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { type Wanted, readFrame } from '../site/frame.ts';
import type { Frame } from '../site/types.ts';
import type { Raw } from '../text/bytes.ts';
import { encodeMarkup, unreadable } from '../text/charset.ts';
import { type Finding, finding } from '../text/finding.ts';
import { placeInRaw } from '../text/place.ts';
import { escapeMarkup } from '../text/references.ts';
import { type Selector, readSelector } from '../text/selector.ts';
import { lift } from './lift.ts';
import { type Standpoint, menuMarkup, skipMarkup, styleMarkup } from './markup.ts';
import { idAttribute } from './names.ts';
import { pointFor } from './points.ts';
import { type Words, english } from './words.ts';

/** What is put into the pages of a site. */
export interface Inlay {
  menus: readonly ResolvedMenu[];
  carries: (menu: ResolvedMenu, page: SitePath) => boolean;
  /** Style sheets in order: Kamino's, then the designer's own. */
  styles: readonly SitePath[];
  skipTo: readonly string[];
  front: SitePath | null;
}

export interface Inlaying {
  /** The finished page; the page as it is where it carries nothing or could not be done. */
  raw: Raw;
  findings: Finding[];
  /** Menus put in. */
  menus: number;
  /** The page carries a menu, but has no main content for a skip link. */
  lacksMain: boolean;
}

/** Makes the pages of one site. The same page and plan give the same bytes; a page with menus in it gets them anew. */
export class Inlayer {
  readonly #inlay: Inlay;
  readonly #skipTo: readonly Selector[];
  readonly #selectors: ReadonlyMap<ResolvedMenu, readonly Selector[]>;
  readonly #names: ReadonlySet<string>;

  constructor(inlay: Inlay) {
    this.#inlay = inlay;
    this.#skipTo = selectorsOf(inlay.skipTo);
    this.#selectors = new Map(inlay.menus.map(menu => [menu, selectorsOf(menu.place?.selectors ?? [])]));
    this.#names = new Set(inlay.menus.map(menu => menu.name));
  }

  page(path: SitePath, given: Raw): Inlaying {
    const menus = this.#inlay.menus.filter(menu => this.#inlay.carries(menu, path));
    const source = lift(given);
    const untouched = (findings: Finding[]): Inlaying => ({ raw: given, findings, menus: 0, lacksMain: false });
    if (menus.length === 0) return { ...untouched([]), raw: source };
    if (/\.xht(ml)?$/i.test(path)) return untouched([xmlPage(path)]);
    const wanted = this.#wanted(menus, source);
    const frame = readFrame(path, source, wanted);
    const why = unreadable(given, frame.charset);
    if (why !== null) return untouched([unreadablePage(path, why)]);
    if (frame.isFrameset) return untouched([framesetPage(path)]);
    const misread = /<noscript/i.test(source) ? differences(menus, frame, readFrame(path, source, { ...wanted, scripting: false })) : null;
    if (misread) return untouched([badPlace(frame, misread, { element: null, why: 'a `noscript` in this page is never closed, or holds part of an element' })]);
    return this.#fill(menus, frame, given);
  }

  /** A menu whose slot stands in the bytes needs no selector to be followed. */
  #wanted(menus: readonly ResolvedMenu[], raw: Raw): Wanted {
    const others = menus.filter(menu => !hasSlot(raw, menu.name));
    const places = others.flatMap(menu => menu.place ?? []);
    return {
      selectors: others.flatMap(menu => this.#selectors.get(menu)!),
      skipTo: this.#skipTo,
      header: others.some(menu => menu.place === null),
      heading: false,
      scripting: true,
      end: places.some(place => place.side === 'last-in' && place.selectors.includes('body')),
    };
  }

  #fill(menus: readonly ResolvedMenu[], frame: Frame, given: Raw): Inlaying {
    const findings = this.#slotFindings(frame);
    const spans: Span[] = [];
    const folder = baseFolder(frame.path, frame.base);
    const from = (at: number): Standpoint => standpoint(frame, folder, this.#inlay.front, at);
    for (const menu of menus) {
      const point = pointFor(menu, frame);
      if (point.kind === 'at') spans.push({ at: point.at, markup: menuMarkup(menu, from(point.at)) });
      else if (point.kind === 'none') findings.push(noPlace(frame, menu));
      else return { raw: given, findings: [...findings, badPlace(frame, menu, point)], menus: 0, lacksMain: false };
    }
    const count = spans.length;
    if (count === 0) return { raw: frame.raw, findings, menus: 0, lacksMain: false };
    if (frame.headPoint >= frame.raw.length && frame.isCutOff) {
      const why = 'the page ends inside a tag, a comment or an element of text';
      return { raw: given, findings: [...findings, badPlace(frame, menus[0]!, { element: null, why })], menus: 0, lacksMain: false };
    }
    if (frame.base !== null && /^(?:[a-z]+:)?\/\//i.test(frame.base)) findings.push(baseElsewhere(frame, folder));
    const styles = this.#inlay.styles.map(file => styleMarkup(file, from(frame.headPoint)));
    const head = styles.map(markup => ({ at: frame.headPoint, markup }));
    const skip = this.#skip(frame, from(frame.bodyPoint));
    return {
      raw: splice(frame, [...head, ...skip, ...spans]),
      findings,
      menus: count,
      lacksMain: !frame.main && !frame.hasSkipLink,
    };
  }

  #skip(frame: Frame, from: Standpoint): Span[] {
    if (!frame.main || frame.hasSkipLink) return [];
    const words = wordsFor();
    const id = frame.main.id ?? freeId(frame.raw);
    const link = { at: frame.bodyPoint, markup: skipMarkup(words.skip, id, from, frame.base !== null) };
    if (frame.main.id !== null) return [link];
    return [link, { at: frame.main.insert, markup: ` ${idAttribute}="" id="${escapeMarkup(id)}"` }];
  }

  #slotFindings(frame: Frame): Finding[] {
    const seen = new Set<string>();
    return frame.slots.flatMap(({ name, element }) => {
      const place = placeOf(frame, element.start, element.open);
      const isSecond = seen.has(name);
      seen.add(name);
      if (!this.#names.has(name)) {
        const known = [...this.#names].map(one => `\`${one}\``).join(', ');
        return [finding('unknown-slot', place, `no menu is called \`${name}\``, `Menus of the plan: ${known}.`)];
      }
      if (!isSecond) return [];
      return [finding('second-slot', place, `a second slot \`${name}\` stays empty`, 'Give it another name, or take the attribute out.')];
    });
  }
}

/** The first menu whose place is another one with scripts off, where a `noscript` holds markup; null where all agree. */
function differences(menus: readonly ResolvedMenu[], on: Frame, off: Frame): ResolvedMenu | null {
  const isSame = !off.leaks && on.main?.insert === off.main?.insert && on.bodyPoint === off.bodyPoint && on.headPoint === off.headPoint;
  const at = (menu: ResolvedMenu, frame: Frame): number | string => {
    const point = pointFor(menu, frame);
    return point.kind === 'at' ? point.at : point.kind;
  };
  return (isSame ? menus.find(menu => at(menu, on) !== at(menu, off)) : menus[0]) ?? null;
}

interface Span {
  at: number;
  markup: string;
}

function selectorsOf(texts: readonly string[]): Selector[] {
  return texts.flatMap(text => readSelector(text) ?? []);
}

/** Whether a slot of this name stands in the bytes, in any way of writing the attribute. */
function hasSlot(raw: Raw, name: string): boolean {
  return new RegExp(`data-kamino-slot\\s*=\\s*["']?${name}(?![\\w-])`, 'i').test(raw);
}

function standpoint(frame: Frame, folder: SitePath, front: SitePath | null, at: number): Standpoint {
  const { raw } = frame;
  const lineStart = Math.max(raw.lastIndexOf('\n', at - 1), raw.lastIndexOf('\r', at - 1)) + 1;
  return {
    page: frame.path,
    folder,
    front,
    indent: at === 0 ? '' : /^[\t ]*/.exec(raw.slice(lineStart, at))![0],
    lineBreak: /\r\n|\n|\r/.exec(raw)?.[0] ?? '\n',
  };
}

/** Puts markup into the bytes of a page; of two at one place the first stays first. */
function splice(frame: Frame, spans: readonly Span[]): Raw {
  let page = '';
  let at = 0;
  for (const span of [...spans].sort((one, other) => one.at - other.at)) {
    page += frame.raw.slice(at, span.at) + encodeMarkup(span.markup, frame.charset);
    at = span.at;
  }
  return page + frame.raw.slice(at);
}

/** An id that the page does not use anywhere. */
function freeId(raw: Raw): string {
  for (let number = 1; ; number += 1) {
    const id = number === 1 ? 'main' : `main-${number}`;
    if (!new RegExp(`id\\s*=\\s*["']?${id}(?![\\w-])`, 'i').test(raw)) return id;
  }
}

function wordsFor(): Words {
  return english;
}

function placeOf(frame: Frame, start: number, end: number): ReturnType<typeof placeInRaw> {
  return placeInRaw(frame.path, frame.raw, frame.charset, start, end);
}

function noPlace(frame: Frame, menu: ResolvedMenu): Finding {
  const selectors = menu.place!.selectors.join(', ');
  return finding(
    'no-place',
    { file: frame.path },
    `no element of this page matches ${selectors}, the place of \`${menu.name}\``,
    `Mark the place with  data-kamino-slot="${menu.name}",  or add a selector to \`place\`.`,
  );
}

function badPlace(frame: Frame, menu: ResolvedMenu, { element, why }: { element: { start: number; open: number } | null; why: string }): Finding {
  const place = element ? placeOf(frame, element.start, element.open) : { file: frame.path };
  return finding('bad-place', place, `\`${menu.name}\` cannot go here: ${why}`, 'The page was copied as it is. Mark another place, such as a div outside of it.');
}

function baseElsewhere(frame: Frame, folder: SitePath): Finding {
  return finding(
    'base-elsewhere',
    { file: frame.path },
    `the page’s base is ${frame.base!}: its links are read from there`,
    `Links were written as if that address were the site’s ${folder === '' ? 'folder' : `folder ${folder}`}; take the base out to use the pages anywhere.`,
  );
}

function xmlPage(path: SitePath): Finding {
  return finding('xml-page', { file: path }, 'this page is read as XML', 'Save it as .html, or leave it out of `read`.');
}

function unreadablePage(path: SitePath, why: string): Finding {
  return finding('unreadable-page', { file: path }, `${why}; the page was copied as it is`, 'Save the page as UTF-8.');
}

function framesetPage(path: SitePath): Finding {
  return finding('frameset-page', { file: path }, 'a frameset has no body that could carry a menu', 'Put the menu into the pages it shows, and leave this one out with `except`.');
}
