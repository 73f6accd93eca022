import { Inlayer } from '../core/inlay/inlay.ts';
import type { Inlay, Making } from '../core/inlay/inlaying.ts';
import { type Raw, type Span, Splicer } from '../core/text/bytes.ts';
import type { Finding } from '../core/text/finding.ts';
import { Checksums } from './checksum.ts';
import { Reader } from './read.ts';
import type { PageNotes } from './stored.ts';

/** A finished file, with the checksum of what Kamino put into it. */
export interface Finished {
  bytes: Uint8Array;
  checksum: number;
  /** Of a page: the file that it was made from, as it was read. */
  source?: Uint8Array;
}

/** Makes finished pages from the files of a site, one after another. */
export class PageMaker {
  readonly findings: Finding[] = [];
  /** Pages without main content for a skip link. */
  readonly lackMain: string[] = [];
  /** Pages with a menu that never folds on a phone, which lays them out as wide as a desk. */
  readonly lackViewport: string[] = [];
  /** Pages by the language that they say they are in, where Kamino's own words in them are of another. */
  readonly otherLanguages = new Map<string, string[]>();
  /** Pages by `menu holder`, where a menu that is to stay stands in an element too short for it. */
  readonly staysShort = new Map<string, string[]>();
  /** How many pages each menu was to go into, and has no place in. */
  readonly without = new Map<string, number>();
  readonly #root: string;
  readonly #inlayer: Inlayer;
  readonly #reader = new Reader();
  readonly #splicer = new Splicer();
  readonly #checksums = new Checksums();
  readonly #notes = new Map<string, PageNotes>();

  readonly #keep: (hash: string, raw: Raw) => void;

  /** @param keep stores what is taken out of a page, before that page is written */
  constructor(root: string, inlay: Inlay, keep: (hash: string, raw: Raw) => void) {
    this.#keep = keep;
    this.#root = root;
    this.#inlayer = new Inlayer(inlay);
  }

  /** A finished page, good until the next is asked for. What is found in it goes to `findings`. */
  page(path: string, how?: Making): Finished {
    const { page, spans, source } = this.inlaid(path, how);
    return { bytes: page, checksum: this.#checksums.of(spans.map(span => span.text)), source };
  }

  /** The same, with what went in and out. */
  inlaid(path: string, how?: Making): { page: Uint8Array; spans: readonly Span[]; source: Uint8Array } {
    const bytes = this.#reader.read(`${this.#root}/${path}`);
    const made = this.#inlayer.page(path, bytes, how);
    for (const { hash, raw } of made.taken) this.#keep(hash, raw);
    this.note(path, made);
    return { page: this.#splicer.splice(made.source, made.spans), spans: made.spans, source: bytes };
  }

  /** What there is to tell of a page; null for nothing. */
  notesOf(path: string): PageNotes | null {
    return this.#notes.get(path) ?? null;
  }

  /** Tells of a page that need not be made again what was told of it when it was made. */
  note(path: string, notes: PageNotes): void {
    const { findings, lacksMain, lacksViewport, otherLanguage, staysShort, without } = notes;
    const isSilent =
      findings.length + staysShort.length + without.length === 0 && !lacksMain && !lacksViewport;
    if (isSilent && otherLanguage === null) return;
    this.#notes.set(path, { findings, lacksMain, lacksViewport, otherLanguage, staysShort, without });
    this.findings.push(...findings);
    for (const name of without) this.without.set(name, (this.without.get(name) ?? 0) + 1);
    if (lacksMain) this.lackMain.push(path);
    if (lacksViewport) this.lackViewport.push(path);
    for (const { menu, holder } of staysShort) {
      const key = `${menu} ${holder}`;
      this.staysShort.set(key, [...(this.staysShort.get(key) ?? []), path]);
    }
    if (otherLanguage !== null)
      this.otherLanguages.set(otherLanguage, [...(this.otherLanguages.get(otherLanguage) ?? []), path]);
  }
}
