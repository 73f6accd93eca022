import { carriersOf } from '../address/patterns.ts';
import type { SitePath } from '../address/path.ts';
import { Selectors } from '../hand/selectors.ts';
import { holdsNoNav, holdsOnlyOwnParts } from '../page/kinds.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import type { HandSite } from '../hand/types.ts';
import { type BesideLinks, describeBeside, wordsKey } from '../page/beside-links.ts';
import { type StyleRule, inlineRules } from '../page/styles.ts';
import { type TreeNode, readTree } from '../page/tree.ts';
import { counted } from '../text/nearest.ts';
import { besideOf, captionOf, withoutShown } from './beside.ts';
import type { Firsts } from './firsts.ts';
import { type OldElement, isLaidOut, layoutOf, rulesInside } from './laid-out.ts';
import { flowLayoutOf } from './margins.ts';
import { asShown, isHiddenAt } from './hidden-below.ts';
import { innerSelectors, linksIn } from './inner.ts';
import { isPutAway } from './put-away.ts';
import { type Standing, standingOf, usualStanding } from './standing.ts';
import { type Copy, piecesIn } from './pieces.ts';
import type { DraftMenu, DraftPiece, DraftSpot } from './types.ts';

/** Where a drafted menu stands, so that it replaces the copies that it was drafted from, and nothing else. */
export type DraftPlace = Pick<
  DraftMenu,
  'place' | 'carriedBy' | 'except' | 'comments' | 'layout' | 'hasMargin' | 'isWithin'
> & {
  /** The words above its links, where it has such. */
  title: string | null;
  /** Pieces of HTML that stand in every copy, and become entries. */
  pieces: readonly DraftPiece[];
};

interface Wanted {
  /** The menus that become one, each of its own language or area. */
  menus: readonly SiteMenu[];
  /** Tried in order. */
  selectors: readonly string[];
  /** Labels that the new menu shows. */
  labels: readonly string[];
  /** Pages have links of their own in it, which the new menu has not. */
  hasOwn: boolean;
  menu: Pick<DraftMenu, 'name' | 'form'>;
}

/** Finds the places of menus in a site. */
export class Places {
  readonly #site: HandSite;
  readonly #firsts: Firsts;

  readonly #rules: readonly StyleRule[];

  /** @param rules of all style sheets of the site */
  constructor(site: HandSite, firsts: Firsts, rules: readonly StyleRule[]) {
    this.#site = site;
    this.#firsts = firsts;
    this.#rules = rules;
  }

