import { readFileSync } from 'node:fs';
import type { Behaviour } from '../core/markup/names.ts';
import { isOwnScript, isOwnStyle } from '../core/markup/own.ts';

/** Kamino's own style sheet and script, in the output or the site. */
export const ownStyle = 'kamino/menu.css';
export const ownScript = 'kamino/menu.js';
export const ownPaths = [ownStyle, ownScript];

/** Where `kamino specimen` writes to by itself. */
export const specimenFile = 'specimen.html';

/** Whether a text is one that Kamino wrote for such a file. */
export function isOwnText(path: string, text: string): boolean {
  return path === ownStyle ? isOwnStyle(text) : path === ownScript && isOwnScript(text);
}

/** What the plan says as `output` where the pages themselves are changed. */
export const inPlace = 'in-place';

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
export function ownScriptOf(name: 'live' | 'widths' | 'controls' | 'rooms' | 'look' | 'height'): string {
  return inBrowsers()[`own/${name}`]!;
}
