import { readFileSync } from 'node:fs';
import { crc32 } from 'node:zlib';
import { type Taken, lift } from '../core/inlay/lift.ts';
import { bytesOf, rawOf } from '../core/text/bytes.ts';
import type { Finding } from '../core/text/finding.ts';
import { cannotRead, goneFile, isFileError } from './errors.ts';
import type { Output } from './output.ts';
import { checksumOf } from './pages.ts';
import type { FileRecord } from './record.ts';
import type { Run } from './run.ts';
import type { SiteFile } from './walk.ts';

/** Writes the finished site into a folder of its own; gives what moved out of the way. */
export function writeFolder(
  run: Run,
  output: Output,
  progress: (done: number, all: number) => void,
): Finding[] {
  const { site, source } = run;
  const left = output.left(new Set([...site.files.map(file => file.path), ...source.own.keys()]));
  output.begin();
  site.files.forEach((file, at) => {
    progress(at, site.files.length);
    tryFile(run, output, file);
  });
  for (const [path, text] of source.own)
    output.put(path, null, { bytes: bytesOf(text), checksum: crc32(text) });
  return left.map(path => goneFile(path, output.putAside(path)));
}

function writeFile(run: Run, output: Output, file: SiteFile): void {
  const isSame = output.isUnchanged(file);
  if (!run.isPage(file.path)) {
    if (isSame) output.keep(file);
    else output.copy(file, run.from(file.path));
  } else if (isSame && output.hasBasis(run.source.basis)) output.keep(file);
  else output.put(file.path, file, run.page(file.path));
}

/** A file of the site that cannot be read is told, and the rest is built. */
function tryFile(run: Run, output: Output, file: SiteFile): void {
  try {
    writeFile(run, output, file);
  } catch (error) {
    if (!isFileError(error) || error.path !== run.from(file.path)) throw error;
    run.findings.push(cannotRead(file.path, error));
  }
}

/** Finished files that are neither what Kamino wrote nor what it would write now. */
export function editedFiles(run: Run, output: Output): string[] {
  const isNew = (file: SiteFile, there: Uint8Array): boolean =>
    equal(there, run.isPage(file.path) ? run.pageToKeep(file.path).bytes : readFileSync(run.from(file.path)));
  const isOurs = (file: SiteFile) => (there: Uint8Array, old: FileRecord | null) =>
    isNew(file, there) ||
    isAsWritten(there, old, {
      source: () => (isSource(file, old) ? readFileSync(run.from(file.path)) : null),
      taken: hash => run.site.record.taken(hash) ?? '',
    });
  const isOwn =
    (text: string) =>
    (there: Uint8Array, old: FileRecord | null): boolean =>
      equal(there, bytesOf(text)) || old?.checksum === crc32(there);
  return [
    ...run.site.files.filter(file => output.isEdited(file.path, isOurs(file))).map(file => file.path),
    ...[...run.source.own].filter(([path, text]) => output.isEdited(path, isOwn(text))).map(([path]) => path),
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
