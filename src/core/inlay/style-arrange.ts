import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { menuClass, parts } from './names.ts';

const line = 'color-mix(in srgb, currentcolor 32%, transparent)';
const top = `.${parts.list} > .${parts.entry}`;

/** The current tab is open to what lies below; a line runs under all others, and on to the end of the row. */
export const tabs = `.${parts.tabs} .${parts.room} {
  align-items: stretch;
  gap: 0;
}
.${parts.tabs} .${parts.room} > .${parts.home} {
  margin: 0 0 -1px;
  border-end-start-radius: 0;
  border-end-end-radius: 0;
}
.${parts.tabs} .${parts.room} > .${parts.list} {
  flex: 1 1 auto;
  gap: 0;
  align-items: stretch;
}
.${parts.tabs} .${parts.room} > .${parts.list}:not(:has(> .${parts.apart}))::after {
  content: "";
  flex: 1 1 0;
  box-shadow: inset 0 -1px ${line};
}
.${parts.menu}.${parts.tabs} .${parts.entry}.${parts.apart} {
  flex: 1 1 auto;
  justify-content: flex-end;
  margin: 0;
}
.${parts.tabs} .${parts.room} > ${top},
.${parts.tabs} .${parts.room} > .${parts.home} {
  box-shadow: inset 0 -1px ${line};
}
.${parts.tabs} .${parts.room} > ${top} > .${parts.link} {
  border-end-start-radius: 0;
  border-end-end-radius: 0;
}
.${parts.tabs} .${parts.room} > ${top}:has(> [aria-current]),
.${parts.tabs} .${parts.room} > .${parts.list} > .${parts.within} {
  border: 1px solid ${line};
  border-block-end: 0;
  border-start-start-radius: var(--kamino-radius);
  border-start-end-radius: var(--kamino-radius);
  margin: -1px -1px 0;
  padding-inline: 0;
  box-shadow: none;
}
.${parts.menu}.${parts.tabs} .${parts.room} > ${top} > .${parts.link}.${parts.link}::after {
  inset-block: 0 auto;
  inset-inline: 0;
  block-size: 0.18em;
}
`;

const equal = (menu: string): string => `${menu} .${parts.room} > .${parts.list} {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
}
${menu} .${parts.room} > ${top} > .${parts.link} {
  flex: 1 1 auto;
  justify-content: center;
  text-align: center;
}
`;

/** Between entries, in the middle of the gap; never after the last. */
const separated = (menu: string): string => `${menu} .${parts.room} > ${top} + .${parts.entry}::before {
  content: "";
  position: absolute;
  inset-block: 0.6em;
  inset-inline-start: calc(var(--kamino-gap) / -2);
  border-inline-start: 1px solid ${line};
  pointer-events: none;
}
`;

const separatedBelow = (menu: string): string => `${menu} .${parts.room} > ${top} + .${parts.entry}::before {
  content: "";
  position: absolute;
  inset-block-start: calc(var(--kamino-gap) / -2);
  inset-inline: var(--kamino-mark-inline);
  border-block-start: 1px solid ${line};
  pointer-events: none;
}
`;

const apart = `.${parts.bar} .${parts.room}:has(> .${parts.list} > .${parts.apart}) > .${parts.list} {
  flex: 1 1 auto;
}
.${parts.bar} .${parts.entry}.${parts.apart} {
  margin-inline-start: auto;
}
.${parts.column} .${parts.entry}.${parts.apart} {
  margin-block-start: 1em;
}
`;

const icon = `.${parts.menu} .${parts.icon} {
  flex: none;
  inline-size: 1.25em;
  block-size: 1.25em;
  margin: 0;
  margin-inline-end: 0.5em;
  overflow: visible;
  color: var(--kamino-icon-now, currentcolor);
}
.${parts.menu} .${parts.icon}.${parts.iconEnd} {
  margin-inline: 0.5em 0;
}
.${parts.menu} .${parts.icon}:has(+ .${parts.unseen}) {
  margin: 0;
}
`;

const mark = `.${parts.menu} .${parts.mark} {
  flex: none;
  inline-size: auto;
  block-size: 2em;
  max-inline-size: 100%;
  margin: 0;
  margin-block: -0.35em;
}
.${parts.menu} .${parts.mark} + * {
  margin-inline-start: 0.6em;
}
`;

/** On low windows what stays would leave no room to read. */
const staying = (selector: string): string => `@media (height >= 24em) {
  ${selector} {
    position: sticky;
    inset-block-start: 0;
    z-index: var(--kamino-layer-stays, 30);
  }
}
`;

/** How the entries of menus are arranged, as far as menus ask for it. */
export function arrangements(menus: readonly ResolvedMenu[]): string {
  const has = (test: (entry: ResolvedEntry) => boolean): boolean => {
    const inside = (entries: readonly ResolvedEntry[]): boolean =>
      entries.some(one => test(one) || inside(one.entries));
    return menus.some(menu => inside(menu.entries));
  };
  const ofMenus = menus.map(({ name, form, widths, separators, stays }) => {
    // As strong as the rules of a fold, which come later.
    const menu = `.${menuClass(name)}`;
    const isBeside = form !== 'column';
    return [
      ...(widths === 'equal' && isBeside ? [equal(menu)] : []),
      ...(separators === 'line' ? [isBeside ? separated(menu) : separatedBelow(menu)] : []),
      ...(stays ? [staying(stays.selector ?? `.${parts.menu}${menu}`)] : []),
    ].join('');
  });
  return [
    ...ofMenus,
    ...(has(one => one.apart) ? [apart] : []),
    ...(has(one => one.icon !== null && one.icon.show !== 'label') ? [icon] : []),
    ...(menus.some(({ home }) => home?.image && home.show !== 'label') ? [mark] : []),
  ].join('');
}
