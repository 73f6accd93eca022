import { covers, folds } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import type { ResolvedLooks } from '../look/types.ts';
import { menuClass, parts } from '../markup/names.ts';

const line = (size: string): string =>
  `linear-gradient(currentcolor, currentcolor) center / ${size} no-repeat`;

/** The marks of toggles and of what closes a cover: lines or dots, and a cross. */
export function toggleRules(menus: readonly ResolvedMenu[], { scopes, uses }: ResolvedLooks): string {
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
  const marks = [drawn('lines'), drawn('dots'), ...crosses].filter(one => one !== '').join(',');
  // Lines and dots are as their toggle is, but for what its own look says of icons.
  const hasOwn = scopes.some(({ address }) => address.part === 'toggle');
  const ofIcons = !hasOwn
    ? ''
    : [
        uses.icon ? '  color: var(--kamino-icon-now, currentcolor);\n' : '',
        uses.iconSize ? '  font-size: calc(var(--kamino-icon-size) * 0.8);\n' : '',
      ].join('');
  const rule = (selector: string, body: string): string =>
    selector === '' ? '' : `${selector} {\n${body}}\n`;
  return [
    rule(
      drawn('lines'),
      `  content: "";
  inline-size: 1.1em;
  block-size: 0.75em;
  border-block: 0.13em solid;
  background: ${line('100% 0.13em')};
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
      // A toggle of lines has the rest already.
      `${own('dots').length > 0 || folding.some(covers) ? '  content: "";\n  inline-size: 1.1em;\n' : ''}  block-size: 1.1em;
  border: 0;
  background: ${line('100% 0.13em')}, ${line('0.13em 100%')};
  rotate: 45deg;
`,
    ),
    ofIcons === '' ? '' : rule(marks, ofIcons),
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
