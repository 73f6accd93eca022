import { covers, folds } from '../menu/folds.ts';
import type { StateName } from '../plan/look-types.ts';
import { stateNames } from '../plan/look-types.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import type { ResolvedLooks, Scope, ScopeAddress } from '../look/types.ts';
import { entryAttribute, highlightClass, menuClass, parts } from '../markup/names.ts';
import { type StyleParts, pick, pickEntries, within as inMenu } from './parts.ts';
import { openFold } from './selectors.ts';

type Uses = ResolvedLooks['uses'];

/** The values of looks as custom properties: those of all menus, then what differs in menus, parts and entries. */
export function scopeRules({ scopes, scheme }: ResolvedLooks, menus: readonly ResolvedMenu[]): string {
  const rules = new Map<string, string[]>();
  const dark = new Map<string, string[]>();
  const add = (to: Map<string, string[]>, body: string, selector: string): void => {
    if (body !== '') to.set(body, [...(to.get(body) ?? []), selector]);
  };
  for (const scope of scopes) {
    if (scope.isOfSheets) continue;
    const around = aroundOf(scope, scopes);
    for (const selector of selectorsOf(scope.address, menus)) {
      add(rules, body(scope, around, scheme), selector);
      add(dark, darkBody(scope, around), selector);
    }
  }
  const text = (all: Map<string, string[]>): string =>
    [...all].map(([lines, selectors]) => `${selectors.join(',\n')} {\n${lines}}\n`).join('');
  const inDark = text(dark);
  return text(rules) + (inDark === '' ? '' : `@supports (color: light-dark(red, red)) {\n${inDark}}\n`);
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

function body(scope: Scope, around: Scope | null, scheme: ResolvedLooks['scheme']): string {
  const isOuter =
    scope.address.part === null && scope.address.entry === null && scope.address.highlight === null;
  const lines = [...scope.values].flatMap(([name, value]) => {
    if (around?.values.get(name) === value) return [];
    const line = `  --kamino-${name}: ${value};\n`;
    return typeRows.has(name) && !isOuter && value !== 'inherit' ? [line, `  ${name}: ${value};\n`] : [line];
  });
  const follows =
    scope.address.menu === null && around === null && scheme === 'auto'
      ? ['  color-scheme: light dark;\n']
      : [];
  const painted = scope.paints
    ? ['  color: var(--kamino-color);\n', '  background: var(--kamino-background);\n']
    : [];
  return [...follows, ...lines, ...painted].join('');
}

function darkBody(scope: Scope, around: Scope | null): string {
  return [...scope.dark]
    .filter(
      ([name, value]) =>
        around?.dark.get(name) !== value || around.values.get(name) !== scope.values.get(name),
    )
    .map(([name, value]) => `  --kamino-${name}: ${value};\n`)
    .join('');
}

/** The scope that holds where this one says nothing; null where another may have said more on the way. */
function aroundOf({ address }: Scope, scopes: readonly Scope[]): Scope | null {
  const { part, entry, highlight } = address;
  const isMenu = part === null && entry === null && highlight === null;
  if ((isMenu && address.menu === null) || part === 'fold-submenu') return null;
  const isScrolled = scopes.some(one => one.address.menu === address.menu && one.address.part === 'scrolled');
  if (isScrolled && part !== null && part !== 'scrolled') return null;
  if (part !== null && (entry !== null || highlight !== null)) return null;
  return (isMenu ? null : scopeOf(scopes, address.menu)) ?? scopes[0]!;
}

/** The scope of a menu, or of all. */
export const scopeOf = (scopes: readonly Scope[], menu: string | null): Scope | undefined =>
  scopes.find(
    ({ address }) =>
      address.menu === menu && address.part === null && address.entry === null && address.highlight === null,
  );

function selectorsOf(
  { menu, part, entry, highlight }: ScopeAddress,
  menus: readonly ResolvedMenu[],
): string[] {
  const scope = menu === null ? `.${parts.menu}` : `.${parts.menu}.${menuClass(menu)}`;
  const grounds = groundsOf(scope, part, menus, menu);
  if (highlight !== null)
    return grounds.map(ground => `${ground} .${highlightClass(highlight)} > .${parts.link}`);
  if (entry === null) return grounds;
  return grounds.flatMap(ground => {
    const item = `${ground} [${entryAttribute}="${entry}"]`;
    return [`${item} > .${parts.link}`, `${item} > .${parts.opener} > summary`];
  });
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
      return [`${scope} .${parts.home}`];
    case 'toggle':
      return [`${scope} .${parts.toggle} > *`];
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
  const own = scopes.find(one => one.isOfSheets && one.address.menu === menu);
  const scope = own ?? scopes.find(one => one.isOfSheets && one.address.menu === null);
  // Once the page has been scrolled the menu around has other values.
  const isScrolled = scopes.some(one => one.address.menu === menu && one.address.part === 'scrolled');
  return scope ? body(scope, isScrolled ? null : aroundOf(scope, scopes), scheme) : '';
}

/** What every box has at rest beside its colour. */
export function base(uses: Uses, has: StyleParts): string {
  const lines = [...(uses.border ? ['  border: var(--kamino-border);'] : []), ...drawnLines('', uses)];
  const ground = has.boxes ? ['  background: var(--kamino-entry-background, transparent);'] : [];
  const label = uses.weight
    ? `${inMenu('label')} {
  display: inline-grid;
}
${inMenu('label')}::after {
  content: attr(data-kamino-label);
  block-size: 0;
  overflow: hidden;
  visibility: hidden;
  font-weight: ${uses.boldest};
}
`
    : '';
  if (lines.length + ground.length === 0) return label;
  return `${pick(has)} {\n${[...ground, ...lines].join('\n')}\n}\n${label}`;
}

/** @param isOf what of them has a line */
function drawnLines(prefix: string, isOf: { shadow: boolean; icon: boolean }): string[] {
  return [
    ...(isOf.shadow ? [`  box-shadow: var(--kamino-${prefix}shadow);`] : []),
    ...(isOf.icon ? [`  --kamino-icon-now: var(--kamino-${prefix}icon-color);`] : []),
  ];
}

const opener = `.${parts.opener}.${parts.opener}>summary`;

/** A link and what opens its submenu are one row: each looks as the other does in a state. */
const asPair = (has: StyleParts, state: string): string =>
  has.submenu
    ? `,.${parts.menu} :where(.${parts.entry}:has(>.${parts.link}${state}))>${opener},.${parts.menu} :where(.${parts.entry}:has(>.${parts.opener}>${state}))>a.${parts.link}.${parts.link}`
    : '';
const within = `.${parts.menu} .${parts.within}`;

const selectors: Record<StateName, (has: StyleParts) => string> = {
  within: has => `${within}>a.${parts.link}${has.submenu ? `,${within}>.${parts.opener}>summary` : ''}`,
  current: has =>
    `.${parts.menu} ${has.home ? `:is(.${parts.link},.${parts.home})` : `.${parts.link}`}[aria-current]${currentPair(has)}`,
  hover: has => pick(has, ':hover') + asPair(has, ':hover'),
  focus: has => pick(has, ':focus-visible') + asPair(has, ':focus-visible'),
  pressed: has => pick(has, ':active') + asPair(has, ':active'),
};
const currentPair = (has: StyleParts): string =>
  has.submenu ? `,.${parts.menu} :where(.${parts.link}[aria-current])+${opener}` : '';

/** The same but for the home, which keeps its own weight and border. */
const boxedSelectors: Record<StateName, (has: StyleParts) => string> = {
  within: selectors.within,
  current: has => `.${parts.menu} .${parts.link}[aria-current]${currentPair(has)}`,
  hover: has => pickEntries(has, ':hover') + asPair(has, ':hover'),
  focus: has => pickEntries(has, ':focus-visible') + asPair(has, ':focus-visible'),
  pressed: has => pickEntries(has, ':active') + asPair(has, ':active'),
};

/** Each state sets all that any state sets, so that no two mix; a later one wins. */
export function stateRules(uses: Uses, has: StyleParts): string {
  const block = (selector: string, lines: readonly string[]): string =>
    lines.length === 0 ? '' : `${selector} {\n${lines.join('\n')}\n}\n`;
  const rules = stateNames
    .filter(name => uses.states.has(name))
    .map(name => {
      const colors = [
        `  color: var(--kamino-${name}-color);`,
        `  background: var(--kamino-${name}-background);`,
        ...drawnLines(`${name}-`, uses.ofStates),
      ];
      const boxed = [
        ...(uses.ofStates.border
          ? [`  border: var(--kamino-${name}-border);`, `  margin: var(--kamino-${name}-margin);`]
          : []),
        ...(uses.weight ? [`  font-weight: var(--kamino-${name}-weight);`] : []),
      ];
      const text = has.home
        ? block(selectors[name](has), colors) + block(boxedSelectors[name](has), boxed)
        : block(selectors[name](has), [...colors, ...boxed]);
      return name === 'hover' ? `@media (hover: hover) {\n${text}}\n` : text;
    });
  return `${rules.join('')}${pick(has, ':focus-visible')} {
  outline: 2px solid var(--kamino-focus);
  outline-offset: -2px;
}
${has.submenu ? joined(uses) : ''}`;
}

/** Where a link and what opens its submenu meet there is no edge: no corner, no border and no shadow. */
function joined(uses: Uses): string {
  const link = `.${parts.menu} .${parts.entry} .${parts.link}.${parts.link}:has(+.${parts.opener})`;
  const control = `.${parts.menu} .${parts.entry} .${parts.link}+.${parts.opener}.${parts.opener}>*`;
  // The control is so wide with its border, whose room is in it.
  const border = (side: 'end' | 'start'): string =>
    uses.border ? `  border-inline-${side}: 0;\n  margin-inline${side === 'end' ? '-end' : ''}: 0;\n` : '';
  return `${link} {
  border-start-end-radius: 0;
  border-end-end-radius: 0;
${border('end')}}
${control} {
  border-start-start-radius: 0;
  border-end-start-radius: 0;
${border('start')}${uses.shadow ? '  clip-path: inset(-2em -2em -2em -0.5px);\n' : ''}}
`;
}
