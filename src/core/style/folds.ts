import { covers, folds, hasSheets } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { forms } from '../plan/forms.ts';
import type { ResolvedLooks } from '../look/types.ts';
import { menuClass, parts } from '../markup/names.ts';
import { apart, arranged, hairline, separatedBelow } from './arrange.ts';
import { foldStyles, pageRules, when } from './fold-kinds.ts';
import { narrowLists, reservedLabels, wideLists } from './lists.ts';
import { sheetLines } from './scopes.ts';
import { menuMarks } from './markers.ts';
import { aligned, columns, sheetWidths, highlight, lines, sheets } from './rules.ts';
import { tabs } from './tabs.ts';

/** How submenus and a fold open under the pointer, which the script asks for. */
function settings({ name, opens, fold, ...menu }: ResolvedMenu): string {
  const own = `.${parts.menu}.${menuClass(name)}`;
  const sheets = hasSheets({ ...menu, opens })
    ? `${own} {\n${opens.by === 'hover' ? `  --kamino-after: ${opens.after};\n` : ''}  --kamino-ease: ${opens.ease};\n}\n`
    : '';
  return (
    sheets + (fold.by === 'hover' ? `${own} .${parts.toggle} {\n  --kamino-rest: ${opens.after};\n}\n` : '')
  );
}

/** The rules of one menu: what it is where it has room, and where it is folded. */
export function menuRules(menu: ResolvedMenu, width: number | undefined, looks: ResolvedLooks): string {
  const marks = menuMarks(menu, looks);
  return settings(menu) + marks.always + placeRules(menu, width, { marks, looks });
}

function placeRules(
  menu: ResolvedMenu,
  width: number | undefined,
  { marks, looks }: { marks: { wide: string; narrow: string }; looks: ResolvedLooks },
): string {
  const { name, fold } = menu;
  const wide = wideRules(menu, looks) + marks.wide;
  const narrow = narrowRules(menu) + marks.narrow;
  if (fold.when === 'never') return wide;
  if (fold.when === 'any-width') return narrow + pageRules(menu);
  if (fold.when === 'below')
    return (
      when(`@media (width >= ${fold.belowEm}em)`, wide) +
      when(`@media (width < ${fold.belowEm}em)`, narrow) +
      pageRules(menu)
    );
  // Without fonts nothing is known of its width.
  if (width === undefined) return wide;
  const container = `kamino-${name}`;
  return (
    crowded(`.${parts.menu}.${menuClass(name)}`, container, width) +
    when(`@container ${container} (inline-size >= ${width}em)`, wide) +
    when(`@container ${container} (inline-size < ${width}em)`, narrow) +
    pageRules(menu)
  );
}

/**
 * The menu asks the page for the width that it needs, and may shrink to nothing; its room is a size container. The 1 px
 * answers the rounding of lengths.
 */
const crowded = (menu: string, container: string, em: number): string => `${menu} {
  display: grid;
  grid-template-columns: minmax(0, calc(${em}em + 1px)) minmax(0, 1fr);
}
${menu}>.${parts.room} {
  grid-column: 1 / -1;
  position: relative;
  z-index: var(--kamino-layer, 20);
  container: ${container} / inline-size;
}
`;

/** A sheet over the page has a ground, where its menu has none. */
function sheetColors({ name }: ResolvedMenu, looks: ResolvedLooks): string {
  const lines = sheetLines(looks, name);
  return lines === '' ? '' : `.${parts.menu}.${menuClass(name)} .${parts.submenu} {\n${lines}}\n`;
}

function wideRules(menu: ResolvedMenu, looks: ResolvedLooks): string {
  const own = `.${menuClass(menu.name)}`;
  const { isRow } = forms[menu.form];
  const hidden = [
    ...(folds(menu) ? [`${own} .${parts.toggle}`] : []),
    ...(covers(menu) ? [`${own} .${parts.close}`] : []),
    ...(menu.joined.length > 0 ? [`${own} .${parts.joined}.${parts.joined}`] : []),
  ];
  return [
    hidden.length > 0 ? `${hidden.join(',')} {\n  display: none;\n}\n` : '',
    covers(menu) ? `${own} .${parts.fold} {\n  display: contents;\n}\n` : '',
    hasSheets(menu) ? sheets(own, isRow) + sheetColors(menu, looks) : '',
    hasSheets(menu) && menu.opens.columns > 1 ? columns(own, menu.opens.columns) : '',
    hasSheets(menu) ? sheetWidths(own, menu.opens) : '',
    aligned(own, menu.align),
    isRow && menu.entries.some(one => one.highlight !== null) ? highlight(own) : '',
    forms[menu.form].classes.includes('tabs') ? tabs(own) : '',
    arranged(own, menu),
    wideLists(menu),
    looks.uses.weight ? reservedLabels(own, menu) : '',
    menu.entries.some(one => one.apart) ? apart(own, isRow) : '',
  ].join('');
}

function narrowRules(menu: ResolvedMenu): string {
  const own = `.${menuClass(menu.name)}`;
  const opens = [menu, ...menu.joined].some(({ entries }) => entries.some(one => one.entries.length > 0));
  if (!folds(menu))
    return `${menu.fold.joins === null ? `.${parts.menu}${own}` : `.${parts.joins}${own}`} {\n  display: none;\n}\n`;
  return `${
    forms[menu.form].isRow
      ? ''
      : `${own} .${parts.room} {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
}
`
  }${lines(`${own} .${parts.list}`, own, opens)}${own} .${parts.toggle} {
  ${menu.fold.toggle.at === 'end' ? 'margin-inline-start: auto' : 'order: -1'};
}
${menu.separators ? separatedBelow(own, menu.separators) : ''}${
    menu.joined.length > 0
      ? `${own} .${parts.joined} {
  margin-block-start: 0.6em;
  padding-block-start: 0.6em;
  border-block-start: 1px solid ${hairline};
}
`
      : ''
  }${foldStyles[menu.fold.as].rules(own, menu)}${narrowLists(menu)}`;
}
