import { folds, hasSubmenus } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import type { Look, LookPart } from '../plan/look-types.ts';
import { forms } from '../plan/forms.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { emptyLook } from '../plan/read-look.ts';
import { Box } from './box.ts';
import { BoxSources } from './box-sources.ts';
import { darkLook, lightDark } from './dark.ts';
import { Boxes } from './boxes.ts';
import { type Draft, usesOf, widestBorder } from './drafts.ts';
import { Grounds, partDraft } from './menu-grounds.ts';
import type { ColorTools, Ground } from './hex.ts';
import { type Edges, edgesOf } from './edges.ts';
import { tellIdle } from './idle.ts';
import { tellPressed } from './press.ts';
import { ownMarkers } from './markers.ts';
import { groundIn, mergeLooks, withoutColors } from './merge.ts';
import type { Known } from './picture-ground.ts';
import { LookTeller } from './teller.ts';
import type { Paint, ResolvedLooks, Scope, ScopeAddress, StateValues } from './types.ts';
import { type Uses, valuesOf } from './values.ts';

/** What looks are resolved with. */
interface Context {
  /** Null where no look of the plan has a colour. */
  tools: ColorTools | null;
  source: Source;
  known: Known;
}

export function resolveLooks(
  look: Look | null,
  menus: readonly ResolvedMenu[],
  context: Context,
): { looks: ResolvedLooks; findings: Finding[] } {
  const resolver = new LooksResolver(mergeLooks(emptyLook, look), menus, context);
  return { looks: resolver.resolve(), findings: resolver.findings };
}

const nowhere: ScopeAddress = { menu: null, part: null, entry: null, highlight: null };

/** All that have a ground lie over what follows them. */
const areOver = (menus: readonly ResolvedMenu[]): boolean => {
  const all = menus.filter(menu => !forms[menu.form].isGroundless);
  return all.length > 0 && all.every(menu => menu.over);
};

class LooksResolver {
  readonly findings: Finding[];
  readonly #teller: LookTeller;
  readonly #tools: ColorTools | null;
  readonly #site: Draft;
  readonly #sources: BoxSources;
  readonly #drafts: Draft[] = [];
  readonly #edges = new Map<string, Edges>();
  readonly #menus: readonly ResolvedMenu[];

  constructor(look: Look, menus: readonly ResolvedMenu[], { tools, source, known }: Context) {
    this.#teller = new LookTeller(source);
    this.findings = this.#teller.findings;
    this.#tools = tools;
    this.#menus = menus;
    this.#sources = new BoxSources(tools, known);
    this.#site = {
      address: nowhere,
      look,
      own: look,
      kind: 'ground',
      isSheet: false,
      isOver: areOver(menus),
      around: null,
      highlight: null,
    };
    this.#drafts.push(this.#site);
    this.#parts(this.#site, menus);
    const seen = new Set<string>();
    for (const menu of menus) {
      if (!seen.has(menu.name)) this.#menu(menu);
      if (!seen.has(menu.name)) this.#tellSeeThrough(menu, source);
      seen.add(menu.name);
    }
  }

  /** A menu that stays lies over what scrolls by. */
  #tellSeeThrough(menu: ResolvedMenu, source: Source): void {
    const under = forms[menu.form].isGroundless ? withoutColors(this.#site.look) : this.#site.look;
    const look = mergeLooks(under, menu.look);
    const isSeen = groundIn(look) !== null || look.picture !== null;
    // Where it lies over the page it is told what it lies over.
    if (menu.stays === null || menu.stays.selector !== null || menu.over || isSeen) return;
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
    // What a menu keeps room for is a border that it has, or all menus have.
    const borderIn = (menu: string | null): string | null =>
      widestBorder(
        this.#drafts
          .filter(({ address }) => address.menu === null || address.menu === menu)
          .map(one => one.look),
      );
    const scheme = this.#site.look.dark ?? 'page';
    const scopes = this.#drafts.map(draft => this.#scope(draft, uses, borderIn(draft.address.menu)));
    return { scopes, uses, scheme, edges: this.#edges };
  }

  #menu(menu: ResolvedMenu): void {
    const isGroundless = forms[menu.form].isGroundless;
    const under = isGroundless ? withoutColors(this.#site.look) : this.#site.look;
    const own: Draft = {
      address: { ...nowhere, menu: menu.name },
      look: mergeLooks(under, menu.look),
      own: menu.look,
      kind: 'ground',
      isSheet: false,
      isOver: menu.over,
      around: this.#site,
      highlight: null,
    };
    const edges = edgesOf(menu, own.look);
    if (edges !== null) this.#edges.set(menu.name, edges);
    const hasOwn = menu.look !== null || isGroundless || menu.over;
    if (hasOwn) this.#drafts.push(own);
    if (menu.look !== null) this.#parts(own, [menu]);
    const grounds = new Grounds(own, menu, this.#tools);
    this.#drafts.push(...grounds.folds);
    const boxes = new Boxes(grounds);
    this.#drafts.push(...boxes.of(menu.entries));
  }

  /** What of parts holds wherever they are: what is folded has its place in its menu. */
  #parts(draft: Draft, menus: readonly ResolvedMenu[]): void {
    const has: Record<LookPart, boolean> = {
      submenu: menus.some(hasSubmenus),
      fold: false,
      scrolled: false,
      toggle: menus.some(menu => folds(menu)),
      home: menus.some(menu => menu.home !== null),
    };
    for (const part of ['submenu', 'toggle', 'home'] as const)
      if (has[part] && (part === 'submenu' || draft.look.parts[part]))
        this.#drafts.push(partDraft(draft, part));
  }

  #scope(draft: Draft, uses: Uses, borderWidth: string | null): Scope {
    const box = new Box(this.#sources.source(draft, false), this.#tools, this.#teller);
    const values = valuesOf(box, { draft, uses, borderWidth });
    if (draft.kind === 'ground' && draft.address.part === null) this.#tellHue(box, draft.look);
    if (draft.kind === 'ground') tellPressed(box, draft.look, this.#teller);
    tellIdle(draft, this.#menus, { tools: this.#tools, teller: this.#teller });
    return {
      address: draft.address,
      values,
      paints:
        draft.kind === 'ground' &&
        draft.address.part !== null &&
        (draft.own?.background != null ||
          draft.own?.picture != null ||
          (draft.address.part === 'fold' && draft.isSheet)),
      isOfSheets: draft.kind === 'ground' && draft.address.part === 'submenu' && draft.own === null,
      dark: this.#dark(draft, values, { uses, borderWidth }),
      markers: ownMarkers(draft.look, draft.around?.look ?? emptyLook),
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
      isMarked(current) ||
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

const isMarked = ({ marker }: StateValues): boolean => marker !== null && marker.at !== 'none';

/** `light-dark()` takes colours only. */
function isColor(name: string): boolean {
  return /(?:color|background|accent|marker|focus)$/.test(name);
}
