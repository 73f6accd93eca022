import type { SeenMenu } from '../../core/check/seen.ts';
import { inlayAttribute, parts } from '../../core/markup/names.ts';
import { all, styleOf } from '../shared.ts';
import { leave } from './leave.ts';

/** Runs in a sheet of frames: reads the menus of each page, once their fonts are there. */
const shown = (one: Element): boolean => one.getClientRects().length > 0;
const nameOf = ({ localName, id, classList }: Element): string =>
  localName + (id ? `#${id}` : classList.length > 0 ? `.${classList[0]!}` : '');

function read(frame: HTMLIFrameElement): SeenMenu[] {
  const page = frame.contentDocument;
  if (!page) return [];
  return all(`nav[${inlayAttribute}]`, page).flatMap(menu => {
    const room = menu.querySelector(`.${parts.room}`);
    const list = room?.querySelector(`.${parts.list}`);
    return room && list ? [seen(menu, room, list)] : [];
  });
}

function seen(menu: HTMLElement, room: Element, list: Element): SeenMenu {
  const toggle = room.querySelector(`.${parts.toggle}`);
  const isFolded = toggle !== null && shown(toggle);
  const home = room.querySelector(`.${parts.home}`);
  const items = [...list.children].filter(shown);
  const boxes = [...(home && shown(home) ? [home] : []), ...items].map(one => one.getBoundingClientRect());
  const middles = boxes.map(box => Math.round((box.top + box.bottom) / 2));
  return {
    menu: menu.getAttribute(inlayAttribute)!,
    room: room.getBoundingClientRect().width,
    used: isFolded ? null : usedBy(room, home, items),
    isFolded,
    wraps: !isFolded && middles.some(one => one !== middles[0]),
    font: styleOf(list, 'font-family'),
    fontSize: parseFloat(styleOf(list, 'font-size')),
    clippedBy: clippedBy(menu),
    hiddenBy: hiddenBy(menu),
    under24: under(menu, 24),
    under44: under(menu, 44),
  };
}

function usedBy(room: Element, home: Element | null, items: readonly Element[]): number | null {
  const [first, last] = [items[0], items.at(-1)].map(one => one?.getBoundingClientRect());
  if (!first || !last) return null;
  const used = Math.max(last.right, first.right) - Math.min(first.left, last.left);
  if (!home || !shown(home)) return used;
  const gap = parseFloat(styleOf(room, 'column-gap')) || 0;
  const margin = parseFloat(styleOf(home, 'margin-inline-end')) || 0;
  return used + home.getBoundingClientRect().width + margin + gap;
}

/** The element around one that stays which clips what it holds. */
function clippedBy(menu: Element): string | null {
  let isStaying = false;
  for (let one: Element | null = menu; one && one !== menu.ownerDocument.body; one = one.parentElement) {
    if (isStaying && /hidden|auto|scroll/.test(styleOf(one, 'overflow-x') + styleOf(one, 'overflow-y')))
      return nameOf(one);
    isStaying ||= styleOf(one, 'position') === 'sticky';
  }
  return null;
}

/** What is hit where a submenu should be, each opened for a moment. */
function hiddenBy(menu: Element): string | null {
  const view = menu.ownerDocument.defaultView!;
  for (const opener of all<HTMLDetailsElement>(`.${parts.opener}`, menu)) {
    const sheet = opener.nextElementSibling as HTMLElement;
    if (opener.open || styleOf(sheet, 'position') !== 'absolute') continue;
    opener.open = true;
    sheet.style.transition = 'none';
    const box = sheet.getBoundingClientRect();
    const x = (box.left + box.right) / 2;
    const y = Math.min(box.bottom, view.innerHeight) - 6;
    const isSeen = shown(sheet) && x < view.innerWidth;
    const hit = isSeen ? menu.ownerDocument.elementFromPoint(x, y) : null;
    sheet.style.transition = '';
    opener.open = false;
    if (hit && !sheet.contains(hit)) return nameOf(hit);
  }
  return null;
}

/** The names of targets that are less than so many px wide or high. */
function under(menu: Element, least: number): string[] {
  return all('a,summary,button', menu)
    .filter(shown)
    .filter(one => {
      const { width, height } = one.getBoundingClientRect();
      return width < least - 0.01 || height < least - 0.01;
    })
    .map(one => one.ariaLabel ?? one.textContent.trim());
}

/** Fonts come once something is laid out in them; a late one asks for another. */
async function fontsOf({ contentDocument: page }: HTMLIFrameElement): Promise<void> {
  if (!page) return;
  for (let round = 0; round < 3; round += 1) {
    page.body.getBoundingClientRect();
    await page.fonts.ready;
    const late = [...page.fonts].filter(one => one.status === 'loading');
    await Promise.allSettled(late.map(one => one.loaded));
  }
}

addEventListener('load', () => {
  const frames = all<HTMLIFrameElement>('iframe');
  void Promise.all(frames.map(fontsOf)).then(() => {
    leave('rooms', frames.map(read));
  });
});
