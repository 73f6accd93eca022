import { pathMatcher } from '../address/glob.ts';
import { type SitePath, isIndex, nameOf } from '../address/path.ts';
import type { Entry, Mark, Menu, Plan, Target } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { nearest } from '../text/nearest.ts';
import type { Source } from '../text/source.ts';
import { carrier } from './carried.ts';
import { HookNames, hookOf } from './hooks.ts';
import { fileLabel, labelOf, sharedPart, spaced } from './labels.ts';
import { cutOff, distinct, leftOut, sizeOf } from './resolve-parts.ts';
import { entriesFromHeadings, entriesFromPages, pagesOf } from './patterns.ts';
import { readTarget } from './targets.ts';
import type { Destination, ResolvedEntry, ResolvedMenu, SectionHeading, SiteFacts } from './types.ts';

export interface Resolution {
  menus: ResolvedMenu[];
  /** Ids that headings are given, by page. */
  ids: ReadonlyMap<SitePath, readonly GivenId[]>;
  findings: Finding[];
}

/** An id that goes into a heading's tag, behind its name. */
export interface GivenId {
  at: number;
  id: string;
}

/** Makes every target of the plan a known page, section or address, once for the whole site. */
export function resolveMenus(plan: Plan, site: SiteFacts, source: Source): Resolution {
  return new Resolver(plan, site, source).resolve();
}

/** The pages whose own words become labels. */
export function pagesToName(plan: Plan, site: SiteFacts, source: Source): SitePath[] {
  const paths = new Set<SitePath>();
  const context = { site, carriers: [], source, giveId: () => '' };
  const visit = (entries: readonly Entry[]): void => {
    for (const { label, target, entries: below } of entries) {
      visit(below);
      if (target.kind === 'pages')
        for (const path of site.pages) if (pathMatcher(target.pages.globs)(path)) paths.add(path);
      if (label !== null || (target.kind !== 'page' && target.kind !== 'address')) continue;
      const reading = readTarget(target, context);
      if ('destination' in reading && reading.destination.kind === 'page')
        paths.add(reading.destination.path);
    }
  };
  for (const menu of plan.menus) {
    visit(menu.entries);
    // A trail may end with any page.
    if (menu.form === 'breadcrumb') for (const path of site.pages) paths.add(path);
    if (menu.set) for (const path of site.pages) if (pathMatcher(menu.set.globs)(path)) paths.add(path);
  }
  return [...paths];
}

/** `index.html` in the site's folder, else the index page of another name. */
export function frontPage(pages: ReadonlySet<SitePath>): SitePath | null {
  const top = [...pages].filter(path => !path.includes('/') && isIndex(path)).sort();
  return (
    top.find(path => path === 'index.html') ?? top.find(path => path.startsWith('index')) ?? top[0] ?? null
  );
}

/** What the entries of one menu share. */
interface MenuContext {
  names: HookNames;
  carriers: readonly SitePath[];
  depth: number;
  /** The page of the entry above. */
  parent: SitePath | null;
}

type PatternTarget = Extract<Target, { kind: 'pages' | 'sections' }>;

const plainEntry = {
  highlight: false,
  covers: null,
  newWindow: false,
  outsideMark: false,
  save: false,
  details: null,
  entries: [],
} as const;

const bareEntry = { ...plainEntry, label: null, details: false, ifMissing: 'error' } as const;

class Resolver {
  readonly #plan: Plan;
  readonly #site: SiteFacts;
  readonly #source: Source;
  readonly #findings: Finding[] = [];
  readonly #ids = new Map<SitePath, GivenId[]>();
  readonly #shared: string | null;

  constructor(plan: Plan, site: SiteFacts, source: Source) {
    this.#plan = plan;
    this.#site = site;
    this.#source = source;
    this.#shared = sharedPart([...site.words.values()].flatMap(({ title }) => title ?? []));
  }

