import { covers, folds, hasSubmenus, isSingle, levelsBelow } from '../menu/folds.ts';
import { type Form, forms } from '../plan/forms.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import type { ResolvedPanels } from '../target/facts.ts';
import type { ResolvedLooks } from '../look/types.ts';
import { parts } from '../markup/names.ts';
import { styleSignature } from '../markup/own.ts';
import { arrangements } from './arrange.ts';
import { besideReset } from './beside.ts';
import { compact } from './compact.ts';
import { type Lying, menuRules } from './folds.ts';
import { roomOf } from './room.ts';
import { type Narrow, scopeRules } from './scopes.ts';
import { toggleRules } from './toggles.ts';
import { airRules } from './edges.ts';
import { extras } from './forms.ts';
import { aboutRules } from './lists.ts';
import { overRules } from './over.ts';
import { pictureRules } from './pictures.ts';
import { panelRules } from './panels.ts';
import { inPage, overStaying, singles } from './page.ts';
import { base, stateRules } from './looks.ts';
import { hideUsual, partMarks } from './markers.ts';
import { type StyleParts, partRules, within } from './parts.ts';
import { conditions, markBeside, markPlain, marks } from './marks.ts';
import { bar, lines, ownSpaces, plain, skip, submenus } from './rules.ts';

const head = `${styleSignature}; own rules go into a sheet of their own. */`;

const partsIn = (menus: readonly ResolvedMenu[], looks: ResolvedLooks): StyleParts => ({
  home: menus.some(menu => menu.home !== null),
  submenu: menus.some(hasSubmenus),
  toggle: menus.some(menu => folds(menu)),
  cover: menus.some(menu => covers(menu)),
  boxes: looks.scopes.some(one => one.values.has('entry-background')),
});

/** Entries that stand below each other. What lies below those of a plain menu has the marks of that. */
function belowEachOther(used: ReadonlySet<Form>, has: StyleParts, hasUsual: boolean): string {
  const submenu = `.${parts.submenu}`;
  const marked = used.has('plain') ? `${submenu}:where(:not(.${parts.plain} *))` : submenu;
  const scope = (submenus: string): string => {
    const all = [...(used.has('column') ? [`.${parts.column}`] : []), ...(has.submenu ? [submenus] : [])];
    return all.length > 1 ? `:is(${all.join(',')})` : (all[0] ?? '');
  };
  const lists = [
    ...(used.has('column') ? [`.${parts.column} .${parts.list}`] : []),
    ...(has.submenu ? [within('submenu')] : []),
  ];
  if (lists.length === 0) return '';
  const rows = lines(lists.join(','), scope(submenu), { opens: has.submenu, hasUsual: false });
  return hasUsual ? rows + markBeside(scope(marked)) : rows;
}

interface Given {
  /** In em, by name: at which widths bars fold by their own room. */
  fits: ReadonlyMap<string, number>;
  panels: readonly ResolvedPanels[];
  /** What menus lie in whose labels begin where the text of the page does, by name. */
  holders: ReadonlyMap<string, string>;
}

/** The style sheet for the menus of a site, in ASCII: only what they use. Every rule has the strength of two classes. */
export function styleSheet(
  menus: readonly ResolvedMenu[],
  looks: ResolvedLooks,
  { fits, panels, holders }: Given,
): string {
  const { uses } = looks;
  const has = partsIn(menus, looks);
  const used = new Set(menus.flatMap(menu => forms[menu.form].classes));
  const named = onePerName(menus);
  const hasUsual = !hideUsual(named, looks);
  const narrow: Narrow = menu => roomOf(menu, fits.get(menu.name))?.narrow ?? null;
  const lying = ({ name }: ResolvedMenu): Lying => ({
    width: fits.get(name),
    holder: holders.get(name) ?? null,
  });
  const { values, drawn } = scopeRules(looks, named, narrow);
  const rules = [
    inPage(named, looks),
    partRules(has, uses),
    drawn,
    base(uses, has),
    ...(used.has('bar') ? [bar] : []),
    ...(used.has('plain') ? [plain] : []),
    ...(has.submenu ? [submenus] : []),
    ...panels.map(group => panelRules(group, uses)),
    stateRules(uses, has),
    marks(has, hasUsual),
    belowEachOther(used, has, hasUsual),
    ...(used.has('plain') ? [markPlain] : []),
    arrangements(named, uses),
    toggleRules(named, looks),
    ...named.map(menu => menuRules(menu, lying(menu), looks)),
    partMarks(looks, named, narrow),
    pictureRules(menus, fits),
    extras(menus),
    overStaying(named),
    ...(menus.some(isSingle) ? [singles(named)] : []),
    ...named.filter(({ form }) => forms[form].isGroundless).map(ownSpaces),
    ...[...looks.edges].flatMap(([name, edges]) => (edges === 'air' ? [airRules(name)] : [])),
    aboutRules(named),
    ...named.filter(one => one.over).map(overRules),
    skip,
    conditions(has, uses),
  ].join('\n');
  const all = compact(rules);
  const sheet = `${head}\n${values}${besideReset(all)}${all}\n`;
  return sheet.replace(/[^\0-\x7f]/gu, letter => `\\${letter.codePointAt(0)!.toString(16)} `);
}

/** A menu of several languages stands once for each; the one with most below its entries needs the most rules. */
function onePerName(menus: readonly ResolvedMenu[]): ResolvedMenu[] {
  const found = new Map<string, ResolvedMenu>();
  for (const menu of menus) {
    const known = found.get(menu.name);
    if (!known || levelsBelow(known.entries) <= levelsBelow(menu.entries)) found.set(menu.name, menu);
  }
  return [...found.values()];
}
