import type { ResolvedLooks } from '../look/types.ts';
import { parts } from '../markup/names.ts';
import type { Frame } from '../plan/look-types.ts';

/** Parts of menus that not every site has. */
export interface StyleParts {
  home: boolean;
  /** Submenus that open; others lie open. */
  submenu: boolean;
  toggle: boolean;
  /** Drawers and full-screen menus. */
  cover: boolean;
  /** Some entries or parts have a ground of their own. */
  boxes: boolean;
}

/** A part in a menu, two classes strong. */
export const within = (part: keyof typeof parts): string => `.${parts.menu} .${parts[part]}`;

/** The list of a menu itself, wherever its form puts it, and its entries. */
export const topList = `:not(li)>.${parts.list}`;
export const topEntry = `${topList}>.${parts.entry}`;

const anyOf = (selectors: readonly string[]): string =>
  selectors.length === 1 ? selectors[0]! : `:is(${selectors.join(',')})`;

/** What opens and closes: openers, toggles and the button of a cover. */
const controls = (has: StyleParts): string[] => [
  ...(has.submenu ? [`.${parts.opener}>*`] : []),
  ...(has.toggle ? [`.${parts.toggle}>*`] : []),
  ...(has.cover ? [`.${parts.close}`] : []),
];

/** What answers the pointer and the keyboard, with a state. */
export const pick = (has: StyleParts, state = ''): string =>
  `.${parts.menu} :is(${[`a.${parts.link}`, ...(has.home ? [`.${parts.home}`] : []), ...controls(has)].join(',')})${state}`;

/** The page's own rules for lists, links and the like end here; then what all forms share. */
export function partRules(has: StyleParts, uses: ResolvedLooks['uses']): string {
  const own = `.${parts.menu} [class^=kamino-]:not(:where(svg,img))`;
  const openers = [...(has.submenu ? [`.${parts.opener}`] : []), ...(has.toggle ? [`.${parts.toggle}`] : [])];
  const inside = openers.length > 0 ? `,.${parts.menu} ${anyOf(openers)}>*` : '';
  const all = `.${parts.menu}.${parts.menu},${own}${inside}`;
  const before = all
    .split(/,(?=\.kamino[. ])/)
    .flatMap(one => [`${one}::before`, `${one}::after`])
    .join(',');
  return `${all} {
  all: revert;
  box-sizing: border-box;
}
${before} {
  content: none;
}
${shared(has, uses)}${framed(uses.frame)}${has.submenu || has.toggle ? summaries(has, uses) : ''}`;
}

/** The menu's own box, and the row of what is in it. */
function framed(uses: ResolvedLooks['uses']['frame']): string {
  if (uses.size === 0) return '';
  const line = (key: keyof Frame, css: string): string => (uses.has(key) ? `  ${css};\n` : '');
  const border = uses.has('edges')
    ? `  border-block: var(--kamino-frame-top);
  border-block-end: var(--kamino-frame-bottom);
  border-inline: var(--kamino-frame-start);
  border-inline-end: var(--kamino-frame-end);
`
    : '  border: var(--kamino-frame-border);\n';
  const own = [
    line('width', 'max-inline-size: var(--kamino-frame-width)'),
    line('padding', 'padding: var(--kamino-frame-padding)'),
    uses.has('border') ? border : '',
    line('radius', 'border-radius: var(--kamino-frame-radius)'),
    line('shadow', 'box-shadow: var(--kamino-frame-shadow)'),
    // What is blurred makes a layer of its own: submenus lie over what follows as the layer does.
    line(
      'blur',
      'position: relative;\n  z-index: var(--kamino-layer, 20);\n  backdrop-filter: var(--kamino-frame-blur)',
    ),
  ].join('');
  return `.${parts.menu}:not(.${parts.button},.${parts.top}) {
${own}}
${
  uses.has('width')
    ? `.${parts.menu}:is(.${parts.bar},.${parts.tabs}) {
  margin-inline: auto;
}
`
    : ''
}${
    uses.has('row')
      ? `.${parts.menu}>.${parts.room} {
  inline-size: 100%;
  max-inline-size: var(--kamino-frame-row);
  margin-inline: auto;
}
`
      : ''
  }`;
}

