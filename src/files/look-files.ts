import { existsSync, readFileSync, realpathSync } from 'node:fs';
import { join } from 'node:path';
import { contains, isHidden } from './paths.ts';

/** Files of a folder, by their paths; null where not all of them are there. */
export function bytesIn(root: string, paths: readonly string[]): Map<string, Uint8Array> | null {
  const files = paths.map(path => [path, join(root, path)] as const);
  if (!files.every(([, file]) => existsSync(file))) return null;
  return new Map(files.map(([path, file]) => [path, readFileSync(file)]));
}

/** Gives files of a folder by their paths, for a page to be seen with; nothing that is hidden, or lies outside in truth. */
export function lookIn(root: string): (path: string) => Uint8Array | null {
  return path => {
    if (isHidden(path) || path.includes('\0')) return null;
    try {
      const [base, real] = [realpathSync(root), realpathSync(join(root, path))];
      return contains(base, real) && !isHidden(real.slice(base.length + 1)) ? readFileSync(real) : null;
    } catch {
      return null;
    }
  };
}
