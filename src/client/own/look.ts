// Runs in a copy of an old page: what the browser makes of the menu that is marked.
import type { ComputedLook } from '../../core/draft/computed-look.ts';
import { all, styleOf } from '../shared.ts';
import { isClear } from './clear.ts';
import { buttonOf, ground, isOver, wordsIn } from './grounds.ts';
import { homeOf } from './home.ts';
import { leave } from './leave.ts';
import { insideOf, marginsOf, placeOf, widthInMiddle } from './place.ts';
import {
  type Box,
  alignOf,
  alignOfAll,
  asRead,
  evenOf,
  isEvenly,
  itemsOf,
  moreLines,
  pushedOf,
  rowOf,
  touches,
  wordsBox,
} from './rows.ts';

/** From one row of links to the next; 0 where they stand in one row. */
function pitchOf(links: readonly Element[]): number {
  const tops = links.map(one => one.getBoundingClientRect().top);
  const steps = tops.slice(1).map((top, at) => top - tops[at]! - moreLines(links[at]!));
  const rows = steps.filter(step => step > 4).sort((one, other) => one - other);
  // Headings between them say nothing of a row.
  return rows.length * 3 >= steps.length * 2 ? (rows[rows.length >> 2] ?? 0) : 0;
}

/** Pictures and fields beside its links take room that is no gap. */
function holdsMore(menu: Element): boolean {
  return all('img, svg, input, select', menu).some(one => one.closest('a, button') === null);
}

/** Whether the entries of a row share all the room that the menu has: a width of its own, or all of what holds it. */
function isFilled(menu: Element, links: readonly Element[], row: readonly Box[]): boolean {
  const own = menu.getBoundingClientRect();
  const holder = menu.parentElement!;
  const room = holder.getBoundingClientRect().width - insideOf(holder, 'left') - insideOf(holder, 'right');
  if (own.width < room - 2 && widthInMiddle(menu) === 0) return false;
  const [left, right] = [Math.min(...row.map(box => box.left)), Math.max(...row.map(box => box.right))];
  const rest = own.width - roomOf(menu, links, 'left') - roomOf(menu, links, 'right') - (right - left);
  return Math.abs(rest) < 4 + own.width / 100;
}

/** Between the words of neighbours in one row, as it mostly is; 0 where something stands between them, or there are none. */
function apartOf(links: readonly Element[]): number {
  const boxes = links.map(one => asRead(wordsBox(one), one));
  const gaps = boxes.slice(1).flatMap((box, at) => {
    const before = boxes[at]!;
    const isBeside = box.width > 0 && Math.abs(box.top - before.top) < 4 && box.left >= before.right;
    return isBeside && !hasWordsBetween(links[at]!, links[at + 1]!) ? [box.left - before.right] : [];
  });
  gaps.sort((one, other) => one - other);
  return gaps[gaps.length >> 1] ?? 0;
}

/** The colour of lines between entries, which have one at one side; null where there are none. */
function lineOf(links: readonly Element[], isColumn: boolean): string | null {
  const [before, behind] = isColumn ? ['top', 'bottom'] : ['left', 'right'];
  const width = (one: Element, side: string): number => parseFloat(styleOf(one, `border-${side}-width`));
  const lines = links.flatMap(link => {
    const item = link.closest('li');
    const own = (item ? [link, item] : [link]).find(
      one => width(one, before!) > 0 !== width(one, behind!) > 0,
    );
    return own ? [styleOf(own, `border-${width(own, before!) > 0 ? before! : behind!}-color`)] : [];
  });
  // The first or the last one may go without.
  return lines.length >= Math.max(2, links.length - 2) ? lines[1]! : null;
}

function hasWordsBetween(one: Element, other: Element): boolean {
  const range = document.createRange();
  range.setStartAfter(one);
  range.setEndBefore(other);
  return range.toString().trim() !== '';
}

