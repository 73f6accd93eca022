import { existsSync, readFileSync, rmSync } from 'node:fs';
import { crc32 } from 'node:zlib';
import { findInlaid } from '../core/inlay/lift.ts';
import { type Raw, bytesOf, rawOf } from '../core/text/bytes.ts';
import { charsetOf } from '../core/text/charset.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { placeInRaw } from '../core/text/place.ts';
import { checksumOf } from '../files/pages.ts';
import type { FileRecord } from '../files/record.ts';
import { Writer } from '../files/write.ts';
import { editedStyle, unusedMenu } from './build-findings.ts';
import { inPlace, ownPaths } from './own.ts';
import { fromUser } from './paths.ts';
import type { Run } from './prepare.ts';
import { type BuildOptions, type BuildResult, ended } from './result.ts';

/**
 * Changes the pages of the site themselves. Pages edited around a menu are taken up; a page edited inside one is told
 * and left alone.
 */
export function writeInPlace(run: Run, result: BuildResult, options: BuildOptions): BuildResult {
  const { prepared, site } = run;
  const { dryRun = false, overwrite = false } = options;
  const writer = new Writer(site.root, false);
  const known = site.record.output(inPlace)?.files ?? new Map<string, FileRecord>();
  const next = new Map<string, FileRecord>();
  const settle = (
    path: string,
    made: { bytes: Uint8Array; checksum: number },
    there: Uint8Array | null,
  ): void => {
    const isSame = there !== null && Buffer.compare(there, made.bytes) === 0;
    if (isSame) result.same += 1;
    else (there === null ? result.created : result.changed).push(path);
    if (!isSame && !dryRun) writer.write(path, made.bytes);
    next.set(path, {
      sourceSize: 0,
      sourceTime: 0,
      size: made.bytes.length,
      time: 0,
      checksum: made.checksum,
    });
  };
  result.menus = run.menus();
  result.findings.push(...result.menus.filter(menu => menu.pages === 0).map(menu => unusedMenu(menu.name)));
  const pages = site.files.filter(file => run.isPage(file.path));
  pages.forEach(({ path }, at) => {
    options.progress?.(at, pages.length);
    const there = readFileSync(run.from(path));
    const old = known.get(path);
    const made = run.page(path);
    const edited = overwrite
      ? null
      : editedInside(path, { there: rawOf(there), made: rawOf(made.bytes) }, old);
    if (edited === null) return settle(path, made, there);
    result.findings.push(...fromUser([edited], site.root));
    if (old) next.set(path, old);
  });
  for (const path of ownPaths) {
    const there = existsSync(run.from(path)) ? readFileSync(run.from(path)) : null;
    const old = known.get(path);
    const text = prepared.own.get(path);
    if (text === undefined) {
      // A script that no menu needs any more.
      if (there !== null && crc32(there) === old?.checksum && !dryRun) rmSync(run.from(path));
      continue;
    }
    const made = { bytes: bytesOf(text), checksum: crc32(text) };
    const isOurs = there === null || crc32(there) === made.checksum || crc32(there) === old?.checksum;
    if (isOurs || overwrite) settle(path, made, there);
    else {
      result.findings.push(...fromUser([editedStyle(path)], site.root));
      if (old) next.set(path, old);
    }
  }
  const ofPages = run.pageFindings;
  result.findings.push(...fromUser(ofPages, site.root));
  if (!dryRun) site.record.save(inPlace, { basis: '', glance: null, files: next });
  return ended(result, result.created.length + result.changed.length > 0 ? 'built' : 'nothing-new');
}

/** Whether somebody has changed what Kamino put into a page, and where it first differs from what would be put in now. */
function editedInside(
  path: string,
  { there, made }: { there: Raw; made: Raw },
  old: FileRecord | undefined,
): Finding | null {
  const parts = findInlaid(there);
  if (parts.length === 0 || old?.checksum == null || checksumOf(there) === old.checksum) return null;
  const wanted = findInlaid(made).map(({ start, end }) => made.slice(start, end));
  if (parts.every(({ start, end }, at) => there.slice(start, end) === wanted[at])) return null;
  const at = parts.findIndex(({ start, end }, number) => there.slice(start, end) !== wanted[number]);
  const part = parts[at]!;
  const text = there.slice(part.start, part.end);
  const expected = wanted[at] ?? '';
  let same = 0;
  while (same < text.length && text[same] === expected[same]) same += 1;
  const offset = Math.min(part.start + same, part.end - 1);
  const lineEnd = there.slice(offset).search(/[\r\n]/);
  const place = placeInRaw(
    { path, raw: there, charset: charsetOf(there, 'utf-8') },
    offset,
    lineEnd < 0 ? part.end : offset + Math.max(1, lineEnd),
  );
  const line = /[^\r\n]*/.exec(expected.slice(expected.lastIndexOf('\n', same) + 1))![0].trim();
  return finding(
    'edited-inside',
    place,
    'someone has edited this menu by hand; the page was left alone',
    `Kamino would write  ${line || 'nothing here'}\nTake the edit over into the plan, or build with --overwrite to lose it.`,
  );
}
