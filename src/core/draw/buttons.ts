import type { MenuFit } from '../look/fit.ts';
import type { MenuFont } from '../look/fonts.ts';
import type { ColorTools } from '../look/hex.ts';
import { lengthOf, transformed } from '../look/lengths.ts';
import type { ResolvedLooks } from '../look/types.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import type { PictureState } from '../plan/picture-types.ts';
import { escapeMarkup } from '../text/references.ts';
import { type ButtonLook, ButtonLooks, type Shadow } from './button-look.ts';
import { svgGradient } from './svg-gradient.ts';

export interface ButtonSource {
  menu: ResolvedMenu;
  looks: ResolvedLooks;
  fit: MenuFit & { font: MenuFont };
  tools: ColorTools;
  widths: 'natural' | 'equal';
}

/** A button in one state, as a drawing. In px. */
export interface DrawnButton {
  entry: ResolvedEntry;
  state: PictureState;
  svg: string;
  width: number;
  height: number;
}

const outside = ({ isInset, x, y, blur, spread }: Shadow): number[] =>
  isInset ? [0, 0, 0, 0] : [-y, x, y, -x].map(way => Math.max(0, Math.ceil(way + blur + spread)));

/** The buttons of a menu in every state: all of one height, as wide as their labels or as the widest; nothing around them. */
export function drawnButtons(source: ButtonSource): DrawnButton[] {
  const { menu, fit } = source;
  const em = fit.type.size;
  const looks = new ButtonLooks(source.looks, menu, source.tools, em);
  const all = menu.entries.flatMap((entry, at) =>
    entry.leadsTo.kind === 'insert'
      ? []
      : [
          {
            entry,
            text: fit.entries[at]!.textWidth,
            states: looks.states.map(state => ({ state, look: looks.of(entry, state) })),
          },
        ],
  );
  const every = all.flatMap(one => one.states.map(({ look }) => look));
  const around = [0, 1, 2, 3].map(side =>
    Math.max(0, ...every.flatMap(look => look.shadows.map(one => outside(one)[side]!))),
  );
  const borders = Math.max(0, ...every.map(({ border }) => border?.width ?? 0));
  const line = em * Number(fit.font.look.font.line ?? 1.35);
  const height = Math.ceil(
    Math.max(...every.map(({ padding: [top, , bottom] }) => top + bottom)) + line + 2 * borders,
  );
  const natural = all.map(({ text, states }) =>
    Math.ceil(
      text + Math.max(...states.map(({ look: { padding } }) => padding[1] + padding[3])) + 2 * borders,
    ),
  );
  const widest = Math.max(...natural);
  return all.flatMap(({ entry, text, states }, at) => {
    const width = source.widths === 'equal' ? widest : natural[at]!;
    return states.map(({ state, look }) => {
      const box = { x: around[3]!, y: around[0]!, width, height };
      const size = { width: width + around[1]! + around[3]!, height: height + around[0]! + around[2]! };
      const svg = drawing(look, { entry, text, box, size, source });
      return { entry, state, svg, ...size };
    });
  });
}

interface Frame {
  entry: ResolvedEntry;
  text: number;
  box: { x: number; y: number; width: number; height: number };
  size: { width: number; height: number };
  source: ButtonSource;
}

