import type { Align, Form } from '../plan/types.ts';
import { menuClass, parts } from './names.ts';
import { within } from './style-parts.ts';

export const bar = `.${parts.bar} .${parts.room} {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--kamino-gap);
}
`;

export const column = `.${parts.column} .${parts.list} {
  flex-direction: column;
}
.${parts.column} .${parts.entry} {
  flex-wrap: wrap;
}
.${parts.column} .${parts.link},
.${parts.column} .${parts.opener}:first-child {
  flex: 1 1 0;
}
.${parts.column} summary.${parts.link} {
  justify-content: space-between;
}
`;

export const plain = `.${parts.plain} .${parts.list} {
  gap: 0 1.5em;
}
.${parts.plain} .${parts.entry} {
  flex-direction: column;
}
.${parts.plain} .${parts.link} {
  padding: 0.35em 0;
}
.${parts.plain} .${parts.submenu} {
  flex-direction: column;
}
`;

/** Without a ground of its own an entry's mark is as wide as its label. */
export const markPlain = `.${parts.plain} .${parts.entry} a.${parts.link}.${parts.link}::after {
  inset-inline: 0;
  inset-block-end: 0.1em;
}
`;

/** Below a bar a submenu hangs as a sheet, further levels lie in it; in a column all lie in the flow. */
export function submenus(forms: ReadonlySet<Form>): string {
  const hides = (['bar', 'column'] as const).filter(form => forms.has(form));
  const hidden = hides.map(form => `.${parts[form]} .${parts.submenu}`).join(',\n');
  const shown = hides.map(form => `.${parts[form]} .${parts.opener}[open] + .${parts.submenu}`).join(',\n');
  const inFlow = `.${parts.submenu} .${parts.submenu}`;
  return `${
    hides.length === 0
      ? ''
      : `${hidden} {
  display: none;
  flex-direction: column;
  flex-wrap: nowrap;
}
${shown} {
  display: flex;
}
`
  }${
    forms.has('bar')
      ? `.${parts.bar} .${parts.submenu} {
  position: absolute;
  z-index: var(--kamino-layer, 20);
  inset-block-start: calc(100% + 0.3em);
  inset-inline-start: 0;
  inline-size: max-content;
  min-inline-size: 12em;
  max-inline-size: min(22em, 80vw);
  padding: 0.4em;
  border: var(--kamino-sheet-border, 1px solid color-mix(in srgb, currentcolor 18%, transparent));
  border-radius: calc(var(--kamino-radius) + 0.2em);
  color: var(--kamino-color);
  background: var(--kamino-background);
  box-shadow: var(--kamino-sheet-shadow, 0 0.6em 1.8em rgb(0 0 0 / 0.18));
}
.${parts.submenu} .${parts.entry} {
  flex-wrap: wrap;
}
.${parts.submenu} .${parts.link},
.${parts.submenu} .${parts.opener}:first-child {
  flex: 1 1 0;
}
.${parts.submenu} summary.${parts.link} {
  justify-content: space-between;
}
.${parts.menu}.${parts.bar} ${inFlow} {
  position: static;
  flex-basis: 100%;
  min-inline-size: 0;
  padding: 0;
  padding-inline-start: 1em;
  border: 0;
  box-shadow: none;
}
.${parts.bar} .${parts.list} > .${parts.entry}:nth-last-child(-n + 2):not(:nth-child(-n + 2)) > .${parts.submenu} {
  inset-inline: auto 0;
}
`
      : ''
  }${
    forms.has('column')
      ? `.${parts.column} .${parts.submenu} {
  flex-basis: 100%;
  padding-inline-start: 1em;
}
`
      : ''
  }`;
}

const rests: Record<Exclude<Align, 'start'>, string> = {
  center: 'margin-inline: auto;',
  end: 'margin-inline-start: auto;',
  spread: 'flex: 1 1 auto;\n  justify-content: space-between;',
};

export function aligned(name: string, align: Align): string {
  if (align === 'start') return '';
  return `.${menuClass(name)} .${parts.room} > .${parts.list} {
  ${rests[align]}
}
`;
}

/** What answers the pointer and the keyboard. */
export const answering = [`a.${parts.link}`, `.${parts.home}`, 'summary'].map(one => `.${parts.menu} ${one}`);
export const pick = (state: string): string => answering.map(one => one + state).join(',\n');
const marked = `${within('link')}[aria-current]::after,
${within('home')}[aria-current]::after,
.${parts.menu} .${parts.within} > a.${parts.link}::after`;

export const marks = `${marked} {
  content: "";
  position: absolute;
  inset-inline: var(--kamino-mark-inline);
  inset-block-end: var(--kamino-mark-block);
  block-size: 0.15em;
  border-radius: 1em;
  background: var(--kamino-marker);
}
.${parts.menu} .${parts.within} > a.${parts.link}::after {
  inline-size: 1em;
  inset-inline-end: auto;
}
`;

