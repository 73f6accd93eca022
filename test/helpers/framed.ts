// Built pages in frames of one window, with the states of the pointer and the keyboard as classes: a page takes
// milliseconds so, and every entry is in its state at once.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { open } from './browser.ts';

/** The states that a pointer or the keyboard brings; `now-hover` and so on stand for them. */
export const brought: Record<string, string> = {
  hover: ':hover',
  focus: ':focus-visible',
  pressed: ':active',
};

/** A built page with its style sheet in it, in which the states are classes. */
export function inOne(built: string, file: string): string {
  let css = readFileSync(join(built, 'kamino/menu.css'), 'utf8');
  for (const [name, pseudo] of Object.entries(brought)) css = css.replaceAll(pseudo, `.now-${name}`);
  return readFileSync(join(built, `${file}.html`), 'utf8')
    .replace(/<link [^>]*menu\.css[^>]*>/, `<style>${css.replaceAll('(hover.now-hover)', 'all')}</style>`)
    .replace(/<script[^>]*><\/script>/, '');
}

/** A window with a frame for each width. */
export async function openFrames(
  widths: readonly number[],
  reducedMotion: 'reduce' | 'no-preference',
): Promise<Page> {
  const tab = await open('about:blank', { reducedMotion });
  await tab.setContent(widths.map(one => `<iframe width="${one}" height="700"></iframe>`).join(''));
  return tab;
}
