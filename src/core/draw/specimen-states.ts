import type { MenuFit } from '../look/fit.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { highlightClasses, notesOf, sameEverywhere, startOf, withPicture } from '../markup/link.ts';
import type { Standpoint } from '../markup/standpoint.ts';
import { parts } from '../markup/names.ts';
import { wordsOf } from '../markup/words.ts';
import { forms } from '../plan/forms.ts';
import type { StateName } from '../plan/look-types.ts';
import { escapeMarkup } from '../text/references.ts';

/** What a specimen shows of one menu. */
export interface SpecimenMenu {
  menu: ResolvedMenu;
  /** As it stands in a page, and what is in its home. */
  markup: string;
  home: string | null;
  fit: MenuFit;
  /** Of its font, as a family, and in px. */
  family: string | null;
  /** The page that the links are written for. */
  from: Standpoint;
}

type State = 'base' | StateName;
const states: readonly State[] = ['base', 'hover', 'pressed', 'focus', 'current', 'within'];

/** A row for the home and for each entry, a column for each state, side by side. */
export function stateTable(
  { menu, home, fit, family, from }: SpecimenMenu,
  scheme: 'light' | 'dark',
  isNamed: boolean,
): string {
  const font = `font: ${fit.type.weight} ${fit.type.size}px ${family ?? 'system-ui, sans-serif'}`;
  const rows = [
    ...(menu.home && home !== null ? [row(menu.home.label, state => homeIn(menu, home, state))] : []),
    ...everyEntry(menu.entries).map(entry => row(entry.label, state => inMenu({ menu, from }, entry, state))),
  ];
  const head = states.map(state => `<th scope="col">${state}</th>`).join('');
  const caption = isNamed ? `<caption>${scheme}</caption>` : '';
  return `<div class="scheme ${scheme}" style='${font.replaceAll('&', '&amp;').replaceAll("'", '&#39;')}'><table class="states">${caption}<thead><tr><td class="unseen"></td>${head}</tr></thead><tbody>${rows.join('')}</tbody></table></div>`;
}

const row = (label: string, cell: (state: State) => string): string =>
  `<tr><th scope="row" class="unseen">${escapeMarkup(label)}</th>${states.map(state => `<td>${cell(state)}</td>`).join('')}</tr>`;

const held = (state: State): string =>
  (state === 'current' ? ' aria-current="page"' : '') +
  (state === 'hover' || state === 'pressed' || state === 'focus' ? ` data-state="${state}"` : '');

function framed(menu: ResolvedMenu, inside: string): string {
  const form = forms[menu.form].classes.map(one => parts[one]).join(' ');
  return `<div class="${parts.menu} ${form} kamino-menu-${menu.name}"><div class="${parts.room}">${inside}</div></div>`;
}

/** The home has no branch that a page could lie in. */
function homeIn(menu: ResolvedMenu, home: string, state: State): string {
  if (state === 'within') return '';
  return framed(menu, `<a class="${parts.home}" href="#"${held(state)}>${home}</a>`);
}

/** An entry in its list, on the ground of a submenu where it is one of those. */
function inMenu(
  { menu, from }: Pick<SpecimenMenu, 'menu' | 'from'>,
  entry: ResolvedEntry,
  state: State,
): string {
  const { item, label: words, about } = sameEverywhere(entry, true);
  const label = withPicture(entry, words, from);
  const link = `<a class="${parts.link}" href="#"${held(state)}>${label}${notesOf(entry, wordsOf(menu.language))}${about}</a>`;
  const mark = state === 'current' || state === 'within' ? state : undefined;
  const one = `${startOf({ ...entry, apart: false }, mark, item)}${link}</li>`;
  const isBelow = entry.depth > 1 && highlightClasses(entry).length === 0;
  return framed(
    menu,
    isBelow
      ? `<ul class="${parts.list}"><li class="${parts.entry}"><ul class="${parts.submenu}">${one}</ul></li></ul>`
      : `<ul class="${parts.list}">${one}</ul>`,
  );
}

function everyEntry(entries: readonly ResolvedEntry[]): ResolvedEntry[] {
  return entries.flatMap(one => [
    ...(one.leadsTo.kind === 'insert' ? [] : [one]),
    ...everyEntry(one.entries),
  ]);
}
