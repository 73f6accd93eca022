import { covers, folds } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { emptyLook } from '../plan/read-look.ts';
import type { Draft } from './drafts.ts';
import type { ColorTools } from './hex.ts';
import { groundIn, mergeLooks, underPart } from './merge.ts';

/** A part of a menu in its place. */
export function partDraft(around: Draft, part: 'submenu' | 'toggle' | 'home'): Draft {
  const own = around.look.parts[part] ?? null;
  // A border and a shadow of a submenu are those of the sheet.
  const drawn = part === 'submenu' && own !== null ? { ...own, border: null, shadow: null } : own;
  return {
    address: { ...around.address, part },
    look: mergeLooks(underPart(around.look, own, part === 'submenu'), drawn),
    own,
    kind: part === 'submenu' ? 'ground' : 'box',
    isSheet: part === 'submenu',
    around,
    highlight: null,
  };
}

/** The grounds that entries of one menu may lie on. */
export class Grounds {
  readonly menu: Draft;
  /** Of what lies below an entry. */
  readonly submenu: Draft;
  /** Of the folded menu, where that is another; and of what lies below an entry there. */
  readonly fold: Draft | null;
  /** Of a menu over the page, once that has been scrolled. */
  readonly scrolled: Draft | null;
  readonly foldSubmenu: Draft | null;

  constructor(menu: Draft, resolved: ResolvedMenu, tools: ColorTools | null) {
    this.menu = menu;
    const submenu = partDraft(menu, 'submenu');
    this.submenu = submenu;
    this.fold = folds(resolved) ? foldDraft(menu, covers(resolved) || resolved.over, tools) : null;
    this.scrolled = resolved.over && resolved.stays && menu.look.parts.scrolled ? scrolledDraft(menu) : null;
    this.foldSubmenu = this.fold && submenu.own ? below(this.fold, submenu.own) : null;
  }

  /** What is written beside the looks of menus and parts. */
  get folds(): Draft[] {
    return [this.scrolled, this.fold, this.foldSubmenu].flatMap(one => one ?? []);
  }
}

function scrolledDraft(menu: Draft): Draft {
  const own = menu.look.parts.scrolled!;
  return {
    address: { ...menu.address, part: 'scrolled' },
    look: mergeLooks(underPart(menu.look, own, false), own),
    own,
    kind: 'ground',
    isSheet: false,
    isOver: true,
    around: menu,
    highlight: null,
  };
}

/** A menu that lies over the page while it is open covers it, whatever ground the menu has otherwise. */
function foldDraft(menu: Draft, isCover: boolean, tools: ColorTools | null): Draft | null {
  const own = menu.look.parts.fold ?? null;
  const look = mergeLooks(underPart(menu.look, own, isCover), own);
  const css = groundIn(look);
  const isSeenThrough = css === null || (tools !== null && tools.solid(css) !== css);
  if (own === null && !(isCover && isSeenThrough)) return null;
  return {
    address: { ...menu.address, part: 'fold' },
    look,
    own,
    kind: 'ground',
    isSheet: isCover,
    around: menu,
    highlight: null,
  };
}

function below(fold: Draft, own: NonNullable<Draft['own']>): Draft {
  const under = mergeLooks(emptyLook, underPart(fold.look, own, false));
  const look = mergeLooks(under, { ...own, border: null, shadow: null });
  return {
    address: { ...fold.address, part: 'fold-submenu' },
    look,
    own,
    kind: 'ground',
    isSheet: false,
    around: fold,
    highlight: null,
  };
}