/** A button has a type of its own, but for what it is told to take over. */
const inherited = ({ type }: ResolvedLooks['uses']): string =>
  (['word-spacing', 'text-transform'] as const)
    .filter(row => type.has(row))
    .map(row => `  ${row}: inherit;\n`)
    .join('');

const typeLines = (uses: ResolvedLooks['uses']): string =>
  [...uses.type]
    .filter(row => row !== 'line-height')
    .map(row => `  ${row}: var(--kamino-${row});\n`)
    .join('');

const shared = (has: StyleParts, uses: ResolvedLooks['uses']): string => `.${parts.menu}.${parts.menu} {
  min-inline-size: 0;
  color: var(--kamino-color);
  background: var(--kamino-background);
  font-family: var(--kamino-font-family);
  font-size: var(--kamino-font-size);
  font-weight: var(--kamino-font-weight);
  letter-spacing: var(--kamino-letter-spacing);
${typeLines(uses)}  line-height: ${uses.type.has('line-height') ? 'var(--kamino-line-height)' : '1.35'};
}
${within('list')} {
  display: flex;
  flex-wrap: wrap;
  gap: var(--kamino-gap);
  min-inline-size: 0;
  margin: 0;
  padding: 0;
  list-style: none;
}
${within('entry')} {
  position: relative;
  display: flex;
  min-inline-size: 0;
}
.${parts.menu} :is(.${parts.link}${has.home ? `,.${parts.home}` : ''}${controls(has)
  .map(one => `,${one}`)
  .join('')}) {
  position: relative;
  display: flex;
  align-items: center;
  min-inline-size: 0;
  padding: var(--kamino-padding);
  border-radius: var(--kamino-radius);
  color: var(--kamino-color);
  text-decoration: none;
  overflow-wrap: anywhere;
}
${has.home ? home(uses) : ''}`;

/** What it keeps in every state is said with those. */
function home({ ofStates, weight }: ResolvedLooks['uses']): string {
  const lines = [
    ...(ofStates.border ? [] : ['  margin-inline-end: 0.6em;\n']),
    ...(weight ? [] : ['  font-weight: 700;\n']),
  ];
  return lines.length === 0 ? '' : `${within('home')} {\n${lines.join('')}}\n`;
}

/** The marks of openers and toggles are drawn, and turn when open. */
function summaries(has: StyleParts, uses: ResolvedLooks['uses']): string {
  const all = `.${parts.menu} ${anyOf(controls(has))}`;
  return `${all} {
  gap: 0.5em;
  min-inline-size: 2em;
${has.cover ? `  border: 0;\n  background: none;\n  font: inherit;\n  letter-spacing: inherit;\n${inherited(uses)}` : ''}  list-style: none;
  cursor: pointer;
}
${all}::-webkit-details-marker {
  display: none;
}
${has.submenu ? openers : ''}`;
}

const openers = `${within('opener')} {
  display: flex;
}
${within('opener')}>* {
  min-block-size: 100%;
}
${within('opener')}>.${parts.link} {
  flex: 1 1 auto;
}
${within('link')}+.${parts.opener}>* {
  padding-inline: 0.6em;
}
${within('link')}:has(+.${parts.opener}) {
  padding-inline-end: 0.3em;
}
${within('link')}:has(+.${parts.opener})::after {
  margin-inline-end: -0.65em;
}
${within('opener')}>*::after {
  content: "";
  inline-size: 0.45em;
  block-size: 0.45em;
  margin-block-start: -0.2em;
  border: solid currentcolor;
  border-width: 0 0.12em 0.12em 0;
  rotate: 45deg;
}
${within('opener')}[open]>*::after {
  margin-block-start: 0.25em;
  rotate: 225deg;
}
`;
