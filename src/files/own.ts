import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Behaviour } from '../core/markup/names.ts';
import { isOwnScript, isOwnStyle, namedHash } from '../core/markup/own.ts';
import { ownPaths, ownScript, ownStyle } from './own-names.ts';

export * from './own-names.ts';

/** The name of a content. */
export const contentName = (bytes: Uint8Array): string =>
  createHash('sha1').update(bytes).digest('hex').slice(0, 10);

/** Whether a path may be one of Kamino’s own files: its sheet, its script, or a picture whose name says its content. */
export const isOwnPath = (path: string): boolean => ownPaths.includes(path) || namedHash(path) !== null;

/** Whether a file of such a path is one that Kamino wrote. */
export function isOwnContent(path: string, bytes: Buffer): boolean {
  if (path === ownStyle) return isOwnStyle(bytes.toString('latin1'));
  if (path === ownScript) return isOwnScript(bytes.toString('latin1'));
  return namedHash(path) === contentName(bytes);
}

/** Where one of Kamino's own files lies. @param hashes its name says its content */
export function ownPath(path: string, bytes: Uint8Array, hashes: boolean): string {
  return hashes ? path.replace(/\.(\w+)$/, `-${contentName(bytes)}.$1`) : path;
}

/** Whether a path is that of Kamino's style sheet, or script, under either name. */
export const isOwnKind = (path: string, kind: 'css' | 'js'): boolean =>
  path.startsWith('kamino/menu') && path.endsWith(`.${kind}`) && isOwnPath(path);

let built: Record<string, string> | null = null;

/** All that was built to run in browsers, by name. */
function inBrowsers(): Record<string, string> {
  built ??= JSON.parse(readFileSync(new URL('./client.json', import.meta.url), 'utf8')) as Record<
    string,
    string
  >;
  return built;
}

/** The script for what menus do in a browser; null where they do nothing there. */
export function scriptOf(behaviours: readonly Behaviour[]): string | null {
  return behaviours.length === 0 ? null : inBrowsers()[behaviours.join(' ')]!;
}

/** A script of Kamino's own pages, and of its looking at others. */
export function ownScriptOf(
  name: 'live' | 'widths' | 'controls' | 'rooms' | 'look' | 'height' | 'walk' | 'here',
): string {
  return inBrowsers()[`own/${name}`]!;
}
