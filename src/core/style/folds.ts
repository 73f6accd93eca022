import { covers, folds, hasSheets } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { menuClass, parts } from '../markup/names.ts';
import { apart, arranged, hairline, separatedBelow } from './arrange.ts';
import { topList } from './parts.ts';
import { aligned, columns, highlight, lines, sheets } from './rules.ts';
import { tabs } from './tabs.ts';

/** A block of rules, or the rules themselves where they always hold. */
const when = (condition: string | null, rules: string): string =>
  rules === '' ? '' : condition === null ? rules : `${condition} {\n${rules}}\n`;

/** How submenus and a fold open under the pointer, which the script asks for. */
function settings({ name, opens, fold, ...menu }: ResolvedMenu): string {
  const own = `.${parts.menu}.${menuClass(name)}`;
  const sheets = hasSheets({ ...menu, opens })
    ? `${own} {\n${opens.by === 'hover' ? `  --kamino-after: ${opens.after};\n` : ''}  --kamino-ease: ${opens.ease};\n}\n`
    : '';
  return (
    sheets + (fold.by === 'hover' ? `${own} .${parts.toggle} {\n  --kamino-rest: ${opens.after};\n}\n` : '')
  );
}

/** The rules of one menu: what it is where it has room, and where it is folded. */
export function menuRules(menu: ResolvedMenu, width: number | undefined): string {
  return settings(menu) + placeRules(menu, width);
}

function placeRules(menu: ResolvedMenu, width: number | undefined): string {
  const { name, fold } = menu;
  const wide = wideRules(menu);
  if (fold.when === 'never') return wide;
  if (fold.when === 'any-width') return narrowRules(menu) + pageRules(menu);
  if (fold.when === 'below')
    return (
      when(`@media (width >= ${fold.belowEm}em)`, wide) +
      when(`@media (width < ${fold.belowEm}em)`, narrowRules(menu)) +
      pageRules(menu)
    );
  // Without fonts nothing is known of its width.
  if (width === undefined) return wide;
  const container = `kamino-${name}`;
  return (
    crowded(`.${parts.menu}.${menuClass(name)}`, container, width) +
    when(`@container ${container} (inline-size >= ${width}em)`, wide) +
    when(`@container ${container} (inline-size < ${width}em)`, narrowRules(menu)) +
    pageRules(menu)
  );
}

/**
 * The menu asks the page for the width that it needs, and may shrink to nothing; its room is a size container. The 1 px
 * answers the rounding of lengths.
 */
const crowded = (menu: string, container: string, em: number): string => `${menu} {
  display: grid;
  grid-template-columns: minmax(0, calc(${em}em + 1px)) minmax(0, 1fr);
}
${menu}>.${parts.room} {
  grid-column: 1 / -1;
  position: relative;
  z-index: var(--kamino-layer, 20);
  container: ${container} / inline-size;
}
`;

function wideRules(menu: ResolvedMenu): string {
  const own = `.${menuClass(menu.name)}`;
  const isBar = menu.form === 'bar' || menu.form === 'tabs';
  const hidden = [
    ...(folds(menu) ? [`${own} .${parts.toggle}`] : []),
    ...(covers(menu) ? [`${own} .${parts.close}`] : []),
    ...(menu.joined.length > 0 ? [`${own} .${parts.joined}.${parts.joined}`] : []),
  ];
  return [
    hidden.length > 0 ? `${hidden.join(',')} {\n  display: none;\n}\n` : '',
    covers(menu) ? `${own} .${parts.fold} {\n  display: contents;\n}\n` : '',
    hasSheets(menu) ? sheets(own, isBar) : '',
    hasSheets(menu) && menu.opens.columns > 1 ? columns(own, menu.opens.columns) : '',
    aligned(own, menu.align),
    isBar && menu.entries.some(one => one.highlight !== null) ? highlight(own) : '',
    menu.form === 'tabs' ? tabs(own) : '',
    arranged(own, menu),
    menu.entries.some(one => one.apart) ? apart(own, isBar) : '',
  ].join('');
}

function narrowRules(menu: ResolvedMenu): string {
  const own = `.${menuClass(menu.name)}`;
  const opens = [menu, ...menu.joined].some(({ entries }) => entries.some(one => one.entries.length > 0));
  if (menu.fold.as === 'none')
    return `${menu.fold.joins === null ? `.${parts.menu}${own}` : `.${parts.joins}${own}`} {\n  display: none;\n}\n`;
  return `${
    menu.form === 'bar' || menu.form === 'tabs'
      ? ''
      : `${own} .${parts.room} {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
}
`
  }${lines(`${own} .${parts.list}`, own, opens)}${own} .${parts.toggle} {
  ${menu.fold.toggle.at === 'end' ? 'margin-inline-start: auto' : 'order: -1'};
}
${menu.separators === 'line' ? separatedBelow(own) : ''}${
    menu.joined.length > 0
      ? `${own} .${parts.joined} {
  margin-block-start: 0.6em;
  padding-block-start: 0.6em;
  border-block-start: 1px solid ${hairline};
}
`
      : ''
  }${menu.fold.as === 'stack' ? stack(own, menu) : menu.fold.as === 'drawer' ? cover(own) + drawer(own, menu) : cover(own) + fullScreen(own)}`;
}

/** In the flow, pushing the page down; a bar that stays scrolls inside itself. */
const stack = (
  own: string,
  { stays }: ResolvedMenu,
): string => `${own} .${parts.toggle}:not([open])~.${parts.list} {
  display: none;
}
${own} ${topList} {
  flex-basis: 100%;
  padding-block: 0.3em 0.6em;
}
${
  stays
    ? `${own} .${parts.room} {
  max-block-size: 100vh;
  overflow-y: auto;
}
`
    : ''
}`;

