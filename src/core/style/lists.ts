import { hasHomeInMiddle, isCentredBar } from '../menu/lists.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { forms } from '../plan/forms.ts';
import { menuClass, parts } from '../markup/names.ts';
import { topEntry, topList } from './parts.ts';

const remainsIn = (entries: readonly ResolvedEntry[]): boolean => entries.some(one => one.remains);

/** Where the lists and the home of a menu stand that is not folded. */
export function wideLists(menu: ResolvedMenu): string {
  const { name, form, home, align, entries } = menu;
  const own = `.${parts.menu}.${menuClass(name)}`;
  // Where entries are spread, what stays takes no share of the room.
  const apart = entries.some(one => one.remains && (one.apart || align === 'spread'))
    ? `${own} .${parts.list}.${parts.remains} {\n  flex: none;\n  margin-inline-start: auto;\n}\n`
    : '';
  const ends = isCentredBar(menu) ? centred(own, menu, home?.at === 'start') : apart;
  if (!home || home.at === 'start' || !forms[form].isRow) return ends;
  if (!hasHomeInMiddle({ form, home }))
    return `${own} .${parts.room}::before {
  content: "";
  flex: 0 0 100%;
}
${own} .${parts.home}.${parts.home}.${parts.home} {
  order: -1;
  margin-inline: ${align === 'center' ? 'auto' : align === 'end' ? 'auto 0' : '0 auto'};
}
${ends}`;
  // Both sides are as wide as each other, so that the home stands in the middle of the bar, whatever stays at its end.
  const remaining = remainsIn(entries) && align !== 'spread' ? centred(own, menu, false) : apart;
  return `${own} :is(.${parts.before}, .${parts.after}) {
  flex: 1 1 0;
}
${own} .${parts.before} {
  order: -1;
  justify-content: ${align === 'spread' ? 'space-evenly' : 'flex-end'};
}
${own} .${parts.after} {
  justify-content: ${align === 'spread' ? 'space-evenly' : 'flex-start'};
}
${own} .${parts.home}.${parts.home}.${parts.home} {
  flex: none;
  margin-inline: 0.6em;
}
${remaining}`;
}

/**
 * In the middle of the bar, not of what its neighbours leave: these lie at its ends, and it is folded before they meet.
 * The room of a bar that folds by itself cannot be changed by its own width, what is in it can.
 */
const centred = (own: string, { fold }: ResolvedMenu, hasHome: boolean): string => {
  const atEnd = (selector: string, inline: string): string => `${selector} {
  position: absolute;
  inset-block: auto 0;
  inset-inline: ${inline};
  margin: 0;
}
`;
  return `${holder(own, fold)}${hasHome ? atEnd(`${own} .${parts.home}.${parts.home}.${parts.home}`, '0 auto') : ''}${atEnd(`${own} ${topList}.${parts.remains}`, 'auto 0')}`;
};

/** The room of a menu holds what is placed in it; where the menu folds by its own room it does so already. */
export const holder = (own: string, { when }: ResolvedMenu['fold']): string =>
  when === 'crowded' ? '' : `${own} .${parts.room} {\n  position: relative;\n}\n`;

/** A label that keeps room for a bolder one stands in it where its entry says; entries of one width, and those set apart, have it in the middle. */
export function reservedLabels(own: string, { align, widths, entries }: ResolvedMenu): string {
  if (widths === 'equal') return '';
  const line = (selector: string, at: string): string =>
    `${selector} .${parts.label} {\n  text-align: ${at};\n}\n`;
  if (align === 'center' || align === 'spread') return line(`${own} ${topEntry}`, 'center');
  const atEnd = align === 'end' ? line(`${own} ${topEntry}`, 'end') : '';
  const isAnyApart = entries.some(one => one.highlight !== null);
  return atEnd + (isAnyApart ? line(`${own} ${topEntry}.${parts.highlight}`, 'center') : '');
}

/** The same in a folded menu. */
export function narrowLists({ name, form, home, entries, fold }: ResolvedMenu): string {
  const own = `.${parts.menu}.${menuClass(name)}`;
  const middle = hasHomeInMiddle({ form, home })
    ? `${own} .${parts.list}.${parts.before} {
  padding-block-end: 0;
}
${own} .${parts.list}.${parts.after} {
  padding-block-start: var(--kamino-gap);
}
`
    : '';
  if (!remainsIn(entries)) return middle;
  return `${middle}${own} .${parts.list}.${parts.remains} {
  flex: none;
  flex-direction: row;
  padding-block: 0;
${fold.toggle.at === 'start' ? '  margin-inline-start: auto;\n' : ''}}
${own} .${parts.toggle}~.${parts.list}.${parts.remains} {
  display: flex;
}
${fold.as === 'stack' ? `${own} .${parts.toggle}~.${parts.list}:not(.${parts.remains}) {\n  order: 1;\n}\n` : ''}`;
}

/** A line below a label, as wide as the entry is without it. */
const about = `.${parts.menu} .${parts.link}:has(>.${parts.about}) {
  flex-wrap: wrap;
}
.${parts.menu} .${parts.about} {
  flex: 0 0 100%;
  inline-size: 0;
  min-inline-size: 100%;
  margin-block-start: 0.15em;
  font-size: 0.85em;
  font-weight: 400;
  letter-spacing: normal;
  text-transform: none;
}
`;

export function aboutRules(menus: readonly ResolvedMenu[]): string {
  const has = (entries: readonly ResolvedEntry[]): boolean =>
    entries.some(one => one.about !== null || has(one.entries));
  return menus.some(menu => has(menu.entries)) ? about : '';
}
