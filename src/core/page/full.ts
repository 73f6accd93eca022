import type { SitePath } from '../address/path.ts';
import { type Raw, lowerAscii } from '../text/bytes.ts';
import { decode } from '../text/charset.ts';
import { readAttributeReferences, readReferences } from '../text/references.ts';
import type { Extent, FullPage, Heading, Identified, Landmark, Link } from './content.ts';
import { FrameReader } from './frame.ts';
import { nothingWanted } from './wanted.ts';
import { collapse, wordsIn } from './words.ts';
import { headings } from './kinds.ts';
import { type Tree, TreeBuilder } from './tree.ts';
import type { Attribute, Frame } from './types.ts';
import { type Listener, Walk } from './walk.ts';

/** Reads a whole page. */
export function readFull(path: SitePath, raw: Raw): FullPage {
  return readWhole(path, raw, false).page;
}

/** The same with its tree, as for a browser with scripts off. */
export function readWithTree(path: SitePath, raw: Raw): { page: FullPage; tree: Tree } {
  const { page, builder } = readWhole(path, raw, true);
  return { page, tree: builder!.tree(page.frame.charset) };
}

function readWhole(
  path: SitePath,
  raw: Raw,
  hasTree: boolean,
): { page: FullPage; builder: TreeBuilder | null } {
  const walk = new Walk(raw, false);
  const frame = new FrameReader(path, walk, { ...nothingWanted, end: true });
  const full = new FullReader(walk, frame);
  const builder = hasTree ? new TreeBuilder(walk) : null;
  walk.run([frame, full, ...(builder ? [builder] : [])]);
  return { page: full.page(frame.frame()), builder };
}

interface OpenText {
  closes: string;
  parts: Raw[];
  done: (text: string) => void;
}

/** What is found before the charset is known: its texts are raw, and become text at the end. */
interface Later {
  raw: Raw;
  done: (text: string) => void;
}

/** Landmarks by element; `header` and `footer` count only outside the parts of a page that have their own. */
const landmarkOf: Record<string, Landmark['kind']> = {
  header: 'banner',
  nav: 'navigation',
  main: 'main',
  footer: 'contentinfo',
  aside: 'complementary',
  search: 'search',
};
const roles = new Set<string>(Object.values(landmarkOf));
/** Elements that say something without attributes. */
const toldBare: ReadonlySet<string> = new Set([...headings, ...Object.keys(landmarkOf), 'a', 'br']);
const sectioning = new Set(['article', 'aside', 'main', 'nav', 'section']);
const inert = new Set(['template']);

