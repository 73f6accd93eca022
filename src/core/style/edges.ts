import { usualAir } from '../look/edges.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { menuClass, parts } from '../markup/names.ts';
import { topEntry, topList } from './parts.ts';
import { sizeContainer } from './room.ts';

/** The labels of a bar keep away from the edges of the window, where what the bar lies in does not do so already. */
export const airRules = (name: string): string => `.${parts.menu}.${menuClass(name)} {
  padding-inline: max(0px, ${usualAir}rem - var(--kamino-mark-inline) - (100vw - 100%) / 2);
}
`;

/** How far the room of a menu is from the edges of the window, where it is in the middle of it. */
const away = '(100vw - 100cqi) / 2';

/** Half of a scroll bar that takes room of its own, which `100vw` counts with it. */
const halfBar = '7.5px';

/** The text of the page begins so near to the edge of the window that labels keep away from it. */
const touches = `(${halfBar} + 0.25px - ${away}) * 999`;

/**
 * Labels at one line with the text of the page: the boxes around them reach out by what is before them, and no further
 * than the window goes. A container cannot be changed by its own width: this holds for a bar with room and a folded one. In
 * boxes of which nothing is seen a menu is as wide as they are, and its room may be one.
 */
export const lineSettings = (
  menu: ResolvedMenu,
  holder: string,
): string => `${ownOf(menu, holder)}>.${parts.room} {
  --kamino-side: var(--kamino-mark-inline);
  --kamino-line: min(var(--kamino-side), max(8px, ${away} - ${halfBar}, ${touches}));
  --kamino-out: max(-1 * var(--kamino-line), min(0px, ${touches}));
${menu.fold.when === 'crowded' ? '' : sizeContainer(menu.name)}}
`;

/** @param end what follows them */
const boxes = (selector: string, end: string): string => `${selector} {
  --kamino-mark-inline: var(--kamino-line);
  margin-inline: var(--kamino-out) ${end};
  padding-inline: var(--kamino-line);
}
`;

/** The same of what goes on in another box. @param reaches it does so by itself */
const starts = (selector: string, reaches = true): string => `${selector} {
  --kamino-mark-inline: var(--kamino-line);
${reaches ? '  margin-inline-start: var(--kamino-out);\n' : ''}  padding-inline-start: var(--kamino-line);
}
`;

/** What of a bar begins at the line. */
const ownOf = ({ name }: ResolvedMenu, holder: string): string =>
  `${holder}>.${parts.menu}.${menuClass(name)}`;
const homeAt = (own: string): string => `${own} .${parts.home}.${parts.home}`;

/** A bar that has room. */
export function wideLine(menu: ResolvedMenu, holder: string): string {
  const own = ownOf(menu, holder);
  const first = `${own} ${topEntry}:first-child>`;
  const alone = `${first}.${parts.link}:not(:has(+*)),${first}.${parts.opener}>summary.${parts.link}`;
  if (menu.home !== null) return boxes(homeAt(own), '0.6em');
  return `${boxes(alone, 'calc(var(--kamino-side) - var(--kamino-line))')}${starts(`${first}.${parts.link}:has(+*)`)}`;
}

/** A folded bar. */
export function narrowLine(menu: ResolvedMenu, holder: string): string {
  const own = ownOf(menu, holder);
  const { at } = menu.fold.toggle;
  const first = at === 'start' ? `${own} .${parts.toggle}>*` : menu.home ? homeAt(own) : null;
  const rows = `${own} ${topList} .${parts.link}`;
  return `${first === null ? '' : boxes(first, '0')}${
    menu.fold.as === 'stack'
      ? `${own} ${topList} {
  flex-grow: 1;
  margin-inline-start: var(--kamino-out);
}
${starts(rows, false)}`
      : ''
  }`;
}
