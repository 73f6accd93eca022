import { menuClass, parts } from '../markup/names.ts';
import type { ComputedLook } from './computed-look.ts';
import { type Declared, type OldElement, clearingOf, layoutOf } from './laid-out.ts';
import { rowLayoutOf } from './row-layout.ts';
import type { DraftMenu } from './types.ts';

/** How an old menu stood in the flow of its page, for the new one. */
export function flowLayoutOf(old: OldElement, name: string): Pick<DraftMenu, 'layout' | 'hasMargin'> {
  const layout = clearingOf(old, name) || rowLayoutOf(old, name);
  // What a browser gives to a list by itself says nothing.
  const isSome = layoutOf(old, name, one => (/[1-9]/.test(one.value) ? marginIn(one) : [])) !== '';
  if (!isSome || /margin/.test(layout)) return { layout };
  const declared = layoutOf(old, name, marginIn);
  // What is another in other windows is kept as it is written; what a browser computed in one would be wrong there.
  return declared.includes('@') ? { layout: layout + declared } : { layout, hasMargin: true };
}

const marginIn = (one: Declared): Declared[] => (/^margin(?:-[a-z-]+)?$/.test(one.property) ? [one] : []);

/** The room around a menu, in px, as declarations; what lies in the middle has none at its sides. */
export function marginsAs(margins: ComputedLook['margins'], rem: (px: string) => string): string {
  if (margins === null) return '';
  const [top, right, bottom, left] = margins;
  const length = (px: number): string => (px === 0 ? '0' : rem(String(px)));
  const block = top === 0 && bottom === 0 ? '' : `  margin-block: ${length(top)} ${length(bottom)};\n`;
  const sides = { left, right };
  const inline = (['left', 'right'] as const).map(side =>
    sides[side] === 0 ? '' : `  margin-${side}: ${length(sides[side])};\n`,
  );
  return block + inline.join('');
}

/** The menu with the room that its page gave the old one. */
export function withMargins(menu: DraftMenu, around: string): DraftMenu {
  if (menu.hasMargin !== true || around === '') return menu;
  const rule = `.${parts.menu}.${menuClass(menu.name)} {\n${around}}\n`;
  return { ...menu, layout: (menu.layout ?? '') + rule };
}
