import { type Declared, type OldElement, inAnyWindow, layoutOf, styleOf } from './laid-out.ts';
import { inWideWindows } from './windows.ts';

/** What gives an element a place of its own in a row or a grid, and with which values. */
const placing: readonly [property: string, isPlaced: RegExp][] = [
  ...[
    'margin',
    'margin-left',
    'margin-right',
    'margin-inline',
    'margin-inline-start',
    'margin-inline-end',
  ].map((name): [string, RegExp] => [name, /\bauto\b/]),
  ...['align-self', 'justify-self', 'place-self'].map((name): [string, RegExp] => [
    name,
    /^(?!auto$|normal$)/,
  ]),
  ['order', /^(?!0$)/],
  ['flex', /^(?:auto|[1-9]|\.\d|.*%)/],
  ['flex-grow', /^(?!0$)/],
  ['flex-basis', /%$/],
  ['width', /%$/],
  ['inline-size', /%$/],
];

/**
 * The place of an old menu in the row or grid that it stands in, for the new one, as a style sheet: at its end, in the
 * middle, in all the room that is left, or in a line of its own. Empty where it stands where it comes.
 */
export function rowLayoutOf(old: OldElement, name: string): string {
  const { node, tree, rules } = old;
  const wide = inAnyWindow(inWideWindows(rules));
  const isInRow = node.parent !== null && /flex|grid/.test(styleOf(node.parent, 'display', tree, wide));
  const isPlaced = placing.some(([property, placed]) => {
    const value = styleOf(node, property, tree, wide);
    return value !== '' && placed.test(value);
  });
  return isInRow && isPlaced ? layoutOf(old, name, placeIn) : '';
}

/** What a declaration says of the place; how a menu gives way to what stands beside it is Kamino's to say. */
function placeIn(one: Declared): Declared[] {
  const { property, value } = one;
  if (property === 'flex') return grown(value);
  if (/^(?:(?:max-)?(?:width|inline-size)|flex-basis)$/.test(property))
    return value.endsWith('%') ? [one] : [];
  return /^(?:margin(?:-[a-z-]+)?|order|(?:align|justify|place)-self|flex-grow)$/.test(property) ? [one] : [];
}

/** https://www.w3.org/TR/css-flexbox-1/#flex-property */
function grown(value: string): Declared[] {
  const parts = value === 'auto' ? ['1', 'auto'] : value.split(/\s+/);
  const [grow = ''] = parts;
  const basis = parts.slice(1).find(part => !/^[\d.]+$/.test(part)) ?? '0%';
  if (!/^[\d.]+$/.test(grow)) return /%$/.test(grow) ? [{ property: 'flex-basis', value: grow }] : [];
  return [
    { property: 'flex-grow', value: grow },
    { property: 'flex-basis', value: basis },
  ];
}
