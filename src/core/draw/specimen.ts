import type { MenuFit } from '../look/fit.ts';
import type { Figure, ResolvedLooks, Scope } from '../look/types.ts';
import { folds } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { sheetStart } from '../markup/own.ts';
import { forms } from '../plan/forms.ts';
import { escapeMarkup } from '../text/references.ts';
import { type SpecimenMenu, stateTable } from './specimen-states.ts';

export type { SpecimenMenu } from './specimen-states.ts';

export interface SpecimenSource {
  title: string;
  menus: readonly SpecimenMenu[];
  looks: ResolvedLooks;
  /** Kamino’s style sheet with the plan’s own, and the fonts that it needs, with their files inside. */
  style: string;
  fonts: string;
  /** The rules of pictures, wherever they stand. */
  pictures: string;
  /** Widths of windows, in px. */
  widths: readonly number[];
}

/** One page that shows every entry in every state, each menu at each width, and the figures behind the colours. */
export function specimenPage({
  title,
  menus,
  looks,
  style,
  pictures,
  fonts,
  widths,
}: SpecimenSource): string {
  const held = heldStates(style + pictures);
  const hasDark = looks.scopes.some(one => one.dark.size > 0);
  const schemes = hasDark ? (['light', 'dark'] as const) : (['light'] as const);
  const parts = menus.map(one =>
    [
      `<section><h2>${escapeMarkup(nameOf(one.menu))} <small>${escapeMarkup(about(one))}</small></h2>`,
      ...schemes.map(scheme => stateTable(one, scheme, hasDark)),
      figureTable(looks, one.menu),
      ...(forms[one.menu.form].isRow ? [windows(one, { style, fonts, widths })] : []),
      '</section>',
    ].join('\n'),
  );
  return `${sheetStart}<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapeMarkup(title)}</title>
<style>
${fonts}
${held}
${sheetStyle}
</style>
</head>
<body>
<h1>${escapeMarkup(title)}</h1>
${parts.join('\n')}
</body>
</html>
`;
}

/** The style sheet with its states held by an attribute too, for a sheet that nobody points at. */
export function heldStates(style: string): string {
  const held = (pseudo: string, name: string) => (text: string) =>
    text.replaceAll(pseudo, `:is(${pseudo}, [data-state="${name}"])`);
  return [held(':hover', 'hover'), held(':active', 'pressed'), held(':focus-visible', 'focus')].reduce(
    (text, hold) => hold(text),
    style.replace(/@media \(hover: ?hover\)/g, '@media all'),
  );
}

function nameOf({ name, language }: ResolvedMenu): string {
  return language === null ? name : `${name}, ${language.tag}`;
}

function about({ menu, fit, family }: SpecimenMenu): string {
  const type = `${family ?? 'the page’s own font'}, ${round(fit.type.size)} px`;
  return forms[menu.form].isRow
    ? `${menu.form}, ${type}; fits from ${round(fit.width)} px`
    : `${menu.form}, ${type}`;
}

/** Colours with their contrast, for the menu and what differs in it. */
function figureTable(looks: ResolvedLooks, menu: ResolvedMenu): string {
  const scopes = looks.scopes.filter(
    ({ address, figures }) => figures.length > 0 && isOf(address, menu, looks),
  );
  if (scopes.length === 0)
    return '<p class="none">The colours are those of the page: their contrast depends on it.</p>';
  const rows = scopes.flatMap(scope => scope.figures.map((one, at) => figureRow(scope, one, at === 0)));
  return `<table class="figures"><thead><tr><th scope="col">look</th><th scope="col">state</th><th scope="col">of</th><th scope="col">colour</th><th scope="col">on</th><th scope="col">contrast</th><th scope="col">asked</th></tr></thead><tbody>${rows.join('')}</tbody></table>`;
}

function isOf({ menu: name }: Scope['address'], menu: ResolvedMenu, { scopes }: ResolvedLooks): boolean {
  const hasOwn = scopes.some(
    ({ address }) =>
      address.menu === menu.name &&
      address.part === null &&
      address.entry === null &&
      address.highlight === null,
  );
  return name === menu.name || (name === null && !hasOwn);
}

function figureRow(
  { address }: Scope,
  { state, of, color, ground, ratio, level }: Figure,
  isFirst: boolean,
): string {
  const look =
    address.entry ??
    address.part ??
    (address.highlight === null ? 'menu' : `highlight: ${address.highlight}`);
  const isFine = ratio >= level;
  const swatch = (hex: string): string =>
    `<td><svg class="swatch" viewBox="0 0 2 1" aria-hidden="true"><rect width="2" height="1" fill="${hex}"/></svg> ${hex}</td>`;
  return `<tr${isFirst ? ' class="first"' : ''}><th scope="row">${isFirst ? escapeMarkup(look) : ''}</th><td>${state}</td><td>${of}</td>${swatch(color)}${swatch(ground)}<td class="${isFine ? 'fine' : 'low'}">${ratio.toFixed(2)} ${isFine ? '✓' : 'too little'}</td><td>${level}</td></tr>`;
}

