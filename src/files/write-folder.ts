import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { crc32 } from 'node:zlib';
import { editedParts } from '../core/inlay/edited.ts';
import type { Making } from '../core/inlay/inlaying.ts';
import { type Taken, lift } from '../core/inlay/lift.ts';
import { rawOf } from '../core/text/bytes.ts';
import type { Finding } from '../core/text/finding.ts';
import { readRaw } from './read.ts';
import { isOwnPath } from './own.ts';
import { attempt, Refusals, cannotRead, editedOutput, foreignOutput } from './errors.ts';
import { goneFile } from './folder-errors.ts';
import { Output } from './output.ts';
import { isAskedAgain } from './asked-again.ts';
import { glanceOf, othersOf } from './glance-of.ts';
import { fromUser, shownPath } from './paths.ts';
import { checksumOf, isAsRecorded } from './checksum.ts';
import type { FileRecord } from './record.ts';
import type { Run } from './run.ts';
import type { SiteFile } from './walk.ts';
import type { Cause, SiteWriter, Told, WriteOptions } from './writer.ts';

/** Writes the finished site into a folder of its own. */
export class FolderWriter implements SiteWriter {
  readonly findings: Finding[] = [];
  readonly #refusals = new Refusals();
  readonly #run: Run;
  readonly #options: WriteOptions;
  readonly #output: Output;
  /** What the last build made its files of. */
  readonly #before: string | null;

  constructor(run: Run, options: WriteOptions) {
    const { plan, site } = run.source;
    this.#run = run;
    this.#options = options;
    if (!options.dryRun) site.record.toWrite();
    this.#before = site.record.output(plan.output)?.basis ?? null;
    this.#output = outputOf(run, options.dryRun === true);
  }

