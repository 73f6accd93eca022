import type { ResolvedMenu } from '../menu/types.ts';
import { parts } from '../markup/names.ts';
import { holder } from './lists.ts';
import { changes } from './marks.ts';
import { topEntry } from './parts.ts';

/**
 * Submenus as sheets: below the entries of a bar; beside those of a column, and of another sheet.
 * @param menu its class; @param isBar or a column; @param levels below its entries
 */
export function sheets(
  menu: string,
  { isBar, levels, isInColumns }: { isBar: boolean; levels: number; isInColumns: boolean },
): string {
  const sheet = `${menu} .${parts.submenu}`;
  const beside = isBar ? `${sheet} .${parts.submenu}` : sheet;
  const inside = isBar ? `${sheet} ` : `${menu} `;
  return `${sheet} {
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
${levels > 1 ? `}\n${sheet}:not(:has(ul)) {\n` : ''}  max-block-size: 85vh;
  overflow-y: auto;
}
${isBar && (levels < 2 || isInColumns) ? '' : besideRules(beside, inside)}${levels < 2 ? '' : deeper(sheet)}${
    isBar
      ? `${menu} ${topEntry}:nth-last-child(-n + 2):not(:nth-child(-n + 2))>.${parts.submenu} {
  inset-inline: auto 0;
}
`
      : ''
  }${sheet}.${parts.up} {
  inset-block: auto calc(100% + 0.3em);
}
${sheet}.${parts.tall} {
  overflow-y: auto;
}
@media (prefers-reduced-motion: no-preference) {
  ${sheet} {
    ${changes(['opacity', 'translate'], 'var(--kamino-ease)')}    @starting-style {
      opacity: 0;
      translate: 0 -0.3em;
    }
  }
}
`;
}

/** Sheets below the entries of the menu itself as wide as that, or of a given width. */
export function sheetWidths(menu: string, { opens: { width, columns }, fold }: ResolvedMenu): string {
  if (width === null) return '';
  const sheet = `${menu} ${topEntry}>.${parts.submenu}`;
  if (width !== 'menu')
    return `${sheet} {
  inline-size: ${width};
  max-inline-size: 92vw;
}
`;
  return `${holder(menu, fold)}${menu} ${topEntry}:has(>.${parts.opener}[open]) {
  position: static;
}
${menu} ${topEntry}:has(>.${parts.opener}[open])::before {
  display: none;
}
${sheet} {
  inset-inline: 0;
  inline-size: auto;
  max-inline-size: none;
}
${sheet}.${parts.columns} {
  grid-template-columns: repeat(${columns}, minmax(0, 1fr));
}
`;
}

/** Sheets in sheets where no script moves them into the window, and in one that scrolls. */
const deeper = (sheet: string): string => `@media (scripting: none) {
  ${sheet} .${parts.submenu} {
    position: static;
    max-inline-size: none;
    padding-block: 0;
    border: 0;
    box-shadow: none;
  }
}
${sheet}.${parts.tall} .${parts.submenu} {
  position: static;
  max-block-size: none;
  border: 0;
  box-shadow: none;
}
`;

/** Sheets beside what opens them, and signs that point to where they lie. */
const besideRules = (beside: string, inside: string): string => `${beside} {
  inset-block-start: calc(-0.4em - 1px);
  inset-inline-start: calc(100% + 0.4em);
}
${inside}.${parts.opener}.${parts.opener}>*::after {
  margin: 0;
  rotate: -45deg;
}
${inside}.${parts.opener}.${parts.opener}>:dir(rtl)::after,
${inside}.${parts.opener}:has(+.${parts.turned})>*::after {
  rotate: 135deg;
}
${inside}.${parts.opener}:has(+.${parts.turned})>:dir(rtl)::after {
  rotate: -45deg;
}
`;
