import { covers, folds } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import type { ResolvedLooks, Scope, ScopeAddress } from '../look/types.ts';
import { entryAttribute, highlightClass, menuClass, parts } from '../markup/names.ts';
import { type Around, aroundEach, aroundOf, isOfPart } from './around.ts';
import { when } from './room.ts';
import { type Written, isSaidOfSubmenus, submenusOf } from './said.ts';
import { openFold, withGround } from './selectors.ts';

/**
 * The values of looks as custom properties: those of all menus, then what differs in menus, parts and entries. What does
 * not come to an element through these is drawn by rules of its own, which stand behind those that all have.
 */
export function scopeRules(
  { scopes, scheme }: ResolvedLooks,
  menus: readonly ResolvedMenu[],
  narrow: Narrow,
): { values: string; drawn: string } {
  const [rules, dark, drawn] = [new Rules(), new Rules(), new Rules()];
  const constant = constantsOf(scopes);
  // What covers the page draws its ground itself.
  const covering = new Set(menus.filter(covers).map(one => openFold(one, true)));
  for (const scope of scopes) {
    if (scope.isOfSheets) continue;
    const written = (one: Scope): Written => {
      const around = aroundEach(one, scopes);
      return {
        values: body(one, { around, scheme, constant }),
        dark: darkBody(one, { around, constant }),
        drawn: drawnBody(one, { around, constant }),
      };
    };
    const own = written(scope);
    if (isSaidOfSubmenus(own, submenusOf(scope, scopes, menus).map(written))) continue;
    for (const [selector, condition] of selectorsOf(scope.address, menus, narrow)) {
      rules.add(own.values, selector, condition);
      dark.add(own.dark, selector, condition);
      if (own.drawn !== ground || !covering.has(selector)) drawn.add(own.drawn, selector, condition);
    }
  }
  const inDark = dark.text();
  const schemes = inDark === '' ? '' : `@supports (color: light-dark(red, red)) {\n${inDark}}\n`;
  return { values: rules.text() + schemes, drawn: drawn.text() };
}

/** The condition under which a menu is folded; null for always. */
export type Narrow = (menu: ResolvedMenu) => string | null;

/** Rules with the same lines are one, under the condition that they hold in. */
class Rules {
  readonly #of = new Map<string | null, Map<string, string[]>>();

  add(lines: string, selector: string, condition: string | null): void {
    if (lines === '') return;
    const all = this.#of.get(condition) ?? new Map<string, string[]>();
    this.#of.set(condition, all);
    all.set(lines, [...(all.get(lines) ?? []), selector]);
  }

