import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { frontPage } from '../core/address/front.ts';
import { pathMatcher } from '../core/address/glob.ts';
import type { SitePath } from '../core/address/path.ts';
import type { HandMenu, HandSite } from '../core/hand/types.ts';
import { type Taken, lift } from '../core/inlay/lift.ts';
import type { FullPage } from '../core/page/content.ts';
import type { Tree } from '../core/page/tree.ts';
import { type Raw, rawOf } from '../core/text/bytes.ts';
import { ownTexts } from '../core/text/own.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { type ReadPage, kept, readPage } from './read-page.ts';
import { usualRead } from './site.ts';
import { readInTwo, worthTwo } from './two-threads.ts';
import type { Walk } from './walk.ts';

export interface WholeReading {
  site: HandSite;
  /** Pages that cannot be read, and files that cannot be listed. */
  findings: Finding[];
}

export interface WholeOptions {
  /** Read the pages without what Kamino put in; gives what was taken out for a menu, by its hash. */
  lifted?: Taken | null;
  /** The folder of the server in which the site will lie. */
  base?: string;
  /** Looks at a page while its tree is there. */
  see?: ((page: FullPage, tree: Tree) => void) | undefined;
  progress?: (done: number, all: number) => void;
  /** Pieces of HTML that are no pages. */
  pieces?: ReadonlySet<string>;
}

/** Reads every page of a listed site whole, each in one go. */
export function readWholeSite(
  root: string,
  { files, findings: listed }: Walk,
  { lifted = null, base = '/', see, progress, pieces = new Set() }: WholeOptions = {},
): WholeReading {
  const findings = [...listed];
  const isHtml = pathMatcher([usualRead], true);
  const isPage = (path: SitePath): boolean => isHtml(path) && !pieces.has(path);
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
    read.set(at, keep(at, readPage(pages[at]!.path, bytes.of(at), see)));
  };
  const isWorth = see === undefined && isLarge(files, isPage);
  const elsewhere = isWorth ? readInTwo({ root, pages }, readHere) : new Map<number, ReadPage>();
  const known = new Map<SitePath, FullPage>();
  const candidates = new Map<SitePath, readonly HandMenu[]>();
  for (const [at, { path }] of pages.entries()) {
    if (!read.has(at) && !elsewhere.has(at)) readHere(at);
    const one = read.get(at) ?? keep(at, elsewhere.get(at)!);
    if ('why' in one)
      findings.push(finding('unreadable-page', { file: path }, one.why, 'Save the page as UTF-8.'));
    else {
      known.set(path, one.page);
      candidates.set(path, one.menus);
    }
  }
  const front = frontPage(new Set(known.keys()));
  return { site: { pages: known, files: new Set(paths), front, base, candidates }, findings };
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

function isLarge(files: Walk['files'], isPage: (path: SitePath) => boolean): boolean {
  let bytes = 0;
  for (const { path, size } of files) if (isPage(path)) bytes += size;
  return bytes > worthTwo;
}

/** The text of a style sheet or script of a listed site; null where it has none of that name. */
export function textIn(root: string, { files }: Walk): (file: SitePath) => string | null {
  const known = new Set(files.map(file => file.path.normalize('NFC')));
  return file => {
    if (!known.has(file)) return null;
    try {
      return readFileSync(join(root, file), 'utf8');
    } catch {
      return null;
    }
  };
}