  get written(): SiteWriter['written'] {
    const { created, changed, gone, same, menusAlone } = this.#output;
    return {
      created,
      changed,
      gone,
      same,
      menusAlone,
      why: causeOf(this.#before, this.#run.source.basis),
    };
  }

  edited(): Finding[] {
    const { site, own } = this.#run.source;
    const ours = new Set([...site.files.map(file => file.path), ...own.keys()]);
    const foreign = this.#output.foreign(ours);
    if (foreign.length > 0) return [foreignOutput(shownPath(this.#output.folder), foreign)];
    if (this.#options.overwrite) return [];
    return editedFiles(this.#run, this.#output).map(path =>
      editedOutput(shownPath(join(this.#output.folder, path))),
    );
  }

  write(told: Told): void {
    const { site, source, pageFindings } = this.#writeFiles();
    // What happened to files in this run is told once.
    const isLasting = this.findings.length + site.record.findings.length === 0;
    this.findings.push(...fromUser(pageFindings, site.root));
    const all = told(this.findings);
    const glance = isLasting ? glanceOf(this.#run, all) : null;
    const files = new Set(site.files.map(file => file.path));
    const others = othersOf(this.#run, path => files.has(path));
    this.#output.finish({ basis: source.basis, glance, others });
  }

  abandon(): void {
    this.#output.abandon();
  }

  /** A file that cannot be read or written is told, and the rest is built; but not on a disk that takes nothing more. */
  #try(path: string, write: () => void): void {
    const error = attempt(write);
    if (!error) return;
    this.#output.refuse(path);
    const isSource = error.path === this.#run.from(path);
    const told = isSource ? null : this.#refusals.of(join(this.#output.folder, path), error);
    if (isSource) this.#run.findings.push(cannotRead(path, error));
    else if (told) this.findings.push(told);
  }

  /** What moved out of the way is told first. */
  #writeFiles(): Run {
    const [run, output] = [this.#run, this.#output];
    const { site, source } = run;
    const left = new Map(
      output
        .left(new Set([...site.files.map(file => file.path), ...source.own.keys()]))
        // Asked before what is new is there.
        .map(path => [path, /\.html?$/i.test(path) ? site.facts.movedTo(path) : null] as const),
    );
    const pages = site.files.filter(({ path }) => run.isPage(path));
    output.begin(
      pages.reduce((sum, { size }) => sum + size, 0),
      this.#options.threads,
    );
    site.files.forEach((file, at) => {
      this.#options.progress?.(at, site.files.length);
      this.#try(file.path, () => {
        writeFile(file, { run, output, how: this.#options });
      });
    });
    for (const [path, bytes] of source.own)
      this.#try(path, () => {
        output.put(path, null, { bytes, checksum: crc32(bytes) });
      });
    output.settle((path, write) => {
      this.#try(path, write);
    });
    for (const [path, now] of left)
      this.#try(path, () => {
        // A picture that was packed anew has another name, and so have own files whose names say their content.
        if (isOwnPath(path) && output.discard(path)) return;
        this.findings.push(goneFile(path, output.putAside(path), now));
      });
    return run;
  }
}

/** The folder that a run writes into. */
export function outputOf({ source: { plan, site } }: Run, isDry: boolean): Output {
  return new Output(resolve(site.planFolder, plan.output), plan.output, site.record, isDry);
}

/** What of a basis is another: the version of the program comes first in it, the plan's text third. */
function causeOf(before: string | null, now: string): Cause | null {
  if (before === null || before === now) return null;
  const [old, parts] = [before.split(' '), now.split(' ')];
  if (old[2] !== parts[2]) return 'plan';
  return old[0] === parts[0] ? 'pages' : 'program';
}

interface Writing {
  run: Run;
  output: Output;
  how: Making;
}

function writeFile(file: SiteFile, { run, output, how }: Writing): void {
  const isSame = output.isUnchanged(file);
  if (!run.isPage(file.path)) {
    if (isSame) output.keep(file);
    else output.copy(file, run.from(file.path));
  } else if (isSame && output.hasBasis(run.source.basis) && !isAskedAgain(output.notesOf(file.path), how)) {
    run.noteAgain(file.path, output.notesOf(file.path));
    output.keep(file);
  } else {
    const made = run.page(file.path, how);
    output.put(file.path, file, made, there => isSamePage(there, run, file));
    output.note(file.path, run.notesOf(file.path));
  }
}

/** Whether a finished page was made of what the site has now. */
function isSamePage(there: Uint8Array, run: Run, { path }: SiteFile): boolean {
  const source = readRaw(run.from(path));
  try {
    return (
      lift(rawOf(there), hash => run.site.record.taken(hash)) ===
      lift(source, hash => run.site.record.taken(hash))
    );
  } catch {
    return false;
  }
}

/** Finished files that are neither what Kamino wrote nor what it would write now. */
export function editedFiles(run: Run, output: Output, how?: Making): string[] {
  const isNew = (file: SiteFile, there: Uint8Array): boolean =>
    equal(
      there,
      run.isPage(file.path) ? run.pageToKeep(file.path, how).bytes : readFileSync(run.from(file.path)),
    );
  const isOurs = (file: SiteFile) => (there: Uint8Array, old: FileRecord | null) =>
    isNew(file, there) ||
    (!run.isPage(file.path) && isAsRecorded(there, old?.checksum)) ||
    // Menus as Kamino wrote them around what the source says: nothing of anybody's would be lost.
    (run.isPage(file.path) && !editedParts(file.path, rawOf(there)) && isSamePage(there, run, file)) ||
    isAsWritten(there, old, {
      source: () => (isSource(file, old) ? readFileSync(run.from(file.path)) : null),
      taken: hash => run.site.record.taken(hash) ?? '',
    });
  const isOwn =
    (bytes: Uint8Array) =>
    (there: Uint8Array, old: FileRecord | null): boolean =>
      equal(there, bytes) || isAsRecorded(there, old?.checksum);
  return [
    ...run.site.files.filter(file => output.isEdited(file.path, isOurs(file))).map(file => file.path),
    ...[...run.source.own]
      .filter(([path, bytes]) => output.isEdited(path, isOwn(bytes)))
      .map(([path]) => path),
  ];
}

/** Whether a finished page is what Kamino made of its source, which has not changed, and its own part as well. */
function isAsWritten(
  there: Uint8Array,
  old: FileRecord | null,
  { source, taken }: { source: () => Uint8Array | null; taken: Taken },
): boolean {
  if (old === null || old.checksum === null) return false;
  const raw = rawOf(there);
  if (checksumOf(raw) !== old.checksum) return false;
  const bytes = source();
  return bytes !== null && lift(raw, taken) === rawOf(bytes);
}

function isSource(file: SiteFile, old: FileRecord | null): boolean {
  return old?.sourceSize === file.size && old.sourceTime === file.time;
}

function equal(one: Uint8Array, other: Uint8Array): boolean {
  return Buffer.compare(one, other) === 0;
}
