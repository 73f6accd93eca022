import { type Dirent, readdirSync, realpathSync, statSync } from 'node:fs';
import { join, relative, sep } from 'node:path';
import { joinPath } from '../core/address/path.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { isHidden, isHiddenName } from './paths.ts';

/**
 * A file of the site: its path in the site, its size in bytes, and in milliseconds the sum of the times at which its
 * content and its inode were changed: programs that copy files set the first, nobody sets the second.
 */
export interface SiteFile {
  path: string;
  size: number;
  time: number;
  /** The path of the file itself, where a link in the site leads to it. */
  real?: string;
}

export interface Walk {
  files: SiteFile[];
  findings: Finding[];
}

/**
 * Every file of a folder, in the order of its path. Not read: names that begin with a dot, `node_modules`, and what
 * `leaveOut` says (it is given paths of files and, for whole folders, paths with `/` at the end).
 */
export function walkFolder(root: string, leaveOut: (path: string) => boolean): Walk {
  const real = realpathSync(root);
  const walker = new Walker(root, real, leaveOut);
  walker.enter('', [real], null);
  walker.files.sort((one, other) => (one.path < other.path ? -1 : 1));
  return { files: walker.files, findings: walker.findings };
}

class Walker {
  readonly files: SiteFile[] = [];
  readonly findings: Finding[] = [];
  readonly #root: string;
  readonly #realRoot: string;
  readonly #leaveOut: (path: string) => boolean;

  constructor(root: string, realRoot: string, leaveOut: (path: string) => boolean) {
    this.#root = root;
    this.#realRoot = realRoot;
    this.#leaveOut = leaveOut;
  }

  /**
   * @param above the real paths of the folders that this one lies in
   * @param real the path of the folder itself, where a link led here
   */
  enter(folder: string, above: readonly string[], real: string | null): void {
    let entries: Dirent[];
    try {
      entries = readdirSync(join(this.#root, folder), { withFileTypes: true });
    } catch (error) {
      this.findings.push(unreadable(folder, error));
      return;
    }
    for (const entry of entries) {
      const { name } = entry;
      if (isHiddenName(name)) continue;
      const path = joinPath(folder, name);
      if (this.#leaveOut(path)) continue;
      const own = real === null ? null : joinPath(real, name);
      if (entry.isSymbolicLink()) this.#follow(path, above);
      else if (entry.isDirectory()) this.#folder(path, above, own);
      else if (entry.isFile()) this.#file(path, own);
    }
  }

  #folder(path: string, above: readonly string[], real: string | null): void {
    if (!this.#leaveOut(`${path}/`)) this.enter(path, above, real);
  }

  #file(path: string, real: string | null): void {
    try {
      const { size, mtimeMs, ctimeMs } = statSync(`${this.#root}/${path}`);
      this.files.push({ path, size, time: mtimeMs + ctimeMs, ...(real === null ? {} : { real }) });
    } catch (error) {
      this.findings.push(unreadable(path, error));
    }
  }

  #follow(path: string, above: readonly string[]): void {
    let real: string;
    try {
      real = realpathSync(join(this.#root, path));
    } catch {
      this.findings.push(outside(path, 'is a symbolic link to nothing'));
      return;
    }
    const inside = relative(this.#realRoot, real);
    if (inside === '..' || inside.startsWith(`..${sep}`)) {
      this.findings.push(outside(path, 'is a symbolic link out of the site'));
      return;
    }
    const own = inside.split(sep).join('/');
    if (isHidden(own)) {
      this.findings.push(outside(path, 'is a symbolic link to what is hidden'));
      return;
    }
    const there = statSync(real);
    if (there.isFile()) return this.#file(path, own);
    if (!there.isDirectory()) return;
    if (above.includes(real)) this.findings.push(outside(path, 'is a symbolic link to a folder it lies in'));
    else if (!this.#leaveOut(`${path}/`)) this.enter(path, [...above, real], own);
  }
}

function outside(path: string, what: string): Finding {
  return finding(
    'link-outside',
    { file: path },
    `this ${what}; it was left out`,
    'Put a copy in its place, or name it in `leave-out`.',
  );
}

function unreadable(path: string, error: unknown): Finding {
  const reason = error instanceof Error ? error.message : String(error);
  return finding(
    'cannot-read',
    { file: path },
    `this cannot be read (${reason})`,
    'Change its permissions, or name it in `leave-out`.',
  );
}
