import { parts } from './names.ts';

/** Parts of menus that not every site has. */
export interface StyleParts {
  home: boolean;
  submenu: boolean;
  toggle: boolean;
  highlight: boolean;
  /** Some entries or parts have a ground of their own. */
  boxes: boolean;
}

/** A part in a menu, two classes strong. */
export const within = (part: keyof typeof parts): string => `.${parts.menu} .${parts[part]}`;

/** The page's own rules for lists, links and the like end here; then what all forms share. */
export function partRules(uses: StyleParts): string {
  const own = [
    `.${parts.menu}.${parts.menu}`,
    within('room'),
    within('list'),
    within('entry'),
    within('link'),
    ...(uses.home ? [within('home')] : []),
    ...(uses.submenu ? [within('opener'), `${within('opener')} summary`] : []),
    ...(uses.toggle ? [within('toggle'), `${within('toggle')} summary`] : []),
  ];
  const before = own.flatMap(one => [`${one}::before`, `${one}::after`]);
  return `${own.join(',\n')} {
  all: revert;
  box-sizing: border-box;
}
${before.join(',\n')} {
  all: revert;
  content: none;
}
${shared}${uses.home ? home : ''}${uses.submenu || uses.toggle ? summaries(uses) : ''}`;
}

const shared = `.${parts.menu}.${parts.menu} {
  min-inline-size: 0;
  color: var(--kamino-color);
  background: var(--kamino-background);
  font-family: var(--kamino-font-family);
  font-size: var(--kamino-font-size);
  font-weight: var(--kamino-font-weight);
  letter-spacing: var(--kamino-letter-spacing);
  line-height: 1.35;
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
${within('link')} {
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
`;

const home = `${within('home')} {
  position: relative;
  display: flex;
  align-items: center;
  min-inline-size: 0;
  margin-inline-end: 0.6em;
  padding: var(--kamino-padding);
  border-radius: var(--kamino-radius);
  color: inherit;
  font-weight: 700;
  text-decoration: none;
  overflow-wrap: anywhere;
}
`;

/** The marks of openers and toggles are drawn, and turn when open. */
function summaries(uses: StyleParts): string {
  const all = [
    ...(uses.submenu ? [`${within('opener')} summary`] : []),
    ...(uses.toggle ? [`${within('toggle')} summary`] : []),
  ];
  const pick = (state: string): string => all.map(one => `${one}${state}`).join(',\n');
  return `${pick('')} {
  display: flex;
  align-items: center;
  gap: 0.5em;
  min-inline-size: 2em;
  min-block-size: 100%;
  padding: var(--kamino-padding);
  border-radius: var(--kamino-radius);
  list-style: none;
  cursor: pointer;
}
${pick('::-webkit-details-marker')} {
  display: none;
}
${
  uses.submenu
    ? `${within('opener')} {
  display: flex;
}
${within('opener')} summary.${parts.link} {
  flex: 1 1 auto;
}
${within('link')} + .${parts.opener} summary {
  padding-inline: 0.6em;
}
${within('link')}:has(+ .${parts.opener}) {
  padding-inline-end: 0.3em;
}
${within('link')}:has(+ .${parts.opener})::after {
  margin-inline-end: -0.65em;
}
${within('opener')} summary::after {
  content: "";
  inline-size: 0.45em;
  block-size: 0.45em;
  margin-block-start: -0.2em;
  border: solid currentcolor;
  border-width: 0 0.12em 0.12em 0;
  transform: rotate(45deg);
}
${within('opener')}[open] summary::after {
  margin-block-start: 0.25em;
  transform: rotate(225deg);
}
`
    : ''
}`;
}
