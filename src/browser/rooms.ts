import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { SeenMenu } from '../core/check/seen.ts';
import { dumpPage, leftIn } from './dump.ts';

/** @returns for each page and width in the order given; null where the browser gives nothing */
export function seeMenus(
  browser: string,
  files: readonly string[],
  widths: readonly number[],
): { file: string; width: number; menus: SeenMenu[] }[] | null {
  const folder = mkdtempSync(join(tmpdir(), 'kamino-rooms-'));
  try {
    const frames = files.flatMap(file =>
      widths.map(
        width => `<iframe src="${pathToFileURL(file).href}" width="${width}" height="800"></iframe>`,
      ),
    );
    const sheet = join(folder, 'rooms.html');
    writeFileSync(
      sheet,
      `<!doctype html><meta charset="utf-8"><style>iframe{border:0}</style>${frames.join('')}<script>addEventListener('load',${script})</script>`,
    );
    const markup = dumpPage(browser, sheet, {
      profile: join(folder, 'profile'),
      size: [2400, 2400],
      time: 8000,
    });
    const seen = leftIn(markup, 'data-kamino-rooms') as SeenMenu[][] | null;
    if (seen === null) return null;
    return files.flatMap((file, at) =>
      widths.map((width, column) => ({ file, width, menus: seen[at * widths.length + column] ?? [] })),
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Runs in the sheet: reads the menus of each frame, once their fonts are there. */
const script = `function () {
  var frames = [].slice.call(document.querySelectorAll('iframe'));
  var shown = function (one) { return one.getClientRects().length > 0; };
  var nameOf = function (one) { return one.tagName.toLowerCase() + (one.id ? '#' + one.id : one.classList.length ? '.' + one.classList[0] : ''); };
  var read = function (frame) {
    var page = frame.contentDocument, view = frame.contentWindow;
    if (!page) return [];
    return [].slice.call(page.querySelectorAll('nav[data-kamino]')).map(function (menu) {
      var room = menu.querySelector('.kamino-room'), list = room && room.querySelector('.kamino-list');
      if (!list) return null;
      var toggle = room.querySelector('.kamino-toggle'), folded = !!toggle && shown(toggle);
      var home = room.querySelector('.kamino-home');
      var items = [].slice.call(list.children).filter(shown);
      var boxes = (home && shown(home) ? [home] : []).concat(items).map(function (one) { return one.getBoundingClientRect(); });
      var middles = boxes.map(function (box) { return Math.round((box.top + box.bottom) / 2); });
      var style = view.getComputedStyle(list), first = items[0] && items[0].getBoundingClientRect();
      var last = items.length ? items[items.length - 1].getBoundingClientRect() : null;
      var used = null;
      if (!folded && first && last) {
        used = Math.max(last.right, first.right) - Math.min(first.left, last.left);
        if (home && shown(home)) {
          var own = view.getComputedStyle(home);
          used += home.getBoundingClientRect().width + (parseFloat(own.marginInlineEnd) || 0) + (parseFloat(view.getComputedStyle(room).columnGap) || 0);
        }
      }
      var clippedBy = null, staying = null;
      for (var one = menu; one && one !== page.body; one = one.parentElement) {
        var box = view.getComputedStyle(one);
        if (staying && !clippedBy && /hidden|auto|scroll/.test(box.overflowX + box.overflowY)) {
          clippedBy = nameOf(one);
        }
        if (box.position === 'sticky') staying = one;
      }
      var hiddenBy = null;
      [].slice.call(menu.querySelectorAll('.kamino-opener')).forEach(function (opener) {
        var sheet = opener.nextElementSibling;
        if (hiddenBy || opener.open || view.getComputedStyle(sheet).position !== 'absolute') return;
        opener.open = true;
        sheet.style.transition = 'none';
        var box = sheet.getBoundingClientRect(), x = (box.left + box.right) / 2, y = Math.min(box.bottom, view.innerHeight) - 6;
        var hit = shown(sheet) && x < view.innerWidth && page.elementFromPoint(x, y);
        if (hit && !sheet.contains(hit)) hiddenBy = nameOf(hit);
        sheet.style.transition = '';
        opener.open = false;
      });
      var targets = [].slice.call(menu.querySelectorAll('a, summary, button')).filter(shown);
      var under = function (least) {
        return targets.filter(function (one) {
          var box = one.getBoundingClientRect();
          return box.width < least - 0.01 || box.height < least - 0.01;
        }).map(function (one) { return one.getAttribute('aria-label') || one.textContent.trim(); });
      };
      return {
        menu: menu.getAttribute('data-kamino'), room: room.getBoundingClientRect().width, used: used, isFolded: folded,
        wraps: !folded && middles.some(function (one) { return one !== middles[0]; }),
        font: style.fontFamily, fontSize: parseFloat(style.fontSize), clippedBy: clippedBy, hiddenBy: hiddenBy, under24: under(24), under44: under(44)
      };
    }).filter(Boolean);
  };
  Promise.all(frames.map(function (frame) { return frame.contentDocument ? frame.contentDocument.fonts.ready : null; })).then(function () {
    document.documentElement.setAttribute('data-kamino-rooms', encodeURIComponent(JSON.stringify(frames.map(read))));
  });
}`.replace(/\n\s*/g, ' ');