/** The room between the edge of the menu and its entries: where these stand in one row, that of boxes around them too. */
function roomOf(menu: Element, links: readonly Element[], side: string): number {
  const boxes = pitchOf(links) === 0 ? boxesAround(menu, links) : [menu];
  return boxes.reduce((sum, one) => sum + paddingOf(one, side), 0);
}

/** Of a cell without what its table gives each: the new menu stands in a cell too. */
function paddingOf(box: Element, side: string): number {
  const padding = parseFloat(styleOf(box, `padding-${side}`));
  if (!(box instanceof HTMLTableCellElement)) return padding;
  return Math.max(0, padding - (parseFloat(box.closest('table')?.cellPadding ?? '') || 1));
}

/** All that holds these links in a menu, the menu first. */
function boxesAround(menu: Element, links: readonly Element[]): Element[] {
  const boxes: Element[] = [];
  for (let one = links[0]!.parentElement!; one !== menu; one = one.parentElement!)
    if (links.every(link => one.contains(link))) boxes.unshift(one);
  return [menu, ...boxes];
}

/** The width of the menu, or of what its entries lie in, where that lies in the middle of more, and the room inside it. */
function boxOf(menu: Element, links: readonly Element[]): ComputedLook['box'] {
  // What is only as wide as its entries says nothing of the room that they have.
  const inner = boxesAround(menu, links).slice(1);
  const middle =
    inner.findLast(one => styleOf(one, 'max-width') !== 'none' && widthInMiddle(one) > 0) ?? menu;
  return {
    // The ground of the menu itself goes on to both sides of what lies in its middle.
    isRow: middle !== menu && !isClear(styleOf(menu, 'background-color')),
    width: widthInMiddle(middle),
    sides: ['left', 'right'].map(side => roomOf(middle, links, side)),
  };
}

/** The line around the menu itself, with the sides that have it; null for none, for sides that differ, and for what old tables have. */
function borderOf(menu: Element): ComputedLook['border'] {
  const sides = (['top', 'right', 'bottom', 'left'] as const).flatMap(side => {
    const [width, style, color] = ['width', 'style', 'color'].map(what =>
      styleOf(menu, `border-${side}-${what}`),
    );
    return parseFloat(width!) > 0 && /^(?:solid|dashed|dotted|double)$/.test(style!)
      ? [{ side, css: `${width} ${style}`, color: color! }]
      : [];
  });
  const [first] = sides;
  if (!first || sides.some(one => one.css !== first.css || one.color !== first.color)) return null;
  return { css: first.css, color: first.color, sides: sides.map(one => one.side) };
}

/** What the ground of all entries lies in, from the entries outwards. */
function boxWithGround(menu: Element, links: readonly Element[]): Element {
  for (let one = links[0]!.parentElement!; one !== menu; one = one.parentElement!)
    if (!isClear(styleOf(one, 'background-color')) && links.every(link => one.contains(link))) return one;
  return menu;
}

/** Its corners, where all four are alike, and its shadow. */
function shapeOf(box: Element): Pick<ComputedLook, 'corners' | 'shadow'> {
  const corners = ['top-left', 'top-right', 'bottom-right', 'bottom-left'].map(corner =>
    styleOf(box, `border-${corner}-radius`),
  );
  const shadow = styleOf(box, 'box-shadow');
  return {
    corners: corners.every(one => one === corners[0]) ? corners[0]! : '0px',
    shadow: shadow === 'none' ? null : shadow,
  };
}

/** How its entries share the row that they stand in. */
function rowLook(menu: Element, links: readonly Element[]): Pick<ComputedLook, 'align' | 'even' | 'pushed'> {
  if (holdsMore(menu)) return { align: alignOfAll(menu, links), even: null, pushed: null };
  const row = rowOf(menu, links);
  const pushed = pushedOf(row);
  const isShared = row !== null && pushed === null && isEvenly(row) && isFilled(menu, links, row);
  const align = alignOf(menu, links) ?? (pushed === null ? placeOf(menu) : null);
  return { even: evenOf(row, links), align: isShared ? 'spread' : align, pushed };
}

