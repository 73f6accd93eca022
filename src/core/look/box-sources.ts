import type { Look } from '../plan/look-types.ts';
import type { BoxSource } from './box.ts';
import { textOn } from './grounds.ts';
import { darkened, turned } from './dark.ts';
import type { Draft } from './drafts.ts';
import type { ColorTools, Ground, Hex } from './hex.ts';

/** Finds what each box is made from: its own look, and what lies around it. */
export class BoxSources {
  readonly #tools: ColorTools | null;

  constructor(tools: ColorTools | null) {
    this.#tools = tools;
  }

  /** What a box is made from. */
  source(draft: Draft, isDark: boolean): BoxSource {
    const { kind, around, highlight } = draft;
    const look = isDark ? turned(draft.look, this.#tools!) : draft.look;
    const own = draft.own === null ? null : isDark ? turned(draft.own, this.#tools!) : draft.own;
    if (kind === 'ground') {
      const background = look.background === 'none' ? null : look.background;
      return {
        look,
        background: null,
        under: this.#ground(background, null),
        color: this.#groundColor(draft, look, own),
        isDark,
        isSilent: isDark,
        moves: 'to-accent',
      };
    }
    const under = this.#ground(around?.look.background ?? null, null, isDark);
    if (highlight === 'background') return this.#onAccent(look, under, isDark);
    const background = own?.background ?? null;
    const ground = this.#ground(background, under) ?? under;
    const written = own?.color ?? null;
    const inherited = around?.look.color ?? null;
    const color = written ?? (isDark && inherited ? turned(around!.look, this.#tools!).color : inherited);
    const hex = this.#read(color);
    const isReadable =
      hex === null || ground === null || !this.#tools || this.#tools.worst(hex, ground).ratio >= 4.5;
    const paint = color === null || (written === null && !isReadable) ? null : { css: color, hex };
    return {
      look,
      background,
      under,
      color: paint === null ? null : { paint, isWritten: written !== null },
      isDark,
      isSilent: isDark || typeof highlight === 'string',
      moves: 'to-accent',
    };
  }

  /** Set apart on the accent as its ground. */
  #onAccent(look: Look, under: Ground | null, isDark: boolean): BoxSource {
    const accent = this.#read(look.accent);
    // Without a known accent the page’s own colours turned round are all that surely stands out.
    if (accent === null || !this.#tools)
      return boxOf(look, {
        background: 'CanvasText',
        color: { css: 'Canvas', hex: null },
        under: null,
        isDark,
      });
    const hex = textOn([accent], look.contrast.level === 'AAA' ? 7 : 4.5, this.#tools);
    const tinted = { ...look, accent: hex, color: null };
    return boxOf(tinted, { background: accent, color: { css: hex, hex }, under, isDark });
  }

  /** The colour of labels on a ground; a submenu on the page’s own ground has the page’s own. */
  #groundColor({ address }: Draft, look: Look, own: Look | null): BoxSource['color'] {
    const isPage = address.part === 'submenu' && (look.background === null || look.background === 'none');
    const css = isPage ? (own?.color ?? null) : look.color;
    if (css !== null) return { paint: { css, hex: this.#read(css) }, isWritten: true };
    return isPage ? { paint: { css: 'CanvasText', hex: null }, isWritten: false } : null;
  }

  #read(css: string | null): Hex | null {
    if (css === null || css === 'none' || !this.#tools) return null;
    const hex = this.#tools.read(css);
    return hex === null || !this.#tools.isOpaque(hex) ? null : hex;
  }

  #ground(css: string | null, under: Ground | null, isDark = false): Ground | null {
    if (css === null || css === 'none' || !this.#tools) return null;
    const hex = this.#read(css);
    const ground = hex === null ? this.#tools.along(css, under) : [hex];
    return isDark && ground ? ground.map(one => darkened(one, this.#tools!)) : ground;
  }
}

function boxOf(
  look: Look,
  {
    background,
    color,
    under,
    isDark,
  }: { background: string; color: { css: string; hex: Hex | null }; under: Ground | null; isDark: boolean },
): BoxSource {
  return {
    look,
    background,
    under,
    color: { paint: color, isWritten: false },
    isDark,
    isSilent: true,
    moves: 'from-label',
  };
}