/** The whole menu in windows of each width. */
function windows(
  { menu, markup, fit, family }: SpecimenMenu,
  { style, fonts, widths }: Pick<SpecimenSource, 'style' | 'fonts' | 'widths'>,
): string {
  const font = `body{margin:0;font:${fit.type.weight} ${fit.type.size}px ${family ?? 'system-ui, sans-serif'}}`;
  const page = `<!doctype html><html lang="en"><meta charset="utf-8"><title>Menu</title><style>${fonts}${style}${font}</style><body>${markup}</body></html>`;
  const frames = widths.map(
    width =>
      `<figure style="width:${width}px"><figcaption>${width} px</figcaption><iframe title="${width} px" width="${width}" height="${heightIn(width, menu, fit)}" srcdoc='${escapeQuote(page)}'></iframe></figure>`,
  );
  return `<div class="windows">${frames.join('')}</div>`;
}

/** Enough for all of a menu that is closed: with as many rows as its entries take where they may wrap. */
function heightIn(
  width: number,
  menu: ResolvedMenu,
  { entries, home, type, height, frame }: MenuFit,
): number {
  // Rules of one's own may make entries wider.
  const room = Math.min(width - frame.sides, frame.row) * 0.85;
  const isAbove = menu.home?.at === 'above';
  let [rows, end] = [1, isAbove ? 0 : home];
  for (const [at, one] of entries.entries()) {
    const apart = at === 0 ? type.size : one.offset - entries[at - 1]!.offset - entries[at - 1]!.width;
    const isNext = end > 0 && end + apart + one.width > room;
    if (isNext) rows += 1;
    end = isNext ? one.width : end + apart + one.width;
  }
  const picture = menu.home?.image ? type.size : 0;
  const lines = (folds(menu) && menu.fold.when === 'crowded' ? 1 : rows) + (isAbove ? 1 : 0);
  return Math.ceil(lines * (height + type.size * 0.6) + picture + frame.ends);
}

function escapeQuote(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll("'", '&#39;');
}

function round(value: number): number {
  return Math.round(value * 10) / 10;
}

const sheetStyle = `
html { color-scheme: light; }
body { margin: 0 auto; padding: 2.5rem 2rem 4rem; max-width: 100rem; color: #22262e; background: #f6f6f4; font: 15px/1.5 system-ui, sans-serif; }
h1 { margin: 0 0 2rem; font-size: 1.7rem; letter-spacing: -0.01em; }
section { margin: 0 0 3.5rem; }
h2 { margin: 0 0 1rem; font-size: 1.2rem; }
h2 small { margin-inline-start: 0.6em; color: #63676f; font-size: 0.85rem; font-weight: 400; }
.scheme { margin: 0 0 1rem; padding: 1rem 1.25rem; border: 1px solid #dcdcd6; border-radius: 0.5rem; overflow-x: auto; }
.light { color-scheme: light; color: #22262e; background: #fff; }
.dark { color-scheme: dark; color: #e8e8e4; background: #15171a; border-color: #2c2f35; }
table { border-collapse: collapse; }
.states { width: 100%; }
.states caption { padding-bottom: 0.4rem; text-align: start; }
.states caption, .states th { color: inherit; font: 500 12px/1.4 system-ui, sans-serif; opacity: 0.75; }
.states th { padding: 0.3rem 0.9rem 0.3rem 0; text-align: start; white-space: nowrap; }
.states td { padding: 0.3rem 0.9rem 0.3rem 0; }
.states .unseen { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); }
.states .kamino { display: block; width: max-content; position: static; }
.states .kamino .kamino-room { container-type: normal; }
.states .kamino .kamino-list { display: flex; }
.states .kamino .kamino-home { margin: 0; }
.states .kamino .kamino-submenu { position: static; display: block; min-width: 0; margin: 0; padding: 0; columns: auto; opacity: 1; visibility: visible; translate: none; transition: none; }
.figures { margin: 0 0 1.25rem; font-size: 13px; }
.figures th, .figures td { padding: 0.22rem 1.4rem 0.22rem 0; text-align: start; font-weight: 400; font-variant-numeric: tabular-nums; white-space: nowrap; }
.figures thead th { color: #63676f; }
.figures .first > * { border-top: 1px solid #dcdcd6; }
.figures .fine { color: #1d6b3a; }
.figures .low { color: #a12b1f; font-weight: 600; }
.swatch { width: 1.9em; height: 0.95em; margin-inline-end: 0.35em; vertical-align: -0.1em; border-radius: 0.15em; outline: 1px solid rgb(0 0 0 / 0.15); }
.none { color: #63676f; }
.windows { display: grid; gap: 1rem; overflow-x: auto; }
.windows figure { margin: 0; }
.windows figcaption { margin-bottom: 0.25rem; color: #63676f; font-size: 12px; }
.windows iframe { display: block; border: 0; outline: 1px solid #dcdcd6; background: #fff; }
`;

/** A font with its file inside. @param data as an address that holds it */
export function fontRule(font: { family: string; weight: readonly [number, number]; data: string }): string {
  const { family, weight, data } = font;
  return `@font-face{font-family:"${family}";font-weight:${weight.join(' ')};src:url(${data})}`;
}
