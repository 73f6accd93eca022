import { readFileSync, readdirSync, rmSync, rmdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { crc32 } from 'node:zlib';
import { pathMatcher } from '../core/address/glob.ts';
import type { SitePath } from '../core/address/path.ts';
import { editedParts, foreignMark, remains } from '../core/inlay/edited.ts';
import { findInlaid } from '../core/inlay/find.ts';
import { LostRecord, keepSpans, lift, liftSpans } from '../core/inlay/lift.ts';
import { type Raw, type Span, Splicer, rawOf, splice } from '../core/text/bytes.ts';
import { charsetOf, unreadable } from '../core/text/charset.ts';
import { inlayAttribute } from '../core/markup/names.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { LostIds } from '../core/inlay/lost-ids.ts';
import { Reader, readRaw } from './read.ts';
import { ReadOnly, Refusals, attempt, editedStyle } from './errors.ts';
import { noPages } from './folder-errors.ts';
import { inPlace, isOwnContent, isOwnPath, ownPaths } from './own.ts';
import type { FileRecord, SiteRecord } from './record.ts';
import { ensureReal, isReadOnly, lookAt } from './real.ts';
import { usualRead } from './site.ts';
import type { Walk } from './walk.ts';
import { Writer } from './write.ts';

export interface LiftOptions {
  dryRun?: boolean;
  /** Leave working menus in the pages and take only Kamino's marks off. */
  keepMenus?: boolean;
  /** Lift menus too that someone has edited by hand. */
  overwrite?: boolean;
}

/** Takes what Kamino put into the pages of a folder out again. */
export class Lifter {
  /** Paths of pages that are as they were, and of files of Kamino's that are gone. */
  readonly lifted: string[] = [];
  readonly removed: string[] = [];
  /** Pages whose menus are gone, with what somebody had edited in them. */
  readonly edited: string[] = [];
  /** Pages that keep their menus. */
  readonly left: string[] = [];
  readonly findings: Finding[] = [];
  /** What the file system refused, with paths as the user sees them. */
  readonly failed: Finding[] = [];
  readonly record: SiteRecord;
  readonly #refusals = new Refusals();
  readonly #root: string;
  readonly #options: LiftOptions;
  readonly #writer: Writer;
  readonly #known: ReadonlyMap<string, FileRecord>;
  readonly #ids = new LostIds();
  readonly #reader = new Reader();
  readonly #splicer = new Splicer();

  constructor(root: string, record: SiteRecord, options: LiftOptions) {
    this.#root = root;
    this.record = record;
    this.#options = options;
    if (options.dryRun !== true) record.toWrite();
    this.#writer = new Writer(root, { isSafe: true, sweeps: true });
    this.#known = record.output(inPlace)?.files ?? new Map<string, FileRecord>();
  }

  /** @param read what counts as a page */
  site({ files, findings }: Walk, read = usualRead): void {
    this.findings.push(...findings);
    const isPage = pathMatcher([read], true);
    // A link to a page stays a link: the page that it leads to is lifted.
    const pages = files.filter(file => file.real === undefined && isPage(file.path)).map(file => file.path);
    const paths = [...pages, ...this.#former(new Set(pages))];
    if (paths.length === 0) this.failed.push(noPages(this.#root));
    for (const path of paths)
      this.#try(path, () => {
        this.#page(path);
      });
    this.#writer.settle();
    for (const path of paths)
      if (this.#ids.mayName(path))
        this.#try(path, () => {
          const raw = readRaw(this.#at(path));
          this.findings.push(...this.#ids.findings(path, this.#options.dryRun ? lift(raw, () => '') : raw));
        });
    if (!this.#options.keepMenus && this.left.length === 0)
      for (const path of [...ownPaths, ...this.#sprites()])
        this.#try(path, () => {
          this.#ownFile(path);
        });
  }

  /** Pages that were built in place, and that the plan leaves out since. */
  #former(pages: ReadonlySet<string>): string[] {
    return [...this.#known.keys()].filter(
      path => !pages.has(path) && !isOwnPath(path) && lookAt(join(this.#root, path))?.isFile(),
    );
  }

  /** What cannot be read or written is told, and the rest goes on; but not on a disk that takes nothing more. */
  #try(path: string, work: () => void): void {
    const error = attempt(work);
    if (error) this.left.push(path);
    const told = error && this.#refusals.of(join(this.#root, path), error);
    if (told) this.failed.push(told);
  }

  #page(path: SitePath): void {
    const bytes = this.#reader.read(this.#at(path));
    const raw = rawOf(bytes);
    this.#ids.look(path, raw, this.#lifted(path, raw, bytes));
  }

  /** Lifts a page, and gives what went out of it. */
  #lifted(path: string, raw: Raw, bytes: Uint8Array): readonly Span[] {
    this.findings.push(...foreignMark(path, raw));
    if (hidesMarks(raw)) return this.#leave(path, otherCharset(path));
    if (findInlaid(raw).length === 0) return [];
    const { overwrite = false, keepMenus: keeps = false } = this.#options;
    const edited = keeps ? null : editedParts(path, raw);
    if (edited && !overwrite) return this.#leave(path, edited);
    try {
      const spans = keeps ? keepSpans(raw) : liftSpans(raw, hash => this.record.taken(hash));
      this.#take(path, raw, this.#splicer.splice(bytes, spans));
      if (edited) this.findings.push(...remains(path, splice(raw, spans)));
      (edited ? this.edited : this.lifted).push(path);
      return spans;
    } catch (error) {
      if (error instanceof LostRecord) return this.#leave(path, lost(path, error));
      throw error;
    }
  }

  /** A page that keeps its menu, and needs what goes with it. */
  #leave(path: SitePath, why: Finding): [] {
    this.left.push(path);
    this.findings.push(why);
    return [];
  }

  #take(path: SitePath, raw: Raw, lifted: Uint8Array): void {
    const there = lookAt(this.#at(path));
    if (isReadOnly(there)) throw new ReadOnly(this.#at(path));
    if (!this.#options.dryRun) this.#writer.write(path, lifted, { there });
    if (!this.#options.keepMenus)
      for (const { id } of findInlaid(raw)) if (id !== null) this.#ids.gone(path, id);
  }

  /** Pictures of Kamino’s that lie beside its style sheet. */
  #sprites(): string[] {
    const folder = dirname(ownPaths[0]!);
    const there = lookAt(join(this.#root, folder))?.isDirectory() === true;
    const names = there ? readdirSync(join(this.#root, folder)).sort() : [];
    return names.map(name => `${folder}/${name}`).filter(path => isOwnPath(path) && !ownPaths.includes(path));
  }

  /** Kamino's own files go too, unless someone has edited them. */
  #ownFile(path: string): void {
    const file = join(this.#root, path);
    if (!lookAt(file)?.isFile()) return;
    const bytes = readFileSync(file);
    const known = this.#known.get(path);
    const isSprite = known !== undefined && !ownPaths.includes(path);
    if (!isOwnContent(path, bytes) && !isSprite) return;
    const isEdited = known !== undefined && crc32(bytes) !== known.checksum;
    if (isEdited && !this.#options.overwrite) {
      this.findings.push(editedStyle(path));
      return;
    }
    this.removed.push(path);
    if (this.#options.dryRun) return;
    ensureReal(this.#root, dirname(path));
    rmSync(file);
    if (readdirSync(dirname(file)).length === 0) rmdirSync(dirname(file));
  }

  #at(path: SitePath): string {
    return `${this.#root}/${path}`;
  }
}

/** A page that somebody has saved in a charset in which Kamino's marks are not seen. */
function hidesMarks(raw: Raw): boolean {
  if (!raw.includes('\0') || unreadable(raw, charsetOf(raw, null)) === null) return false;
  return raw.replaceAll('\0', '').includes(`${inlayAttribute}="`) && findInlaid(raw).length === 0;
}

function otherCharset(path: string): Finding {
  return finding(
    'unreadable-page',
    { file: path },
    'this page has a menu of Kamino’s, and its charset is UTF-16 now; the page was left alone',
    'Save the page as UTF-8, and lift again.',
  );
}

function lost(path: string, error: LostRecord): Finding {
  return finding(
    'lost-record',
    { file: path },
    `${error.message}; the page was left alone`,
    'Bring back the folder .kamino, or lift with --keep-menus.',
  );
}
