import type { ResolvedLook } from '../look/page.ts';
import type { Align } from '../plan/types.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { inlayAttribute, parts } from './names.ts';

/** The style sheet for the menus of a site, in ASCII. Every rule has the strength of two classes. */
export function styleSheet(menus: readonly ResolvedMenu[], look: ResolvedLook): string {
  const sheet = [
    properties(look),
    reset,
    bar,
    ...(menus.some(menu => menu.home) ? [home] : []),
    ...menus.filter(menu => menu.align !== 'start').map(menu => aligned(menu.name, menu.align)),
    states,
    skip,
    conditions,
  ].join('\n');
  return sheet.replace(/[^\0-\x7f]/gu, letter => `\\${letter.codePointAt(0)!.toString(16)} `);
}

const within = (part: keyof typeof parts): string => `.${parts.menu} .${parts[part]}`;

/** What a designer changes first; one class strong, so that any rule of the page's own wins. */
function properties(look: ResolvedLook): string {
  return `.${parts.menu} {
  --kamino-color: ${look.color};
  --kamino-background: ${look.background};
  --kamino-accent: ${look.accent};
  --kamino-hover-color: ${look.hoverColor};
  --kamino-hover-background: ${look.hoverBackground};
  --kamino-pressed-background: ${look.pressedBackground};
  --kamino-marker: ${look.marker};
  --kamino-focus: ${look.focus};
  --kamino-font-size: 1em;
  --kamino-padding: 0.7em 0.95em;
  --kamino-gap: 0.2em;
  --kamino-radius: 0.35em;
}
`;
}

/** The page's own rules for lists and links end here. */
const reset = `.${parts.menu}.${parts.bar},
${within('room')},
${within('home')},
${within('list')},
${within('entry')},
${within('link')} {
  all: revert;
  box-sizing: border-box;
}
.${parts.menu}.${parts.bar}::before,
.${parts.menu}.${parts.bar}::after,
${within('room')}::before,
${within('room')}::after,
${within('home')}::before,
${within('home')}::after,
${within('list')}::before,
${within('list')}::after,
${within('entry')}::before,
${within('entry')}::after,
${within('link')}::before,
${within('link')}::after {
  all: revert;
  content: none;
}
`;

const bar = `.${parts.menu}.${parts.bar} {
  min-inline-size: 0;
  color: var(--kamino-color);
  background: var(--kamino-background);
  font-size: var(--kamino-font-size);
  line-height: 1.35;
}
${within('room')} {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--kamino-gap);
}
${within('list')} {
  display: flex;
  flex-wrap: wrap;
  gap: var(--kamino-gap);
  min-inline-size: 0;
  margin: 0;
  padding: 0;
  list-style: none;
}
${within('entry')} {
  display: flex;
  min-inline-size: 0;
}
${within('link')} {
  position: relative;
  display: flex;
  align-items: center;
  padding: var(--kamino-padding);
  border-radius: var(--kamino-radius);
  color: inherit;
  text-decoration: none;
  overflow-wrap: anywhere;
}
`;

const home = `${within('home')} {
  position: relative;
  display: flex;
  align-items: center;
  margin-inline-end: 0.6em;
  padding: var(--kamino-padding);
  border-radius: var(--kamino-radius);
  color: inherit;
  font-weight: 700;
  text-decoration: none;
  overflow-wrap: anywhere;
}
`;

const rests: Record<Exclude<Align, 'start'>, string> = {
  center: 'margin-inline: auto;',
  end: 'margin-inline-start: auto;',
  spread: 'flex: 1 1 auto;\n  justify-content: space-between;',
};

function aligned(name: string, align: Align): string {
  if (align === 'start') return '';
  return `[${inlayAttribute}="${name}"] .${parts.list} {
  ${rests[align]}
}
`;
}

const states = `@media (hover: hover) {
  ${within('link')}:hover,
  ${within('home')}:hover {
    color: var(--kamino-hover-color);
    background: var(--kamino-hover-background);
  }
}
${within('link')}:active,
${within('home')}:active {
  color: var(--kamino-hover-color);
  background: var(--kamino-pressed-background);
}
${within('link')}:focus-visible,
${within('home')}:focus-visible {
  outline: 2px solid var(--kamino-focus);
  outline-offset: -2px;
}
${within('link')}[aria-current]::after,
${within('home')}[aria-current]::after,
.${parts.menu} .${parts.within} > .${parts.link}::after {
  content: "";
  position: absolute;
  inset-inline: 0.95em;
  inset-block-end: 0.35em;
  block-size: 0.15em;
  border-radius: 1em;
  background: var(--kamino-marker);
}
.${parts.menu} .${parts.within} > .${parts.link}::after {
  inline-size: 1em;
  inset-inline-end: auto;
}
`;

const skip = `.${parts.skip}.${parts.skip} {
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

const conditions = `@media (prefers-reduced-motion: no-preference) {
  ${within('link')},
  ${within('home')} {
    transition: color 0.14s ease-out, background-color 0.14s ease-out;
  }
}
@media (pointer: coarse) {
  ${within('link')},
  ${within('home')} {
    min-block-size: 44px;
  }
}
@media (forced-colors: active) {
  ${within('link')}[aria-current]::after,
  ${within('home')}[aria-current]::after,
  .${parts.menu} .${parts.within} > .${parts.link}::after {
    forced-color-adjust: none;
    background: Highlight;
  }
}
@media print {
  .${parts.menu}.${parts.bar},
  .${parts.skip}.${parts.skip} {
    display: none;
  }
}
`;
