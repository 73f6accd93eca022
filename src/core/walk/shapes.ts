import type { SitePath } from '../address/path.ts';
import type { WholeSite } from '../site/whole.ts';
import { findInlaid } from '../inlay/find.ts';
import { reserved } from '../markup/names.ts';
import type { Raw } from '../text/bytes.ts';
import type { PageJob, WalkTarget } from './types.ts';

/** How the markup of each menu in a page is built, without its words, addresses and marks: alike menus behave alike. */
export function shapesOf(raw: Raw): ReadonlyMap<string, string> {
  const shapes = new Map<string, string>();
  for (const { name, start, end } of findInlaid(raw))
    if (name !== null && !unshown.has(name)) shapes.set(name, shapeOf(raw.slice(start, end)));
  return shapes;
}

const unshown: ReadonlySet<string> = new Set([reserved.style, reserved.script, reserved.viewport]);

function shapeOf(markup: Raw): string {
  return markup
    .replace(/<script[^]*?<\/script>/gi, '')
    .replace(/>[^<]*</g, '><')
    .replace(
      / (?:href|id|data-kamino-sum|data-kamino-was|data-kamino-entry|data-kamino-label|hreflang|lang|title|aria-(?:current|label|controls)|popovertarget|name|src|alt|width|height)="[^"]*"/g,
      '',
    )
    .replace(/ ?\bkamino-(?:within|menu-[\w-]+)\b/g, '');
}

/** A page with the menus in it that are gone through in full. */
interface Explored {
  page: SitePath;
  menus: ReadonlySet<string>;
}

/**
 * Which pages are gone through in full: one for each way that a menu is built.
 * @param isDeep in each depth of folders, and menus in which nothing opens too
 */
export function pagesToExplore(
  pages: ReadonlyMap<SitePath, ReadonlyMap<string, string>>,
  front: SitePath | null,
  isDeep: boolean,
): Explored[] {
  const known = new Set<string>();
  const isNew = (key: string): boolean => known.size < known.add(key).size;
  const order = [...pages.keys()].sort(
    (one, other) => Number(other === front) - Number(one === front) || (one < other ? -1 : 1),
  );
  return order.flatMap(page => {
    const depth = isDeep ? page.split('/').length : 0;
    const own = [...pages.get(page)!].filter(([, shape]) => isDeep || opensSomething(shape));
    const menus = new Set(
      own.filter(([menu, shape]) => isNew(`${depth} ${menu} ${shape}`)).map(([menu]) => menu),
    );
    const isFirst = isNew(`${depth}`);
    return menus.size > 0 || isFirst ? [{ page, menus }] : [];
  });
}

const opensSomething = (shape: string): boolean => /<(?:summary|button)\b/i.test(shape);

/** Which menus have been seen beside which others, from page to page. */
class Neighbours {
  readonly #shapes: ReadonlyMap<SitePath, ReadonlyMap<string, string>>;
  readonly #known = new Set<string>();

  constructor(shapes: ReadonlyMap<SitePath, ReadonlyMap<string, string>>) {
    this.#shapes = shapes;
  }

  /** Menus in which something opens, with other menus around them than on the pages before. @param tried in full anyway */
  of(page: SitePath, tried: ReadonlySet<string> | null): Set<string> {
    const own = this.#shapes.get(page)!;
    const names = [...own.keys()].sort().join(' ');
    const found = new Set<string>();
    for (const [menu, shape] of own) {
      const key = `${menu} ${names} ${shape}`;
      if (this.#known.has(key) || own.size < 2 || !opensSomething(shape)) continue;
      this.#known.add(key);
      if (tried?.has(menu) !== true) found.add(menu);
    }
    return found;
  }
}

/** So many pages are all looked at, whatever their markup. */
const fewPages = 60;

/** The pages to go through, those in full first. @param pages only these; none for all */
export function jobsOf(
  site: WholeSite,
  targets: readonly WalkTarget[],
  { all, pages: only }: { all: boolean; pages: readonly SitePath[] },
): PageJob[] {
  const shapes = new Map([...site.pages].map(([path, page]) => [path, shapesOf(page.frame.raw)]));
  const ids = new Map<SitePath, string[]>();
  for (const { page, id } of targets) if (id !== null) ids.set(page, [...(ids.get(page) ?? []), id]);
  const opening = new Map(pagesToExplore(shapes, site.front, false).map(one => [one.page, one.menus]));
  const neighbours = new Neighbours(shapes);
  const job = (page: SitePath, menus: ReadonlySet<string> | null): PageJob => ({
    page,
    ids: ids.get(page) ?? [],
    menus,
    opened: only.length === 0 && !all ? (opening.get(page) ?? null) : menus,
    beside: neighbours.of(page, menus),
    triesUnknown: menu => !shapes.get(page)!.has(menu),
  });
  if (only.length > 0 || all)
    return [...new Set(only.length > 0 ? only : shapes.keys())].map(page =>
      job(page, new Set(shapes.get(page)!.keys())),
    );
  const explored = pagesToExplore(shapes, site.front, true);
  const full = new Set(explored.map(one => one.page));
  const others = [...shapes.keys()].filter(page => !full.has(page));
  return [
    ...explored.map(one => job(one.page, one.menus)),
    ...(site.pages.size <= fewPages ? others : []).map(page => job(page, null)),
  ];
}