/** Over the page, in the top layer. */
const cover = (own: string): string => `${own} .${parts.fold} {
  inset-block: 0;
  block-size: 100%;
  max-block-size: none;
  margin: 0;
  padding: 0.6em;
  border: 0;
  color: var(--kamino-color);
  background: var(--kamino-background);
  overflow-y: auto;
  overscroll-behavior: contain;
}
${own} .${parts.close} {
  margin-inline-start: auto;
}
`;

const drawer = (own: string, { fold }: ResolvedMenu): string => `${own} .${parts.fold} {
  --kamino-away: ${fold.side === 'start' ? '-100%' : '100%'};
  inset-inline: ${fold.side === 'start' ? '0 auto' : 'auto 0'};
  inline-size: var(--kamino-drawer, min(20rem, 86vw));
  box-shadow: 0 0 2em rgb(0 0 0 / 0.25);
}
${own} .${parts.fold}:dir(rtl) {
  --kamino-away: ${fold.side === 'start' ? '100%' : '-100%'};
}
`;

const fullScreen = (own: string): string => `${own} .${parts.fold} {
  inset-inline: 0;
  inline-size: 100%;
  max-inline-size: none;
}
${own} .${parts.fold}>.${parts.list} {
  inline-size: min(24em, 100%);
  margin: 8vh auto;
  font-size: 1.25em;
}
`;

/** What an open cover does to the page behind it, and how it comes and goes. */
function pageRules(menu: ResolvedMenu): string {
  if (!covers(menu)) return '';
  const { as, side, behind } = menu.fold;
  const own = `.${menuClass(menu.name)}`;
  const open = `html:has(${own} .${parts.fold}:popover-open)`;
  const shut = `${open} {
  overflow: hidden;
}
${own} .${parts.fold}::backdrop {
  background: rgb(0 0 0 / 0.45);
}
`;
  const shifted = `${open} {
  padding-inline-${side}: var(--kamino-drawer, min(20rem, 86vw));
}
${own} .${parts.fold} {
  --kamino-behind: shifted;
}
`;
  const isCover = as === 'full-screen' || behind === 'covered';
  const page = isCover
    ? shut
    : behind === 'shifted'
      ? shifted
      : `${when('@media (width >= 64em)', shifted)}${when('@media (width < 64em)', shut)}`;
  const away = as === 'drawer' ? 'translate: var(--kamino-away)' : 'opacity: 0';
  return `${page}@media (prefers-reduced-motion: no-preference) {
  ${own} :is(.${parts.fold}:popover-open,.${parts.closing}) {
    transition: ${as === 'drawer' ? 'translate' : 'opacity'} 0.22s ease-out, display 0.22s allow-discrete, overlay 0.22s allow-discrete;
  }
  ${own} .${parts.fold}::backdrop {
    transition: opacity 0.22s ease-out;
  }
  ${own} .${parts.closing}:not(:popover-open) {
    ${away};
  }
  @starting-style {
    ${own} .${parts.fold}:popover-open {
      ${away};
    }
    ${own} .${parts.fold}:popover-open::backdrop {
      opacity: 0;
    }
  }
}
`;
}

/** The marks of toggles and of what closes a cover: lines or dots, and a cross. */
export function toggleRules(menus: readonly ResolvedMenu[]): string {
  const folding = menus.filter(folds);
  if (folding.length === 0) return '';
  const own = (icon: 'lines' | 'dots'): ResolvedMenu[] =>
    folding.filter(({ fold }) => fold.toggle.icon === icon && fold.toggle.show !== 'label');
  const drawn = (icon: 'lines' | 'dots'): string =>
    own(icon)
      .map(menu => `.${menuClass(menu.name)} .${parts.toggle}>*::before`)
      .join(',');
  const crosses = [
    ...(own('lines').length + own('dots').length > 0
      ? [`.${parts.menu} .${parts.toggle}[open]>*::before`]
      : []),
    ...(folding.some(covers) ? [`.${parts.menu} .${parts.close}.${parts.close}::before`] : []),
  ];
  const arm = (angle: string): string =>
    `linear-gradient(${angle}, transparent calc(50% - 0.08em), currentcolor calc(50% - 0.07em) calc(50% + 0.07em), transparent calc(50% + 0.08em))`;
  const rule = (selector: string, body: string): string =>
    selector === '' ? '' : `${selector} {\n${body}}\n`;
  return [
    rule(
      drawn('lines'),
      `  content: "";
  inline-size: 1.1em;
  block-size: 0.75em;
  border-block: 0.13em solid;
  background: linear-gradient(currentcolor, currentcolor) center / 100% 0.13em no-repeat;
`,
    ),
    rule(
      drawn('dots'),
      `  content: "";
  inline-size: 0.3em;
  block-size: 1em;
  background: radial-gradient(circle, currentcolor 0.12em, transparent 0.14em) center / 100% 33.4%;
`,
    ),
    rule(
      crosses.join(','),
      `  content: "";
  inline-size: 0.95em;
  block-size: 0.95em;
  border: 0;
  background: ${arm('45deg')}, ${arm('-45deg')};
`,
    ),
    ...folding
      .filter(
        ({ fold }) =>
          typeof fold.toggle.icon !== 'string' && fold.toggle.icon.open !== fold.toggle.icon.closed,
      )
      .map(
        ({ name }) =>
          `.${menuClass(name)} :is(.${parts.toggle}[open]>*>svg:first-child,.${parts.toggle}:not([open])>*>svg+svg) {\n  display: none;\n}\n`,
      ),
  ].join('');
}
