import { folds } from '../menu/folds.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { parts } from './names.ts';
import { arrangements, tabs } from './style-arrange.ts';
import { extras } from './style-forms.ts';
import { type StyleParts, partRules } from './style-parts.ts';
import {
  aligned,
  bar,
  column,
  crowdedStack,
  conditions,
  highlight,
  markBeside,
  markPlain,
  plain,
  marks,
  skip,
  stack,
  submenus,
} from './style-rules.ts';
import type { ResolvedLooks } from '../look/types.ts';
import { base, markerRules, scopeRules, stateRules } from './style-looks.ts';

/** By this a style sheet is known as Kamino's. */
const signature = '/* Kamino wrote this from the plan; own rules go into a style sheet of their own. */';

export function isOwnStyle(text: string): boolean {
  return text.startsWith(signature);
}

/** The style sheet for the menus of a site, in ASCII: only what they use. Every rule has the strength of two classes. */
export function styleSheet(
  menus: readonly ResolvedMenu[],
  looks: ResolvedLooks,
  fits: ReadonlyMap<string, number>,
): string {
  const { uses } = looks;
  const has: StyleParts = {
    home: menus.some(menu => menu.home !== null),
    submenu: menus.some(menu => menu.entries.some(one => one.entries.length > 0)),
    toggle: menus.some(menu => folds(menu)),
    highlight: menus.some(menu => hasHighlight(menu.entries)),
    boxes: looks.scopes.some(one => one.values.has('entry-background')),
  };
  // Tabs are a bar too.
  const forms = new Set(
    menus.flatMap(menu => (menu.form === 'tabs' ? (['bar', 'tabs'] as const) : menu.form)),
  );
  // A menu of several languages stands once for each.
  const named = [...new Map(menus.map(menu => [menu.name, menu])).values()];
  const sheet = [
    signature,
    scopeRules(looks, named),
    partRules(has),
    base(uses, has),
    ...(forms.has('bar') ? [bar] : []),
    ...(forms.has('column') ? [column] : []),
    ...(forms.has('plain') ? [plain] : []),
    ...(has.submenu ? [submenus(forms)] : []),
    ...named.filter(menu => menu.align !== 'start').map(menu => aligned(menu.name, menu.align)),
    stateRules(uses),
    marks,
    ...(has.submenu && forms.has('bar') ? [markBeside(`.${parts.bar} .${parts.submenu}`)] : []),
    ...(forms.has('plain') ? [markPlain] : []),
    ...(forms.has('column') ? [markBeside(`.${parts.column}`)] : []),
    ...(has.highlight ? [highlight] : []),
    ...(forms.has('tabs') ? [tabs] : []),
    arrangements(named),
    markerRules(looks),
    extras(menus),
    ...named.flatMap(menu => foldRules(menu, fits)),
    skip,
    conditions,
  ].join('\n');
  return sheet.replace(/[^\0-\x7f]/gu, letter => `\\${letter.codePointAt(0)!.toString(16)} `);
}

/** @param fits the widths of bars in em, by the menu’s name */
function foldRules({ name, fold }: ResolvedMenu, fits: ReadonlyMap<string, number>): string[] {
  if (fold.belowEm !== null) return [stack(name, fold.belowEm)];
  const width = fits.get(name);
  return fold.crowded && width !== undefined ? [crowdedStack(name, width)] : [];
}

function hasHighlight(entries: readonly ResolvedEntry[]): boolean {
  return entries.some(one => one.highlight !== null || hasHighlight(one.entries));
}