/** In a line of entries the mark lies below the label; where entries stand below each other, beside it. */
export const markBeside = (
  scope: string,
): string => `${scope} .${parts.entry} a.${parts.link}.${parts.link}::after {
  inset-block: 0.6em;
  inset-inline: 0.35em auto;
  inline-size: 0.15em;
  block-size: auto;
}
`;

/** A gap of its own sets it off from its neighbours. */
export const highlight = `.${parts.bar} .${parts.entry} + .${parts.highlight} {
  margin-inline-start: 0.4em;
}
`;

/** Where the window is narrower, the list folds away behind its toggle, in the flow of the page. */
export function stack(name: string, belowEm: number): string {
  return folded(name, [`@media (width >= ${belowEm}em)`, `@media (width < ${belowEm}em)`]);
}

/**
 * A bar that folds exactly where its own room ends: the menu asks the page for the width that it needs, and may shrink to
 * nothing; its room is a size container. The 1 px answers the rounding of lengths.
 * @param em the width of the bar
 */
export function crowdedStack(name: string, em: number): string {
  const menu = `.${parts.menu}.${menuClass(name)}`;
  const container = `kamino-${name}`;
  return `${menu} {
  display: grid;
  grid-template-columns: minmax(0, calc(${em}em + 1px)) minmax(0, 1fr);
}
${menu} > .${parts.room} {
  grid-column: 1 / -1;
  position: relative;
  z-index: var(--kamino-layer, 20);
  container: ${container} / inline-size;
}
${folded(name, [`@container ${container} (inline-size >= ${em}em)`, `@container ${container} (inline-size < ${em}em)`])}`;
}

function folded(name: string, [wide, narrow]: [wide: string, narrow: string]): string {
  const menu = `.${menuClass(name)}`;
  return `${wide} {
  ${menu} .${parts.toggle} {
    display: none;
  }
}
${narrow} {
  ${menu} .${parts.room} {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
  }
  ${menu} .${parts.toggle} {
    margin-inline-start: auto;
  }
  ${menu} .${parts.toggle} summary::before {
    content: "";
    inline-size: 1.1em;
    block-size: 0.75em;
    border-block: 0.13em solid currentcolor;
    background: linear-gradient(currentcolor, currentcolor) center / 100% 0.13em no-repeat;
  }
  ${menu} .${parts.room} > .${parts.list} {
    display: none;
    flex-basis: 100%;
    flex-direction: column;
    flex-wrap: nowrap;
    margin-inline: 0;
    padding-block: 0.3em 0.6em;
  }
  ${menu} .${parts.toggle}[open] + .${parts.list} {
    display: flex;
  }
  .${parts.menu}${menu} .${parts.entry}.${parts.entry} {
    flex-wrap: wrap;
    margin-inline: 0;
  }
  ${menu} .${parts.link} {
    flex: 1 1 0;
  }
  .${parts.menu}${menu} .${parts.entry} > a.${parts.link}.${parts.link} {
    justify-content: flex-start;
    text-align: start;
  }
  ${menu} .${parts.room} > .${parts.list} > .${parts.entry} + .${parts.entry}::before {
    inset-block: calc(var(--kamino-gap) / -2) auto;
    inset-inline: var(--kamino-mark-inline);
    border-inline-start: 0;
    border-block-start: 1px solid color-mix(in srgb, currentcolor 32%, transparent);
  }
  .${parts.menu}${menu} .${parts.submenu}.${parts.submenu} {
    position: static;
    flex-basis: 100%;
    max-inline-size: none;
    padding: 0;
    padding-inline-start: 1em;
    border: 0;
    background: none;
    box-shadow: none;
  }
  ${menu} .${parts.opener} summary {
    min-inline-size: 44px;
    justify-content: center;
  }
  ${menu} summary.${parts.link} {
    justify-content: space-between;
  }
  ${menu} .${parts.opener}:first-child {
    flex: 1 1 0;
  }
  ${markBeside(`${menu} .${parts.list}`)}}
`;
}

export const skip = `.${parts.skip}.${parts.skip} {
  all: revert;
  position: fixed;
  z-index: 2147483000;
  inset-block-start: 0.5rem;
  inset-inline-start: 0.5rem;
  padding: 0.75em 1.25em;
  border-radius: 0.35em;
  color: #1b2430;
  background: #ffffff;
  outline: 2px solid #1b2430;
  outline-offset: 0;
}
.${parts.skip}.${parts.skip}:not(:focus) {
  inline-size: 1px;
  block-size: 1px;
  padding: 0;
  overflow: hidden;
  clip-path: inset(50%);
  white-space: nowrap;
}
`;

export const conditions = `@media (prefers-reduced-motion: no-preference) {
  ${pick('')} {
    transition: color 0.14s ease-out, background-color 0.14s ease-out;
  }
}
@media (pointer: coarse) {
  ${pick('')} {
    min-block-size: 44px;
  }
}
@media (forced-colors: active) {
  ${marked} {
    forced-color-adjust: none;
    background: Highlight;
  }
}
@media print {
  .${parts.menu}.${parts.menu},
  .${parts.skip}.${parts.skip} {
    display: none;
  }
}
`;
