import type Joi from 'joi';
import { normalizePath } from '../address/path.ts';
import { type Finding, finding, hasErrors } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { planProblems } from './problems.ts';
import type { WrittenMenu } from './parts/menu.ts';
import type { WrittenPanels } from './parts/panels.ts';
import { type WrittenPlace, placeSides } from './parts/place.ts';
import { type WrittenPlan, planSchema } from './parts/plan.ts';
import type { WrittenToTop } from './parts/to-top.ts';
import { PlanPlaces } from './places.ts';
import { readLook, readLookUse } from './read-look.ts';
import { EntryReader } from './read-entry.ts';
import { readFold, readOpens } from './read-fold.ts';
import type { HomeImage, Menu, MenuPlace, PanelGroup, Plan } from './types.ts';
import { type Value, readYaml } from './yaml.ts';

export interface PlanReading {
  /** What could be understood, so that its targets can be checked too; null where that is nothing. Use it for output only without errors. */
  plan: Plan | null;
  findings: Finding[];
}

/** Reads a plan: every problem of its text, keys and values at once. */
export function readPlan(source: Source): PlanReading {
  const text = readYaml(source);
  const findings = [...text.findings];
  if (isEmpty(text.value) && !hasErrors(findings)) return { plan: null, findings: [emptyPlan(source)] };
  const { value, details } = validate(text.value);
  const told = planProblems(details, text, source);
  // What YAML swallowed shows up again as an empty or missing value: it has been told with its remedy.
  const isBroken = findings.some(one => one.rule === 'yaml-tab' || one.rule === 'yaml-syntax');
  const news = told.filter(one => !findings.some(earlier => sameLine(earlier, one)));
  findings.push(...news.filter(one => !(isBroken && one.rule === 'missing-key')));
  if (!value) return { plan: null, findings };
  const places = new PlanPlaces(text, source);
  const plan = new Conversion(places, Object.keys(value.languages ?? {})).plan(value);
  return { plan, findings: [...findings, ...places.findings] };
}

function isEmpty(value: Value): boolean {
  return (
    value === '' ||
    (Array.isArray(value) && value.length === 0) ||
    (typeof value === 'object' && Object.keys(value).length === 0)
  );
}

function emptyPlan(source: Source): Finding {
  return finding(
    'empty-plan',
    { file: source.file },
    'the plan is empty',
    'A plan begins so:\nkamino: 1\nmenus:\n  - menu: masthead\n    entries:\n      - index.html',
  );
}

function sameLine(one: Finding, other: Finding): boolean {
  return one.severity === 'error' && one.place?.position?.line === other.place?.position?.line;
}

/** Validates; what is wrong is taken out until the rest is right. */
function validate(value: Value): { value: WrittenPlan | null; details: Joi.ValidationErrorItem[] } {
  const options = { abortEarly: false, convert: true } as const;
  const first = planSchema.validate(value, options);
  let rest: unknown = structuredClone(value);
  let result = first;
  for (let round = 0; result.error && round < 8; round += 1) {
    for (const { path } of result.error.details) if (path.length) rest = without(rest, path);
    result = planSchema.validate(rest, options);
  }
  return { value: result.error ? null : result.value, details: first.error?.details ?? [] };
}

/** The value without what stands at the path; the other lines of a list keep their numbers. */
function without(value: unknown, path: readonly (string | number)[]): unknown {
  let parent = value as Record<string | number, unknown> | undefined;
  for (const step of path.slice(0, -1)) {
    parent = parent?.[step] as Record<string | number, unknown> | undefined;
    if (typeof parent !== 'object') return value;
  }
  const last = path.at(-1)!;
  if (Array.isArray(parent)) parent[Number(last)] = undefined;
  else if (parent) Reflect.deleteProperty(parent, last);
  return value;
}

class Conversion {
  readonly #places: PlanPlaces;
  readonly #entries: EntryReader;

  constructor(places: PlanPlaces, tags: readonly string[]) {
    this.#places = places;
    this.#entries = new EntryReader(places, tags);
  }