function drawing(look: ButtonLook, frame: Frame): string {
  const { box, size, source } = frame;
  const { read } = source.tools;
  const gradient =
    look.background?.includes('gradient(') === true
      ? svgGradient(look.background, { id: 'g', ...box }, read)
      : null;
  const fill = gradient ? 'url(#g)' : (look.background ?? 'none');
  const drop = look.shadows.filter(one => !one.isInset);
  const inset = look.shadows.filter(one => one.isInset);
  const radius = Math.min(look.radius, box.height / 2, box.width / 2);
  const rect = (by: number, attributes: string): string =>
    `<rect x="${by}" y="${by}" width="${round(box.width - 2 * by)}" height="${round(box.height - 2 * by)}" rx="${round(Math.max(0, radius - by))}" ${attributes}/>`;
  const hasShadow = drop.length > 0 && fill !== 'none';
  const defs = [gradient ?? '', hasShadow ? shadowFilter(drop) : ''].join('');
  const parts = [
    fill === 'none'
      ? ''
      : rect(
          0,
          `${gradient ? `fill="${fill}"` : paint('fill', fill)}${hasShadow ? ' filter="url(#s)"' : ''}`,
        ),
    look.border
      ? rect(
          look.border.width / 2,
          `fill="none" ${paint('stroke', look.border.color)} stroke-width="${look.border.width}"`,
        )
      : '',
    ...inset.map(({ spread, color }) =>
      spread > 0 ? rect(spread / 2, `fill="none" ${paint('stroke', color)} stroke-width="${spread}"`) : '',
    ),
    label(look, frame),
    mark(look, frame),
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${size.width}" height="${size.height}" viewBox="0 0 ${size.width} ${size.height}">${
    defs === '' ? '' : `<defs>${defs}</defs>`
  }<g transform="translate(${box.x} ${box.y})">${parts.join('')}</g></svg>\n`;
}

function shadowFilter(shadows: readonly Shadow[]): string {
  const drops = shadows.map(
    ({ x, y, blur, color }) =>
      `<feDropShadow dx="${x}" dy="${y}" stdDeviation="${round(blur / 2)}" ${paint('flood', color)}/>`,
  );
  return `<filter id="s" x="-50%" y="-50%" width="200%" height="200%">${drops.join('')}</filter>`;
}

const round = (value: number): number => Math.round(value * 100) / 100;

/** A colour, and how far it covers. */
function paint(of: 'fill' | 'stroke' | 'flood', hex: string): string {
  const name = of === 'flood' ? 'flood-color' : of;
  const share = hex.length === 9 ? parseInt(hex.slice(7), 16) / 255 : 1;
  return `${name}="${hex.slice(0, 7)}"${share < 1 ? ` ${of}-opacity="${round(share)}"` : ''}`;
}

/** The label as outlines of its font; as text where the font is not there. */
function label(look: ButtonLook, { entry, text, box, source }: Frame): string {
  const { fit, menu } = source;
  const { font, type } = fit;
  const own = font.look.font;
  const em = type.size;
  const words = transformed(entry.label, own.transform, menu.language?.tag);
  const weight = look.weight ?? type.weight;
  const room = (length: string | null): number =>
    length === null || length === 'normal' ? 0 : lengthOf(length, em);
  const outline = font.outline(words, weight, {
    letters: room(own.spacing) / em,
    words: room(own.wordSpacing) / em,
  });
  const middle = (look.padding[0] + box.height - look.padding[2]) / 2;
  if (outline) {
    const x = (box.width - outline.width * em) / 2;
    const y = middle + ((outline.ascent - outline.descent) * em) / 2;
    return `<path transform="translate(${round(x)} ${round(y)}) scale(${em / 1000})" d="${outline.path}" ${paint('fill', look.color)}/>`;
  }
  const family = escapeMarkup(font.family ?? 'system-ui, sans-serif');
  const spacing =
    own.spacing && own.spacing !== 'normal' ? ` letter-spacing="${round(room(own.spacing))}"` : '';
  return `<text x="${round(box.width / 2)}" y="${round(middle + em * 0.35)}" text-anchor="middle" textLength="${round(text)}" lengthAdjust="spacingAndGlyphs" font-family="${family}" font-size="${em}" font-weight="${weight}"${spacing} ${paint('fill', look.color)}>${escapeMarkup(words)}</text>`;
}

/** The mark of a state: a line below or above the label, or before it; a dot. */
function mark(look: ButtonLook, { text, box, source }: Frame): string {
  if (look.marker === null) return '';
  const em = source.fit.type.size;
  const { marker, color } = look.marker;
  const px = (length: string): number => lengthOf(length, em);
  const thick = marker.thickness === null ? em * 0.15 : px(marker.thickness);
  const length =
    marker.length === null || marker.length === 'label'
      ? text
      : marker.length === 'entry'
        ? box.width
        : px(marker.length);
  const fill = paint('fill', color);
  const [top, , bottom, left] = look.padding;
  if (marker.at === 'dot')
    return `<circle cx="${round(box.width / 2)}" cy="${round(box.height - bottom / 2)}" r="${round(Math.max(thick, em * 0.2) / 2)}" ${fill}/>`;
  if (marker.at === 'start')
    return `<rect x="${round(left / 2 - thick)}" y="${round(top)}" width="${round(thick)}" height="${round(box.height - top - bottom)}" rx="${round(thick / 2)}" ${fill}/>`;
  const away = marker.offset === null ? null : px(marker.offset);
  const y = marker.at === 'above' ? (away ?? top / 2 - thick / 2) : box.height - (away ?? bottom / 2) - thick;
  return `<rect x="${round((box.width - length) / 2)}" y="${round(y)}" width="${round(length)}" height="${round(thick)}" rx="${round(thick / 2)}" ${fill}/>`;
}
