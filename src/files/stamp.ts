import type { Stats } from 'node:fs';

/** Tells one state of a file from another; empty where there is none. */
export function stampOf(there: Stats | null | undefined): string {
  return there ? `${there.ino} ${there.size} ${there.mtimeMs + there.ctimeMs}` : '';
}

/** The size and time by which the files of a site are listed; zero where there is none. */
export function listedAs(there: Stats | null): { size: number; time: number } {
  return there ? { size: there.size, time: there.mtimeMs + there.ctimeMs } : { size: 0, time: 0 };
}
