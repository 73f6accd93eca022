import { forms } from '../plan/forms.ts';
import { hasIconAbove } from '../menu/lists.ts';
import { iconAboveGap } from '../look/fit.ts';
import type { Separators } from '../plan/types.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import type { ResolvedLooks } from '../look/types.ts';
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

/** Between entries, in the middle of the gap and above their grounds; never after the last. */
const separator = (menu: string, lines: string): string => `${menu} ${topEntry} + .${parts.entry}::before {
  content: "";
  position: absolute;
  z-index: 1;
${lines}  pointer-events: none;
}
`;
const stroke = ({ thickness, color }: Separators): string =>
  `${thickness ?? '1px'} solid ${color ?? hairline}`;
/** The gap along lines, and across them. */
export const gapOf = ({ twoGaps }: ResolvedLooks['uses'], way: 'inline' | 'block'): string =>
  `var(--kamino-gap${twoGaps ? `-${way}` : ''})`;
/** Half of the gap, and of the line itself where that is more than a hair. */
const middle = ({ thickness }: Separators, gap: string): string =>
  `calc(${thickness ? `(${gap} + ${thickness})` : gap} / -2)`;

const separated = (menu: string, line: Separators, gap: string): string =>
  separator(
    menu,
    `  inset-block: ${line.inset ?? '0.6em'};
  inset-inline-start: ${middle(line, gap)};
  border-inline-start: ${stroke(line)};
`,
  );

export const separatedBelow = (menu: string, line: Separators, gap: string): string =>
  separator(
    menu,
    `  inset-block-start: ${middle(line, gap)};
  inset-inline: ${line.inset ?? 'var(--kamino-mark-inline)'};
  border-block-start: ${stroke(line)};
`,
  );

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

const icon = (
  size: string,
  { isAtEnd, isAlone }: { isAtEnd: boolean; isAlone: boolean },
): string => `.${parts.menu} .${parts.icon} {
  flex: none;
  inline-size: ${size};
  block-size: ${size};
  margin: 0;
  margin-inline-end: 0.5em;
  overflow: visible;
  color: var(--kamino-icon-now, currentcolor);
}
${isAtEnd ? `.${parts.menu} .${parts.icon}.${parts.iconEnd} {\n  margin-inline: 0.5em 0;\n}\n` : ''}${
  isAlone ? `.${parts.menu} .${parts.icon}:has(+ .${parts.unseen}) {\n  margin: 0;\n}\n` : ''
}`;

const mark = `.${parts.menu} .${parts.mark} {
  flex: none;
  inline-size: auto;
  block-size: 2em;
  max-inline-size: 100%;
  margin: -0.35em 0;
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

/** A drawing above its label, where entries are not folded. */
const above = (own: string): string => `${own} ${topEntry}>.${parts.link}:has(>.${parts.iconAbove}) {
  flex-direction: column;
  justify-content: center;
  gap: ${iconAboveGap}em;
  text-align: center;
}
${own} ${topEntry}>.${parts.link}>.${parts.iconAbove} {
  margin: 0;
}
`;

/** How the entries of a menu that is not folded are arranged. */
export function arranged(
  own: string,
  { form, widths, separators, entries }: ResolvedMenu,
  uses: ResolvedLooks['uses'],
): string {
  const isBeside = !forms[form].opensInFlow;
  return [
    ...(entries.some(hasIconAbove) ? [above(own)] : []),
    ...(widths === 'equal' && isBeside ? [equal(own)] : []),
    ...(separators
      ? [
          isBeside
            ? separated(own, separators, gapOf(uses, 'inline'))
            : separatedBelow(own, separators, gapOf(uses, 'block')),
        ]
      : []),
  ].join('');
}

/** Rules for what some menus have, folded or not. */
export function arrangements(menus: readonly ResolvedMenu[], uses: ResolvedLooks['uses']): string {
  const has = (test: (entry: ResolvedEntry) => boolean): boolean => {
    const inside = (entries: readonly ResolvedEntry[]): boolean =>
      entries.some(one => test(one) || inside(one.entries));
    return menus.some(menu => inside(menu.entries));
  };
  const isDrawn = menus.some(({ fold }) => typeof fold.toggle.icon !== 'string');
  return [
    ...menus.flatMap(({ name, stays, over }) =>
      stays && !over ? [staying(stays.selector ?? `.${parts.menu}.${menuClass(name)}`)] : [],
    ),
    ...(isDrawn || has(one => one.icon !== null && one.icon.show !== 'label')
      ? [
          icon(uses.iconSize ? 'var(--kamino-icon-size)' : '1.25em', {
            isAtEnd: has(one => one.icon?.at === 'end'),
            isAlone:
              has(one => one.icon?.show === 'icon') ||
              menus.some(({ toTop, fold }) => toTop !== null || fold.toggle.show === 'icon'),
          }),
        ]
      : []),
    ...(menus.some(({ home }) => home?.image && home.show !== 'label') ? [mark] : []),
  ].join('');
}
