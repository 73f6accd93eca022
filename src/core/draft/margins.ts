import { menuClass, parts } from '../markup/names.ts';
import type { ComputedLook } from './computed-look.ts';
import { type OldElement, clearingOf, layoutOf } from './laid-out.ts';
import { rowLayoutOf } from './row-layout.ts';
import type { DraftMenu } from './types.ts';

/** How an old menu stood in the flow of its page, for the new one. */
export function flowLayoutOf(old: OldElement, name: string): Pick<DraftMenu, 'layout' | 'hasMargin'> {
  const layout = clearingOf(old, name) || rowLayoutOf(old, name);
  return { layout, hasMargin: !/margin/.test(layout) && declaresMargin(old, name) };
}

/** Some margin of its own is not zero: what a browser gives to a list by itself says nothing. */
function declaresMargin(old: OldElement, name: string): boolean {
  const declared = layoutOf(old, name, one => (/^margin(?:-[a-z-]+)?$/.test(one.property) ? [one] : []));
  return /: [^;]*[1-9]/.test(declared.replace(/^[@.].*$/gm, ''));
}

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