  placeOf({ menus, selectors, labels, hasOwn: own, menu }: Wanted): DraftPlace {
    const carriers = this.#carriers(menus, selectors);
    if (selectors.length === 0) return { place: [], ...carriers, comments: [], title: null, pieces: [] };
    const copies = [...this.#copies(menus, selectors)];
    const shown = new Set(labels.map(wordsKey));
    const beside = copies.map(copy => besideOf(copy, shown));
    const caption = captionOf(beside);
    if (caption !== null) shown.add(wordsKey(caption));
    const lost = beside.map(found => withoutShown(found, shown));
    const instead = (chosen: readonly string[]): DraftSpot[] => [
      { side: 'instead-of', selectors: chosen, drop: false },
    ];
    const made = { ...carriers, title: caption, pieces: [] };
    const old = own ? null : this.#laidOut(copies[0], menu.form === 'column');
    const layout = this.#layout(copies[0], old, menu.name);
    if (!own && lost.every(one => one.length === 0)) {
      // What the page has laid out stays, with the new menu in place of the list in it; else the new one is laid out so.
      const stays = old !== null && !old.isHiddenSomewhere && !rulesInside(old);
      const inner = stays ? this.#narrower(copies, selectors, { shown, isWithin: true }) : null;
      if (inner !== null) return { ...made, place: instead(inner), comments: [], isWithin: true };
      return { ...made, place: instead(selectors), comments: [], ...layout };
    }
    const narrower = own ? null : this.#narrower(copies, selectors, { shown, isWithin: false });
    if (narrower !== null)
      return { ...made, place: instead(narrower), comments: [], isWithin: narrower[0] !== selectors[0] };
    const pieces = own ? null : piecesIn(copies, lost);
    if (pieces !== null) return { ...made, place: instead(selectors), comments: [], pieces, ...layout };
    return {
      ...made,
      title: null,
      place: this.#before(copies, selectors),
      ...layout,
      comments: staying(selectors[0]!, lost, own),
    };
  }

  /** Before the old menu, or before the table, list or paragraph that it is a part of; where Kamino chooses, if there is none. */
  #before(copies: readonly Copy[], selectors: readonly string[]): DraftSpot[] {
    const [first] = copies;
    if (!first) return [];
    const { raw, charset } = this.#site.pages.get(first.path)!.frame;
    const tree = readTree(raw, charset, true);
    const node = tree.nodes.find(one => one.start === first.extent.start) ?? null;
    const around = mayFollow(node);
    if (node === null || around === null) return [];
    const spot = (chosen: readonly string[]): DraftSpot[] => [
      { side: 'before', selectors: chosen, drop: false },
    ];
    if (around === node) return spot(selectors);
    const found = new Selectors(tree, [around]).for(around).find(selector => {
      const firsts = this.#firsts.of(selector);
      return copies.every(({ path, extent }) => {
        const outer = firsts.get(path);
        return outer !== undefined && outer.start <= extent.start && extent.end <= outer.end;
      });
    });
    return found === undefined ? [] : spot([found]);
  }

