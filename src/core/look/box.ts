import type { Look, StateLook, StateName } from '../plan/look-types.ts';
import type { ColorTools, Ground, Hex } from './hex.ts';
import { type Labels, type Painted, specOf, stateGround, textOn } from './grounds.ts';
import { ContrastTeller } from './contrast-teller.ts';
import type { LookTeller } from './teller.ts';
import type { Figure, Paint, StateValues } from './types.ts';

/** Levels of WCAG 2.2: 1.4.3 and 1.4.6 for text, 1.4.11 for marks. */
export const textLevels = { AA: 4.5, AAA: 7 } as const;
export const markLevel = 3;

/** An entry's box, and what it is made from. */
export interface BoxSource {
  look: Look;
  /** The box’s own ground: it lies on another one where it has none. */
  background: string | null;
  under: Ground | null;
  /** The colour of labels where the look gives none. */
  color: { paint: Paint; isWritten: boolean } | null;
  /** In a dark scheme nothing is as it was written: all follows. */
  isDark: boolean;
  /** Nothing is told: what is here was derived, not written. */
  isSilent: boolean;
  /** Under the pointer the ground takes on the accent, or goes away from the label. */
  moves: 'to-accent' | 'from-label';
}

/** Resolves the states of a box, each from the one that it starts from. */
export class Box {
  readonly look: Look;
  readonly accent: Paint;
  readonly base: StateValues;
  readonly figures: Figure[] = [];
  readonly #source: BoxSource;
  readonly #tools: ColorTools | null;
  readonly #teller: LookTeller;
  readonly #contrast: ContrastTeller | null;
  readonly #level: number;
  readonly #states = new Map<StateName, StateValues>();
  /** It has been told that no colour can be read on the ground. */
  #isUnreadable = false;

