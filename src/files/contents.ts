import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { SitePath } from '../core/address/path.ts';
import { type Taken, lift } from '../core/inlay/lift.ts';
import type { PageWords, SiteFacts } from '../core/target/facts.ts';
import { readFrame } from '../core/page/frame.ts';
import type { FullPage } from '../core/page/content.ts';
import { readFull } from '../core/page/full.ts';
import { sectionHeadings, sectionLabels } from '../core/page/sections.ts';
import type { PageFiles } from '../core/page/reader.ts';
import { nothingWanted } from '../core/page/wanted.ts';
import type { Raw } from '../core/text/bytes.ts';
import { readRaw } from './read.ts';
import { pictureSize } from './picture.ts';

type Contents = Pick<SiteFacts, 'sections' | 'headings' | 'language' | 'date' | 'picture' | 'size' | 'text'>;

/** A title stands near the start of a page. */
const headBytes = 64 * 1024;

/** What is in the pages and files of a site, read when it is asked for; each page once. */
export class SiteContents implements Contents, PageFiles {
  readonly #root: string;
  readonly #onDisk: ReadonlyMap<SitePath, string>;
  readonly #pages = new Map<SitePath, { page: FullPage; sections: ReadonlyMap<string, string> } | null>();

  readonly #files: ReadonlySet<string>;
  readonly #taken: Taken;

  /**
   * @param onDisk paths whose names are not in Unicode's composed form on the disk; @param files those of the site
   * @param taken what was taken out of pages: they are read as they were
   */
  constructor(
    root: string,
    {
      onDisk,
      files,
      taken,
    }: { onDisk: ReadonlyMap<SitePath, string>; files: readonly { path: string }[]; taken: Taken },
  ) {
    this.#root = root;
    this.#onDisk = onDisk;
    this.#files = new Set(files.map(file => file.path));
    this.#taken = taken;
  }

  sections = (path: SitePath): ReadonlyMap<string, string> =>
    this.#read(path)?.sections ?? new Map<string, string>();

  headings = (path: SitePath): ReturnType<SiteFacts['headings']> => {
    const found = this.#read(path);
    return found ? sectionHeadings(found.page) : [];
  };

  language = (path: SitePath): string | null => {
    const raw = this.#start(path, headBytes);
    return raw === null ? null : readFrame(path, raw, nothingWanted).language;
  };

  date = (path: SitePath): string | null => this.#read(path)?.page.date ?? null;

  picture = (file: SitePath): ReturnType<SiteFacts['picture']> => pictureSize(this.#at(file));

  size = (file: SitePath): number => statSync(this.#at(file)).size;

  text = (file: SitePath): string | null => {
    try {
      return new TextDecoder('utf-8', { fatal: true }).decode(readFileSync(this.#at(file)));
    } catch {
      return null;
    }
  };

  /** A style sheet; what is no UTF-8 in it is replaced, as browsers do. */
  sheet = (file: SitePath): string | null => {
    if (!this.#files.has(this.#onDisk.get(file) ?? file)) return null;
    try {
      return readFileSync(this.#at(file), 'utf8');
    } catch {
      return null;
    }
  };

  /** A page as it is on the disk; null where it cannot be read. */
  raw = (page: SitePath): Raw | null => this.#start(page, Infinity);

  /** Whether a page tells phones how wide to lay it out; of one that cannot be read nothing is said. */
  hasViewport = (path: SitePath): boolean => {
    const raw = this.#start(path, headBytes);
    return raw === null || readFrame(path, raw, { ...nothingWanted, end: true }).hasViewport;
  };

  /** Its title, and its first heading where that is wanted. */
  words(path: SitePath, hasHeading: boolean): PageWords | null {
    const raw = this.#start(path, hasHeading ? Infinity : headBytes);
    if (raw === null) return null;
    const { title, heading } = readFrame(path, raw, {
      ...nothingWanted,
      heading: hasHeading,
      wordsOnly: true,
    });
    return { title, heading };
  }

  #read(path: SitePath): { page: FullPage; sections: ReadonlyMap<string, string> } | null {
    const kept = this.#pages.get(path);
    if (kept !== undefined) return kept;
    const raw = this.raw(path);
    const page =
      raw === null
        ? null
        : readFull(
            path,
            lift(raw, hash => this.#taken(hash) ?? ''),
          );
    const made = page && { page, sections: sectionLabels(page) };
    this.#pages.set(path, made);
    return made;
  }

  #at(path: SitePath): string {
    return join(this.#root, this.#onDisk.get(path) ?? path);
  }

  #start(path: SitePath, most: number): Raw | null {
    try {
      return readRaw(this.#at(path), most);
    } catch {
      return null;
    }
  }
}