  resolve(): Resolution {
    const { style, menus } = this.#plan;
    if (style && !this.#site.files.has(style.path)) {
      const finding = `the site has no file \`${style.path}\``;
      this.#tell('missing-file', style.mark, finding, 'Write the path from the site’s folder.');
    }
    return { menus: menus.map(menu => this.#menu(menu)), ids: this.#ids, findings: distinct(this.#findings) };
  }

  #menu(menu: Menu): ResolvedMenu {
    const carries = carrier([menu]);
    const carriers = [...this.#site.pages].filter(page => carries(menu, page));
    const context = { names: new HookNames(), carriers, depth: 1, parent: null };
    const { name, title, form, align, carriedBy, except, place, fold, currentEntry, data } = menu;
    const home = menu.home && this.#home(menu.home.label, menu);
    const shows =
      form === 'breadcrumb'
        ? 'trail'
        : menu.set
          ? 'set'
          : menu.from?.part === 'branch'
            ? 'branch'
            : 'entries';
    const own = this.#sourceEntries(menu, carriers);
    const depth = shows === 'branch' ? 0 : 1;
    const entries = own.flatMap(entry => this.#entry(entry, { ...context, depth }));
    const pages = shows === 'trail' ? this.#pageEntries(carriers) : null;
    const hasData = data === 'json-ld';
    return {
      name,
      title,
      form,
      align,
      carriedBy,
      except,
      place,
      fold,
      home,
      currentEntry,
      shows,
      hasData,
      entries,
      pages,
    };
  }

  /** The entries that a menu has, or takes from another. */
  #sourceEntries(menu: Menu, carriers: readonly SitePath[]): readonly Entry[] {
    if (menu.set) {
      const pattern = {
        globs: menu.set.globs,
        order: menu.set.order,
        first: [],
        except: [],
        most: null,
        depth: 1,
      };
      const template = { ...bareEntry, target: { kind: 'none' } as const, mark: menu.mark };
      // Only pages that carry the menu are neighbours.
      const carried = new Set(carriers);
      const pages = pagesOf(pattern, null, this.#site, path => this.#title(path)).filter(path =>
        carried.has(path),
      );
      if (pages.length === 0)
        this.#tell(
          'empty-pattern',
          menu.mark,
          'no page of this set carries the menu',
          'Look at `set` and `carried-by`.',
        );
      return entriesFromPages(pages, 1, template);
    }
    const others = this.#plan.menus.filter(one => one !== menu && one.entries.length > 0);
    if (!menu.from) return menu.entries.length > 0 ? menu.entries : (others[0]?.entries ?? []);
    const { menu: name, depth, mark } = menu.from;
    const source = others.find(one => one.name === name);
    if (source) return depth === null ? source.entries : cutOff(source.entries, depth);
    const near = nearest(
      name,
      others.map(one => one.name),
    );
    this.#tell(
      'unknown-menu',
      mark,
      `no menu with entries of its own is called \`${name}\``,
      near ? `Did you mean \`${near}\`?` : 'Name a menu of this plan.',
    );
    return [];
  }

