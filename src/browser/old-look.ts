import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { ComputedLook } from '../core/draft/old-look.ts';
import { splice } from '../core/text/bytes.ts';
import { dumpPage, leftIn } from './dump.ts';

/**
 * The look of a menu as a browser computes it, from a copy of its page in a temporary folder.
 * @param raw the page, and `start` the byte offset of the menu's first tag in it
 * @returns null where the browser gives none
 */
export function computedLook(
  browser: string,
  { file, raw }: { file: string; raw: string },
  {
    start,
    name,
    headPoint,
    bodyPoint,
  }: { start: number; name: string; headPoint: number; bodyPoint: number },
): ComputedLook | null {
  const folder = mkdtempSync(join(tmpdir(), 'kamino-look-'));
  try {
    const spans = [
      { at: headPoint, text: `<base href="${pathToFileURL(dirname(file)).href}/">` },
      { at: bodyPoint, text: `<script>addEventListener('load',${script});</script>` },
      { at: start + 1 + name.length, text: ' data-kamino-probe' },
    ];
    const copy = join(folder, 'page.html');
    writeFileSync(
      copy,
      splice(
        raw,
        spans.sort((one, other) => one.at - other.at),
      ),
      'latin1',
    );
    const markup = dumpPage(browser, copy, { profile: join(folder, 'profile') });
    return leftIn(markup, 'data-kamino-look') as ComputedLook | null;
  } catch {
    return null;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Runs in the page. */
const script = `function () {
  var menu = document.querySelector('[data-kamino-probe]');
  var links = menu ? [].slice.call(menu.querySelectorAll('a[href]')) : [];
  var link = links[1] || links[0];
  if (!link) return;
  var clear = function (color) { return color === 'transparent' || /, 0\\)$/.test(color); };
  var ground = function (from) {
    for (var one = from; one; one = one.parentElement) {
      var color = getComputedStyle(one).backgroundColor;
      if (!clear(color)) return color;
    }
    return null;
  };
  // The innermost element with words has the colour that is seen.
  var words = link;
  while (words.children.length === 1 && words.textContent.trim() === words.children[0].textContent.trim()) words = words.children[0];
  var style = getComputedStyle(link), text = getComputedStyle(words);
  var item = link.closest('li, td') || link;
  var padded = style.paddingLeft !== '0px' || style.paddingTop !== '0px' ? link : item;
  var padding = getComputedStyle(padded);
  var grounds = links.map(ground), box = getComputedStyle(menu);
  var look = {
    background: ground(link), color: text.color, fontFamily: text.fontFamily, fontSize: text.fontSize,
    fontWeight: text.fontWeight, rootSize: getComputedStyle(document.documentElement).fontSize,
    padding: [padding.paddingTop, padding.paddingRight, padding.paddingBottom, padding.paddingLeft],
    room: [box.paddingTop, box.paddingBottom], radius: style.borderTopLeftRadius, linkBackground: clear(style.backgroundColor) ? null : style.backgroundColor,
    grounds: grounds, pageFamily: getComputedStyle(document.body).fontFamily, pageBackground: ground(document.body)
  };
  document.documentElement.setAttribute('data-kamino-look', encodeURIComponent(JSON.stringify(look)));
}`
  .replace(/\n\s*/g, ' ')
  .replace(/\/\/ The innermost[^.]*\. /, '');
