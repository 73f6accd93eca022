import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { frontPage } from '../core/address/front.ts';
import { pathMatcher } from '../core/address/glob.ts';
import type { SitePath } from '../core/address/path.ts';
import type { HandMenu, HandSite } from '../core/hand/types.ts';
import { type Taken, lift } from '../core/inlay/lift.ts';
import type { FullPage } from '../core/page/content.ts';
import { type Raw, rawOf } from '../core/text/bytes.ts';
import { ownTexts } from '../core/text/own.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { type ReadPage, kept, readPage } from './read-page.ts';
import { usualRead } from './site.ts';
import { readInTwo, worthTwo } from './two-threads.ts';
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
  /** Pieces of HTML that are no pages. */
  pieces?: ReadonlySet<string>;
}

/** Reads every page of a listed site whole, each in one go. */
export function readWholeSite(
  root: string,
  { files, findings: listed }: Walk,
  { lifted = null, base = '/', watching, progress, pieces = new Set() }: WholeOptions = {},
): WholeReading {
  const findings = [...listed];
  const isPage = pageTest(pieces);
  const paths = files.map(file => file.path.normalize('NFC'));
  const pages = paths.flatMap((path, at) => (isPage(path) ? [{ path, file: files[at]!.path }] : []));
  const read = new Map<number, ReadPage>();
  const own = ownTexts();
  const bytes = new LastRead(at => {
    const raw = rawOf(readFileSync(join(root, pages[at]!.file)));
    return lifted ? lift(raw, hash => lifted(hash) ?? '') : raw;
  });
  const keep = (at: number, one: ReadPage): ReadPage => kept(one, () => bytes.again(at), own);
  const readHere = (at: number): void => {
    progress?.(read.size, pages.length);
    read.set(at, keep(at, readPage(pages[at]!.path, bytes.of(at), watching?.see)));
  };
  const watch = watching?.watch ?? nothing;
  const isWorth = !watch.hasSheets && isLarge(files, isPage);
  const work = { root, pages, isLifted: lifted !== null, files: files.map(file => file.path), watch };
  const other = isWorth ? readInTwo(work, readHere) : null;
  const elsewhere = other?.read ?? new Map<number, ReadPage>();
  watching?.outranking.take(other?.gathered ?? []);
  const known = new Map<SitePath, FullPage>();
  const candidates = new Map<SitePath, readonly HandMenu[]>();
  for (const [at, { path }] of pages.entries()) {
    if (!read.has(at) && !elsewhere.has(at)) readHere(at);
    const one = read.get(at) ?? keep(at, elsewhere.get(at)!);
    if ('why' in one) findings.push(unreadable(path, one.why));
    else {
      known.set(path, one.page);
      candidates.set(path, one.menus);
    }
  }
  const front = frontPage(new Set(known.keys()));
  return { site: { pages: known, files: new Set(paths), front, base, candidates }, findings };
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

function pageTest(pieces: ReadonlySet<string>): (path: SitePath) => boolean {
  const isHtml = pathMatcher([usualRead], true);
  return path => isHtml(path) && !pieces.has(path);
}

function isLarge(files: Walk['files'], isPage: (path: SitePath) => boolean): boolean {
  let bytes = 0;
  for (const { path, size } of files) if (isPage(path)) bytes += size;
  return bytes > worthTwo;
}
