import { type Finding, finding } from '../core/text/finding.ts';
import { shownPath } from './paths.ts';

/** What went wrong with files, as findings. */
export function isFileError(error: unknown): error is NodeJS.ErrnoException {
  return error instanceof Error && typeof (error as NodeJS.ErrnoException).syscall === 'string';
}

const reasons: Readonly<Record<string, string>> = {
  EACCES: 'permission is denied',
  EPERM: 'permission is denied',
  EROFS: 'the disk is read-only',
  ENOSPC: 'the disk is full',
  EEXIST: 'there is a file where a folder should be',
  ENOTDIR: 'there is a file where a folder should be',
  EISDIR: 'there is a folder where a file should be',
};

export function cannotWrite(error: NodeJS.ErrnoException): Finding {
  const reason = reasons[error.code ?? ''] ?? error.message;
  return finding(
    'cannot-write',
    { file: shownPath(error.path ?? '.') },
    `this cannot be written: ${reason}`,
    'What was there before is still whole. Make room or permission for it, or name another `output`.',
  );
}

/** @param path of a file of the site */
export function cannotRead(path: string, error: NodeJS.ErrnoException): Finding {
  const reason = error.code === 'ENOENT' ? 'it has gone away' : error.message;
  return finding(
    'cannot-read',
    { file: path },
    `this file could not be read: ${reason}`,
    'Change its permissions, or name it in `leave-out`.',
  );
}

export function noFolder(path: string, remedy: string): Finding {
  return finding('cannot-read', { file: shownPath(path) }, 'there is no such folder', remedy);
}

export function editedOutput(file: string): Finding {
  return finding(
    'edited-output',
    { file },
    'someone has edited this finished file; nothing was written',
    'Take the edit over into the source page, or build with --overwrite to lose it.',
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

export function goneFile(path: string, aside: string | null): Finding {
  const where =
    aside === null ? 'it would be moved out of the output' : `it was moved to ${shownPath(aside)}`;
  return finding('gone-page', { file: path }, `the site no longer has this file; ${where}`);
}
