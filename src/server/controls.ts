import { partNames, stateNames } from '../core/plan/look-types.ts';

type Menus = readonly { name: string; path: readonly (string | number)[] }[];
type Kind = 'color' | 'length' | 'share' | 'text' | readonly string[];
type Field = readonly [key: string, label: string, kind: Kind];

/** Values of a look at rest, and of a state. */
const atRest: readonly Field[] = [
  ['color', 'Label', 'color'],
  ['background', 'Ground', 'color'],
  ['accent', 'Accent', 'color'],
  ['icon-color', 'Icon', 'color'],
  ['padding', 'Room inside', 'length'],
  ['radius', 'Corners', 'length'],
  ['border', 'Border', 'text'],
  ['shadow', 'Shadow', 'text'],
  ['font.size', 'Size', 'length'],
  ['font.weight', 'Weight', 'length'],
  ['font.spacing', 'Letter spacing', 'length'],
  ['font.transform', 'Letters', ['none', 'uppercase', 'lowercase', 'capitalize']],
];
/** Of a menu as a whole. */
const ofMenu: readonly Field[] = [
  ['gap', 'Between entries', 'length'],
  ['frame.padding', 'Room around', 'length'],
  ['frame.row', 'Row', 'length'],
  ['frame.radius', 'Box corners', 'length'],
];
const inState: readonly Field[] = [
  ['color', 'Label', 'color'],
  ['background', 'Ground', 'color'],
  ['tint', 'Tint', 'share'],
  ['lighter', 'Lighter', 'share'],
  ['darker', 'Darker', 'share'],
  ['marker.at', 'Mark', ['below', 'above', 'start', 'dot', 'none']],
  ['marker.thickness', 'Mark’s thickness', 'length'],
  ['marker.color', 'Mark’s colour', 'color'],
  ['border', 'Border', 'text'],
  ['shadow', 'Shadow', 'text'],
];

/** The column of controls beside a page at its widths. */
export function controlsHtml(token: string, menus: Menus): string {
  const data = JSON.stringify({ token, menus, fields: { atRest, ofMenu, inState } }).replaceAll(
    '<',
    '\\u003c',
  );
  const option = (value: string, label = value): string => `<option value="${value}">${label}</option>`;
  return `<aside class="controls" aria-label="Look">
<script type="application/json" id="controls">${data}</script>
<div class="of">
<label>Menu <select name="menu">${option('', 'all menus')}${menus.map(({ name }) => option(name)).join('')}</select></label>
<label>Part <select name="part">${option('', 'the menu itself')}${partNames.map(one => option(one)).join('')}</select></label>
<label>State <select name="of-state">${option('', 'at rest')}${stateNames.map(one => option(one)).join('')}</select></label>
</div>
<div class="fields"></div>
<div class="figures" aria-live="polite"></div>
<pre class="told" hidden></pre>
<details class="lines"><summary>Show the change</summary><pre></pre></details>
<p class="acts"><button type="button" name="write">Write it</button> <button type="button" name="undo" disabled>Undo</button> <button type="button" name="reset">Start again</button></p>
</aside>`;
}

export const controlsStyle = `.beside { display: flex; align-items: flex-start; }
.beside main { flex: 1 1 auto; min-width: 0; }
.controls { position: sticky; top: 3.5rem; max-height: calc(100vh - 3.5rem); overflow-y: auto; flex: none; box-sizing: border-box; width: 19rem; padding: 1.25rem; border-right: 1px solid #d4d4ce; background: #fff; }
.controls label { display: grid; grid-template-columns: 8rem minmax(0, 1fr); gap: 0.5rem; align-items: center; margin-bottom: 0.4rem; }
.controls input, .controls select { box-sizing: border-box; width: 100%; min-width: 0; padding: 0.3rem 0.45rem; border: 1px solid #b9bab4; border-radius: 0.3rem; color: inherit; background: #fff; font: inherit; }
.controls .color { display: grid; grid-template-columns: 2.1rem minmax(0, 1fr); gap: 0.35rem; }
.controls input[type=color] { padding: 2px; height: 2rem; }
.controls .of { margin-bottom: 1rem; padding-bottom: 0.6rem; border-bottom: 1px solid #e4e4de; }
.controls .figures { margin: 0.75rem 0; font-variant-numeric: tabular-nums; }
.controls .figures span { display: inline-block; margin: 0 0.9rem 0.2rem 0; }
.controls .figures .low { color: #a1260d; font-weight: 600; }
.controls pre { margin: 0.5rem 0; padding: 0.6rem; overflow: auto; background: #f4f4f0; font-size: 12px; white-space: pre-wrap; }
.controls .told { color: #7a1d14; background: #fbeae6; }
.controls button { padding: 0.4rem 0.8rem; border: 1px solid #8a8c86; border-radius: 0.35rem; background: #f7f7f4; font: inherit; cursor: pointer; }
.controls button[name=write] { border-color: #234f7a; color: #fff; background: #234f7a; }
.controls button:disabled { opacity: 0.5; cursor: default; }`;