  plan(written: WrittenPlan): Plan {
    return {
      site: this.#places.slashes(written.site, ['site']),
      output: this.#places.slashes(written.output, ['output']),
      read: this.#places.slashes(written.read, ['read']),
      leaveOut: written['leave-out'].map((glob, at) => this.#places.slashes(glob, ['leave-out', at])),
      skipTo: written['skip-to'],
      labels: this.#labels(written.labels),
      links: written.links,
      style: this.#style(written.style),
      languages: Object.entries(written.languages ?? {}).map(([tag, { name, pages, words = {} }]) => {
        const path = ['languages', tag];
        const globs = pages?.map(glob => this.#places.slashes(glob, [...path, 'pages'])) ?? null;
        return { tag, name, pages: globs, words, mark: this.#places.mark(path) };
      }),
      menus: [...this.#menus(written.menus), ...this.#buttons(written), ...this.#tabs(written)],
      panels: (written.panels ?? []).flatMap((one, at) => (one ? this.#panels(one, ['panels', at]) : [])),
      toTop: this.#toTop(written['to-top']),
      look: readLookUse(written.look, ['look'], this.#places),
      looks: new Map(
        Object.entries(written.looks ?? {}).map(([name, look]) => [
          name,
          readLook(look, ['looks', name], this.#places),
        ]),
      ),
    };
  }

  #labels({ from, cut }: WrittenPlan['labels']): Plan['labels'] {
    const { value, by } = this.#entries.said(cut, ['labels', 'cut']);
    return { from, cut: value, cuts: by };
  }

  #menus(written: WrittenPlan['menus']): Menu[] {
    const names = new Set<string>();
    return written.flatMap((menu, at) => {
      if (!menu) return [];
      if (names.has(menu.menu)) {
        this.#places.tell(
          'same-menu-name',
          ['menus', at, 'menu'],
          `two menus are called \`${menu.menu}\``,
          'Give each its own name.',
        );
      }
      names.add(menu.menu);
      return this.#menu(menu, ['menus', at]);
    });
  }

  /** A button is a menu of a single entry. */
  #buttons({ menus, buttons = [] }: WrittenPlan): Menu[] {
    const names = new Set(menus.map(menu => menu?.menu));
    return buttons.flatMap((written, at) => {
      if (!written) return [];
      const path = ['buttons', at];
      const { button, place, except, 'carried-by': carriedBy, ...entry } = written;
      if (names.has(button))
        this.#places.tell(
          'same-menu-name',
          [...path, 'button'],
          `a menu or another button is called \`${button}\` too`,
          'Give each its own name.',
        );
      names.add(button);
      const own = { 'carried-by': carriedBy, except, ...(place ? { place } : {}) };
      const menu = this.#menu({ ...plainMenu, ...own, menu: button }, path);
      const mark = this.#places.mark([...path, 'button']);
      const given = this.#entries.read({ ...entry, order: 'title', 'if-missing': 'error' }, path);
      return [
        {
          ...menu,
          form: 'button',
          mark,
          entries: [{ ...given, highlight: given.highlight ?? 'background' }],
        },
      ];
    });
  }

  #panels(written: WrittenPanels, path: (string | number)[]): PanelGroup[] {
    const { panels: name, of, height, first } = written;
    const page = this.#places.slashes(written.page, [...path, 'page']);
    const menu = written.switch === 'tabs' ? name : written.switch;
    return [
      { name, page, of, menu, first: first ?? null, height, mark: this.#places.mark([...path, 'panels']) },
    ];
  }

  /** Panels that no other menu switches between have tabs of their own, before the first of them. */
  #tabs({ panels = [], menus, buttons = [] }: WrittenPlan): Menu[] {
    const names = new Set([...menus.map(one => one?.menu), ...buttons.map(one => one?.button)]);
    return panels.flatMap((written, at) => {
      if (written?.switch !== 'tabs') return [];
      const path = ['panels', at];
      const { panels: name, of, title, page, look, place = { before: [of] } } = written;
      if (names.has(name))
        this.#places.tell(
          'same-menu-name',
          [...path, 'panels'],
          `a menu or a button is called \`${name}\` too`,
          'Give each its own name.',
        );
      names.add(name);
      const own = {
        'carried-by': [page],
        except: [],
        place,
        ...(title === undefined ? {} : { title }),
        ...(look === undefined ? {} : { look }),
      };
      const menu = this.#menu({ ...plainMenu, ...own, menu: name }, path);
      return [{ ...menu, form: 'tabs', panels: name, mark: this.#places.mark([...path, 'panels']) }];
    });
  }

  #toTop(written: WrittenToTop | undefined): Plan['toTop'] {
    if (!written) return null;
    const path = ['to-top'];
    const { value, by } = this.#entries.said(written.label, [...path, 'label']);
    const here = [...path, 'icon'];
    const icon = { written: this.#places.slashes(written.icon, here), mark: this.#places.mark(here) };
    return {
      corner: written.corner,
      showsAfter: written['shows-after'],
      size: written.size,
      label: value,
      labels: by,
      icon: written.icon === 'arrow' ? 'arrow' : icon,
      look: written.look ? readLook(written.look, [...path, 'look'], this.#places) : null,
      mark: this.#places.mark(path),
    };
  }

  #menu(written: WrittenMenu, path: (string | number)[]): Menu {
    const title = this.#entries.said(written.title, [...path, 'title']);
    const home = this.#entries.said(written.home?.label, [...path, 'home', 'label']);
    return {
      name: written.menu,
      title: title.value ?? titleOf(written.menu),
      titles: title.by,
      form: written.form,
      align: written.align,
      carriedBy: written['carried-by'].map(glob => this.#places.slashes(glob, [...path, 'carried-by'])),
      except: written.except.map(glob => this.#places.slashes(glob, [...path, 'except'])),
      place: written.place ? placeOf(written.place) : null,
      stays:
        written.stays === undefined
          ? null
          : {
              selector: typeof written.stays === 'object' ? written.stays.top : null,
              mark: this.#places.mark([...path, 'stays']),
            },
      home:
        home.value === null
          ? null
          : { label: home.value, labels: home.by, image: this.#homeImage(written, path) },
      widths: written.widths,
      separators: written.separators,
      opens: readOpens(written),
      fold: readFold(written, path, { places: this.#places, entries: this.#entries }),
      currentEntry: written['current-entry'],
      entries: (written.entries ?? []).flatMap((entry, at) =>
        entry ? this.#entries.read(entry, [...path, 'entries', at]) : [],
      ),
      from: this.#from(written, path),
      set: written.set
        ? {
            globs: written.set.map(glob => this.#places.slashes(glob, [...path, 'set'])),
            order: written.order,
          }
        : null,
      panels: null,
      data: written.data ?? null,
      look: readLookUse(written.look, [...path, 'look'], this.#places),
      mark: this.#places.mark([...path, 'menu']),
    };
  }

  #homeImage({ home }: WrittenMenu, path: (string | number)[]): HomeImage | null {
    if (home?.image === undefined) return null;
    const here = [...path, 'home', 'image'];
    return {
      written: this.#places.slashes(home.image, here),
      show: home.show ?? 'both',
      mark: this.#places.mark(here),
    };
  }

  #from(written: WrittenMenu, path: (string | number)[]): Menu['from'] {
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

  #style(written: string | undefined): Plan['style'] {
    if (written === undefined) return null;
    const mark = this.#places.mark(['style']);
    const path = normalizePath(this.#places.slashes(written, ['style']));
    if (path) return { path, mark };
    this.#places.tell(
      'outside-site',
      ['style'],
      '`style` lies outside the site',
      'Name a style sheet in the site’s folder.',
    );
    return null;
  }
}

function placeOf(written: WrittenPlace): MenuPlace {
  const side = placeSides.find(one => written[one] !== undefined)!;
  return { side, selectors: written[side]! };
}

/** What a menu is where nothing is said. */
const plainMenu = {
  form: 'bar',
  widths: 'natural',
  separators: 'none',
  'current-entry': 'link',
  order: 'title',
  align: 'start',
  opens: { after: '90ms', ease: '160ms', columns: '1' },
} as const;

/** `site-map` as `Site map`. */
function titleOf(name: string): string {
  return name.charAt(0).toUpperCase() + name.slice(1).replaceAll('-', ' ');
}
