import { forms } from '../plan/forms.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { menuClass, parts } from '../markup/names.ts';
import { topEntry, topList } from './parts.ts';

/** The colour of thin lines between entries. */
export const hairline = 'color-mix(in srgb, currentcolor 32%, transparent)';
const equal = (menu: string): string => `${menu} ${topList} {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
}
${menu} ${topEntry}>.${parts.link} {
  flex: 1 1 auto;
  justify-content: center;
  text-align: center;
}
`;

/** Between entries, in the middle of the gap; never after the last. */
const separated = (menu: string): string => `${menu} ${topEntry} + .${parts.entry}::before {
  content: "";
  position: absolute;
  inset-block: 0.6em;
  inset-inline-start: calc(var(--kamino-gap) / -2);
  border-inline-start: 1px solid ${hairline};
  pointer-events: none;
}
`;

export const separatedBelow = (menu: string): string => `${menu} ${topEntry} + .${parts.entry}::before {
  content: "";
  position: absolute;
  inset-block-start: calc(var(--kamino-gap) / -2);
  inset-inline: var(--kamino-mark-inline);
  border-block-start: 1px solid ${hairline};
  pointer-events: none;
}
`;

/** An entry pushed away from those before it. */
export const apart = (own: string, isBeside: boolean): string =>
  isBeside
    ? `${own} ${topList}:has(>.${parts.apart}) {
  flex: 1 1 auto;
}
${own} .${parts.entry}.${parts.apart} {
  margin-inline-start: auto;
}
`
    : `${own} .${parts.entry}.${parts.apart} {
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
export const conditionOfStaying = '@media (height >= 24em)';

const staying = (selector: string): string => `${conditionOfStaying} {
  ${selector} {
    position: sticky;
    inset-block-start: 0;
    z-index: var(--kamino-layer-stays, 30);
  }
}
`;

/** How the entries of a menu that is not folded are arranged. */
export function arranged(own: string, { form, widths, separators }: ResolvedMenu): string {
  const isBeside = !forms[form].opensInFlow;
  return [
    ...(widths === 'equal' && isBeside ? [equal(own)] : []),
    ...(separators === 'line' ? [isBeside ? separated(own) : separatedBelow(own)] : []),
  ].join('');
}

/** Rules for what some menus have, folded or not. */
export function arrangements(menus: readonly ResolvedMenu[]): string {
  const has = (test: (entry: ResolvedEntry) => boolean): boolean => {
    const inside = (entries: readonly ResolvedEntry[]): boolean =>
      entries.some(one => test(one) || inside(one.entries));
    return menus.some(menu => inside(menu.entries));
  };
  const isDrawn = menus.some(({ fold }) => typeof fold.toggle.icon !== 'string');
  return [
    ...menus.flatMap(({ name, stays }) =>
      stays ? [staying(stays.selector ?? `.${parts.menu}.${menuClass(name)}`)] : [],
    ),
    ...(isDrawn || has(one => one.icon !== null && one.icon.show !== 'label') ? [icon] : []),
    ...(menus.some(({ home }) => home?.image && home.show !== 'label') ? [mark] : []),
  ].join('');
}
