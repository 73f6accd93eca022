import type { ComputedLook } from '../core/draft/computed-look.ts';
import { harmfulSpans } from '../core/page/harmless.ts';
import { type Span, bytesOf, splice } from '../core/text/bytes.ts';
import type { Charset } from '../core/text/charset.ts';
import { type Looking, leftIn, withBrowser } from './dump.ts';
import { type Exhibits, addressOf, show } from './showing.ts';

/** A page with a menu in it. */
export interface OldMenu {
  path: string;
  raw: string;
  charset: Charset;
  /** Where the menu’s first tag begins, and its name. */
  start: number;
  name: string;
  bodyPoint: number;
}

/**
 * The look of a menu as a browser computes it, from a copy of its page that does nothing.
 * @param file gives the style sheets, fonts and pictures of the site
 * @returns null where the browser gives none
 */
export async function computedLook(
  { browser, script }: Looking,
  menu: OldMenu,
  file: Exhibits['file'],
): Promise<ComputedLook | null> {
  const page = (path: string, nonce: string): Uint8Array | null =>
    path === menu.path ? bytesOf(probed(menu, `<script nonce="${nonce}">${script}</script>`)) : null;
  return show({ page, file }, folder =>
    withBrowser(browser, async open => {
      const markup = await open(folder + addressOf(menu.path), ['--dump-dom']);
      return leftIn(markup, 'data-kamino-look') as ComputedLook | null;
    }),
  );
}

function probed({ raw, charset, start, name, bodyPoint }: OldMenu, script: string): string {
  const own: Span[] = [
    { at: bodyPoint, text: script },
    { at: start + 1 + name.length, text: ' data-kamino-probe' },
  ];
  return splice(raw, together(harmfulSpans(raw, charset), own));
}

/** What is put in stands before what is taken out at the same place, and never within. */
function together(out: readonly Span[], own: readonly Span[]): Span[] {
  const free = own.map(one => {
    const around = out.find(({ at, drop = 0 }) => at < one.at && one.at < at + drop);
    return around ? { ...one, at: around.at } : one;
  });
  return [...free, ...out].sort((one, other) => one.at - other.at);
}
