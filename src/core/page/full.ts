import type { SitePath } from '../address/path.ts';
import { type Raw, lowerAscii } from '../text/bytes.ts';
import { decode } from '../text/charset.ts';
import { readAttributeReferences, readReferences } from '../text/references.ts';
import type { Extent, FullPage, Heading, Identified, Link, LinkSummary } from './content.ts';
import { FrameReader } from './frame.ts';
import { withoutDoubles } from './old-names.ts';
import { attributeStarts, nothingWanted } from './wanted.ts';
import { UsedReader, type Used } from './used.ts';
import { collapse, wordsIn } from './words.ts';
import { headings } from './kinds.ts';
import { Landmarks } from './landmarks.ts';
import { TableRoom } from './table-room.ts';
import { type Tree, TreeBuilder } from './tree.ts';
import type { Frame } from './types.ts';
import { type Listener, Walk } from './walk.ts';

/** Reads a whole page. */
export function readFull(path: SitePath, raw: Raw): FullPage {
  return readWhole(path, raw, null).page;
}

/** The same with its tree, as for a browser with scripts off. @param room memory for it: a tree that stood there is gone */
export function readWithTree(
  path: SitePath,
  raw: Raw,
  room = new TableRoom(),
): { page: FullPage; tree: Tree } {
  const { page, builder } = readWhole(path, raw, room);
  return { page, tree: builder!.tree(page.frame.charset) };
}

function readWhole(
  path: SitePath,
  raw: Raw,
  room: TableRoom | null,
): { page: FullPage; builder: TreeBuilder | null } {
  const walk = new Walk(raw, false);
  const frame = new FrameReader(path, walk, { ...nothingWanted, end: true });
  const full = new FullReader(walk, frame);
  const builder = room ? new TreeBuilder(walk, { isPlain: true, room }) : null;
  const used = new UsedReader(walk);
  walk.run([frame, full, used, ...(builder ? [builder] : [])]);
  return { page: full.page(frame.frame(), used.used), builder };
}

/** Text of a heading being read: raw until the charset is known, and then put where it belongs. */
interface OpenText {
  closes: string;
  parts: Raw[];
  of: Heading;
}

/** Elements that say something without attributes. */
const toldBare: ReadonlySet<string> = new Set([...headings, 'br']);

/** Names under which a page says when it was changed: those of Dublin Core, of many editors, and of pages that are shared. */
const changeNames: ReadonlySet<string> = new Set([
  'dcterms.modified',
  'dc.date.modified',
  'last-modified',
  'article:modified_time',
]);

