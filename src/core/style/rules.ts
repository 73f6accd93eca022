import type { ResolvedMenu } from '../menu/types.ts';
import { menuClass, parts } from '../markup/names.ts';
import { markBeside } from './marks.ts';
import { topEntry, within } from './parts.ts';

export const bar = `.${parts.bar} .${parts.room} {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--kamino-gap);
}
`;

/**
 * Entries that stand below each other: in a column, a submenu, a folded menu.
 * @param lists their lists; @param scope what holds them; @param opens whether any of them have submenus; @param hasUsual
 * and the usual marks
 */
export const lines = (
  lists: string,
  scope: string,
  { opens, hasUsual }: { opens: boolean; hasUsual: boolean },
): string => `${lists} {
  flex-direction: column;
  flex-wrap: nowrap;
}
${scope} .${parts.link}${opens ? `,${scope} .${parts.opener}:first-child` : ''} {
  flex: 1 1 0;
}
${
  opens
    ? `${scope} .${parts.entry} {
  flex-wrap: wrap;
}
${scope} summary.${parts.link} {
  justify-content: space-between;
}
${scope} .${parts.link}+.${parts.opener}>* {
  min-inline-size: 44px;
  justify-content: flex-end;
  padding-inline-end: var(--kamino-mark-inline);
}
`
    : ''
}${hasUsual ? markBeside(scope) : ''}`;

/** Room and gaps of a menu on the page's own ground, where its look gives any: by default there is little. */
export const ownSpaces = ({ name, look }: ResolvedMenu): string => {
  const own = `.${parts.menu}.${menuClass(name)}`;
  const list = look?.gap ? `${own} .${parts.list}.${parts.list} {\n  gap: var(--kamino-gap);\n}\n` : '';
  return look?.padding
    ? `${list}${own} .${parts.link}.${parts.link} {\n  padding: var(--kamino-padding);\n}\n`
    : list;
};

export const plain = `.${parts.plain} .${parts.list} {
  gap: 0 1.5em;
}
.${parts.plain} :is(.${parts.entry},.${parts.submenu}) {
  flex-direction: column;
}
.${parts.plain} .${parts.link} {
  padding: 0.35em 0;
}
`;

/** Submenus lie in the flow, behind their openers; as sheets over the page only where menus are not folded. */
export const submenus = `.${parts.opener}:not([open])+.${parts.submenu}.${parts.submenu} {
  display: none;
}
${within('submenu')} {
  flex-basis: 100%;
  padding-inline-start: 1em;
}
`;

/** A submenu in columns: no part of it opens, each stands under its own entry as a small heading. */
export const columns = (menu: string, count: number, levels: number): string => `${menu} .${parts.columns} {
  display: grid;
  grid-template-columns: repeat(${count}, auto);
  align-items: start;
  column-gap: 1em;
  max-inline-size: min(${count * 16}em, 92vw);
}
${levels > 1 ? inColumns(menu) : ''}${menu} .${parts.columns} .${parts.link} {
  flex: 1 1 100%;
}
`;

/** Lists below the headings of columns. */
const inColumns = (menu: string): string => `${menu} .${parts.columns} .${parts.submenu} {
  position: static;
  inline-size: auto;
  min-inline-size: 0;
  padding: 0;
  padding-block-end: 0.6em;
  border: 0;
  box-shadow: none;
}
${menu} .${parts.heading} {
  font-size: 0.85em;
  font-weight: 700;
}
`;

/** A gap of its own sets it off from its neighbours. */
export const highlight = (
  menu: string,
): string => `${menu} ${topEntry}+.${parts.highlight}:not(.${parts.apart}) {
  margin-inline-start: 0.4em;
}
`;

export const skip = `.${parts.skip}.${parts.skip} {
  all: revert;
  position: fixed;
  z-index: 2147483000;
  inset-block-start: 0.5rem;
  inset-inline-start: 0.5rem;
  padding: 0.75em 1.25em;
  border-radius: 0.35em;
  color: #1b2430;
  background: #fff;
  outline: 2px solid #1b2430;
}
.${parts.skip}.${parts.skip}:not(:focus) {
  clip-path: inset(50%);
}
`;