class FullReader implements Listener {
  readonly #walk: Walk;
  readonly #frame: FrameReader;
  readonly #ids: (Extent & { raw: Raw; element: string })[] = [];
  readonly #page: Omit<FullPage, 'frame' | 'ids'> = {
    headings: [],
    links: [],
    landmarks: [],
    words: 0,
    isUnlisted: false,
    date: null,
  };
  /** Attribute values, and texts of headings and links, that are still to be decoded. */
  readonly #values: Later[] = [];
  readonly #texts: Later[] = [];
  /** Texts being read: of a heading, of a link. */
  #open: OpenText[] = [];
  #menus: { name: string; depth: number }[] = [];
  /** Of the start tag just met: what it lies in, and whether anything counts there. */
  #depth = 0;
  #isInner = false;
  #isInert = false;

  constructor(walk: Walk, frame: FrameReader) {
    this.#walk = walk;
    this.#frame = frame;
  }

  /** Once the walk is over. */
  page(frame: Frame): FullPage {
    for (const one of this.#open.reverse()) this.#finish(one);
    const text = (raw: Raw): string => readAttributeReferences(decode(raw, frame.charset));
    for (const { raw, done } of this.#values) done(text(raw));
    for (const { raw, done } of this.#texts) done(collapse(readReferences(decode(raw, frame.charset))));
    return { frame, ids: this.#identified(text), ...this.#page };
  }

  /** An old `name` of a link counts where its id is another. */
  #identified(text: (raw: Raw) => string): Identified[] {
    const found: Identified[] = [];
    let last: (Extent & { id: string }) | null = null;
    for (const { start, end, raw, element } of this.#ids) {
      const id = text(raw);
      const isSame: boolean = last !== null && last.start === start && last.id === id;
      last = { start, end, id };
      if (id !== '' && !isSame) found.push({ start, end, id, element });
    }
    return found;
  }

  hearsText(): boolean {
    return !this.#walk.outline.isInside(unread);
  }

  onText(): void {
    const { start, end } = this.#walk.scanner;
    const { raw } = this.#walk;
    if (start >= this.#frame.bodyPoint) this.#page.words += wordsIn(raw, start, end);
    if (this.#open.length === 0) return;
    const text = raw.slice(start, end);
    for (const one of this.#open) one.parts.push(text);
  }

  onTag(): void {
    const { outline, scanner } = this.#walk;
    this.#isInert = outline.isInside(inert);
    this.#depth = outline.depth;
    this.#isInner = (scanner.name === 'header' || scanner.name === 'footer') && outline.isInside(sectioning);
  }

  onStart(): void {
    const { name, start, end } = this.#walk.scanner;
    this.#leaveMenus();
    if (this.#isInert) return;
    const attributes = this.#walk.scanner.attributes();
    if (attributes.length === 0 && !toldBare.has(name)) return;
    const extent = { start, end };
    this.#readMenu(attributes);
    const id = rawValue(attributes, 'id');
    if (id !== null && id !== '') this.#ids.push({ ...extent, raw: id, element: name });
    const oldName = name === 'a' ? rawValue(attributes, 'name') : null;
    if (oldName !== null && oldName !== '') this.#ids.push({ ...extent, raw: oldName, element: name });
    this.#readLandmark(name, attributes, extent);
    if (headings.has(name)) this.#readHeading(name, id === '' ? null : id, extent);
    else if (name === 'a' || name === 'area') this.#readLink(name, attributes, extent);
    else if (name === 'meta') this.#readMeta(attributes);
    else if (name === 'time') this.#readDate(attributes);
    else if (name === 'img') this.#readAlternative(attributes);
    else if (name === 'br') for (const one of this.#open) one.parts.push(' ');
  }

  onEnd(): void {
    const { name } = this.#walk.scanner;
    this.#leaveMenus();
    if (this.#open.length === 0) return;
    const isHeading = headings.has(name);
    for (const one of this.#open.filter(
      ({ closes }) => closes === name || (isHeading && headings.has(closes)),
    ))
      this.#finish(one);
  }

  #leaveMenus(): void {
    if (this.#menus.length === 0) return;
    const { depth } = this.#walk.outline;
    this.#menus = this.#menus.filter(menu => depth > menu.depth);
  }

  #readMenu(attributes: readonly Attribute[]): void {
    const menu = rawValue(attributes, 'data-kamino');
    if (menu !== null && this.#walk.outline.depth > this.#depth)
      this.#menus.push({ name: readAttributeReferences(menu), depth: this.#depth });
  }

  #readHeading(name: string, id: Raw | null, extent: Extent): void {
    const heading: Heading = { ...extent, level: Number(name[1]), text: '', id: null };
    if (id !== null) this.#values.push({ raw: id, done: text => (heading.id = text || null) });
    this.#page.headings.push(heading);
    if (this.#open.length > 0) this.#open = this.#open.filter(one => !headings.has(one.closes));
    this.#open.push({ closes: name, parts: [], done: text => (heading.text = text) });
  }

  #readLink(name: string, attributes: readonly Attribute[], extent: Extent): void {
    const href = rawValue(attributes, 'href');
    if (this.#open.length > 0)
      for (const one of this.#open.filter(({ closes }) => closes === 'a')) this.#finish(one);
    if (href === null) return;
    const link: Link = { ...extent, href: '', text: '', menu: this.#menus.at(-1)?.name ?? null };
    this.#page.links.push(link);
    this.#values.push({ raw: href, done: text => (link.href = text) });
    const alt = name === 'area' ? rawValue(attributes, 'alt') : null;
    if (alt !== null) this.#values.push({ raw: alt, done: text => (link.text = text) });
    if (name === 'a') this.#open.push({ closes: 'a', parts: [], done: text => (link.text = text) });
  }

  /** What counts here is ASCII in every charset. */
  #readMeta(attributes: readonly Attribute[]): void {
    const value = (name: string): string => readAttributeReferences(rawValue(attributes, name) ?? '');
    const isRobots = lowerAscii(value('name')) === 'robots';
    const isRefresh = lowerAscii(value('http-equiv')) === 'refresh';
    const content = value('content');
    if ((isRobots && /noindex|none/i.test(content)) || (isRefresh && /url\s*=/i.test(content)))
      this.#page.isUnlisted = true;
  }

  #readDate(attributes: readonly Attribute[]): void {
    const date = rawValue(attributes, 'datetime');
    if (date === null) return;
    this.#values.push({ raw: date, done: text => (this.#page.date ??= text) });
  }

  #readAlternative(attributes: readonly Attribute[]): void {
    const alt = rawValue(attributes, 'alt');
    if (alt) for (const one of this.#open) one.parts.push(alt);
  }

  #readLandmark(name: string, attributes: readonly Attribute[], extent: Extent): void {
    if (landmarkOf[name] === undefined && rawValue(attributes, 'role') === null) return;
    const role = lowerAscii(readAttributeReferences(rawValue(attributes, 'role') ?? '')).split(' ')[0]!;
    const kind = roles.has(role)
      ? (role as Landmark['kind'])
      : role === '' && !this.#isInner
        ? landmarkOf[name]
        : undefined;
    if (kind === undefined || this.#walk.outline.inForeign) return;
    const landmark: Landmark = { ...extent, kind, label: null };
    this.#page.landmarks.push(landmark);
    const label = rawValue(attributes, 'aria-label');
    if (label !== null) this.#values.push({ raw: label, done: text => (landmark.label = text) });
  }

  #finish(one: OpenText): void {
    this.#open = this.#open.filter(other => other !== one);
    this.#texts.push({ raw: one.parts.length === 1 ? one.parts[0]! : one.parts.join(''), done: one.done });
  }
}

function rawValue(attributes: readonly Attribute[], name: string): Raw | null {
  return attributes.find(one => one.name === name)?.value ?? null;
}

/** Their content is no text for people. */
const unread = new Set(['script', 'style', 'template', 'noscript']);