class FullReader implements Listener {
  readonly #walk: Walk;
  readonly #frame: FrameReader;
  /** Menus of Kamino's may stand in the page. */
  readonly #hasMenus: boolean;
  /** With the value raw until the charset is known. */
  readonly #ids: Identified[] = [];
  readonly #oldNames = new Set<Identified>();
  readonly #page: Omit<FullPage, 'frame' | 'ids' | 'linkSummary' | keyof Used> = {
    headings: [],
    links: [],
    words: 0,
    isUnlisted: false,
    date: null,
    modified: null,
  };
  /** Texts being read. */
  #open: OpenText[] = [];
  #menus: { name: string; depth: number }[] = [];
  readonly #landmarks: Landmarks;
  /** Of the start tag just met: what it lies in, and whether anything counts there. */
  #depth = 0;
  #isInert = false;

  constructor(walk: Walk, frame: FrameReader) {
    this.#walk = walk;
    this.#frame = frame;
    this.#landmarks = new Landmarks(walk);
    this.#hasMenus = attributeStarts(walk.raw).others.length > 0;
  }

  /** Once the walk is over: what was kept raw becomes text. */
  page(frame: Frame, used: Used): FullPage {
    for (const one of this.#open.reverse()) finish(one);
    const page = this.#page;
    const { charset } = frame;
    const value = (raw: Raw): string => readAttributeReferences(decode(raw, charset));
    const text = (raw: Raw): string => collapse(readReferences(decode(raw, charset)));
    this.#landmarks.settle(page.headings);
    for (const one of page.headings) {
      one.text = withoutAnchor(text(one.text));
      if (one.id !== null) one.id = value(one.id) || null;
    }
    for (const one of page.links) one.href = value(one.href);
    if (page.date !== null) page.date = value(page.date);
    for (const one of used.resources) one.address = value(one.address);
    const isUnlisted = page.isUnlisted || used.refreshes.length > 0;
    for (const one of this.#ids) one.id = value(one.id);
    const ids = withoutDoubles(this.#ids, this.#oldNames, this.#walk.raw);
    return { frame, ids, ...page, ...used, isUnlisted, linkSummary: summaryOf(page.links) };
  }

  hearsText(): boolean {
    return !this.#walk.outline.isUnread;
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
    const { outline } = this.#walk;
    this.#isInert = outline.isInert;
    this.#depth = outline.depth;
  }

  onStart(): void {
    const { name, start, end } = this.#walk.scanner;
    this.#leaveMenus();
    if (this.#isInert) return;
    this.#landmarks.onStart(name, this.#depth);
    const { scanner } = this.#walk;
    if (!scanner.hasAttributes && !toldBare.has(name)) return;
    if (this.#hasMenus) this.#readMenu();
    const id = scanner.value('id');
    const heading = this.#open.length > 0 ? this.#headingAround() : null;
    if (id !== null && id !== '') this.#ids.push({ start, end, id, element: name, heading });
    const oldName = name === 'a' ? scanner.value('name') : null;
    if (oldName !== null && oldName !== '') {
      const named = { start, end, id: oldName, element: name, heading };
      this.#ids.push(named);
      this.#oldNames.add(named);
    }
    if (headings.has(name)) this.#readHeading(name, id === '' ? null : id, { start, end });
    else if (name === 'a' || name === 'area') this.#readLink(start, end);
    else if (name === 'meta') this.#readMeta();
    else if (name === 'time') this.#readDate();
    else if (name === 'img') this.#readAlternative();
    else if (name === 'br') for (const one of this.#open) one.parts.push(' ');
  }

  #headingAround(): Heading | null {
    for (const { closes, of } of this.#open) if (headings.has(closes)) return of;
    return null;
  }

  onEnd(): void {
    const { name } = this.#walk.scanner;
    this.#leaveMenus();
    if (this.#open.length > 0) this.#close(name);
  }

  #leaveMenus(): void {
    this.#landmarks.leave();
    if (this.#menus.length === 0) return;
    const { depth } = this.#walk.outline;
    while (this.#menus.length > 0 && depth <= this.#menus.at(-1)!.depth) this.#menus.pop();
  }

  #readMenu(): void {
    const menu = this.#walk.scanner.value('data-kamino');
    if (menu !== null && this.#walk.outline.depth > this.#depth)
      this.#menus.push({ name: readAttributeReferences(menu), depth: this.#depth });
  }

  #readHeading(name: string, id: Raw | null, { start, end }: Extent): void {
    const heading: Heading = { start, end, level: Number(name[1]), text: '', id, isContent: true };
    this.#page.headings.push(heading);
    this.#landmarks.onHeading(heading);
    if (this.#open.length > 0) this.#open = this.#open.filter(one => !headings.has(one.closes));
    this.#open.push({ closes: name, parts: [], of: heading });
  }

  #readLink(start: number, end: number): void {
    const href = this.#walk.scanner.value('href');
    if (href === null) return;
    const menu = this.#menus.at(-1)?.name ?? null;
    const isCurrent = menu !== null && this.#walk.scanner.value('aria-current') === 'page';
    this.#page.links.push({ start, end, href, menu, isCurrent });
  }

  /** What counts here is ASCII in every charset. */
  #readMeta(): void {
    const { scanner } = this.#walk;
    const value = (name: string): string => readAttributeReferences(scanner.value(name) ?? '');
    const name = lowerAscii(value('name') || value('property'));
    if (changeNames.has(name)) this.#page.modified ??= value('content').trim();
    const isRobots = name === 'robots';
    if (isRobots && /noindex|none/i.test(value('content'))) this.#page.isUnlisted = true;
  }

  #readDate(): void {
    this.#page.date ??= this.#walk.scanner.value('datetime');
  }

  #readAlternative(): void {
    const alt = this.#walk.scanner.value('alt');
    if (alt) for (const one of this.#open) one.parts.push(alt);
  }

  /** Ends the texts of what an end tag closes: that of a heading closes headings of all levels. */
  #close(name: string): void {
    const isHeading = headings.has(name);
    let kept = 0;
    for (const one of this.#open) {
      if (one.closes === name || (isHeading && headings.has(one.closes))) finish(one);
      else this.#open[kept++] = one;
    }
    this.#open.length = kept;
  }
}

function summaryOf(links: readonly Link[]): LinkSummary {
  const menus = new Set<string>();
  let hasCurrent = false;
  for (const { menu, isCurrent } of links) {
    if (menu !== null) menus.add(menu);
    hasCurrent ||= isCurrent;
  }
  return { count: links.length, menus: [...menus], hasCurrent };
}

/** Without the sign at its end that links to the heading itself. */
function withoutAnchor(text: string): string {
  return text.replace(/(\S)\s*(?:[¶§]|\s#|\u{1f517})$/u, '$1');
}

function finish({ parts, of }: OpenText): void {
  of.text = parts.length === 1 ? parts[0]! : parts.join('');
}
