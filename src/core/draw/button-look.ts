import type { ColorTools } from '../look/hex.ts';
import { defaultPadding, lengthOf, sides } from '../look/lengths.ts';
import { usualMarker } from '../look/markers.ts';
import type { ResolvedLooks } from '../look/types.ts';
import type { Marker } from '../plan/look-types.ts';
import { pictureStates } from '../plan/parts/pictures.ts';
import type { PictureState } from '../plan/picture-types.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';

/** How a button is drawn in one state: lengths in px, colours as SVG has them. */
export interface ButtonLook {
  color: string;
  /** A colour or a gradient of CSS; null for none. */
  background: string | null;
  border: { width: number; color: string } | null;
  shadows: readonly Shadow[];
  radius: number;
  /** Top, right, bottom, left. */
  padding: readonly [number, number, number, number];
  weight: number | null;
  marker: { marker: Marker; color: string } | null;
}

export interface Shadow {
  isInset: boolean;
  x: number;
  y: number;
  blur: number;
  spread: number;
  color: string;
}

/** The looks of the entries of a menu, as they are resolved for its style sheet. */
export class ButtonLooks {
  readonly #looks: ResolvedLooks;
  readonly #menu: ResolvedMenu;
  readonly #tools: ColorTools;
  readonly #em: number;

  /** @param em the size of the type, in px */
  constructor(looks: ResolvedLooks, menu: ResolvedMenu, tools: ColorTools, em: number) {
    [this.#looks, this.#menu, this.#tools, this.#em] = [looks, menu, tools, em];
  }

  /** States that the looks draw in their own way. */
  get states(): PictureState[] {
    // Which page this is is marked, whatever the look says of it.
    const states = new Set([...this.#looks.uses.states, 'current']);
    return pictureStates.filter(state => state === 'base' || states.has(state));
  }

  of(entry: ResolvedEntry, state: PictureState): ButtonLook {
    const values = this.#valuesOf(entry);
    const get = (name: string): string | null => {
      const own = state === 'base' ? undefined : values.get(`${state}-${name}`);
      return followed(own ?? values.get(name === 'background' ? 'entry-background' : name), values);
    };
    const px = (length: string): number => lengthOf(length, this.#em);
    const [top, right, bottom, left] = sides(values.get('padding') ?? defaultPadding).map(px);
    return {
      color: this.#color(get('color')) ?? '#1b2430',
      background: this.#ground(get('background')),
      border: this.#border(get('border'), px),
      shadows: shadowsOf(get('shadow'), { px, color: css => this.#color(css) ?? '#0000004d' }),
      radius: px((values.get('radius') ?? '0').split(' ')[0]!),
      padding: [top!, right!, bottom!, left!],
      weight: Number(get('font-weight') ?? get('weight')) || null,
      marker: this.#marker(entry, state, { values, label: get('color') }),
    };
  }

  /** What holds everywhere, in the menu, and for the entry: the last one wins. */
  #valuesOf(entry: ResolvedEntry): ReadonlyMap<string, string> {
    const of = this.#scopes(entry).map(({ values }) => [...values]);
    return new Map(of.flat());
  }

  #scopes({ hook, highlight }: ResolvedEntry): ResolvedLooks['scopes'] {
    const way = typeof highlight === 'string' ? highlight : null;
    const isOf = ({
      address: { menu, part, entry, highlight: own },
    }: ResolvedLooks['scopes'][number]): boolean =>
      part === null &&
      (menu === null || menu === this.#menu.name) &&
      (entry === null || (entry === hook && menu !== null)) &&
      (own === null || own === way);
    const rank = ({ address: { menu, entry, highlight: own } }: ResolvedLooks['scopes'][number]): number =>
      (menu === null ? 0 : 1) + (own === null ? 0 : 2) + (entry === null ? 0 : 4);
    return this.#looks.scopes.filter(isOf).sort((one, other) => rank(one) - rank(other));
  }

  #color(css: string | null): string | null {
    return css === null ? null : this.#tools.read(css);
  }

  #ground(css: string | null): string | null {
    if (css === null) return null;
    if (css.includes('gradient(')) return css;
    const hex = this.#color(css);
    return hex === null || (hex.endsWith('00') && hex.length === 9) ? null : hex;
  }

  #border(css: string | null, px: (length: string) => number): ButtonLook['border'] {
    const [width = '', , ...color] = (css ?? 'none').split(' ');
    const thick = px(width);
    const hex = this.#color(color.join(' ')) ?? null;
    return thick === 0 || hex === null || (hex.length === 9 && hex.endsWith('00'))
      ? null
      : { width: thick, color: hex };
  }

  #marker(
    entry: ResolvedEntry,
    state: PictureState,
    { values, label }: { values: ReadonlyMap<string, string>; label: string | null },
  ): ButtonLook['marker'] {
    if (state === 'base') return null;
    const scope = this.#scopes(entry).findLast(one => one.markers !== null);
    const usual =
      state === 'current' ? usualMarker : state === 'within' ? { ...usualMarker, length: '1.2em' } : null;
    const marker = scope?.markers?.get(state)?.marker ?? usual;
    if (marker === null || marker.at === 'none') return null;
    const css = followed(values.get(`${state}-marker`) ?? values.get('marker'), values);
    return { marker, color: this.#color(css === 'currentcolor' ? label : css) ?? '#1b2430' };
  }
}

/** A value with the custom properties that it names. */
function followed(css: string | undefined, values: ReadonlyMap<string, string>, depth = 0): string | null {
  if (css === undefined) return null;
  if (depth > 4) return css;
  return css.replace(
    /var\(--kamino-([\w-]+)[^)]*\)/g,
    (_, name: string) => followed(values.get(name), values, depth + 1) ?? '',
  );
}

/** The shadows of a box (https://www.w3.org/TR/css-backgrounds-3/#box-shadow). */
function shadowsOf(
  css: string | null,
  { px, color }: { px: (length: string) => number; color: (css: string) => string },
): Shadow[] {
  if (css === null || css === 'none') return [];
  return css.split(/,(?![^(]*\))/).map(one => {
    const lengths: string[] = [];
    const rest = one
      .replace(/(?<![\w.#(,])-?[\d.]+(?:px|em|rem)?(?![\w%.)])/g, length => {
        if (lengths.length === 4) return length;
        lengths.push(length);
        return '';
      })
      .replace('inset', '')
      .trim();
    const [x = 0, y = 0, blur = 0, spread = 0] = lengths.map(px);
    return { isInset: one.includes('inset'), x, y, blur, spread, color: color(rest) };
  });
}
