import type { SitePath } from '../address/path.ts';
import { bareMenu } from '../plan/bare-menu.ts';
import { forms } from '../plan/forms.ts';
import type { Entry, Look, Menu, Plan } from '../plan/types.ts';
import type { Finding } from '../text/finding.ts';
import type { ReservedName } from '../text/reserved.ts';
import { nearest } from '../text/nearest.ts';
import type { Source } from '../text/source.ts';
import { readTarget } from '../target/kinds/index.ts';
import type { ResolvedPanels, SiteFacts } from '../target/facts.ts';
import { carrier } from './carried.ts';
import { Ground } from './ground.ts';
import { hookOf } from './hooks.ts';
import type { SiteLanguages } from './languages.ts';
import { panelEntries, panelsOf, tellUnswitched } from './resolve-panels.ts';
import { picturedMenus } from './resolve-pictures.ts';
import { EntryResolver, plainEntry } from './resolve-entries.ts';
import { foldOf, joinFolds } from './resolve-folds.ts';
import { contentsOf, mostOf } from './contents.ts';
import { shownBy } from './on-page.ts';
import { setEntries } from './set.ts';
import { cutOff, distinct } from './resolve-parts.ts';
import type { GivenId, MenuLanguage, ResolvedEntry, ResolvedHome, ResolvedMenu } from './types.ts';

export interface Resolution {
  /** In a site of several languages a menu stands once for each that its pages are in. */
  menus: ResolvedMenu[];
  panels: readonly ResolvedPanels[];
  /** Ids that headings are given, by page. */
  ids: ReadonlyMap<SitePath, readonly GivenId[]>;
  /** null where the plan names none. */
  languages: SiteLanguages | null;
  /** The look of all menus. */
  look: Look | null;
  findings: Finding[];
}

/** Makes every target of the plan a known page, section or address, once for the whole site. */
export function resolveMenus(plan: Plan, site: SiteFacts, source: Source): Resolution {
  const ground = new Ground(plan, site, source);
  const { style } = plan;
  if (style && !site.files.has(style.path)) {
    const missing = `the site has no file \`${style.path}\``;
    ground.tell('missing-file', style.mark, missing, 'Write the path from the site’s folder.');
  }
  ground.panels = panelsOf(plan, ground);
  const resolver = new MenuResolver(ground);
  const all = [...plan.menus.flatMap(menu => resolver.menu(menu)), ...topMenus(plan, ground, resolver)];
  const resolved = joinFolds(picturedMenus(all, ground), ground);
  const look = ground.look(plan.look);
  const { ids, languages, panels } = ground;
  tellUnswitched(resolved, ground);
  for (const { mark, reason } of ground.placed.idle()) ground.tell('no-effect', mark, ...reason);
  return { menus: resolved, panels, ids, languages, look, findings: distinct(ground.findings) };
}

/** The way to the top, as a menu of a single entry at the end of every page. */
function topMenus({ toTop }: Plan, ground: Ground, resolver: MenuResolver): ResolvedMenu[] {
  if (!toTop) return [];
  const { corner, showsAfter, size, over, labels, look, mark } = toTop;
  const own = bareMenu({
    name: 'top' satisfies ReservedName,
    form: 'top',
    title: 'Top',
    carriedBy: toTop.carriedBy,
    except: toTop.except,
    place: [{ side: 'last-in', selector: 'body', drop: false }],
    mark,
  });
  const { icon } = toTop;
  const drawing = icon === 'arrow' ? null : ground.drawing(icon, 'top');
  return resolver.menu(own).map(menu => {
    const tag = menu.language?.tag;
    const entry: ResolvedEntry = {
      ...plainEntry,
      // Empty: Kamino's own words.
      label: (tag === undefined ? undefined : labels.get(tag)) ?? toTop.label ?? '',
      leadsTo: { kind: 'section', path: null, id: 'top' },
      hook: 'top',
      depth: 1,
      highlight: look ?? 'background',
      icon: drawing === null ? null : { markup: drawing, at: 'start', show: 'icon' },
    };
    return { ...menu, toTop: { corner, showsAfter, size, over }, entries: [entry] };
  });
}

class MenuResolver {
  readonly #ground: Ground;

  constructor(ground: Ground) {
    this.#ground = ground;
  }