  /** An entry for each page, for what no entry of the plan names. */
  #pageEntries(carriers: readonly SitePath[]): Map<SitePath, ResolvedEntry> {
    const front = this.#site.front === null ? [] : [this.#site.front];
    return new Map(
      [...carriers, ...front].map(path => {
        const leadsTo = { kind: 'page', path } as const;
        const label = this.#labels(path) ?? fileLabel(path);
        return [path, { ...plainEntry, label, leadsTo, hook: hookOf(leadsTo, label), depth: 1 }];
      }),
    );
  }

  #home(label: string, menu: Menu): ResolvedMenu['home'] {
    const page = this.#site.front;
    if (page !== null) return { label, page };
    const message = '`home` leads to the front page, and the site has none';
    this.#tell('missing-page', menu.mark, message, 'Add an index.html to the site’s folder.');
    return null;
  }

  #entry(entry: Entry, context: MenuContext): ResolvedEntry[] {
    const { carriers, depth, names, parent } = context;
    const { target } = entry;
    if (target.kind === 'pages' || target.kind === 'sections')
      return this.#expanded(entry, target, parent).flatMap(one => this.#entry(one, context));
    const giveId = (page: SitePath, heading: SectionHeading): string => this.#giveId(page, heading);
    const reading = readTarget(target, { site: this.#site, carriers, source: this.#source, giveId });
    if ('finding' in reading) {
      this.#findings.push(entry.ifMissing === 'warn' ? leftOut(reading.finding) : reading.finding);
      return [];
    }
    const { destination } = reading;
    const label = entry.label ?? this.#label(destination, entry.mark);
    const hook = names.take(hookOf(destination, label));
    const below = {
      ...context,
      depth: depth + 1,
      parent: destination.kind === 'page' ? destination.path : parent,
    };
    const entries = entry.entries.flatMap(one => this.#entry(one, below));
    const { highlight, covers, newWindow, outsideMark, save } = entry;
    const details = entry.details && destination.kind === 'file' ? this.#details(destination.path) : null;
    return [
      {
        label,
        leadsTo: destination,
        hook,
        depth,
        highlight,
        covers,
        newWindow,
        outsideMark,
        save,
        details,
        entries,
      },
    ];
  }

  /** The entries that a pattern stands for. */
  #expanded(entry: Entry, target: PatternTarget, parent: SitePath | null): Entry[] {
    if (target.kind === 'pages') {
      const pages = pagesOf(target.pages, parent, this.#site, path => this.#title(path));
      if (pages.length === 0)
        this.#tell(
          'empty-pattern',
          target.mark,
          'no page matches this pattern',
          'Patterns are paths from the site’s folder:  visit/*.html',
        );
      return entriesFromPages(pages, target.pages.depth, entry);
    }
    const context = { site: this.#site, carriers: [], source: this.#source, giveId: () => '' };
    const reading = readTarget({ kind: 'page', written: target.page, mark: target.mark }, context);
    if ('finding' in reading) {
      this.#findings.push(reading.finding);
      return [];
    }
    if (reading.destination.kind !== 'page') return [];
    const { path } = reading.destination;
    return entriesFromHeadings(this.#site.headings(path), path, target, entry);
  }

  /** An id from the heading's words that its page does not have; the same heading gets the same one. */
  #giveId(page: SitePath, { text, insert }: SectionHeading): string {
    const given = this.#ids.get(page) ?? [];
    const known = given.find(one => one.at === insert);
    if (known) return known.id;
    const taken = new Set([...this.#site.sections(page).keys(), ...given.map(one => one.id)]);
    const wanted = hookOf({ kind: 'none' }, text);
    let id = wanted;
    for (let number = 2; taken.has(id); number += 1) id = `${wanted}-${number}`;
    this.#ids.set(page, [...given, { at: insert, id }]);
    return id;
  }

  #details(path: SitePath): string {
    const ending = /\.([a-z0-9]+)$/i.exec(path)?.[1]?.toUpperCase();
    return [...(ending ? [ending] : []), sizeOf(this.#site.size(path))].join(', ');
  }

  #labels(path: SitePath): string | null {
    return labelOf(path, this.#site.words.get(path), this.#plan.labels, this.#shared);
  }

  #title(path: SitePath): string {
    return this.#labels(path) ?? fileLabel(path);
  }

  #label(leadsTo: Destination, mark: Mark): string {
    switch (leadsTo.kind) {
      case 'page':
        return this.#pageLabel(leadsTo.path, mark);
      case 'file':
        return nameOf(leadsTo.path);
      case 'section': {
        const heading = leadsTo.path === null ? '' : this.#site.sections(leadsTo.path).get(leadsTo.id);
        return heading || spaced(leadsTo.id);
      }
      case 'url':
        return leadsTo.url.replace(/^https?:\/\/(www\.)?/, '').replace(/\/$/, '');
      case 'mail':
      case 'phone':
        return decodeURI(leadsTo.url.replace(/^\w+:/, '').replace(/\?.*/, ''));
      case 'insert':
      case 'none':
        return '';
    }
  }

  #pageLabel(path: SitePath, mark: Mark): string {
    const label = this.#labels(path);
    if (label !== null) return label;
    const instead = fileLabel(path);
    const message = `\`${path}\` has no title; the entry is called \`${instead}\``;
    this.#tell('no-title', mark, message, 'Give the page a title, or the entry a label.');
    return instead;
  }

  #tell(rule: Parameters<typeof finding>[0], { start, end }: Mark, message: string, remedy: string): void {
    this.#findings.push(finding(rule, this.#source.place(start, end), message, remedy));
  }
}
