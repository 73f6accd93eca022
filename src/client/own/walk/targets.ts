import type { SeenTarget } from '../../../core/walk/seen.ts';
import { allControls } from './controls.ts';
import { allLinks } from './links.ts';
import { isDrawn, labelOf, menuOf } from './points.ts';

/** WCAG 2.2, 2.5.8: the least size, and the room that makes up for it. */
const least = 24;

/** The targets of menus that can be seen, by the box that can be pressed. */
export function targets(): SeenTarget[] {
  const all = [...allLinks(), ...allControls()].filter(isDrawn);
  const boxes = all.map(one => one.getBoundingClientRect());
  return all.flatMap((element, at) => {
    const menu = menuOf(element);
    const { width, height } = boxes[at]!;
    // One that is seen only once it has the focus.
    if (menu === null || width <= 1 || height <= 1) return [];
    const isSmall = width < least || height < least;
    return [{ menu, label: labelOf(element), width, height, isSpaced: !isSmall || isSpaced(boxes, at) }];
  });
}

function isSpaced(boxes: readonly DOMRect[], at: number): boolean {
  const own = boxes[at]!;
  const [x, y] = [own.left + own.width / 2, own.top + own.height / 2];
  return boxes.every((box, other) => {
    if (other === at || box.width === 0) return true;
    const across = Math.max(box.left - x, 0, x - box.right);
    const down = Math.max(box.top - y, 0, y - box.bottom);
    return Math.hypot(across, down) >= least / 2;
  });
}