  /** The menu, once for each language that its pages are in. */
  menu(menu: Menu): ResolvedMenu[] {
    const carries = carrier([menu]);
    const carriers = [...this.#ground.site.pages].filter(page => carries(menu, page));
    const { languages } = this.#ground;
    if (languages === null) return [this.#one(menu, carriers, null)];
    const all = languages.all.map(({ tag, words }) => {
      const pages = languages.pagesOf(tag);
      return { tag, words, pages, carriers: carriers.filter(page => pages.has(page)) };
    });
    const used = all.filter(one => one.carriers.length > 0);
    return (used.length > 0 ? used : all.slice(0, 1)).map(({ carriers: own, ...language }) =>
      this.#one(menu, own, language),
    );
  }

  #one(menu: Menu, carriers: readonly SitePath[], language: MenuLanguage | null): ResolvedMenu {
    const { name, form, align, carriedBy, except, place, opens, currentEntry } = menu;
    const { stays, over, widths, separators, data } = menu;
    const tag = language?.tag ?? null;
    const front = (language && this.#ground.languages?.front(language.tag)) ?? this.#ground.site.front;
    const shows = shownBy(menu);
    const own = this.#sourceEntries(menu, carriers);
    const resolver = new EntryResolver(this.#ground, { carriers, tag, menu });
    const contents = menu.levels && contentsOf(carriers, menu.levels, this.#ground);
    const entries = contents ? mostOf(contents) : resolver.resolve(own, shows === 'branch' ? 0 : 1);
    return {
      name,
      title: (tag === null ? undefined : menu.titles.get(tag)) ?? menu.title,
      form,
      align,
      carriedBy,
      except,
      place,
      opens,
      fold: foldOf(menu, tag, this.#ground),
      joined: [],
      toTop: null,
      currentEntry,
      shows,
      stays,
      over,
      widths,
      separators,
      language,
      front,
      look: this.#ground.look(menu.look),
      home: menu.home && this.#home(menu, tag, front),
      hasData: data === 'json-ld',
      entries,
      contents,
      ...{ pictures: null, sprite: null },
      pages: shows === 'trail' ? this.#pageEntries(carriers, front) : null,
    };
  }

  /** The entries that a menu has, or takes from another. */
  #sourceEntries(menu: Menu, carriers: readonly SitePath[]): readonly Entry[] {
    if (menu.set) return setEntries(menu, menu.set, { carriers, ground: this.#ground });
    if (menu.panels !== null) return panelEntries(menu, this.#ground);
    const others = this.#ground.plan.menus.filter(one => one !== menu && one.entries.length > 0);
    if (forms[menu.form].isSingle) return menu.entries;
    if (!menu.from) return menu.entries.length > 0 ? menu.entries : (others[0]?.entries ?? []);
    const { menu: name, depth, mark } = menu.from;
    const source = others.find(one => one.name === name);
    if (source) return depth === null ? source.entries : cutOff(source.entries, depth);
    const near = nearest(
      name,
      others.map(one => one.name),
    );
    this.#ground.tell(
      'unknown-menu',
      mark,
      `no menu with entries of its own is called \`${name}\``,
      near ? `Did you mean \`${near}\`?` : 'Name a menu of this plan.',
    );
    return [];
  }

  /** An entry for each page, for what no entry of the plan names. */
  #pageEntries(carriers: readonly SitePath[], front: SitePath | null): Map<SitePath, ResolvedEntry> {
    return new Map(
      [...carriers, ...(front === null ? [] : [front])].map(path => {
        const leadsTo = { kind: 'page', path } as const;
        const label = this.#ground.title(path);
        return [path, { ...plainEntry, label, leadsTo, hook: hookOf(leadsTo, label), depth: 1 }];
      }),
    );
  }

  #homeImage({ home }: Menu): ResolvedHome['image'] {
    if (!home?.image) return null;
    const { written, mark } = home.image;
    const { site, source } = this.#ground;
    const context = { site, carriers: [], source, giveId: () => '' };
    const reading = readTarget({ kind: 'file', written, mark }, context);
    if ('finding' in reading) this.#ground.findings.push(reading.finding);
    if ('finding' in reading || reading.destination.kind !== 'file') return null;
    const { path } = reading.destination;
    return { path, size: site.picture(path) };
  }

  #home(menu: Menu, tag: string | null, page: SitePath | null): ResolvedMenu['home'] {
    const { label, labels } = menu.home!;
    if (page !== null) {
      const image = this.#homeImage(menu);
      const show = image === null ? 'label' : menu.home!.image!.show;
      return {
        label: (tag === null ? undefined : labels.get(tag)) ?? label,
        page,
        image,
        show,
        at: menu.home!.at,
      };
    }
    const message = '`home` leads to the front page, and the site has none';
    this.#ground.tell('missing-page', menu.mark, message, 'Add an index.html to the site’s folder.');
    return null;
  }
}
