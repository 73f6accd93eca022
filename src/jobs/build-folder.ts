import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { crc32 } from 'node:zlib';
import { type Taken, lift } from '../core/inlay/lift.ts';
import { bytesOf, rawOf } from '../core/text/bytes.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import type { Output } from '../files/output.ts';
import { checksumOf } from '../files/pages.ts';
import type { FileRecord } from '../files/record.ts';
import type { SiteFile } from '../files/walk.ts';
import { cannotRead, editedOutput, isFileError, unusedMenu } from './build-findings.ts';
import { fromUser, shownPath } from './paths.ts';
import type { Run } from './prepare.ts';
import { type BuildOptions, type BuildResult, ended, stopped } from './result.ts';

/** Writes the finished site into a folder of its own. */
export function writeFolder(
  run: Run,
  output: Output,
  result: BuildResult,
  options: BuildOptions,
): BuildResult {
  const { prepared, site } = run;
  result.menus = run.menus();
  result.findings.push(...result.menus.filter(menu => menu.pages === 0).map(menu => unusedMenu(menu.name)));
  const left = output.left(new Set([...site.files.map(file => file.path), ...prepared.own.keys()]));
  const edited = options.overwrite ? [] : findEdited(run, output);
  if (edited.length > 0) {
    const findings = edited.map(path => editedOutput(shownPath(join(output.folder, path))));
    return stopped(result, [...result.findings, ...findings], 1);
  }
  output.begin();
  site.files.forEach((file, at) => {
    options.progress?.(at, site.files.length);
    tryFile(run, output, file);
  });
  for (const [path, text] of prepared.own)
    output.put(path, null, { bytes: bytesOf(text), checksum: crc32(text) });
  for (const path of left) {
    const aside = output.putAside(path);
    result.findings.push(goneFile(path, aside));
  }
  const ofPages = fromUser(run.pageFindings, site.root);
  result.findings.push(...ofPages);
  // Pages that have findings are made again the next time, so that these are told again.
  output.finish(
    ofPages.length > 0 ? '' : prepared.basis,
    result.findings.length > 0 ? null : run.glance(result),
  );
  const { created, changed, gone, same } = output;
  const isNew = created.length + changed.length + gone.length > 0;
  return { ...ended(result, isNew ? 'built' : 'nothing-new'), created, changed, gone, same };
}

function writeFile(run: Run, output: Output, file: SiteFile): void {
  const isSame = output.isUnchanged(file);
  if (!run.isPage(file.path)) {
    if (isSame) output.keep(file);
    else output.copy(file, run.from(file.path));
  } else if (isSame && output.hasBasis(run.prepared.basis)) output.keep(file);
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
function findEdited(run: Run, output: Output): string[] {
  const { files } = run.site;
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
    ...files.filter(file => output.isEdited(file.path, isOurs(file))).map(file => file.path),
    ...[...run.prepared.own]
      .filter(([path, text]) => output.isEdited(path, isOwn(text)))
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

function goneFile(path: string, aside: string | null): Finding {
  const where =
    aside === null ? 'it would be moved out of the output' : `it was moved to ${shownPath(aside)}`;
  return finding('gone-page', { file: path }, `the site no longer has this file; ${where}`);
}
