import type { Look, StateLook, StateName } from '../plan/look-types.ts';
import type { ColorTools, Ground, Hex } from './hex.ts';
import type { BoxSource } from './box-source.ts';
import { type Labels, type Painted, groundOf, specOf, stateGround, textOn } from './grounds.ts';
import { ContrastTeller, textLevels } from './contrast-teller.ts';
import { keptGround } from './kept-ground.ts';
import { markerOf } from './markers.ts';
import { pictureCss } from './picture-css.ts';
import type { LookTeller } from './teller.ts';
import type { Figure, Paint, StateValues } from './types.ts';

/** Resolves the states of a box, each from the one that it starts from. */
export class Box {
  readonly look: Look;
  readonly accent: Paint;
  readonly base: StateValues;
  readonly figures: Figure[] = [];
  readonly source: BoxSource;
  readonly tools: ColorTools | null;
  readonly teller: LookTeller;
  readonly #contrast: ContrastTeller | null;
  readonly #level: number;
  readonly #states = new Map<StateName, StateValues>();
  /** It has been told that no colour can be read on the ground. */
  #isUnreadable = false;

  constructor(source: BoxSource, tools: ColorTools | null, teller: LookTeller) {
    [this.source, this.tools, this.teller] = [source, tools, teller];
    const look = (this.look = source.look);
    this.#level = textLevels[look.contrast.level ?? 'AA'];
    this.#contrast = tools && new ContrastTeller(teller, tools, this.#level);
    const background = this.#groundPaint(source, null) ?? { css: 'transparent', hex: null };
    const ground = this.#groundOf(background);
    const color = this.#baseColor(ground);
    this.accent = this.paint(look.accent) ?? (color.hex ? color : { css: 'currentcolor', hex: null });
    this.base = {
      color,
      background,
      ground,
      border: look.border === 'none' ? null : look.border,
      shadow: look.shadow === 'none' ? null : look.shadow,
      iconColor: this.paint(look.iconColor)?.css ?? null,
      weight: look.font.weight,
      marker: null,
    };
    this.note({ state: 'base', of: 'label', color: color.hex, ground, level: this.#level });
  }

  state(name: StateName): StateValues {
    const known = this.#states.get(name);
    if (known) return known;
    const made = this.#resolve(name, []);
    this.#states.set(name, made);
    return made;
  }

  #resolve(name: StateName, chain: readonly StateName[]): StateValues {
    const known = this.#states.get(name);
    if (known) return known;
    const spec = specOf(this, name, this.tools);
    const { look } = this.source;
    if (spec.from !== null && spec.from !== 'base' && [...chain, name].includes(spec.from)) {
      this.teller.tell('state-circle', look, `states.${name}.from`, [
        `\`${name}\` starts from \`${spec.from}\`, which starts from \`${name}\``,
        'Let one of them start from base: take its `from` out.',
      ]);
      return this.base;
    }
    const start =
      spec.from === null || spec.from === 'base' ? this.base : this.#resolve(spec.from, [...chain, name]);
    const own = this.paint(spec.color);
    const label = own ?? this.#labelOn(spec, start);
    const painted = this.#backgroundOf(name, spec, { start, label });
    const level = Math.min(this.#level, this.#ratioIn(start));
    const { background, ground } = keptGround(this, painted, { name, spec, start, label, level });
    const color = this.#colorOf(name, label, { isWritten: own !== null, start, ground });
    const drawn = (value: string | null, before: string | null): string | null =>
      value === null ? before : value === 'none' ? null : value;
    const values = {
      color,
      background,
      ground,
      border: drawn(spec.border, start.border),
      shadow: drawn(spec.shadow, start.shadow),
      iconColor: this.paint(spec.iconColor)?.css ?? start.iconColor,
      weight: spec.weight ?? start.weight,
      marker: markerOf(look, name),
    } as const;
    this.note({ state: name, of: 'label', color: color.hex, ground, level: this.#level });
    return values;
  }

  /** The page's own colour is not known; on a ground that is, ink or paper. */
  #labelOn(spec: StateLook, { color }: StateValues): Paint {
    const own = color.hex === null ? this.paint(spec.background) : null;
    const ground = own && this.#groundOf(own);
    return ground ? this.#onKnown(ground) : color;
  }

  #backgroundOf(
    name: StateName,
    spec: StateLook,
    { start, label }: { start: StateValues; label: Paint },
  ): Painted {
    const own = this.#groundPaint(spec, start.background);
    const from = own ?? start.background;
    const under = own ? this.#groundOf(own) : start.ground;
    const given = this.paint(spec.accent) ?? this.accent;
    const accent = given.css === 'currentcolor' && label.hex !== null ? label : given;
    const isDefault = this.source.look.states[name] === undefined;
    const labels = isDefault && this.tools ? this.#labels() : null;
    return stateGround(spec, { from, under, accent, labels, moves: this.source.moves }, this.tools);
  }

  #ratioIn({ color, ground }: StateValues): number {
    return color.hex !== null && ground !== null && this.tools
      ? this.tools.worst(color.hex, ground).ratio
      : 21;
  }

  /** What lies behind a label on this ground of the box; null where that is not known. */
  #groundOf({ css, hex, layers }: Paint): Ground | null {
    if (hex !== null) return [hex];
    const { under, pictured } = this.source;
    if (layers)
      return pictured(
        layers.picture,
        this.#groundOf(this.paint(layers.over) ?? { css: 'transparent', hex: null }),
      );
    if (css === 'transparent') return under;
    return this.tools ? groundOf(css, under, this.tools) : null;
  }

