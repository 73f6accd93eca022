import { type Frame, type StateName, frameEdges } from '../plan/look-types.ts';
import { defaultPadding } from './lengths.ts';
import type { Box } from './box.ts';
import { markPaint, markerColor } from './box-marks.ts';
import type { Draft } from './drafts.ts';
import { groundIn } from './merge.ts';
import { pictureCss } from './picture-css.ts';
import { typeRows } from './type-rows.ts';
import type { ResolvedLooks, StateValues } from './types.ts';

export type Uses = ResolvedLooks['uses'];

/** What a scope writes beside colours. */
export interface ValuesContext {
  draft: Pick<Draft, 'address' | 'look' | 'own' | 'kind' | 'isSheet' | 'highlight'>;
  uses: Uses;
  borderWidth: string | null;
}

/** The custom properties of a scope, by name. */
export function valuesOf(box: Box, { draft, uses, borderWidth }: ValuesContext): Map<string, string> {
  const { kind, address, highlight, own } = draft;
  const { look } = box;
  const values = new Map<string, string>();
  const { base } = box;
  values.set('color', base.color.css);
  if (kind === 'ground') values.set('background', groundOf(box, draft.isSheet));
  values.set('entry-background', base.background.css);
  values.set('accent', box.accent.css);
  for (const name of uses.states) {
    const state = box.state(name);
    values.set(`${name}-color`, state.color.css);
    values.set(`${name}-background`, state.background.css);
  }
  values.set('marker', markPaint(box, 'marker', ['current', 'within', 'hover', 'pressed']).css);
  values.set('focus', markPaint(box, 'focus', ['hover']).css);
  drawn(values, box, { uses, borderWidth, highlight });
  spaces(values, draft, uses);
  if (kind === 'ground' && address.part === null) framed(values, look.frame, uses.frame);
  for (const name of uses.markerColors)
    values.set(`${name}-marker`, markerColor(box, name)?.css ?? 'var(--kamino-marker)');
  // A submenu is a sheet: a border and a shadow of its own are those of the sheet, not of its entries.
  if (address.part === 'submenu' && address.entry === null && address.highlight === null) {
    if (own?.border) values.set('sheet-border', own.border);
    if (own?.shadow) values.set('sheet-shadow', own.shadow);
  }
  return values;
}

function groundOf({ look, tools }: Box, isSheet: boolean): string {
  const css = groundIn(look);
  const own = css === null ? (isSheet ? 'Canvas' : 'transparent') : isSheet && tools ? tools.solid(css) : css;
  return look.picture === null ? own : pictureCss(look.picture, own);
}

/** Borders, shadows and weights; every state has its own, so that none mixes with another. */
function drawn(
  values: Map<string, string>,
  box: Box,
  { uses, borderWidth, highlight }: { uses: Uses; borderWidth: string | null; highlight: unknown },
): void {
  const border = (state: StateValues): string => state.border ?? `${borderWidth ?? '0'} solid transparent`;
  const lifted = '0 0.1em 0.5em rgb(0 0 0 / 0.3)';
  const ring = 'inset 0 0 0 0.125em var(--kamino-marker)';
  const extra = highlight === 'border' ? ring : highlight === 'shadow' ? lifted : null;
  const shadow = (state: StateValues): string => state.shadow ?? extra ?? 'none';
  const states = [...uses.states].map((name): [StateName, StateValues] => [name, box.state(name)]);
  if (uses.border) {
    const base = border(box.base);
    values.set('border', base);
    for (const [name, state] of uses.ofStates.border ? states : []) {
      const [own, before] = [border(state).split(' ')[0]!, base.split(' ')[0]!];
      values.set(`${name}-border`, border(state));
      // A wider border grows outwards, a narrower one leaves its room: nothing beside it moves.
      values.set(`${name}-margin`, own === before ? '0' : lengthBetween(before, own));
    }
  }
  if (uses.shadow) {
    values.set('shadow', shadow(box.base));
    if (uses.ofStates.shadow) for (const [name, state] of states) values.set(`${name}-shadow`, shadow(state));
  }
  if (uses.icon) {
    values.set('icon-color', box.base.iconColor ?? 'currentcolor');
    if (uses.ofStates.icon)
      for (const [name, state] of states) values.set(`${name}-icon-color`, state.iconColor ?? 'currentcolor');
  }
  if (uses.weight)
    for (const [name, state] of states) values.set(`${name}-weight`, state.weight ?? 'inherit');
}

