import { covers, folds, hasSheets, hasSubmenus, levelsBelow } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { forms } from '../plan/forms.ts';
import type { ResolvedLooks } from '../look/types.ts';
import { menuClass, parts } from '../markup/names.ts';
import { aligned } from './align.ts';
import { apart, arranged, gapOf, hairline, separatedBelow } from './arrange.ts';
import { lineSettings, narrowLine, wideLine } from './edges.ts';
import { foldStyles, pageRules } from './fold-kinds.ts';
import { containerOf, roomOf, sizeContainer, when } from './room.ts';
import { narrowLists, reservedLabels, wideLists } from './lists.ts';
import { sheetLines } from './scopes.ts';
import { hideUsual, menuMarks } from './markers.ts';
import { columns, highlight, lines } from './rules.ts';
import { sheetWidths, sheets } from './sheets.ts';
import { tabs } from './tabs.ts';

/** How submenus and a fold open under the pointer, which the script asks for. */
function settings(menu: ResolvedMenu): string {
  const { name, opens, fold } = menu;
  const own = `.${parts.menu}.${menuClass(name)}`;
  const sheets = hasSheets(menu)
    ? `${own} {\n${opens.by === 'hover' ? `  --kamino-after: ${opens.after};\n` : ''}  --kamino-ease: ${opens.ease};\n}\n`
    : '';
  return (
    sheets + (fold.by === 'hover' ? `${own} .${parts.toggle} {\n  --kamino-rest: ${opens.after};\n}\n` : '')
  );
}

/** The rules of one menu: what it is where it has room, and where it is folded. */
/** @param width see `roomOf`; @param holder what it lies in, where its labels begin at a line with the text around it */
export function menuRules(menu: ResolvedMenu, { width, holder }: Lying, looks: ResolvedLooks): string {
  const marks = menuMarks(menu, looks);
  return settings(menu) + marks.always + placeRules(menu, { width, holder }, { marks, looks });
}

export interface Lying {
  width: number | undefined;
  holder: string | null;
}

function placeRules(
  menu: ResolvedMenu,
  { width, holder }: Lying,
  { marks, looks }: { marks: { wide: string; narrow: string }; looks: ResolvedLooks },
): string {
  const wide = wideRules(menu, looks) + marks.wide + (holder === null ? '' : wideLine(menu, holder));
  const narrow = narrowRules(menu, looks) + marks.narrow + (holder === null ? '' : narrowLine(menu, holder));
  if (menu.fold.when === 'any-width') return narrow + pageRules(menu);
  const room = roomOf(menu, width);
  if (room === null) return wide;
  return (
    (menu.fold.when === 'crowded' ? crowded(menu, width!) : '') +
    (holder === null ? '' : lineSettings(menu, holder)) +
    when(room.wide, wide) +
    when(room.narrow, narrow) +
    // Without a script one that is open while the window grows would hold the page.
    when(menu.fold.when === 'below' ? room.narrow : null, pageRules(menu))
  );
}

/** What a toggle needs at least, in em of a usual font: its picture, and its words as they mostly are. */
const roomOfToggle = ({ toggle: { show, label } }: ResolvedMenu['fold']): number =>
  show === 'icon' ? 3 : Math.ceil(4 + (label ?? 'Menu').length * 0.65);

/**
 * The menu asks the page for the width that it needs, and may shrink to its toggle; its room is a size container. The 1 px
 * answers the rounding of lengths. In a row it folds before what stands beside it, such as the name of the site, gets
 * narrow: nothing else shrinks until it has (https://www.w3.org/TR/css-flexbox-1/#resolve-flexible-lengths).
 */
const crowded = ({ name, fold }: ResolvedMenu, em: number): string => `.${parts.menu}.${menuClass(name)} {
  display: grid;
  grid-template-columns: minmax(0, calc(${em}em + 1px)) minmax(0, 1fr);
  flex-shrink: 1e6;
  min-inline-size: min(100%, ${roomOfToggle(fold)}em);
}
.${parts.menu}.${menuClass(name)}>.${parts.room} {
  grid-column: 1 / -1;
${sizeContainer(name)}}
${fold.toggle.show === 'both' ? tightToggle(name, fold) : ''}`;

/** In a room that is too narrow for its word a toggle shows its picture alone; the word is still read out. */
const tightToggle = (name: string, fold: ResolvedMenu['fold']): string => {
  const toggle = `.${menuClass(name)} .${parts.toggle}>*`;
  return when(
    `@container ${containerOf(name)} (inline-size < ${roomOfToggle(fold)}em)`,
    `${toggle} {
  font-size: 0;
  padding: 0.5rem;
}
${toggle}${typeof fold.toggle.icon === 'string' ? '::before' : '>svg'} {
  font-size: 1rem;
}
`,
  );
};

/** Submenus over the page; a sheet has a ground, where its menu has none. */
function sheetRules(menu: ResolvedMenu, looks: ResolvedLooks): string {
  const { name, form, opens } = menu;
  const own = `.${menuClass(name)}`;
  const lines = sheetLines(looks, name);
  return [
    sheets(own, {
      isBar: forms[form].isRow,
      levels: levelsBelow(menu.entries),
      isInColumns: opens.columns > 1,
    }),
    lines === '' ? '' : `.${parts.menu}${own} .${parts.submenu} {\n${lines}}\n`,
    opens.columns > 1 ? columns(own, opens.columns, levelsBelow(menu.entries)) : '',
    sheetWidths(own, menu),
  ].join('');
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
    hasSheets(menu) ? sheetRules(menu, looks) : '',
    aligned(own, menu),
    isRow && menu.entries.some(one => one.highlight !== null) ? highlight(own) : '',
    forms[menu.form].classes.includes('tabs') ? tabs(own) : '',
    arranged(own, menu, looks.uses),
    wideLists(menu),
    looks.uses.weight ? reservedLabels(own, menu) : '',
    menu.entries.some(one => one.apart) ? apart(own, !forms[menu.form].opensInFlow) : '',
  ].join('');
}

function narrowRules(menu: ResolvedMenu, looks: ResolvedLooks): string {
  const own = `.${menuClass(menu.name)}`;
  const opens = [menu, ...menu.joined].some(hasSubmenus);
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
  }${lines(`${own} .${parts.list}`, own, { opens, hasUsual: !hideUsual([menu], looks) })}${own} .${parts.toggle} {
  ${menu.fold.toggle.at === 'end' ? 'margin-inline-start: auto' : 'order: -1'};
}
${menu.separators ? separatedBelow(own, menu.separators, gapOf(looks.uses, 'block')) : ''}${
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