const isRound = (link: Element, side: string): boolean =>
  ['left', 'right'].every(end => styleOf(link, `border-${side}-${end}-radius`) !== '0px');

function lettersOf(
  text: Element,
): Pick<
  ComputedLook,
  'color' | 'fontFamily' | 'fontSize' | 'fontWeight' | 'textTransform' | 'letterSpacing'
> {
  return {
    color: styleOf(text, 'color'),
    fontFamily: styleOf(text, 'font-family'),
    fontSize: styleOf(text, 'font-size'),
    fontWeight: styleOf(text, 'font-weight'),
    textTransform: styleOf(text, 'text-transform'),
    letterSpacing: styleOf(text, 'letter-spacing'),
  };
}

function lookOf(menu: Element, links: readonly Element[], link: Element): ComputedLook {
  const text = wordsIn(link);
  const item = itemsOf(menu, links)[links.indexOf(link)]!;
  const isPadded = styleOf(link, 'padding-left') !== '0px' || styleOf(link, 'padding-top') !== '0px';
  const sides = (['top', 'right', 'bottom', 'left'] as const).map(side =>
    styleOf(isPadded ? link : item, `padding-${side}`),
  );
  const own = styleOf(link, 'background-color');
  return {
    background: ground(link),
    isOver: isOver(link),
    ...lettersOf(text),
    rootSize: styleOf(document.documentElement, 'font-size'),
    padding: sides as ComputedLook['padding'],
    room: [roomOf(menu, links, 'top'), roomOf(menu, links, 'bottom')],
    radius: styleOf(link, 'border-top-left-radius'),
    apart: holdsMore(menu) ? 0 : apartOf(links),
    touches: touches(links),
    line: lineOf(links, pitchOf(links) > 0),
    height: link.getBoundingClientRect().height,
    ...rowLook(menu, links),
    home: homeOf(links, link),
    isTabs: !isClear(own) && isRound(link, 'top') && !isRound(link, 'bottom'),
    pitch: pitchOf(links),
    box: boxOf(menu, links),
    margins: marginsOf(menu),
    border: borderOf(menu),
    ...shapeOf(boxWithGround(menu, links)),
    aroundColor: styleOf(menu.parentElement!, 'color'),
    aroundGround: ground(menu.parentElement!),
    linkBackground: isClear(own) ? null : own,
    grounds: links.map(ground),
    button: buttonOf(links, link),
    aroundFamily: styleOf(menu.parentElement!, 'font-family'),
    aroundSize: styleOf(menu.parentElement!, 'font-size'),
    pageBackground: ground(document.body),
  };
}

/** The first of those that look as most do; of as many, one without a ground of its own, which is no button. */
function usualOf(links: readonly Element[]): Element | undefined {
  const groups = new Map<string, { first: Element; count: number; isPlain: boolean }>();
  // The first one may be the page itself.
  for (const one of [...links.slice(1), ...links.slice(0, 1)]) {
    const ground = styleOf(one, 'background-color');
    const names = ['color', 'padding', 'border', 'font-weight', 'font-size'];
    const key = [ground, ...names.map(name => styleOf(one, name))].join(' ');
    const group = groups.get(key) ?? { first: one, count: 0, isPlain: isClear(ground) };
    group.count += 1;
    groups.set(key, group);
  }
  const [most] = [...groups.values()].sort(
    (one, other) => other.count - one.count || Number(other.isPlain) - Number(one.isPlain),
  );
  return most?.first;
}

addEventListener('load', () => {
  const menu = document.querySelector('[data-kamino-probe]');
  const every = menu ? all('a[href]', menu) : [];
  const seen = every.filter(one => one.getClientRects().length > 0);
  // What lies in a part that is closed looks otherwise.
  const links = seen.length > 0 ? seen : every;
  const link = usualOf(links);
  if (menu && link) leave('look', lookOf(menu, links, link));
});
