import type { Look, Picture } from '../plan/look-types.ts';
import { apartStates } from './apart-states.ts';
import type { BoxSource } from './box-source.ts';
import { anyGround, groundOf, textOn } from './grounds.ts';
import { turned, turnedColor } from './dark.ts';
import type { Draft } from './drafts.ts';
import type { ColorTools, Ground, Hex } from './hex.ts';
import { groundIn } from './merge.ts';
import { type Known, evenGround, pictureGround, showsPage } from './picture-ground.ts';
import type { Paint } from './types.ts';

/** Finds what each box is made from: its own look, and what lies around it. */
export class BoxSources {
  readonly #tools: ColorTools | null;
  readonly #known: Known;

  constructor(tools: ColorTools | null, known: Known) {
    this.#tools = tools;
    this.#known = known;
  }

  /** What a box is made from. */
  source(draft: Draft, isDark: boolean): BoxSource {
    const { kind } = draft;
    const look = isDark ? turned(draft.look, this.#tools!) : draft.look;
    const own = draft.own === null ? null : isDark ? turned(draft.own, this.#tools!) : draft.own;
    if (kind === 'ground') {
      const under = this.#behind(draft, false, look);
      const isOpen = this.#isUnsure(draft);
      return {
        look,
        background: null,
        picture: null,
        pictured: this.#pictured,
        under,
        color: this.#groundColor(draft, look, own),
        isDark,
        isSilent: isDark,
        isUnsure: isOpen || this.#hasUnsure(look, isOpen ? null : under),
        moves: 'to-accent',
      };
    }
    return this.#boxed(draft, { look, own }, isDark);
  }

  /** A box on the ground around it. */
  #boxed(
    { around, highlight }: Draft,
    { look, own }: { look: Look; own: Look | null },
    isDark: boolean,
  ): BoxSource {
    const under = around ? this.#behind(around, isDark, around.look) : null;
    if (highlight === 'background') return this.#onAccent(look, under, isDark);
    const [background, picture] = [own?.background ?? null, own?.picture ?? null];
    const colored = this.#ground(background, under) ?? under;
    const ground = picture ? this.#pictured(picture, colored) : colored;
    const written = own?.color ?? null;
    const inherited = around && isOnPage(around) ? (around.own?.color ?? null) : (around?.look.color ?? null);
    const color = written ?? (isDark && inherited ? turned(around!.look, this.#tools!).color : inherited);
    const hex = this.#read(color);
    const isOpen = around !== null && this.#isUnsure(around) && background === null;
    const below = isOpen ? null : colored;
    const isUnsure = (picture ? this.#shows(picture, below) : isOpen) || this.#hasUnsure(look, below);
    // On a ground that the page is seen through the label stays that of its neighbours.
    const isReadable =
      isUnsure ||
      hex === null ||
      ground === null ||
      !this.#tools ||
      this.#tools.worst(hex, ground).ratio >= 4.5;
    const paint = color === null || (written === null && !isReadable) ? null : { css: color, hex };
    const isApart = highlight !== null && background !== null && !isUnsure;
    const states = isApart ? { ...this.#apart(look, ground, hex), ...own?.states } : look.states;
    return {
      look: { ...look, states },
      background,
      picture,
      pictured: this.#pictured,
      under,
      color: paint === null ? null : { paint, isWritten: written !== null },
      isDark,
      isSilent: isDark || typeof highlight === 'string',
      isUnsure,
      moves: 'to-accent',
    };
  }

  /** The page is seen through a ground: what is behind the labels lies between two. */
  #isUnsure(draft: Draft): boolean {
    const { isSheet, isOver, look } = draft;
    if (!this.#tools) return false;
    const css = groundIn(look);
    const isSolid = css !== null && (isSheet || this.#tools.solid(css) === css);
    if (look.picture !== null)
      return this.#shows(look.picture, this.#ground(isSolid ? css : null, anyGround));
    if (isSheet) return false;
    if (this.#below(draft) !== null) return false;
    return css === null ? isOver === true : !isSolid;
  }

  /** What is behind the labels on a ground; null where only the page knows. */
  #behind(draft: Draft, isDark: boolean, look: Look): Ground | null {
    const { isSheet, isOver } = draft;
    if (!this.#tools) return null;
    const written = groundIn(look);
    const css = isSheet && written !== null ? this.#tools.solid(written) : written;
    if (look.picture !== null) return this.#pictured(look.picture, this.#ground(css, anyGround, isDark));
    const below = this.#below(draft) ?? anyGround;
    if (css === null) return isOver && !isSheet ? below : null;
    return this.#ground(css, below, isDark);
  }

  /** What is known of the pictures that a menu lies over; once the page is scrolled it is anything. */
  #below({ isOver, look, address: { menu, part } }: Draft): Ground | null {
    const { over, below } = this.#known;
    const names = isOver !== true || part === 'scrolled' ? [] : menu === null ? [...over.keys()] : [menu];
    const isKnown = names.every(name => below.has(name) && !(over.get(name) && !look.parts.scrolled));
    if (names.length === 0 || !isKnown) return null;
    return evenGround(
      names.flatMap(name => below.get(name)!),
      anyGround,
      this.#tools!,
    );
  }

  /** What lies behind labels on a picture over a ground; all that may, where it is not known. */
  readonly #pictured = (picture: Picture, under: Ground | null): Ground =>
    pictureGround(picture, { colors: this.#known.pictures, under, tools: this.#tools! }) ?? anyGround;

  /** The page is seen through a picture, or around it. @param under null where only the page knows */
  #shows(picture: Picture, under: Ground | null): boolean {
    return showsPage(picture, { colors: this.#known.pictures, under, tools: this.#tools! });
  }

  /** The page is seen through the picture of a state. */
  #hasUnsure({ states }: Look, under: Ground | null): boolean {
    return Object.values(states).some(
      ({ picture, background }) => picture && this.#shows(picture, this.#ground(background, under) ?? under),
    );
  }

  /** The states of the menu for what is set apart on a ground of its own. */
  #apart(look: Look, ground: Ground | null, label: Hex | null): Look['states'] {
    const tools = this.#tools;
    if (!tools || ground === null || label === null) return look.states;
    const read = (css: string | null): Hex | null => this.#read(css);
    return apartStates(look.states, { ground, label, level: levelOf(look), tools, read });
  }

  /** Set apart on the accent as its ground. */
  #onAccent(look: Look, under: Ground | null, isDark: boolean): BoxSource {
    const level = levelOf(look);
    // Without an accent the colours of the menu turned round stand out; where they are not known, those of the page.
    const label = under && this.#tools ? (this.#read(look.color) ?? textOn(under, level, this.#tools)) : null;
    const accent = this.#read(look.accent) ?? label;
    if (accent === null || !this.#tools)
      return boxOf(
        { look, background: 'CanvasText', pictured: this.#pictured, under: null, isDark },
        { css: 'Canvas', hex: null },
      );
    const hex = textOn([accent], level, this.#tools);
    const states = this.#apart(look, [accent], hex);
    const tinted = { ...look, accent: hex, color: null, states };
    return boxOf(
      { look: tinted, background: accent, pictured: this.#pictured, under, isDark },
      { css: hex, hex },
    );
  }

  /** The colour of labels on a ground; a sheet on the page’s own ground has the page’s own. */
  #groundColor(draft: Draft, look: Look, own: Look | null): BoxSource['color'] {
    const isPage = isOnPage({ ...draft, look });
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
    return groundOf(isDark ? turnedColor(css, this.#tools) : css, under, this.#tools);
  }
}

const levelOf = ({ contrast }: Look): number => (contrast.level === 'AAA' ? 7 : 4.5);

/** A sheet without a ground of its own has that of the page’s scheme. */
const isOnPage = ({ isSheet, look }: Draft): boolean =>
  isSheet && groundIn(look) === null && look.picture === null;

/** What is set apart on a ground of its own. */
const boxOf = (
  own: Pick<BoxSource, 'look' | 'background' | 'pictured' | 'under' | 'isDark'>,
  paint: Paint,
): BoxSource => ({
  ...own,
  picture: null,
  color: { paint, isWritten: false },
  isSilent: true,
  isUnsure: false,
  moves: 'from-label',
});