  /** The label that grounds are chosen for. */
  #labels(): Labels {
    return { label: this.base.color.hex, level: this.#level, tools: this.tools! };
  }

  #baseColor(ground: Ground | null): Paint {
    const { color: given, look } = this.source;
    if (given === null) {
      if (ground === null || !this.tools) return { css: 'inherit', hex: null };
      const hex = textOn(ground, this.#level, this.tools);
      this.#tellUnreadable(hex, ground);
      return { css: hex, hex };
    }
    const { paint, isWritten } = given;
    if (!this.tools || ground === null || paint.hex === null) return paint;
    if (!isWritten) return this.source.isUnsure ? paint : this.#mended(paint.hex, ground, this.#level);
    if (this.tools.worst(paint.hex, ground).ratio >= this.#level) return paint;
    if (!this.source.isUnsure && (this.source.isDark || this.mends('all'))) {
      const passing = this.#mended(paint.hex, ground, this.#level);
      if (!this.source.isSilent)
        this.#contrast!.mended(look, 'color', { color: paint.hex, ground }, passing.css);
      return passing;
    }
    this.#tellLow('color', { color: paint.hex, ground });
    return paint;
  }

  /** What is not sure to be read. */
  #tellLow(path: string, seen: { color: Hex; ground: Ground }): void {
    const { look, isUnsure } = this.source;
    if (!isUnsure) this.#contrast!.low(look, path, seen);
    else if (!this.source.isSilent) this.#contrast!.unsure(look, path, seen);
  }

  #colorOf(
    name: StateName,
    color: Paint,
    { isWritten, start, ground }: { isWritten: boolean; start: StateValues; ground: Ground | null },
  ): Paint {
    const tools = this.tools;
    if (!tools || ground === null) return color;
    if (color.hex === null) return isWritten ? color : this.#onKnown(ground);
    const path = `states.${name}.color`;
    // What was written and told as too faint need not be better in a state than in the one that it starts from.
    const before = this.#ratioIn(start);
    const level = isWritten ? this.#level : Math.min(this.#level, before);
    // Nor is it turned into another colour for a little less.
    const isFaint = before < this.#level && color.hex === start.color.hex;
    const slack = isFaint ? 0.5 : 0;
    if (tools.worst(color.hex, ground).ratio >= level - slack) return color;
    // Where the page is seen through the ground no other colour would surely be better.
    const mends = !this.source.isUnsure && (this.source.isDark || this.mends(isWritten ? 'all' : 'tints'));
    if (!mends) {
      this.#tellLow(path, { color: color.hex, ground });
      return color;
    }
    const passing = this.#mended(color.hex, ground, level);
    const isDefault = this.source.look.states[name] === undefined;
    if (!this.source.isSilent && !isDefault && passing.hex !== color.hex)
      this.#contrast!.mended(this.source.look, path, { color: color.hex, ground }, passing.css);
    return passing;
  }

  #onKnown(ground: Ground): Paint {
    const hex = textOn(ground, this.#level, this.tools!);
    return { css: hex, hex };
  }

  #mended(color: Hex, ground: Ground, level: number): Paint {
    const hex = this.tools!.nearestPassing(color, ground, level);
    this.#tellUnreadable(hex, ground);
    return { css: hex, hex };
  }

  /** No colour can be read on a gradient that goes from dark to light. */
  #tellUnreadable(color: Hex, ground: Ground): void {
    const isBad = ground.length > 1 && this.tools!.worst(color, ground).ratio < this.#level;
    if (!isBad || this.source.isSilent || this.#isUnreadable) return;
    this.#isUnreadable = true;
    this.#tellLow('background', { color, ground });
  }

  mends(least: 'tints' | 'all'): boolean {
    const mend = this.source.look.contrast.mend ?? 'tints';
    return mend === 'all' || (mend === 'tints' && least === 'tints');
  }

  /** A ground that is written: a colour, a gradient, a picture over it or over what is there. */
  #groundPaint(
    { background, picture }: Pick<StateLook, 'background' | 'picture'>,
    before: Paint | null,
  ): Paint | null {
    if (picture === null) return this.paint(background);
    const over = background ?? (before?.layers ? before.layers.over : (before?.css ?? null));
    return { css: pictureCss(picture, over), hex: null, layers: { picture, over } };
  }

  paint(css: string | null): Paint | null {
    if (css === null || css === 'none') return null;
    if (!this.tools) return { css, hex: null };
    // What depends on the page cannot be computed with; what is no colour at all has been told before.
    const hex = this.tools.read(css);
    return { css, hex: hex !== null && this.tools.isOpaque(hex) ? hex : null };
  }

  note(
    figure: Omit<Figure, 'ratio' | 'color' | 'ground'> & { color: Hex | null; ground: Ground | null },
  ): void {
    const { color, ground } = figure;
    if (!this.tools || color === null || ground === null) return;
    const { ratio, at } = this.tools.worst(color, ground);
    this.figures.push({ ...figure, color, ground: at, ratio });
  }
}
