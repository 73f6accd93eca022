import { existsSync, realpathSync, statSync } from 'node:fs';
import { basename, dirname, isAbsolute, join, relative, sep } from 'node:path';
import type { Finding } from '../core/text/finding.ts';
import type { Place } from '../core/text/source.ts';

const planNames = ['kamino.yaml', 'kamino.yml', 'kamino.json'];

/** The plan in a folder, whether it is there or not. */
export function planIn(folder: string): string {
  return planNames.map(name => join(folder, name)).find(existsSync) ?? join(folder, planNames[0]!);
}

/** The plan in the nearest folder above one, where there is any. */
export function planAbove(folder: string): string | null {
  const above = dirname(folder);
  if (above === folder) return null;
  const plan = planIn(above);
  return existsSync(plan) ? plan : planAbove(above);
}

/** A path as the user sees it from where they stand, with `/`. */
export function shownPath(path: string): string {
  const shown = relative(process.cwd(), path);
  return (shown === '' ? '.' : shown).split(sep).join('/');
}

/** Where the user stands, as a folder sees it. */
export function seenFrom(folder: string): string {
  return relative(folder, process.cwd()).split(sep).join('/');
}

/** Findings in files of a site, with their paths as the user sees them. */
export function fromUser(findings: readonly Finding[], root: string): Finding[] {
  const shown = shownPath(root);
  if (shown === '.') return [...findings];
  const files = new Map<string, string>();
  const moved = (place: Place): Place => {
    const file = files.get(place.file) ?? `${shown}/${place.file}`;
    files.set(place.file, file);
    return { ...place, file };
  };
  return findings.map(one => ({
    ...one,
    place: one.place && moved(one.place),
    ...(one.also ? { also: one.also.map(moved) } : {}),
  }));
}

/** The real place of a folder that may not exist yet. */
export function realPlace(path: string): string {
  if (existsSync(path)) return realpathSync(path);
  const parent = dirname(path);
  return parent === path ? path : join(realPlace(parent), basename(path));
}

/** Whether a path lies in a folder, and is not that folder itself. */
export function contains(folder: string, path: string): boolean {
  const inside = relative(folder, path);
  return inside !== '' && inside !== '..' && !inside.startsWith(`..${sep}`) && !isAbsolute(inside);
}

/** Whether there is a folder of this name. */
export function isFolder(path: string): boolean {
  return existsSync(path) && statSync(path).isDirectory();
}

/** Whether there is anything of this name. */
export function isThere(path: string): boolean {
  return existsSync(path);
}

/** Names that begin with a dot and are part of a site all the same. */
const keptDotNames = new Set(['.well-known', '.htaccess', '.nojekyll']);

/** A name that no site has: one that begins with a dot, and that of packages. */
export function isHiddenName(name: string): boolean {
  return (name.startsWith('.') && !keptDotNames.has(name)) || name === 'node_modules';
}

/** Whether a path leads to, or through, what no site is made of. */
export function isHidden(path: string): boolean {
  return path.split('/').some(isHiddenName);
}
