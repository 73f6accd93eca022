import { forms } from '../plan/forms.ts';
import { folds, hasSubmenus } from '../menu/folds.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { type Behaviour, behaviours } from './names.ts';

const needs: Record<Behaviour, (menu: ResolvedMenu) => boolean> = {
  sections: ({ entries }) => leadsToSections(entries),
  top: ({ toTop }) => toTop !== null,
  panels: ({ entries }) => leadsToPanels(entries),
  submenus: menu => !forms[menu.form].showsAll && hasSubmenus(menu),
  folds: menu => folds(menu),
  over: ({ over, stays }) => over && stays !== null,
};

function leadsToPanels(entries: readonly ResolvedEntry[]): boolean {
  return entries.some(
    ({ leadsTo, entries: below }) =>
      (leadsTo.kind === 'section' && leadsTo.panel !== undefined) || leadsToPanels(below),
  );
}

/** Places in pages, but for the top, which needs no observing. */
export function leadsToSections(entries: readonly ResolvedEntry[]): boolean {
  return entries.some(
    ({ leadsTo, entries: below }) =>
      (leadsTo.kind === 'section' && leadsTo.id !== 'top' && leadsTo.panel === undefined) ||
      leadsToSections(below),
  );
}

/** Whether pages that carry this menu need the script. */
export function isScripted(menu: ResolvedMenu): boolean {
  return behaviours.some(one => needs[one](menu));
}

/** What the menus of a site need in a visitor's browser, in order. */
export function behavioursOf(menus: readonly ResolvedMenu[]): Behaviour[] {
  return behaviours.filter(one => menus.some(menu => needs[one](menu)));
}