/** Type and spaces, in the units of the plan. */
function spaces(values: Map<string, string>, { look, kind }: ValuesContext['draft'], uses: Uses): void {
  const padding = look.padding ?? defaultPadding;
  const rows: [string, string][] = [
    ['font-family', look.font.family ?? 'inherit'],
    ['font-size', look.font.size ?? '1em'],
    ['font-weight', look.font.weight ?? 'inherit'],
    ['letter-spacing', look.font.spacing ?? 'inherit'],
    ...typeRows
      .filter(([row]) => uses.type.has(row))
      .map(([row, key]): [string, string] => [
        row,
        look.font[key] ?? (row === 'line-height' ? '1.35' : 'inherit'),
      ]),
    ['padding', padding],
    ...markPlace(padding),
    ...(kind === 'ground' ? gapRows(look.gap ?? '0.2em', uses) : []),
    ['radius', look.radius ?? '0.35em'],
    ...(uses.iconSize ? ([['icon-size', look.iconSize ?? '1.25em']] as [string, string][]) : []),
    ...(uses.motion ? ([['motion', look.motion ?? '140ms ease-out']] as [string, string][]) : []),
  ];
  for (const [name, value] of rows) values.set(name, value);
}

/** Sums are made with it, of lengths alone. */
function gapRows(gap: string, { twoGaps }: Uses): [name: string, value: string][] {
  const [block = '0px', inline = block] = gap.split(' ').map(one => (one === '0' ? '0px' : one));
  const both = block === inline ? block : `${block} ${inline}`;
  if (!twoGaps) return [['gap', both]];
  return [
    ['gap', both],
    ['gap-block', block],
    ['gap-inline', inline],
  ];
}

/** The menu's own box, as far as any menu has it. */
function framed(values: Map<string, string>, frame: Frame, uses: Uses['frame']): void {
  const set = (key: keyof Frame, name: string, otherwise: string): void => {
    const value = frame[key];
    if (uses.has(key)) values.set(`frame-${name}`, typeof value === 'string' ? value : otherwise);
  };
  set('padding', 'padding', '0');
  set('row', 'row', 'none');
  set('width', 'width', 'none');
  set('radius', 'radius', '0');
  set('shadow', 'shadow', 'none');
  if (uses.has('blur')) values.set('frame-blur', frame.blur === null ? 'none' : `blur(${frame.blur})`);
  if (!uses.has('border')) return;
  const border = frame.border ?? 'none';
  if (!uses.has('edges')) values.set('frame-border', border);
  else
    for (const edge of frameEdges)
      values.set(`frame-${edge}`, (frame.edges ?? frameEdges).includes(edge) ? border : 'none');
}

/** The mark of the current page is as long as the label, and halfway between it and the edge. */
function markPlace(padding: string): [name: string, value: string][] {
  const [top = '0', side = top, bottom = top] = padding.split(' ');
  return [
    ['mark-inline', side === '0' ? '0px' : side],
    ['mark-block', bottom === '0' ? '0px' : `calc(${bottom} / 2)`],
  ];
}

/** A width less another one. */
function lengthBetween(one: string, other: string): string {
  const [pixels, less] = [one, other].map(width => /^(\d+)px$/.exec(width)?.[1]);
  return pixels === undefined || less === undefined
    ? `calc(${one} - ${other})`
    : `${Number(pixels) - Number(less)}px`;
}
