import { type Edges, usualAir } from '../look/edges.ts';
import { menuClass, parts } from '../markup/names.ts';

/** How far what a menu lies in is from the edges of the window, where it is in the middle of it. */
const away = '(100vw - 100%) / 2';

/** As far as a label's box may be beyond the edge of the window: on a page without a style labels begin where its text does. */
const mostOutside = '7.5px';

/** Rules for a bar of whose edges the plan says nothing. */
export function edgeRules(name: string, edges: Edges): string {
  const own = `.${parts.menu}.${menuClass(name)}`;
  if (edges === 'air')
    return `${own} {\n  padding-inline: max(0px, ${usualAir}rem - var(--kamino-mark-inline) - ${away});\n}\n`;
  return `${own}>.${parts.room} {
  margin-inline-start: max(-1 * var(--kamino-mark-inline), min(0px, (var(--kamino-mark-inline) - ${mostOutside} - ${away}) * 999));
}
`;
}