  /** The pages that carry it: those with copies and those that ought to have one, but for any on which something else stands there. */
  #carriers(
    menus: readonly SiteMenu[],
    selectors: readonly string[],
  ): Pick<DraftPlace, 'carriedBy' | 'except'> {
    const all = new Set(this.#site.pages.keys());
    const wanted = new Set<SitePath>();
    for (const menu of menus) {
      for (const path of menu.copies.keys()) wanted.add(path);
      if (!menu.isUsual) continue;
      for (const path of menu.lacking) if (this.#firsts.on(path, selectors) === null) wanted.add(path);
    }
    return carriersOf(wanted, all);
  }

  *#copies(menus: readonly SiteMenu[], selectors: readonly string[]): Generator<Copy> {
    for (const { copies } of menus)
      for (const path of copies.keys()) {
        const found = this.#firsts.on(path, selectors);
        if (!found) continue;
        const { raw, charset } = this.#site.pages.get(path)!.frame;
        const { start, end } = found.extent;
        yield { path, charset, raw: raw.slice(start, end), extent: found.extent, selector: found.selector };
      }
  }

  /** The first copy of the first menu, in its page; no other page is read for it. */
  #first([menu]: readonly SiteMenu[], selectors: readonly string[]): OldElement | null {
    const [copy] = menu ? this.#copies([menu], selectors) : [];
    return this.#element(copy);
  }

  /**
   * Selectors of the lists alone, where these hold all links, and nothing beside them; null where there are none.
   * @param isWithin also where the elements that they stand in hold nothing else
   */
  #narrower(
    copies: readonly Copy[],
    selectors: readonly string[],
    { shown, isWithin }: { shown: ReadonlySet<string>; isWithin: boolean },
  ): string[] | null {
    const chosen = selectors.map(selector => {
      const own = copies.filter(copy => copy.selector === selector);
      const [first] = own;
      const isWhole = !isWithin && own.every(copy => besideOf(copy, shown).length === 0);
      if (!first || isWhole) return selector;
      return innerSelectors(first, selector).find(inner => this.#holdsAll(own, inner, shown)) ?? null;
    });
    return chosen.every(one => one !== null) ? chosen : null;
  }

  /** Whether a menu is not seen until a script brings it, or its entries stand below each other, beside the content. */
  standing(menus: readonly SiteMenu[], selectors: readonly string[]): Standing {
    const old = this.#first(menus, selectors);
    return old ? standingOf(old) : usualStanding;
  }

  /** Whether pages do not show a menu on a desk before a script does. */
  isHidden(menus: readonly SiteMenu[], selectors: readonly string[]): boolean {
    const old = this.#first(menus, selectors);
    return old !== null && (isPutAway(old) || isHiddenAt(desk, old));
  }

  #layout(copy: Copy | undefined, laidOut: OldElement | null, name: string): ReturnType<typeof flowLayoutOf> {
    if (laidOut) return { layout: layoutOf(laidOut, name) };
    const found = this.#element(copy);
    return !found || isPutAway(found) ? { layout: '' } : flowLayoutOf(asShown(found).old, name);
  }

  /** The first copy, where its page has laid it out. */
  #laidOut(copy: Copy | undefined, isColumn: boolean): (OldElement & { isHiddenSomewhere: boolean }) | null {
    const found = this.#element(copy);
    if (!found || isPutAway(found)) return null;
    const { old, isHiddenSomewhere } = asShown(found);
    return isLaidOut(old, isColumn) ? { ...old, isHiddenSomewhere } : null;
  }

  /** Its form is asked for, and then its place. */
  #element(copy: Copy | undefined): OldElement | null {
    if (!copy) return null;
    const { path, extent } = copy;
    if (this.#last?.path !== path || this.#last.start !== extent.start)
      this.#last = { path, start: extent.start, old: this.#read(copy) };
    return this.#last.old;
  }
  #last: { path: SitePath; start: number; old: OldElement | null } | null = null;

  #read(copy: Copy): OldElement | null {
    const { raw, charset } = this.#site.pages.get(copy.path)!.frame;
    const tree = readTree(raw, charset, true);
    const node = tree.nodes.find(one => one.start === copy.extent.start);
    return node ? { node, tree, rules: [...this.#rules, ...inlineRules(copy.path, tree)] } : null;
  }

  #holdsAll(copies: readonly Copy[], selector: string, shown: ReadonlySet<string>): boolean {
    const firsts = this.#firsts.of(selector);
    return copies.every(copy => {
      const extent = firsts.get(copy.path);
      if (!extent || extent.start < copy.extent.start || extent.end > copy.extent.end) return false;
      const raw = copy.raw.slice(extent.start - copy.extent.start, extent.end - copy.extent.start);
      return linksIn(raw) === linksIn(copy.raw) && besideOf({ ...copy, raw }, shown).length === 0;
    });
  }
}

/** The width of a window, in em. */
const desk = 80;

/** The element itself, or the nearest one around it, before which a menu may stand. */
function mayFollow(node: TreeNode | null): TreeNode | null {
  let found: TreeNode | null = null;
  for (let one = node; one; one = one.parent) {
    if (holdsNoNav.has(one.name)) found = null;
    else if (found === null && !(one.parent && holdsOnlyOwnParts.has(one.parent.name))) found = one;
    if (found !== null && one.parent && holdsNoNav.has(one.parent.name)) found = null;
  }
  return found;
}

/** Why the old menu stays, and what to do about it. */
function staying(selector: string, lost: readonly BesideLinks[][], own: boolean): string[] {
  const having = lost.filter(found => found.length > 0);
  const kinds = new Map(having.flat().map(one => [`${one.what} ${wordsKey(one.text)}`, one]));
  const more = describeBeside([...kinds.values()]);
  return [
    own
      ? `\`${selector}\` stays: pages have links of their own in it, such as those to the next page.`
      : `\`${selector}\` stays: it holds more than links, on ${counted(having.length, 'page')}: ${more}.`,
    'Take out of it by hand what this menu replaces; or all of it goes with  place: { instead-of: …, drop: true }',
  ];
}
