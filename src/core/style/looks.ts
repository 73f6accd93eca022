import type { StateName } from '../plan/look-types.ts';
import { stateNames } from '../plan/look-types.ts';
import type { ResolvedLooks } from '../look/types.ts';
import { parts } from '../markup/names.ts';
import { type StyleParts, pick, within as inMenu } from './parts.ts';

type Uses = ResolvedLooks['uses'];

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
      const text = block(selectors[name](has), [...colors, ...boxed]);
      return name === 'hover' ? `@media (hover: hover) {\n${text}}\n` : text;
    });
  return `${rules.join('')}${pick(has, ':focus-visible')} {
  outline: 2px solid var(--kamino-focus);
  outline-offset: -2px;
}
${has.submenu ? joined(uses) : ''}${has.home ? homeKept(uses) : ''}`;
}

/** The home keeps its own weight and border in every state. */
function homeKept(uses: Uses): string {
  const lines = [
    ...(uses.ofStates.border
      ? ['  border: var(--kamino-border);', '  margin: 0;', '  margin-inline-end: 0.6em;']
      : []),
    ...(uses.weight ? ['  font-weight: 700;'] : []),
  ];
  const home = `.${parts.menu} .${parts.home}.${parts.home}.${parts.home}`;
  return lines.length === 0 ? '' : `${home} {\n${lines.join('\n')}\n}\n`;
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
