import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { parts } from './names.ts';
import { extras } from './style-forms.ts';
import { type StyleParts, partRules } from './style-parts.ts';
import {
  aligned,
  bar,
  column,
  conditions,
  highlight,
  markBeside,
  markPlain,
  plain,
  skip,
  stack,
  states,
  submenus,
} from './style-rules.ts';
import type { Look } from '../plan/types.ts';
import type { ResolvedLook } from '../look/page.ts';

/** By this a style sheet is known as Kamino's. */
const signature = '/* Kamino wrote this from the plan; own rules go into a style sheet of their own. */';

export function isOwnStyle(text: string): boolean {
  return text.startsWith(signature);
}

/** The style sheet for the menus of a site, in ASCII: only what they use. Every rule has the strength of two classes. */
export function styleSheet(menus: readonly ResolvedMenu[], colors: ResolvedLook, look: Look): string {
  const uses: StyleParts = {
    home: menus.some(menu => menu.home !== null),
    submenu: menus.some(menu => menu.entries.some(one => one.entries.length > 0)),
    toggle: menus.some(menu => menu.fold.belowEm !== null),
    highlight: menus.some(menu => hasHighlight(menu.entries)),
  };
  const forms = new Set(menus.map(menu => menu.form));
  // A menu of several languages stands once for each.
  const named = [...new Map(menus.map(menu => [menu.name, menu])).values()];
  const sheet = [
    signature,
    properties(colors, look, uses),
    partRules(uses),
    ...(forms.has('bar') ? [bar] : []),
    ...(forms.has('column') ? [column] : []),
    ...(forms.has('plain') ? [plain] : []),
    ...(uses.submenu ? [submenus(forms)] : []),
    ...named.filter(menu => menu.align !== 'start').map(menu => aligned(menu.name, menu.align)),
    states,
    ...(uses.submenu && forms.has('bar') ? [markBeside(`.${parts.bar} .${parts.submenu}`)] : []),
    ...(forms.has('plain') ? [markPlain] : []),
    ...(forms.has('column') ? [markBeside(`.${parts.column}`)] : []),
    ...(uses.highlight ? [highlight] : []),
    extras(menus),
    ...named.flatMap(menu => (menu.fold.belowEm === null ? [] : [stack(menu.name, menu.fold.belowEm)])),
    skip,
    conditions,
  ].join('\n');
  return sheet.replace(/[^\0-\x7f]/gu, letter => `\\${letter.codePointAt(0)!.toString(16)} `);
}

function hasHighlight(entries: readonly ResolvedEntry[]): boolean {
  return entries.some(one => one.highlight || hasHighlight(one.entries));
}

const defaultPadding = '0.7em 0.95em';

/** The mark of the current page is as long as the label, and halfway between it and the edge. */
function markPlace(padding: string): [name: string, value: string][] {
  const [top = '0', side = top, bottom = top] = padding.split(' ');
  return [
    ['mark-inline', side],
    ['mark-block', bottom === '0' ? '0px' : `calc(${bottom} / 2)`],
  ];
}

/** What a designer changes first; one class strong, so that any rule of the page's own wins. */
function properties(colors: ResolvedLook, look: Look, uses: StyleParts): string {
  const rows: [name: string, value: string | null][] = [
    ['color', colors.color],
    ['background', colors.background],
    ['accent', colors.accent],
    ['hover-color', colors.hoverColor],
    ['hover-background', colors.hoverBackground],
    ['pressed-background', colors.pressedBackground],
    ['marker', colors.marker],
    ['focus', colors.focus],
    [
      'submenu-background',
      uses.submenu ? (colors.background === 'transparent' ? 'Canvas' : colors.background) : null,
    ],
    ['submenu-color', uses.submenu ? (colors.color === 'inherit' ? 'CanvasText' : colors.color) : null],
    ['highlight-color', uses.highlight ? colors.onAccent : null],
    ['font-family', look.font.family ?? 'inherit'],
    ['font-size', look.font.size ?? '1em'],
    ['font-weight', look.font.weight ?? 'inherit'],
    ['letter-spacing', look.font.spacing ?? 'inherit'],
    ['padding', look.padding ?? defaultPadding],
    ...markPlace(look.padding ?? defaultPadding),
    ['gap', '0.2em'],
    ['radius', look.radius ?? '0.35em'],
  ];
  const lines = rows.flatMap(([name, value]) => (value === null ? [] : [`  --kamino-${name}: ${value};`]));
  return `.kamino {\n${lines.join('\n')}\n}\n`;
}
