import { join } from 'node:path';
import { frontPage } from '../core/address/front.ts';
import { pathMatcher } from '../core/address/glob.ts';
import type { SitePath } from '../core/address/path.ts';
import type { HandMenu, HandSite } from '../core/hand/types.ts';
import { type Taken, lift } from '../core/inlay/lift.ts';
import type { FullPage } from '../core/page/content.ts';
import type { Raw } from '../core/text/bytes.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { NumberWriter } from '../core/text/numbers.ts';
import { type NumberedTexts, Texts } from '../core/text/texts.ts';
import { readRaw } from './read.ts';
import { type PageInNumbers, type ReadPage, kept, readPage } from './read-page.ts';
import { usualRead } from './site.ts';
import { threadsFor } from './threads.ts';
import { type ThreadWork, readAtOnce, worthThreads } from './read-threads.ts';
import type { Walk } from './walk.ts';
import type { Watch, Watching } from './watching.ts';

export interface WholeReading {
  site: HandSite;
  /** Pages that cannot be read, and files that cannot be listed. */
  findings: Finding[];
}

const nothing: Watch = { outranks: false, base: '/', hasSheets: false };

export interface WholeOptions {
  /** Read the pages without what Kamino put in; gives what was taken out for a menu, by its hash. */
  lifted?: Taken | null;
  /** The folder of the server in which the site will lie. */
  base?: string;
  /** Looks at each page while its tree is there; what it asks for is asked in every thread. */
  watching?: Watching;
  progress?: (done: number, all: number) => void;
  /** In how many threads a large site is read; as many as the machine is good for where it is left out. */
  threads?: number | undefined;
  /** Pieces of HTML that are no pages. */
  pieces?: ReadonlySet<string>;
}

/** Reads every page of a listed site whole, each in one go. */
export function readWholeSite(root: string, walk: Walk, options: WholeOptions = {}): WholeReading {
  const { base = '/', pieces = new Set(), watching } = options;
  const isPage = pageTest(pieces);
  const paths = walk.files.map(file => file.path.normalize('NFC'));
  const pages = paths.flatMap((path, at) => (isPage(path) ? [{ path, file: walk.files[at]!.path }] : []));
  const reading = new Reading(root, pages, options);
  const watch = watching?.watch ?? nothing;
  if (!watch.hasSheets && isLarge(walk.files, isPage)) {
    const files = walk.files.map(file => file.path);
    const work = { root, pages, isLifted: Boolean(options.lifted), files, watch };
    reading.atOnce(work, threadsFor(options.threads));
  }
  const findings = [...walk.findings];
  const known = new Map<SitePath, FullPage>();
  const candidates = new Map<SitePath, readonly HandMenu[]>();
  for (const [at, { path }] of pages.entries()) {
    const one = reading.page(at);
    if ('why' in one) findings.push(unreadable(path, one.why));
    else {
      known.set(path, one.page);
      candidates.set(path, one.menus);
    }
  }
  reading.end();
  const front = frontPage(new Set(known.keys()));
  return { site: { pages: known, files: new Set(paths), front, base, candidates }, findings };
}

/** The pages of a site while they are read, by their numbers. */
class Reading {
  readonly #pages: ThreadWork['pages'];
  readonly #options: WholeOptions;
  readonly #read = new Map<number, ReadPage>();
  readonly #texts = new Texts();
  readonly #writer = new NumberWriter(this.#texts);
  readonly #bytes: LastRead;

  constructor(root: string, pages: ThreadWork['pages'], options: WholeOptions) {
    [this.#pages, this.#options] = [pages, options];
    this.#bytes = new LastRead(at => {
      const raw = readRaw(join(root, pages[at]!.file));
      return options.lifted ? lift(raw, hash => options.lifted!(hash) ?? '') : raw;
    });
  }

  page(at: number): ReadPage {
    if (!this.#read.has(at)) this.#readHere(at);
    return this.#read.get(at)!;
  }

  end(): void {
    this.#texts.end();
  }

  /** Reads them all, with other threads. */
  atOnce(work: ThreadWork, threads: number): void {
    const others = readAtOnce(work, { read: at => this.#readHere(at), own: this.#texts.own }, threads);
    this.#options.watching?.outranking.take(others.flatMap(({ gathered }) => gathered));
    for (const { read, texts } of others) for (const [at, one] of read) this.#keep(at, one, texts);
  }

  #readHere(at: number): void {
    const { progress, watching } = this.#options;
    progress?.(this.#read.size, this.#pages.length);
    const { path } = this.#pages[at]!;
    this.#keep(
      at,
      readPage({ path, raw: this.#bytes.of(at), writer: this.#writer }, watching?.see),
      this.#texts,
    );
  }

  #keep(at: number, one: PageInNumbers, texts: NumberedTexts): void {
    this.#read.set(
      at,
      kept(one, texts, () => this.#bytes.again(at)),
    );
  }
}

function unreadable(path: SitePath, why: string): Finding {
  return finding('unreadable-page', { file: path }, why, 'Save the page as UTF-8.');
}

/** The bytes of pages, of which the last is at hand: what is told of a page comes together. */
class LastRead {
  readonly #read: (at: number) => Raw;
  #last: { at: number; raw: Raw } | null = null;

  constructor(read: (at: number) => Raw) {
    this.#read = read;
  }

  of(at: number): Raw {
    if (this.#last?.at !== at) this.#last = { at, raw: this.#read(at) };
    return this.#last.raw;
  }

  /** For what is told of it; nothing where it is not there any more. */
  again(at: number): Raw {
    try {
      return this.of(at);
    } catch {
      return '';
    }
  }
}

export function pageTest(pieces: ReadonlySet<string> = new Set()): (path: SitePath) => boolean {
  const isHtml = pathMatcher([usualRead], true);
  return path => isHtml(path) && !pieces.has(path);
}

/** Whether it takes so long to read all pages that more is worth to be done for it. */
export function isLarge(files: Walk['files'], isPage: (path: SitePath) => boolean): boolean {
  let bytes = 0;
  for (const { path, size } of files) if (isPage(path)) bytes += size;
  return bytes > worthThreads;
}
