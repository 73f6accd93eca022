import { hash } from 'node:crypto';
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

/** What pages are asked that a build goes by; `whole` for whatever may depend on all of a page. */
export type Question =
  'words' | 'heading' | 'sections' | 'headings' | 'date' | 'language' | 'viewport' | 'whole';

/** The answers to what a page was asked, by question. */
export type Answers = ReadonlyMap<Question, string>;

/** Of longer answers the hash is kept. */
const mostKept = 100;

/** A title stands near the start of a page. */
const headBytes = 64 * 1024;

/** What is in the pages and files of a site, read when it is asked for; each page once. */
export class SiteContents implements Contents, PageFiles {
  readonly #root: string;
  readonly #onDisk: ReadonlyMap<SitePath, string>;
  readonly #pages = new Map<SitePath, { page: FullPage; sections: ReadonlyMap<string, string> } | null>();

  readonly #files: ReadonlySet<string>;
  readonly #taken: Taken;
  readonly #asked = new Map<SitePath, Map<Question, string>>();

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

  sections = (path: SitePath): ReadonlyMap<string, string> => {
    const sections = this.#read(path)?.sections ?? new Map<string, string>();
    this.#told(path, 'sections', [...sections]);
    return sections;
  };

  headings = (path: SitePath): ReturnType<SiteFacts['headings']> => {
    const found = this.#read(path);
    const headings = found ? sectionHeadings(found.page) : [];
    // Where an id would go matters where there is none.
    this.#told(
      path,
      'headings',
      headings.map(one => [one.level, one.text, one.id ?? one.insert, one.isContent]),
    );
    return headings;
  };

  language = (path: SitePath): string | null => {
    const raw = this.#start(path, headBytes);
    return this.#told(path, 'language', raw === null ? null : readFrame(path, raw, nothingWanted).language);
  };

  date = (path: SitePath): string | null => this.#told(path, 'date', this.#read(path)?.page.date ?? null);

  picture = (file: SitePath): ReturnType<SiteFacts['picture']> => pictureSize(this.#whole(file));

  size = (file: SitePath): number => statSync(this.#whole(file)).size;

  text = (file: SitePath): string | null => {
    this.#whole(file);
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
      return readFileSync(this.#whole(file), 'utf8');
    } catch {
      return null;
    }
  };

  /** A page as it is on the disk; null where it cannot be read. */
  raw = (page: SitePath): Raw | null => {
    this.#whole(page);
    return this.#start(page, Infinity);
  };

  /** Whether a page tells phones how wide to lay it out; of one that cannot be read nothing is said. */
  hasViewport = (path: SitePath): boolean => {
    const raw = this.#start(path, headBytes);
    const has = raw === null || readFrame(path, raw, { ...nothingWanted, end: true }).hasViewport;
    return this.#told(path, 'viewport', has);
  };

  /** Its title, and its first heading where that is wanted. */
  words(path: SitePath, hasHeading: boolean): PageWords | null {
    const raw = this.#start(path, hasHeading ? Infinity : headBytes);
    const wanted = { ...nothingWanted, heading: hasHeading, wordsOnly: true };
    const frame = raw === null ? null : readFrame(path, raw, wanted);
    const words = frame && { title: frame.title, heading: frame.heading };
    return this.#told(path, hasHeading ? 'heading' : 'words', words);
  }

  /** What was asked of files so far, and what they answered: as long as they answer the same, so do they all. */
  get asked(): ReadonlyMap<SitePath, Answers> {
    return this.#asked;
  }

  /** Whether a page that was written anew answers what it did before. */
  answers(path: SitePath, before: Answers): boolean {
    return [...before].every(([question, answer]) => {
      if (question === 'whole') return false;
      this.#ask(path, question);
      return this.#asked.get(path)?.get(question) === answer;
    });
  }

  #ask(path: SitePath, question: Exclude<Question, 'whole'>): void {
    if (question === 'words' || question === 'heading') this.words(path, question === 'heading');
    else if (question === 'viewport') this.hasViewport(path);
    else this[question](path);
  }

  #told<Answer>(path: SitePath, question: Question, answer: Answer): Answer {
    const told = this.#asked.get(path) ?? new Map<Question, string>();
    const text = JSON.stringify(answer);
    this.#asked.set(path, told.set(question, text.length > mostKept ? hash('sha1', text) : text));
    return answer;
  }

  /** Where a file is of which all may matter. */
  #whole(file: SitePath): string {
    this.#told(file, 'whole', '');
    return this.#at(file);
  }

  #read(path: SitePath): { page: FullPage; sections: ReadonlyMap<string, string> } | null {
    const kept = this.#pages.get(path);
    if (kept !== undefined) return kept;
    const raw = this.#start(path, Infinity);
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
