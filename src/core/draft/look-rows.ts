import { contrast } from '../look/color.ts';
import { type Row, flow, map, row } from './nodes.ts';
import { homeLook } from './old-home.ts';
import type { DraftHome, DraftLook, DraftState } from './types.ts';

/** A look as a plan has it; nothing where all is left to the page. @param home of the menu that it is for */
export function lookRows(look: DraftLook, home: DraftHome | null = null): Row[] {
  const fontRows: Row[] = [
    ...row('family', look.fontFamily),
    ...row('size', look.fontSize),
    ...row('weight', look.fontWeight),
    ...row('transform', look.transform),
    ...row('spacing', look.spacing),
  ];
  const rows: Row[] = [
    ...row('accent', look.accent),
    ...row('background', look.background),
    ...row('color', look.color),
    ...(fontRows.length > 0 ? [['font', map(fontRows, true)] as Row] : []),
    ...row('padding', look.padding),
    ...row('gap', look.gap),
    ...row('radius', look.radius),
    ...frameRows(look.frame),
    ...stateRows(look),
    ...(home ? homeLook(home) : []),
  ];
  return rows.length > 0 ? [['look', map(rows)]] : [];
}

function frameRows({ padding, width, row: inner, border, edges, radius, shadow }: DraftLook['frame']): Row[] {
  const rows: Row[] = [
    ...row('padding', padding),
    ...row('width', width),
    ...row('row', inner),
    ...row('border', border),
    ...(edges.length > 0 ? [['edges', flow(edges)] as Row] : []),
    ...row('radius', radius),
    ...row('shadow', shadow),
  ];
  return rows.length > 0 ? [['frame', map(rows, true)]] : [];
}

function stateRows(look: DraftLook): Row[] {
  const { states } = look;
  const rows = (['hover', 'current', 'within'] as const).flatMap((name): Row[] => {
    const state = states[name];
    if (!state) return [];
    const font = row('weight', state.fontWeight);
    return [
      [
        name,
        map(
          [
            ...row('color', state.color),
            ...row('background', state.background),
            ...(font.length > 0 ? [['font', map(font, true)] as Row] : []),
            ...markRows(state, name !== 'hover' && isSeenAlone(state, look)),
          ],
          true,
        ),
      ],
    ];
  });
  return rows.length > 0 ? [['states', map(rows)]] : [];
}

/** @param isNone what else is seen tells it alone */
function markRows({ mark }: DraftState, isNone: boolean): Row[] {
  if (!mark) return isNone ? [['marker', 'none']] : [];
  const { at, thickness, color, isWhole } = mark;
  const long: Row[] = isWhole
    ? [
        ['length', 'entry'],
        ['offset', '0'],
      ]
    : [];
  return [['marker', map([['at', at], ['thickness', thickness], ['color', color], ...long], true)]];
}

/** A ground that stands out from that of the others tells where one is; the old menu had no mark beside it. */
function isSeenAlone({ background }: DraftState, look: DraftLook): boolean {
  const isDark = look.color !== null && contrast(look.color, '#ffffff') < contrast(look.color, '#000000');
  const around = look.background ?? (isDark ? '#000000' : '#ffffff');
  return background !== null && contrast(background, around) >= leastOfMarks;
}

/** https://www.w3.org/TR/WCAG22/#non-text-contrast */
const leastOfMarks = 3;