  constructor(source: BoxSource, tools: ColorTools | null, teller: LookTeller) {
    [this.#source, this.#tools, this.#teller] = [source, tools, teller];
    const look = (this.look = source.look);
    this.#level = textLevels[look.contrast.level ?? 'AA'];
    this.#contrast = tools && new ContrastTeller(teller, tools, this.#level);
    const background = this.#paint(source.background) ?? { css: 'transparent', hex: null };
    const ground = this.#groundOf(background);
    const color = this.#baseColor(ground);
    this.accent = this.#paint(look.accent) ?? (color.hex ? color : { css: 'currentcolor', hex: null });
    this.base = {
      color,
      background,
      ground,
      border: look.border === 'none' ? null : look.border,
      shadow: look.shadow === 'none' ? null : look.shadow,
      iconColor: this.#paint(look.iconColor)?.css ?? null,
      weight: look.font.weight,
      marker: 'none',
    };
    this.#note({ state: 'base', of: 'label', color: color.hex, ground, level: this.#level });
  }

  state(name: StateName): StateValues {
    const known = this.#states.get(name);
    if (known) return known;
    const made = this.#resolve(name, []);
    this.#states.set(name, made);
    return made;
  }

  /** The mark of the current entry, or the ring of focus, seen on every ground it may stand on. */
  mark(of: 'marker' | 'focus', states: readonly StateName[]): Paint {
    const { accent } = this;
    const color = accent.css === 'currentcolor' ? this.base.color : accent;
    const isSeen =
      of === 'focus' || (['current', 'within'] as const).some(name => this.state(name).marker !== 'none');
    if (!isSeen) return accent;
    const isThere = (name: StateName): boolean =>
      of === 'focus' || (name !== 'current' && name !== 'within') || this.state(name).marker !== 'none';
    const others = states.filter(isThere).map(name => this.state(name));
    const grounds = [this.base, ...others].flatMap(one => one.ground ?? []);
    const tools = this.#tools;
    if (!tools || color.hex === null || grounds.length === 0)
      return color.css === 'inherit' ? { css: 'currentcolor', hex: null } : color;
    const hex = this.#mends('tints') ? tools.nearestPassing(color.hex, grounds, markLevel) : color.hex;
    if (hex !== color.hex && !this.#source.isSilent && this.#source.look.accent !== null)
      this.#teller.tell('mended-color', this.#source.look, 'accent', [
        `marks and the ring of focus are ${hex} in place of ${color.hex}, which stands out too little from ${grounds.find(one => tools.contrast(color.hex!, one) < markLevel) ?? grounds[0]!}`,
        'Nothing needs to be done. With  contrast: { mend: none }  derived colours stay as they come.',
      ]);
    this.#note({
      state: of === 'marker' ? 'current' : 'focus',
      of,
      color: hex,
      ground: [grounds[0]!],
      level: markLevel,
    });
    return { css: hex, hex };
  }

  #resolve(name: StateName, chain: readonly StateName[]): StateValues {
    const known = this.#states.get(name);
    if (known) return known;
    const spec = specOf(this, name, this.#tools);
    const { look } = this.#source;
    if (spec.from !== null && spec.from !== 'base' && [...chain, name].includes(spec.from)) {
      this.#teller.tell('state-circle', look, `states.${name}.from`, [
        `\`${name}\` starts from \`${spec.from}\`, which starts from \`${name}\``,
        'Let one of them start from base: take its `from` out.',
      ]);
      return this.base;
    }
    const start =
      spec.from === null || spec.from === 'base' ? this.base : this.#resolve(spec.from, [...chain, name]);
    const { background, ground } = this.#backgroundOf(name, spec, start);
    const own = this.#paint(spec.color);
    const color = this.#colorOf(name, own ?? start.color, own !== null, ground);
    const drawn = (value: string | null, before: string | null): string | null =>
      value === null ? before : value === 'none' ? null : value;
    const values = {
      color,
      background,
      ground,
      border: drawn(spec.border, start.border),
      shadow: drawn(spec.shadow, start.shadow),
      iconColor: this.#paint(spec.iconColor)?.css ?? start.iconColor,
      weight: spec.weight ?? start.weight,
      marker: spec.marker ?? (name === 'current' || name === 'within' ? 'below' : 'none'),
    } as const;
    this.#note({ state: name, of: 'label', color: color.hex, ground, level: this.#level });
    return values;
  }

  #backgroundOf(name: StateName, spec: StateLook, start: StateValues): Painted {
    const own = this.#paint(spec.background);
    const from = own ?? start.background;
    const under = own ? this.#groundOf(own) : start.ground;
    const accent = this.#paint(spec.accent) ?? this.accent;
    const isDefault = this.#source.look.states[name] === undefined;
    const labels = isDefault && this.#tools ? this.#labels() : null;
    return stateGround(spec, { from, under, accent, labels, moves: this.#source.moves }, this.#tools);
  }

  /** What lies behind a label on this ground of the box; null where that is not known. */
  #groundOf({ css, hex }: Paint): Ground | null {
    if (hex !== null) return [hex];
    const { under } = this.#source;
    return css === 'transparent' ? under : (this.#tools?.along(css, under) ?? null);
  }

  /** The label that grounds are chosen for. */
  #labels(): Labels {
    return { label: this.base.color.hex, level: this.#level, tools: this.#tools! };
  }

  #baseColor(ground: Ground | null): Paint {
    const { color: given, look } = this.#source;
    if (given === null) {
      if (ground === null || !this.#tools) return { css: 'inherit', hex: null };
      const hex = textOn(ground, this.#level, this.#tools);
      this.#tellUnreadable(hex, ground);
      return { css: hex, hex };
    }
    const { paint, isWritten } = given;
    if (!this.#tools || ground === null || paint.hex === null) return paint;
    if (!isWritten) return this.#mended(paint.hex, ground, this.#level);
    if (this.#tools.worst(paint.hex, ground).ratio >= this.#level) return paint;
    if (this.#source.isDark || this.#mends('all')) {
      const passing = this.#mended(paint.hex, ground, this.#level);
      if (!this.#source.isSilent)
        this.#contrast!.mended(look, 'color', { color: paint.hex, ground }, passing.css);
      return passing;
    }
    this.#contrast!.low(look, 'color', { color: paint.hex, ground });
    return paint;
  }

  #colorOf(name: StateName, color: Paint, isWritten: boolean, ground: Ground | null): Paint {
    const tools = this.#tools;
    if (!tools || ground === null || color.hex === null) return color;
    const path = `states.${name}.color`;
    // What was written and told as too faint need not be better in a state than at rest.
    const { base } = this;
    const atRest =
      base.color.hex !== null && base.ground !== null ? tools.worst(base.color.hex, base.ground).ratio : 21;
    const level = isWritten ? this.#level : Math.min(this.#level, atRest);
    if (tools.worst(color.hex, ground).ratio >= level) return color;
    const mends = this.#source.isDark || this.#mends(isWritten ? 'all' : 'tints');
    if (!mends) {
      this.#contrast!.low(this.#source.look, path, { color: color.hex, ground });
      return color;
    }
    const passing = this.#mended(color.hex, ground, level);
    const isDefault = this.#source.look.states[name] === undefined;
    if (!this.#source.isSilent && !isDefault)
      this.#contrast!.mended(this.#source.look, path, { color: color.hex, ground }, passing.css);
    return passing;
  }

  #mended(color: Hex, ground: Ground, level: number): Paint {
    const hex = this.#tools!.nearestPassing(color, ground, level);
    this.#tellUnreadable(hex, ground);
    return { css: hex, hex };
  }

  /** No colour can be read on a gradient that goes from dark to light. */
  #tellUnreadable(color: Hex, ground: Ground): void {
    const isBad = ground.length > 1 && this.#tools!.worst(color, ground).ratio < this.#level;
    if (!isBad || this.#source.isSilent || this.#isUnreadable) return;
    this.#isUnreadable = true;
    this.#contrast!.low(this.#source.look, 'background', { color, ground });
  }

  #mends(least: 'tints' | 'all'): boolean {
    const mend = this.#source.look.contrast.mend ?? 'tints';
    return mend === 'all' || (mend === 'tints' && least === 'tints');
  }

  #paint(css: string | null): Paint | null {
    if (css === null || css === 'none') return null;
    if (!this.#tools) return { css, hex: null };
    // What depends on the page cannot be computed with; what is no colour at all has been told before.
    const hex = this.#tools.read(css);
    return { css, hex: hex !== null && this.#tools.isOpaque(hex) ? hex : null };
  }

  #note(
    figure: Omit<Figure, 'ratio' | 'color' | 'ground'> & { color: Hex | null; ground: Ground | null },
  ): void {
    const { color, ground } = figure;
    if (!this.#tools || color === null || ground === null) return;
    const { ratio, at } = this.#tools.worst(color, ground);
    this.figures.push({ ...figure, color, ground: at, ratio });
  }
}
