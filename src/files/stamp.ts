import type { Stats } from 'node:fs';

/** Tells one state of a file from another; empty where there is none. */
export function stampOf(there: Stats | null | undefined): string {
  return there ? `${there.ino} ${there.size} ${there.mtimeMs + there.ctimeMs}` : '';
}
