import type { ResolvedLooks } from '../look/types.ts';
import { hasSheets } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { forms } from '../plan/forms.ts';
import { menuClass, parts } from '../markup/names.ts';
import { leadsToSections } from '../markup/script.ts';
import { conditionOfStaying } from './arrange.ts';

/** How the page itself goes to its sections: below what stays, and calmly. */
export function inPage(menus: readonly ResolvedMenu[], { scopes }: ResolvedLooks): string {
  const top = menus.find(menu => menu.toTop !== null)?.toTop ?? null;
  if (!top && !menus.some(menu => leadsToSections(menu.entries))) return '';
  const calm = `@media (prefers-reduced-motion: no-preference) {
  html {
    scroll-behavior: smooth;
  }
}
`;
  const airs = [
    ...new Set(menus.flatMap(({ stays }) => (stays ? [stays.air === '0' ? '0px' : stays.air] : []))),
  ];
  const air = airs.length > 1 ? `max(${airs.join(', ')})` : airs[0];
  const [above = '0.7em', , below = above] = (scopes[0]?.values.get('padding') ?? '0.7em').split(' ');
  // Until the script knows it: rather more than less.
  const height = menus.some(({ form, stays }) => stays !== null && forms[form].isRow)
    ? `calc((1.35em + ${above} + ${below}) * 1.2)`
    : '0px';
  const start = `${conditionOfStaying} {
  html {
    scroll-padding-block-start: ${air === undefined ? `var(--kamino-stays, ${height})` : `calc(var(--kamino-stays, ${height}) + ${air})`};
${air === undefined ? '' : airForScript(air)}  }
${openStacks(menus, height)}${focusInside(menus)}}
`;
  const end = top ? `html {\n  scroll-padding-block-end: calc(${top.size} + 1.5rem);\n}\n` : '';
  return calm + start + end;
}

/** A stack that nobody closes, without a script, stays open over the section that it led to: that begins below it. */
function openStacks(menus: readonly ResolvedMenu[], row: string): string {
  return menus
    .filter(({ stays, fold }) => stays !== null && fold.as === 'stack' && fold.when !== 'never')
    .map(
      ({ name, entries }) => `  html:has(.${menuClass(name)} [open]) {
    scroll-padding-block-start: var(--kamino-stays, min(${row} * ${entries.length + 1}, 75vh));
  }
`,
    )
    .join('');
}

/** A margin of the root moves nothing: there the script reads how far below what stays a section comes to stand, in px. */
const airForScript = (air: string): string => `    scroll-margin-block-start: ${air};\n`;

/**
 * What stays is in view, and so is the focus in it: a browser that made room for what stays above it would scroll the
 * page with each Tab.
 */
function focusInside(menus: readonly ResolvedMenu[]): string {
  const staying = menus.flatMap(({ name, stays }) =>
    stays === null ? [] : [`${stays.selector ?? `.${menuClass(name)}`} :focus-visible`],
  );
  return staying.length === 0
    ? ''
    : `  html:has(${[...new Set(staying)].join(',')}) {
    scroll-padding-block-start: 0;
  }
`;
}

/** A submenu that is open lies over another menu that stays, too. */
export function overStaying(menus: readonly ResolvedMenu[]): string {
  const isNeeded = menus.some(one => one.stays !== null) && menus.some(hasSheets);
  return isNeeded
    ? `.${parts.menu}>.${parts.room}.${parts.room}:has(.${parts.opener}[open]) {
  z-index: calc(var(--kamino-layer-stays, 30) + 1);
}
`
    : '';
}

/** Buttons, and the way to the top: in the flow at the end of the page, with a row of its own that stays in view. */
export function singles(menus: readonly ResolvedMenu[]): string {
  const top = menus.find(menu => menu.toTop !== null);
  const button = menus.some(menu => menu.form === 'button')
    ? `.${parts.menu}.${parts.button} {
  display: flex;
}
`
    : '';
  if (!top) return button;
  const { corner, showsAfter, size, over } = top.toTop!;
  const own = `.${menuClass(top.name)}`;
  return `${button}.${parts.menu}.${parts.top} {
  position: sticky;
  z-index: var(--kamino-layer, 20);
  inset-block-end: 0;
  display: flex;
  ${corner === 'end' ? 'justify-content: flex-end;' : ''}
  padding: 0.75rem;
  padding-block-end: calc(max(0.75rem, env(safe-area-inset-bottom)) + var(--kamino-lift, 0px));
  padding-inline: max(0.75rem, env(safe-area-inset-left), env(safe-area-inset-right));
  scroll-margin-block-start: ${showsAfter};${over ? `\n  margin-block-start: calc((${size} + 1.5rem) * -1);` : ''}
  background: none;
  pointer-events: none;
}
${own} a.${parts.link}.${parts.link} {
  justify-content: center;
  inline-size: ${size};
  block-size: ${size};
  padding: 0;
  border-radius: 50%;
  pointer-events: auto;
}
${own} .${parts.icon}.${parts.icon} {
  margin: 0;
}
${
  top.entries[0]!.icon === null
    ? `${own} a.${parts.link}::before {
  content: "";
  inline-size: 0.6em;
  block-size: 0.6em;
  margin-block-start: 0.25em;
  border: solid currentcolor;
  border-width: 0.14em 0 0 0.14em;
  rotate: 45deg;
}
`
    : ''
}.${parts.top}.${parts.away} {
  visibility: hidden;
  opacity: 0;
}
@media (prefers-reduced-motion: no-preference) {
  .${parts.menu}.${parts.top} {
    transition: opacity 0.2s ease-out, visibility 0.2s;
  }
}
`;
}
