import type { WrittenButton } from './parts/button.ts';
import type { WrittenMenu } from './parts/menu.ts';
import type { WrittenPanels } from './parts/panels.ts';
import { type WrittenPlace, placeSides } from './parts/place.ts';
import type { WrittenPlan } from './parts/plan.ts';
import type { PlanPath, PlanPlaces } from './places.ts';
import type { EntryReader } from './read-entry.ts';
import { readFold, readOpens } from './read-fold.ts';
import { tellIdleKeys } from './idle-keys.ts';
import { readLookUse } from './read-look.ts';
import { bareMenu } from './bare-menu.ts';
import type { HomeImage, Menu, MenuPlace } from './types.ts';

/** Makes the menus of a plan from what is written, and what stands in pages as menus do. */
export class MenuReader {
  readonly #places: PlanPlaces;
  readonly #entries: EntryReader;

  constructor(places: PlanPlaces, entries: EntryReader) {
    this.#places = places;
    this.#entries = entries;
  }

  /** Menus, buttons, and the tabs of panels; two of a name are told. */
  all({ menus, buttons = [], panels = [] }: WrittenPlan): Menu[] {
    const names = new Set<string>();
    const each = <Written>(
      key: string,
      all: readonly (Written | undefined)[],
      read: (written: Written, path: PlanPath) => Menu | null,
    ): Menu[] => all.flatMap((one, at) => (one ? (read(one, [key, at]) ?? []) : []));
    return [
      ...each('menus', menus, (one, path) => {
        this.#name(names, one.menu, [...path, 'menu'], `two menus are called \`${one.menu}\``);
        return this.#menu(one, path);
      }),
      ...each('buttons', buttons, (one, path) => {
        const told = `a menu or another button is called \`${one.button}\` too`;
        this.#name(names, one.button, [...path, 'button'], told);
        return this.#button(one, path);
      }),
      // Panels that no other menu switches between have tabs of their own, before the first of them.
      ...each('panels', panels, (one, path) => {
        if (one.switch !== 'tabs') return null;
        const told = `a menu or a button is called \`${one.panels}\` too`;
        this.#name(names, one.panels, [...path, 'panels'], told);
        return this.#tabs(one, path);
      }),
    ];
  }