  text(): string {
    return [...this.#of]
      .map(([condition, all]) =>
        when(
          condition,
          [...all].map(([lines, selectors]) => `${selectors.join(',\n')} {\n${lines}}\n`).join(''),
        ),
      )
      .join('');
  }
}

/** Read again by an element that the look of its menu does not reach through inheritance. */
const typeRows = new Set([
  'font-family',
  'font-size',
  'font-weight',
  'letter-spacing',
  'word-spacing',
  'font-style',
  'text-transform',
  'line-height',
]);

/** Values that are the same wherever they are, in the dark too: all have them from the first. */
function constantsOf(scopes: readonly Scope[]): ReadonlySet<string> {
  const [site, ...others] = scopes;
  const isAlike = ([name, value]: [string, string]): boolean =>
    others.every(({ values, dark }) =>
      values.has(name)
        ? values.get(name) === value && dark.get(name) === site!.dark.get(name)
        : !dark.has(name),
    );
  return new Set([...(site?.values ?? [])].filter(isAlike).map(([name]) => name));
}

function body(
  scope: Scope,
  {
    around,
    scheme,
    constant,
  }: { around: Around; scheme: ResolvedLooks['scheme']; constant: ReadonlySet<string> },
): string {
  const isSite = isOfSite(scope);
  const lines = [...scope.values].flatMap(([name, value]) => {
    const isThere = isSite ? isDefault(name, value) : constant.has(name);
    if (around(name)?.values.get(name) === value || isThere) return [];
    return [`  --kamino-${name}: ${value};\n`];
  });
  const follows = isSite && scheme === 'auto' ? ['  color-scheme: light dark;\n'] : [];
  return [...follows, ...lines].join('');
}

/** What holds by itself where nothing is said: https://www.w3.org/TR/css-variables-1/#invalid-variables */
const isDefault = (name: string, value: string): boolean =>
  defaults.some(([ending, holds]) => holds === value && ending.test(name));
const defaults = [
  [/-weight$/, 'inherit'],
  [/icon-color$/, 'currentcolor'],
  [/-margin$/, '0'],
  [/^frame-/, 'none'],
] as const;

const isOfSite = ({ address: { menu, part, entry, highlight } }: Scope): boolean =>
  menu === null && part === null && entry === null && highlight === null;

/** Type, and the ground of a part. */
function drawnBody(
  { address, values, paints }: Scope,
  { around, constant }: { around: Around; constant: ReadonlySet<string> },
): string {
  if (isOfPart({ address }, null)) return '';
  const type = [...values].filter(
    ([name, value]) =>
      typeRows.has(name) &&
      value !== 'inherit' &&
      around(name)?.values.get(name) !== value &&
      !constant.has(name),
  );
  return [...type.map(([name]) => `  ${name}: var(--kamino-${name});\n`), paints ? ground : ''].join('');
}

const ground = '  color: var(--kamino-color);\n  background: var(--kamino-background);\n';

function darkBody(
  scope: Scope,
  { around, constant }: { around: Around; constant: ReadonlySet<string> },
): string {
  return [...scope.dark]
    .filter(([name, value]) => {
      const other = around(name);
      const isThere = other?.dark.get(name) === value && other.values.get(name) === scope.values.get(name);
      return (isOfSite(scope) || !constant.has(name)) && !isThere;
    })
    .map(([name, value]) => `  --kamino-${name}: ${value};\n`)
    .join('');
}

/** Each with the condition that it holds in. */
function selectorsOf(
  { menu, part, entry, highlight }: ScopeAddress,
  menus: readonly ResolvedMenu[],
  narrow: Narrow,
): [selector: string, condition: string | null][] {
  const all = `.${parts.menu}${part === null ? '' : withGround(menus)}`;
  const scope = menu === null ? all : `.${parts.menu}.${menuClass(menu)}`;
  const grounds = groundsOf(scope, part, menus, menu);
  const own = menus.find(one => one.name === menu);
  // What was opened while there was no room may still be open where there is.
  const condition = own && (part === 'fold' || part === 'fold-submenu') ? narrow(own) : null;
  return grounds
    .flatMap(ground => {
      if (highlight !== null) return [`${ground} .${highlightClass(highlight)}>.${parts.link}`];
      if (entry === null) return [ground];
      const item = `${ground} [${entryAttribute}="${entry}"]`;
      return [`${item}>.${parts.link}`, `${item}>.${parts.opener}>summary`];
    })
    .map(selector => [selector, condition]);
}

/** What holds a part. */
function groundsOf(
  scope: string,
  part: ScopeAddress['part'],
  menus: readonly ResolvedMenu[],
  name: string | null,
): string[] {
  switch (part) {
    case null:
      return [scope];
    case 'submenu':
      return [`${scope} .${parts.submenu}`];
    case 'home':
      // Stronger than what keeps its weight and border in every state.
      return [`${scope} ${`.${parts.home}`.repeat(4)}`];
    case 'toggle':
      return [`${scope} .${parts.toggle}>*`];
    case 'scrolled':
      return [`${scope}.${parts.scrolled}`];
    case 'fold':
    case 'fold-submenu': {
      const below = part === 'fold' ? '' : ` .${parts.submenu}`;
      return menus
        .filter(one => folds(one) && (name === null || one.name === name))
        .map(one => openFold(one, covers(one)) + below);
    }
  }
}

/** What is written for sheets alone. */
export function sheetLines({ scopes, scheme }: ResolvedLooks, menu: string): string {
  const ofSubmenus = (name: string | null): Scope | undefined =>
    scopes.find(one => one.address.menu === name && isOfPart(one, 'submenu'));
  // What the plan says of the submenus of this menu holds wherever they lie.
  const nearest = ofSubmenus(menu) ?? ofSubmenus(null);
  const scope = nearest?.isOfSheets ? nearest : undefined;
  // Once the page has been scrolled the menu around has other values.
  const isScrolled = scopes.some(one => one.address.menu === menu && one.address.part === 'scrolled');
  const around = scope && !isScrolled ? aroundOf(scope, scopes) : null;
  return scope ? body(scope, { around: () => around, scheme, constant: constantsOf(scopes) }) : '';
}
