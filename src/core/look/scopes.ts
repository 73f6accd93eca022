import { folds } from '../menu/folds.ts';
import type { Highlight, ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { type Look, type LookPart, type StateName, stateNames } from '../plan/look-types.ts';
import type { Form } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { Box, type BoxSource, textOn } from './box.ts';
import { darkLook, turned } from './dark.ts';
import type { ColorTools, Hex } from './hex.ts';
import { emptyLook, mergeLooks, withoutColors } from './merge.ts';
import { LookTeller } from './teller.ts';
import type { ResolvedLooks, Scope, ScopeAddress, StateValues } from './types.ts';
import { type Uses, valuesOf } from './values.ts';

/** These lie on the page’s own ground, whatever the look of all menus is. */
export const groundless: ReadonlySet<Form> = new Set([
  'plain',
  'breadcrumb',
  'previous-next',
  'button',
  'top',
]);

/** @param tools null where no look of the plan has a colour */
export function resolveLooks(
  look: Look | null,
  menus: readonly ResolvedMenu[],
  context: { tools: ColorTools | null; source: Source },
): { looks: ResolvedLooks; findings: Finding[] } {
  const resolver = new LooksResolver(mergeLooks(emptyLook, look), menus, context);
  return { looks: resolver.resolve(), findings: resolver.findings };
}

/** A look in its place: what holds around it, and whether it is a ground or a box on one. */
interface Draft {
  address: ScopeAddress;
  look: Look;
  /** The box’s own; for a ground that of the menu or part. */
  own: Look | null;
  kind: 'ground' | 'box';
  around: Draft | null;
  highlight: Highlight | null;
}

const nowhere: ScopeAddress = { menu: null, part: null, entry: null, highlight: null };

class LooksResolver {
  readonly findings: Finding[];
  readonly #teller: LookTeller;
  readonly #tools: ColorTools | null;
  readonly #site: Draft;
  readonly #drafts: Draft[] = [];

  constructor(
    look: Look,
    menus: readonly ResolvedMenu[],
    { tools, source }: { tools: ColorTools | null; source: Source },
  ) {
    this.#teller = new LookTeller(source);
    this.findings = this.#teller.findings;
    this.#tools = tools;
    this.#site = { address: nowhere, look, own: look, kind: 'ground', around: null, highlight: null };
    this.#drafts.push(this.#site);
    this.#parts(this.#site, menus);
    const seen = new Set<string>();
    for (const menu of menus) {
      if (!seen.has(menu.name)) this.#menu(menu);
      if (!seen.has(menu.name)) this.#tellSeeThrough(menu, source);
      seen.add(menu.name);
    }
    const ways = new Set(menus.flatMap(menu => waysOf(menu.entries)));
    for (const way of ways) this.#highlight(this.#site, { ...nowhere, highlight: way }, way);
  }

  /** A menu that stays lies over what scrolls by. */
  #tellSeeThrough(menu: ResolvedMenu, source: Source): void {
    const under = groundless.has(menu.form) ? withoutColors(this.#site.look) : this.#site.look;
    const { background } = mergeLooks(under, menu.look);
    if (menu.stays === null || menu.stays.selector !== null || (background !== null && background !== 'none'))
      return;
    const { start, end } = menu.stays.mark;
    this.findings.push(
      finding(
        'see-through',
        source.place(start, end),
        `\`${menu.name}\` stays over the page without a ground of its own`,
        'Give it one:  look: { background: "#ffffff" }',
      ),
    );
  }

  resolve(): ResolvedLooks {
    const isSaid = (test: (look: Look) => boolean): boolean => this.#drafts.some(one => test(one.look));
    const states = new Set<StateName>(['hover', 'pressed']);
    for (const name of stateNames)
      if (isSaid(look => look.states[name] !== undefined && hasColors(look, name))) states.add(name);
    const isDrawn = (key: 'border' | 'shadow'): boolean =>
      isSaid(look => look[key] !== null || Object.values(look.states).some(one => one[key] !== null));
    const isStated = (key: 'border' | 'shadow' | 'iconColor'): boolean =>
      isSaid(look => Object.values(look.states).some(one => one[key] !== null));
    const uses: Uses = {
      states,
      border: isDrawn('border'),
      shadow:
        isDrawn('shadow') ||
        this.#drafts.some(one => one.address.highlight === 'border' || one.address.highlight === 'shadow'),
      icon: isSaid(
        look => look.iconColor !== null || Object.values(look.states).some(one => one.iconColor !== null),
      ),
      ofStates: {
        border: isStated('border'),
        shadow: isStated('shadow'),
        icon: isStated('iconColor'),
      },
      boldest: boldestOf(this.#drafts.map(one => one.look)),
      weight: isSaid(look => Object.values(look.states).some(one => one.weight !== null)),
    };
    const borderWidth = widestBorder(this.#drafts.map(one => one.look));
    const scheme = this.#site.look.dark ?? 'page';
    const scopes = this.#drafts.map(draft => this.#scope(draft, uses, borderWidth));
    return { scopes, uses, scheme };
  }

  #menu(menu: ResolvedMenu): void {
    const isGroundless = groundless.has(menu.form);
    const under = isGroundless ? withoutColors(this.#site.look) : this.#site.look;
    const address = { ...nowhere, menu: menu.name };
    const look = mergeLooks(under, menu.look);
    const draft: Draft = {
      address,
      look,
      own: menu.look,
      kind: 'ground',
      around: this.#site,
      highlight: null,
    };
    if (menu.look !== null || isGroundless) this.#drafts.push(draft);
    if (menu.look !== null) this.#parts(draft, [menu]);
    this.#entries(menu.entries, draft);
  }

  #parts(draft: Draft, menus: readonly ResolvedMenu[]): void {
    const has: Record<LookPart, boolean> = {
      submenu: menus.some(menu => menu.entries.some(one => one.entries.length > 0)),
      fold: menus.some(menu => folds(menu)),
      toggle: menus.some(menu => folds(menu)),
      home: menus.some(menu => menu.home !== null),
    };
    for (const part of ['submenu', 'fold', 'toggle', 'home'] as const) {
      const own = draft.look.parts[part] ?? null;
      const isGround = part === 'submenu' || part === 'fold';
      if (!has[part] || (own === null && part !== 'submenu')) continue;
      const address = { ...draft.address, part };
      const drawn = part === 'submenu' && own !== null ? { ...own, border: null, shadow: null } : own;
      const look = mergeLooks(draft.look, drawn);
      this.#drafts.push({
        address,
        look,
        own,
        kind: isGround ? 'ground' : 'box',
        around: draft,
        highlight: null,
      });
    }
  }

  #entries(entries: readonly ResolvedEntry[], around: Draft): void {
    for (const entry of entries) {
      const address = { ...around.address, entry: entry.hook };
      if (entry.look !== null) {
        const look = mergeLooks(around.look, entry.look);
        this.#drafts.push({ address, look, own: entry.look, kind: 'box', around, highlight: null });
      }
      if (entry.highlight !== null && typeof entry.highlight === 'object')
        this.#highlight(around, address, entry.highlight);
      this.#entries(entry.entries, around);
    }
  }

  #highlight(around: Draft, address: ScopeAddress, highlight: Highlight): void {
    const own = typeof highlight === 'object' ? highlight : null;
    const look = mergeLooks(around.look, own);
    this.#drafts.push({ address, look, own, kind: 'box', around, highlight });
  }

  #scope(draft: Draft, uses: Uses, borderWidth: string | null): Scope {
    const box = new Box(this.#source(draft, false), this.#tools, this.#teller);
    const values = valuesOf(box, { draft, uses, borderWidth });
    const markers = { current: box.state('current').marker, within: box.state('within').marker };
    if (draft.kind === 'ground' && draft.address.part === null) this.#tellHue(box, draft.look);
    const said = draft.own?.states ?? {};
    return {
      address: draft.address,
      values,
      dark: this.#dark(draft, values, { uses, borderWidth }),
      markers,
      hasOwnMarkers: (said.current?.marker ?? said.within?.marker ?? null) !== null,
      figures: box.figures,
    };
  }

  /** What is another in a dark scheme. */
  #dark(
    draft: Draft,
    light: ReadonlyMap<string, string>,
    context: { uses: Uses; borderWidth: string | null },
  ): ReadonlyMap<string, string> {
    if (!this.#tools || (this.#site.look.dark ?? 'page') === 'off' || !this.#hasDark(draft)) return new Map();
    const box = new Box(this.#source(draft, true), this.#tools, this.#teller);
    const values = valuesOf(box, { draft, ...context });
    return new Map([...values].filter(([name, value]) => isColor(name) && light.get(name) !== value));
  }

  #hasDark({ look, around, kind }: Draft): boolean {
    const ground = kind === 'box' && around ? around.look : look;
    return darkLook(ground, this.#tools!) !== null;
  }

  #source(draft: Draft, isDark: boolean): BoxSource {
    const { kind, around, highlight } = draft;
    const look = isDark ? turned(draft.look, this.#tools!) : draft.look;
    const own = draft.own === null ? null : isDark ? turned(draft.own, this.#tools!) : draft.own;
    if (kind === 'ground') {
      const background = look.background === 'none' ? null : look.background;
      return {
        look,
        background: null,
        under: this.#read(background),
        color: this.#groundColor(draft, look, own),
        isDark,
        isSilent: isDark,
        moves: 'to-accent',
      };
    }
    const under = this.#read(around?.look.background ?? null, isDark);
    const accent = this.#read(look.accent);
    if (highlight === 'background') {
      // Without a known accent the page’s own colours turned round are all that surely stands out.
      if (accent === null || !this.#tools)
        return boxOf(look, {
          background: 'CanvasText',
          color: { css: 'Canvas', hex: null },
          under: null,
          isDark,
        });
      const hex = textOn(accent, look.contrast.level === 'AAA' ? 7 : 4.5, this.#tools);
      const tinted = { ...look, accent: hex, color: null };
      return boxOf(tinted, { background: accent, color: { css: hex, hex }, under, isDark });
    }
    const background = own?.background ?? null;
    const ground = this.#read(background) ?? under;
    const written = own?.color ?? null;
    const inherited = around?.look.color ?? null;
    const color = written ?? (isDark && inherited ? turned(around!.look, this.#tools!).color : inherited);
    const hex = this.#read(color);
    const isReadable =
      hex === null || ground === null || !this.#tools || this.#tools.contrast(hex, ground) >= 4.5;
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

  /** The colour of labels on a ground; a submenu on the page’s own ground has the page’s own. */
  #groundColor({ address }: Draft, look: Look, own: Look | null): BoxSource['color'] {
    const isPage = address.part === 'submenu' && (look.background === null || look.background === 'none');
    const css = isPage ? (own?.color ?? null) : look.color;
    if (css !== null) return { paint: { css, hex: this.#read(css) }, isWritten: true };
    return isPage ? { paint: { css: 'CanvasText', hex: null }, isWritten: false } : null;
  }

  #read(css: string | null, isDark = false): Hex | null {
    if (css === null || css === 'none' || !this.#tools) return null;
    const hex = this.#tools.read(css);
    if (hex === null || !this.#tools.isOpaque(hex)) return null;
    return isDark ? this.#tools.withLightness(hex, lightness => 0.2 + (1 - lightness) * 0.76) : hex;
  }

  /** WCAG 2.2, 1.4.1: the current entry differs by more than hue. */
  #tellHue(box: Box, look: Look): void {
    const [base, current] = [box.base, box.state('current')];
    const differs =
      current.marker !== 'none' ||
      current.weight !== base.weight ||
      current.border !== base.border ||
      current.shadow !== base.shadow ||
      this.#areFar(current, base);
    if (!differs)
      this.#teller.tell('same-but-hue', look, 'states.current', [
        'the current entry differs from its neighbours by hue alone, or not at all',
        'Give it a mark, a weight or a border:  current: { marker: below }',
      ]);
  }

  #areFar(one: StateValues, other: StateValues): boolean {
    const far = (a: Hex | null, b: Hex | null): boolean =>
      a !== null && b !== null && this.#tools !== null && this.#tools.contrast(a, b) >= 3;
    return far(one.ground, other.ground) || far(one.color.hex, other.color.hex);
  }
}

/** `light-dark()` takes colours only. */
function isColor(name: string): boolean {
  return /(?:color|background|accent|marker|focus)$/.test(name);
}

function boxOf(
  look: Look,
  {
    background,
    color,
    under,
    isDark,
  }: { background: string; color: { css: string; hex: Hex | null }; under: Hex | null; isDark: boolean },
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

/** A marker alone needs no colours of its own. */
function hasColors(look: Look, name: StateName): boolean {
  return Object.entries(look.states[name]!).some(([key, value]) => key !== 'marker' && value !== null);
}

function waysOf(entries: readonly ResolvedEntry[]): ('background' | 'border' | 'shadow')[] {
  return entries.flatMap(({ highlight, entries: below }) => [
    ...(typeof highlight === 'string' ? [highlight] : []),
    ...waysOf(below),
  ]);
}

/** The heaviest weight of any state. */
function boldestOf(looks: readonly Look[]): number {
  const weights = looks.flatMap(look => Object.values(look.states).flatMap(one => one.weight ?? []));
  return Math.max(400, ...weights.map(one => (one === 'bold' ? 700 : Number(one) || 400)));
}

/** The widest border of any look: all boxes keep room for it, so that none moves its neighbours. */
function widestBorder(looks: readonly Look[]): string | null {
  const all = looks.flatMap(look => [look.border, ...Object.values(look.states).map(one => one.border)]);
  const px = (width: string): number => parseFloat(width) * (width.endsWith('px') ? 1 : 16);
  const widths = all.flatMap(border => (border === null || border === 'none' ? [] : [border.split(' ')[0]!]));
  return widths.sort((one, other) => px(other) - px(one))[0] ?? null;
}
