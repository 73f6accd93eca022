import { folds } from '../menu/folds.ts';
import type { Highlight, ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { type Look, type LookPart } from '../plan/look-types.ts';
import { forms } from '../plan/forms.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { emptyLook } from '../plan/read-look.ts';
import { Box } from './box.ts';
import { BoxSources } from './box-sources.ts';
import { darkLook, lightDark } from './dark.ts';
import { type Draft, usesOf, widestBorder } from './drafts.ts';
import type { ColorTools, Ground } from './hex.ts';
import { mergeLooks, withoutColors } from './merge.ts';
import { LookTeller } from './teller.ts';
import type { Paint, ResolvedLooks, Scope, ScopeAddress, StateValues } from './types.ts';
import { type Uses, valuesOf } from './values.ts';

/** @param tools null where no look of the plan has a colour */
export function resolveLooks(
  look: Look | null,
  menus: readonly ResolvedMenu[],
  context: { tools: ColorTools | null; source: Source },
): { looks: ResolvedLooks; findings: Finding[] } {
  const resolver = new LooksResolver(mergeLooks(emptyLook, look), menus, context);
  return { looks: resolver.resolve(), findings: resolver.findings };
}

const nowhere: ScopeAddress = { menu: null, part: null, entry: null, highlight: null };

class LooksResolver {
  readonly findings: Finding[];
  readonly #teller: LookTeller;
  readonly #tools: ColorTools | null;
  readonly #site: Draft;
  readonly #sources: BoxSources;
  readonly #drafts: Draft[] = [];

  constructor(
    look: Look,
    menus: readonly ResolvedMenu[],
    { tools, source }: { tools: ColorTools | null; source: Source },
  ) {
    this.#teller = new LookTeller(source);
    this.findings = this.#teller.findings;
    this.#tools = tools;
    this.#sources = new BoxSources(tools);
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
    const under = forms[menu.form].isGroundless ? withoutColors(this.#site.look) : this.#site.look;
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
    const uses = usesOf(this.#drafts);
    const borderWidth = widestBorder(this.#drafts.map(one => one.look));
    const scheme = this.#site.look.dark ?? 'page';
    const scopes = this.#drafts.map(draft => this.#scope(draft, uses, borderWidth));
    return { scopes, uses, scheme };
  }

  #menu(menu: ResolvedMenu): void {
    const isGroundless = forms[menu.form].isGroundless;
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
    const box = new Box(this.#sources.source(draft, false), this.#tools, this.#teller);
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
    const box = new Box(this.#sources.source(draft, true), this.#tools, this.#teller);
    const values = valuesOf(box, { draft, ...context });
    const tools = this.#tools;
    const others = [...values].filter(([name, value]) => isColor(name) && light.get(name) !== value);
    return new Map(others.map(([name, value]) => [name, lightDark(light.get(name)!, value, tools)]));
  }

  #hasDark({ look, around, kind }: Draft): boolean {
    const ground = kind === 'box' && around ? around.look : look;
    return darkLook(ground, this.#tools!) !== null;
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
    const tools = this.#tools;
    const far = (a: Ground | null, b: Ground | null): boolean =>
      a !== null && b !== null && a.every(each => tools!.worst(each, b).ratio >= 3);
    const color = ({ hex }: Paint): Ground | null => (hex === null ? null : [hex]);
    return tools !== null && (far(one.ground, other.ground) || far(color(one.color), color(other.color)));
  }
}

/** `light-dark()` takes colours only. */
function isColor(name: string): boolean {
  return /(?:color|background|accent|marker|focus)$/.test(name);
}

function waysOf(entries: readonly ResolvedEntry[]): ('background' | 'border' | 'shadow')[] {
  return entries.flatMap(({ highlight, entries: below }) => [
    ...(typeof highlight === 'string' ? [highlight] : []),
    ...waysOf(below),
  ]);
}
