import type { SiteFile } from './walk.ts';

/** Paths by their composed form, where the disk has another. */
export function decomposed(files: readonly SiteFile[]): Map<string, string> {
  const found = new Map<string, string>();
  for (const { path } of files) {
    const composed = path.normalize('NFC');
    if (composed !== path) found.set(composed, path);
  }
  return found;
}
