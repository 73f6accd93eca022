import { covers, folds } from '../menu/folds.ts';
import type { MarkerKind, StateName } from '../plan/look-types.ts';
import { stateNames } from '../plan/look-types.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import type { ResolvedLooks, Scope, ScopeAddress } from '../look/types.ts';
import { entryAttribute, highlightClass, menuClass, parts } from '../markup/names.ts';
import { type StyleParts, pick, pickEntries, within } from './parts.ts';

type Uses = ResolvedLooks['uses'];

/** The values of looks as custom properties: those of all menus, then what differs in menus, parts and entries. */
export function scopeRules({ scopes, scheme }: ResolvedLooks, menus: readonly ResolvedMenu[]): string {
  const rules = new Map<string, string[]>();
  const dark = new Map<string, string[]>();
  const add = (to: Map<string, string[]>, body: string, selector: string): void => {
    if (body !== '') to.set(body, [...(to.get(body) ?? []), selector]);
  };
  for (const scope of scopes) {
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
const typeRows = new Set(['font-family', 'font-size', 'font-weight', 'letter-spacing']);

function body(scope: Scope, around: Scope | null, scheme: ResolvedLooks['scheme']): string {
  const isOuter =
    scope.address.part === null && scope.address.entry === null && scope.address.highlight === null;
  const lines = [...scope.values].flatMap(([name, value]) => {
    if (around?.values.get(name) === value) return [];
    const line = `  --kamino-${name}: ${value};\n`;
    return typeRows.has(name) && !isOuter && value !== 'inherit' ? [line, `  ${name}: ${value};\n`] : [line];
  });
  const follows = around === null && scheme === 'auto' ? ['  color-scheme: light dark;\n'] : [];
  return [...follows, ...lines].join('');
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

/** The scope that holds where this one says nothing. */
function aroundOf({ address }: Scope, scopes: readonly Scope[]): Scope | null {
  const [site] = scopes;
  const isSite = Object.values(address).every(one => one === null);
  if (isSite) return null;
  const isMenu = address.part === null && address.entry === null && address.highlight === null;
  const ofMenu = scopes.find(
    one =>
      one.address.menu === address.menu &&
      one.address.part === null &&
      one.address.entry === null &&
      one.address.highlight === null,
  );
  return isMenu ? site! : (ofMenu ?? site!);
}

function selectorsOf(
  { menu, part, entry, highlight }: ScopeAddress,
  menus: readonly ResolvedMenu[],
): string[] {
  const scope = menu === null ? `.${parts.menu}` : `.${parts.menu}.${menuClass(menu)}`;
  if (highlight !== null) return [`${scope} .${highlightClass(highlight)} > .${parts.link}`];
  if (entry !== null) {
    const item = `${scope} [${entryAttribute}="${entry}"]`;
    return [`${item} > .${parts.link}`, `${item} > .${parts.opener} > summary`];
  }
  switch (part) {
    case null:
      return [scope];
    case 'submenu':
      return [`${scope} .${parts.submenu}`];
    case 'home':
      return [`${scope} .${parts.home}`];
    case 'toggle':
      return [`${scope} .${parts.toggle} > *`];
    case 'fold':
      return menus
        .filter(one => folds(one) && (menu === null || one.name === menu))
        .map(one => {
          const open = covers(one)
            ? `.${parts.fold}:is(:popover-open, .${parts.closing})`
            : `.${parts.toggle}[open] ~ .${parts.list}`;
          return `.${parts.menu}.${menuClass(one.name)} ${open}`;
        });
  }
}

/** What every box has at rest beside its colour. */
export function base(uses: Uses, has: StyleParts): string {
  const lines = [...(uses.border ? ['  border: var(--kamino-border);'] : []), ...drawnLines('', uses)];
  const ground = has.boxes ? ['  background: var(--kamino-entry-background, transparent);'] : [];
  const label = uses.weight
    ? `${within('label')} {
  display: inline-grid;
}
${within('label')}::after {
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

const selectors: Record<StateName, (has: StyleParts) => string> = {
  within: () => `.${parts.menu} .${parts.within}>a.${parts.link}`,
  current: has =>
    `.${parts.menu} ${has.home ? `:is(.${parts.link},.${parts.home})` : `.${parts.link}`}[aria-current]`,
  hover: has => pick(has, ':hover'),
  focus: has => pick(has, ':focus-visible'),
  pressed: has => pick(has, ':active'),
};

/** The same but for the home, which keeps its own weight and border. */
const boxedSelectors: Record<StateName, (has: StyleParts) => string> = {
  within: selectors.within,
  current: () => `.${parts.menu} .${parts.link}[aria-current]`,
  hover: has => pickEntries(has, ':hover'),
  focus: has => pickEntries(has, ':focus-visible'),
  pressed: has => pickEntries(has, ':active'),
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
`;
}

/** Marks of another kind than the one below the label. */
export function markerRules({ scopes }: ResolvedLooks): string {
  return scopes
    .filter(({ address, hasOwnMarkers }) => hasOwnMarkers && address.part === null && address.entry === null)
    .flatMap(({ address, markers }) => {
      const scope = address.menu === null ? `.${parts.menu}` : `.${parts.menu}.${menuClass(address.menu)}`;
      const link = `.${parts.entry}.${parts.entry} a.${parts.link}.${parts.link}`;
      const inside = `.${parts.entry}.${parts.within}.${parts.within} > a.${parts.link}.${parts.link}`;
      return [
        markerRule(`${scope} ${link}[aria-current]::after`, markers.current),
        markerRule(`${scope} ${inside}::after`, markers.within),
      ];
    })
    .join('');
}

const geometry: Record<Exclude<MarkerKind, 'below'>, string> = {
  none: '  content: none;\n',
  above: '  inset-block: calc(var(--kamino-mark-block) * 0.6) auto;\n',
  start: `  inset-block: 0.6em;
  inset-inline: 0.35em auto;
  inline-size: 0.15em;
  block-size: auto;
`,
  dot: `  inset-block: calc(50% - 0.18em) auto;
  inset-inline: 0.3em auto;
  inline-size: 0.36em;
  block-size: 0.36em;
`,
};

function markerRule(selector: string, kind: MarkerKind): string {
  return kind === 'below' ? '' : `${selector} {\n${geometry[kind]}}\n`;
}
