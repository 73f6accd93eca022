import { readFileSync, realpathSync } from 'node:fs';
import { join } from 'node:path';
import { contains, isHidden } from './paths.ts';

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
