import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Change, changesOf } from '../core/edit/changes.ts';
import { editedParts } from '../core/inlay/edited.ts';
import { unreadablePage } from '../core/inlay/findings.ts';
import { lift } from '../core/inlay/lift.ts';
import { bytesOf, rawOf } from '../core/text/bytes.ts';
import { charsetOf, unreadable } from '../core/text/charset.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { isOwnPath } from './own.ts';
import { lookAt } from './real.ts';
import type { Run } from './run.ts';
import { listSite } from './site.ts';
import { Writer } from './write.ts';
import { editedFiles, outputOf } from './write-folder.ts';

/** A finished file that somebody has edited, or made, as it would be in the site. */
export interface TakenBack {
  path: string;
  kind: 'edited' | 'new';
  /** What is another in its source; null for what is no text. */
  changes: Change[] | null;
  bytes: Uint8Array;
  /** The source has changed too since it was built. */
  isBoth: boolean;
}

/** What somebody did in the finished site, and why some of it cannot be taken back. */
export interface Edits {
  files: TakenBack[];
  findings: Finding[];
}

/** Finds what somebody edited in the finished files, or put among them. */
export function editsIn(run: Run): Edits {
  const found: Edits = { files: [], findings: [] };
  const output = outputOf(run, true);
  const known = run.site.record.output(run.source.plan.output);
  if (!lookAt(output.folder)) return found;
  const sizes = new Map(run.site.files.map(file => [file.path, file]));
  for (const path of editedFiles(run, output, { overwrite: true })) {
    // A link may lead anywhere: what is behind it is nobody's edit.
    if (!lookAt(join(output.folder, path))?.isFile()) continue;
    if (isOwnPath(path)) found.findings.push(ownEdited(path));
    else {
      const row = known?.files.get(path);
      const source = sizes.get(path);
      const isBoth = row === undefined || row.sourceSize !== source?.size || row.sourceTime !== source.time;
      take(run, output.folder, { path, kind: 'edited', isBoth }, found);
    }
  }
  const ours = new Set([...sizes.keys(), ...(known?.files.keys() ?? []), ...run.source.own.keys()]);
  const { site, plan } = run.source;
  const place = { root: output.folder, plan: join(site.planFolder, 'kamino.yaml'), record: site.record };
  // A page that the site had, and has no more, is none that somebody made.
  for (const { path } of listSite({ ...place, output: plan.output }).files)
    if (!ours.has(path)) take(run, output.folder, { path, kind: 'new', isBoth: false }, found);
  return found;
}

function take(
  run: Run,
  folder: string,
  one: Pick<TakenBack, 'path' | 'kind' | 'isBoth'>,
  found: Edits,
): void {
  const bytes = readFileSync(join(folder, one.path));
  const isPage = /\.html?$/i.test(one.path);
  const back = isPage ? lifted(run, one.path, bytes, found) : bytes;
  if (back === null) return;
  const before = one.kind === 'new' ? Buffer.alloc(0) : readFileSync(run.from(one.path));
  if (one.kind === 'edited' && Buffer.compare(before, back) === 0) return;
  const isText = isPage || /\.(?:css|js|txt|svg|xml|json|md)$/i.test(one.path);
  const changes = isText ? changesOf(before.toString('utf8'), Buffer.from(back).toString('utf8')) : null;
  found.files.push({ ...one, changes, bytes: back });
}

/** The page without its menus; null where these cannot be taken out. */
function lifted(run: Run, path: string, bytes: Uint8Array, found: Edits): Uint8Array | null {
  const raw = rawOf(bytes);
  const why = unreadable(raw, charsetOf(raw, null));
  if (why !== null) {
    found.findings.push(unreadablePage(path, why));
    return null;
  }
  if (editedParts(path, raw)) found.findings.push(menuEdited(path));
  try {
    return bytesOf(lift(raw, hash => run.site.record.taken(hash)));
  } catch {
    found.findings.push(cannotLift(path));
    return null;
  }
}

/** Writes what was taken back into the site; what was there before is kept. */
export function writeBack(run: Run, files: readonly TakenBack[]): void {
  const writer = new Writer(run.site.root, { isSafe: true });
  for (const { path, kind, bytes } of files) {
    if (kind === 'edited') run.site.record.keepSource(path, readFileSync(run.from(path)));
    writer.write(path, bytes);
  }
  writer.settle();
}

function ownEdited(path: string): Finding {
  return finding(
    'not-taken-back',
    { file: path },
    'someone has edited this file, and it is one of Kamino’s own: it has no source',
    'Write your rules into a style sheet of your own, and name it in the plan:  style: css/nav.css',
  );
}

function menuEdited(path: string): Finding {
  return finding(
    'not-taken-back',
    { file: path },
    'someone has edited a menu in this page: the page is taken back without that',
    'What is to be another in a menu is said in the plan.',
  );
}

function cannotLift(path: string): Finding {
  return finding(
    'lost-record',
    { file: path },
    'what a menu stands in place of is not known any more; the page was left alone',
    'Bring back the folder .kamino.',
  );
}

export function bothChanged(path: string): Finding {
  return finding(
    'both-changed',
    { file: path },
    'someone has edited the finished page, and its source has changed since it was built: the source was left alone',
    'Bring the two together by hand; or take the finished one:  kamino take-back --overwrite',
  );
}
