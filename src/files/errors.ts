import { accessSync, constants, readlinkSync } from 'node:fs';
import { dirname } from 'node:path';
import { type Finding, finding } from '../core/text/finding.ts';
import { shownPath } from './paths.ts';
import { AtWork } from './lock.ts';
import { LinkInWay, namedBy } from './real.ts';

/** What stops work on files, and is told as a finding. */
export type FileError = NodeJS.ErrnoException | LinkInWay | ReadOnly | AtWork;

export function isFileError(error: unknown): error is FileError {
  return (
    error instanceof LinkInWay ||
    error instanceof ReadOnly ||
    error instanceof AtWork ||
    (error instanceof Error && typeof (error as NodeJS.ErrnoException).syscall === 'string')
  );
}

const reasons: Readonly<Record<string, string>> = {
  ENOENT: 'it is not there',
  EACCES: 'permission is denied',
  EPERM: 'permission is denied',
  EROFS: 'the disk is read-only',
  ENOSPC: 'the disk is full',
  EDQUOT: 'the disk is full',
  EFBIG: 'it is larger than a file may be here',
  ENAMETOOLONG: 'its name is too long',
  EEXIST: 'there is a file where a folder should be',
  ENOTDIR: 'there is a file where a folder should be',
  EISDIR: 'there is a folder where a file should be',
};

function reasonOf(error: NodeJS.ErrnoException): string {
  return reasons[error.code ?? ''] ?? error.message;
}

export function cannotWrite(error: FileError): Finding {
  if (error instanceof AtWork) return atWork(error);
  if (error instanceof LinkInWay || error instanceof ReadOnly) return cannotChange(error.path, error);
  const reason = reasonOf(error);
  return finding(
    'cannot-write',
    { file: shownPath(namedBy(error.path ?? '.')) },
    `this cannot be written: ${reason}`,
    'What was there before is still whole. Make room or permission for it, or name another `output`.',
  );
}

/** A file that nobody may write, not even its owner. */
export class ReadOnly extends Error {
  readonly path: string;

  constructor(path: string) {
    super(`read-only: ${path}`);
    this.path = path;
  }
}

function atWork({ path, who }: AtWork): Finding {
  return finding(
    'at-work',
    { file: shownPath(path) },
    `${who} is at work on this plan`,
    'Wait until it is done, and try again; if nothing is, take this file away.',
  );
}

/**
 * Does work on one file, and gives what the file system refused, so that the rest goes on; null for nothing.
 * @throws {FileError} where nothing else can be written either
 */
export function attempt(work: () => void): FileError | null {
  try {
    work();
    return null;
  } catch (error) {
    if (!isFileError(error) || isHopeless(error)) throw error;
    return error;
  }
}

function isHopeless(error: FileError): boolean {
  return 'code' in error && ['ENOSPC', 'EDQUOT', 'EROFS', 'EIO'].includes(error.code ?? '');
}

/**
 * Tells of files that stay as they were. A folder in which nothing can be written is told once, and not file by file.
 */
export class Refusals {
  readonly #folders = new Set<string>();

  /** @returns null for what has been told */
  of(file: string, error: FileError): Finding | null {
    const folder = dirname(file);
    if (!isDenied(error) || isWritable(folder)) return cannotChange(file, error);
    if (this.#folders.has(folder)) return null;
    this.#folders.add(folder);
    return cannotChange(folder, error);
  }
}

function isDenied(error: FileError): boolean {
  return 'code' in error && (error.code === 'EACCES' || error.code === 'EPERM');
}

function isWritable(folder: string): boolean {
  try {
    accessSync(folder, constants.W_OK);
    return true;
  } catch {
    return false;
  }
}

/** A page, or a file of Kamino's in the site, that stays as it was. */
export function cannotChange(path: string, error: FileError): Finding {
  if (error instanceof LinkInWay) return linkInWay(error.path);
  if (error instanceof AtWork) return atWork(error);
  const reason = error instanceof ReadOnly ? 'it is read-only' : reasonOf(error);
  return finding(
    'cannot-write',
    { file: shownPath(path) },
    `this could not be changed: ${reason}; it was left alone`,
    'Change its permissions, and try again; or name it in `leave-out`.',
  );
}

/** A page of the site that is a link to a file which is none. */
export function linkToOther(path: string, real: string): Finding {
  return finding(
    'link-in-way',
    { file: path },
    `this is a link to \`${real}\`, which is no page of the site; it was left alone`,
    'Put a copy in its place, or name it in `leave-out`.',
  );
}

function linkInWay(path: string): Finding {
  let leads = '';
  try {
    leads = readlinkSync(path);
  } catch {
    // It has gone since.
  }
  return finding(
    'link-in-way',
    { file: shownPath(path) },
    `this is a link to \`${leads}\`, and nothing is written through a link`,
    'Put a folder or file of its own in its place, or name another `output`.',
  );
}

/** System calls that change something. */
const writing: ReadonlySet<string> = new Set(
  'mkdir rename write unlink rmdir rm copyfile fchmod fchown fsync ftruncate symlink'.split(' '),
);

/** What the file system refused outside of what is written page by page. */
export function fileFailure(error: FileError): Finding {
  if (!('syscall' in error) || error.syscall === undefined) return cannotWrite(error);
  if (error.syscall === 'uv_cwd')
    return finding('cannot-read', null, 'the folder where you stand is gone', 'Go to one that is there.');
  if (writing.has(error.syscall)) return cannotWrite(error);
  const reason = reasonOf(error);
  const remedy = 'Change its permissions, or name another.';
  return finding(
    'cannot-read',
    { file: shownPath(error.path ?? '.') },
    `this cannot be read: ${reason}`,
    remedy,
  );
}

/** @param path of a file of the site */
export function cannotRead(path: string, error: Error & { code?: string | undefined }): Finding {
  const reason = error.code === 'ENOENT' ? 'it has gone away' : error.message;
  return finding(
    'cannot-read',
    { file: path },
    `this file could not be read: ${reason}`,
    'Change its permissions, or name it in `leave-out`.',
  );
}

export function editedOutput(file: string): Finding {
  return finding(
    'edited-output',
    { file },
    'someone has edited this finished file; nothing was written',
    'Take it over into the source:  kamino take-back  or build with --overwrite to lose it.',
  );
}

/** Kamino's own style sheet in the site, changed by hand. */
export function editedStyle(file: string): Finding {
  return finding(
    'edited-output',
    { file },
    'someone has edited this file of Kamino’s; it was left alone',
    'Put own rules into a sheet of their own, named by `style`, or go on with --overwrite to lose them.',
  );
}

export function nameTaken(path: string): Finding {
  return finding(
    'name-taken',
    { file: path },
    'the site has a file where one of Kamino’s own goes',
    'Rename the folder `kamino` of the site.',
  );
}

/** @param some of the files in it, by name */
export function foreignOutput(folder: string, some: readonly string[]): Finding {
  const names = some.map(one => `\`${one}\``).join(', ');
  return finding(
    'foreign-output',
    { file: folder },
    `this folder holds files that are not of this site (${names}); nothing was written`,
    'Name a folder that is empty or not there yet, for example  output: built',
  );
}

/** A page that has a menu, and is no page of the plan any more. */
export function leftOut(path: string): Finding {
  return finding(
    'menu-remains',
    { file: path },
    'this page has a menu from an earlier build, and the plan leaves the page out now; it was left alone',
    'kamino lift  takes all menus out, this one too; the next build puts the others in again.',
  );
}