  #name(names: Set<string>, name: string, path: PlanPath, message: string): void {
    if (names.has(name)) this.#places.tell('same-menu-name', path, message, 'Give each its own name.');
    names.add(name);
  }

  #button(written: WrittenButton, path: PlanPath): Menu {
    const { button: name, place, except, 'carried-by': carriedBy, ...entry } = written;
    const carriers = this.#carriers({ 'carried-by': carriedBy, except }, path);
    const given = this.#entries.read({ ...entry, order: 'title', 'if-missing': 'error' }, path);
    return bareMenu({
      name,
      form: 'button',
      title: titleOf(name),
      ...carriers,
      place: place ? placeOf(place) : null,
      entries: [{ ...given, highlight: given.highlight ?? 'background' }],
      mark: this.#places.mark([...path, 'button']),
    });
  }

  #tabs(written: WrittenPanels, path: PlanPath): Menu {
    const { panels: name, of, page, look, place = { before: [of], drop: 'false' } } = written;
    const title = this.#entries.said(written.title, [...path, 'title']);
    return bareMenu({
      name,
      form: 'tabs',
      title: title.value ?? titleOf(name),
      titles: title.by,
      ...this.#carriers({ 'carried-by': [page], except: [] }, path),
      place: placeOf(place),
      panels: name,
      look: readLookUse(look, [...path, 'look'], this.#places),
      mark: this.#places.mark([...path, 'panels']),
    });
  }

  #menu(written: WrittenMenu, path: PlanPath): Menu {
    const title = this.#entries.said(written.title, [...path, 'title']);
    tellIdleKeys(written, path, this.#places);
    return {
      name: written.menu,
      title: title.value ?? titleOf(written.menu),
      titles: title.by,
      form: written.form,
      align: written.align,
      ...this.#carriers(written, path),
      place: written.place ? placeOf(written.place) : null,
      stays: this.#stays(written, path),
      home: this.#home(written, path),
      over: written.over === 'true',
      widths: written.widths,
      separators: readSeparators(written.separators),
      opens: readOpens(written),
      fold: readFold(written, path, { places: this.#places, entries: this.#entries }),
      currentEntry: written['current-entry'],
      entries: (written.entries ?? []).flatMap((entry, at) =>
        entry ? this.#entries.read(entry, [...path, 'entries', at]) : [],
      ),
      from: this.#from(written, path),
      set: this.#set(written, path),
      levels: written.form === 'contents' ? (written.levels ?? ['2']).map(Number) : null,
      panels: null,
      data: written.data ?? null,
      look: readLookUse(written.look, [...path, 'look'], this.#places),
      mark: this.#places.mark([...path, 'menu']),
    };
  }

  #carriers(
    { 'carried-by': carriedBy, except }: Pick<WrittenMenu, 'carried-by' | 'except'>,
    path: PlanPath,
  ): Pick<Menu, 'carriedBy' | 'except'> {
    return {
      carriedBy: carriedBy.map(glob => this.#places.slashes(glob, [...path, 'carried-by'])),
      except: except.map(glob => this.#places.slashes(glob, [...path, 'except'])),
    };
  }

  #stays({ stays }: WrittenMenu, path: PlanPath): Menu['stays'] {
    if (stays === undefined) return null;
    const { top: selector = null, air = '1rem' } = typeof stays === 'object' ? stays : {};
    return { selector, air, mark: this.#places.mark([...path, 'stays']) };
  }

  #set({ set, order }: WrittenMenu, path: PlanPath): Menu['set'] {
    return set ? { globs: set.map(glob => this.#places.slashes(glob, [...path, 'set'])), order } : null;
  }

  #home(written: WrittenMenu, path: PlanPath): Menu['home'] {
    const { value, by } = this.#entries.said(written.home?.label, [...path, 'home', 'label']);
    if (value === null) return null;
    return { label: value, labels: by, image: this.#homeImage(written, path), at: written.home!.at };
  }

  #homeImage({ home }: WrittenMenu, path: PlanPath): HomeImage | null {
    if (home?.image === undefined) return null;
    const here = [...path, 'home', 'image'];
    return {
      written: this.#places.slashes(home.image, here),
      show: home.show ?? 'both',
      mark: this.#places.mark(here),
    };
  }

  #from(written: WrittenMenu, path: PlanPath): Menu['from'] {
    const depth = written.depth === undefined ? null : Number(written.depth);
    if (written.branch !== undefined)
      return { menu: written.branch, part: 'branch', depth, mark: this.#places.mark([...path, 'branch']) };
    if (written['entries-of'] === undefined) return null;
    return {
      menu: written['entries-of'],
      part: 'all',
      depth,
      mark: this.#places.mark([...path, 'entries-of']),
    };
  }
}

function placeOf(written: WrittenPlace | readonly (WrittenPlace | undefined)[]): MenuPlace {
  const all = Array.isArray(written)
    ? (written as readonly (WrittenPlace | undefined)[])
    : [written as WrittenPlace];
  return all.flatMap(one => {
    const side = placeSides.find(name => one?.[name] !== undefined);
    const drop = one?.drop === 'true';
    return side === undefined ? [] : one![side]!.map(selector => ({ side, selector, drop }));
  });
}

/** `site-map` as `Site map`. */
function titleOf(name: string): string {
  return name.charAt(0).toUpperCase() + name.slice(1).replaceAll('-', ' ');
}

function readSeparators(written: WrittenMenu['separators']): Menu['separators'] {
  if (written === 'none') return null;
  return { color: null, thickness: null, inset: null, ...(typeof written === 'string' ? {} : written) };
}
