import type Joi from 'joi';
import { normalizePath } from '../address/path.ts';
import { type Finding, finding, hasErrors } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { planProblems } from './problems.ts';
import {
  type WrittenEntry,
  type WrittenMenu,
  type WrittenPlace,
  type WrittenPlan,
  planSchema,
} from './schema.ts';
import type { Entry, Mark, Menu, MenuPlace, PlaceSide, Plan, Target } from './types.ts';
import { type PlanText, type Value, pathKey, readYaml } from './yaml.ts';

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
  const conversion = new Conversion(text, source);
  const plan = conversion.plan(value);
  return { plan, findings: [...findings, ...conversion.findings] };
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
  readonly findings: Finding[] = [];
  readonly #text: PlanText;
  readonly #source: Source;

  constructor(text: PlanText, source: Source) {
    this.#text = text;
    this.#source = source;
  }

  plan(written: WrittenPlan): Plan {
    const { look } = written;
    return {
      site: this.#slashes(written.site, ['site']),
      output: this.#slashes(written.output, ['output']),
      read: this.#slashes(written.read, ['read']),
      leaveOut: written['leave-out'].map((glob, at) => this.#slashes(glob, ['leave-out', at])),
      skipTo: written['skip-to'],
      labels: { from: written.labels.from, cut: written.labels.cut ?? null },
      links: written.links,
      style: this.#style(written.style),
      menus: this.#menus(written.menus),
      look: {
        accent: look.accent ?? null,
        background: look.background ?? null,
        color: look.color ?? null,
        marks: {
          accent: this.#mark(['look', 'accent']),
          background: this.#mark(['look', 'background']),
          color: this.#mark(['look', 'color']),
        },
        font: { family: null, size: null, weight: null, spacing: null, ...look.font },
        padding: look.padding ?? null,
        radius: look.radius ?? null,
      },
    };
  }

  #menus(written: WrittenPlan['menus']): Menu[] {
    const names = new Set<string>();
    return written.flatMap((menu, at) => {
      if (!menu) return [];
      if (names.has(menu.menu)) {
        this.#tell(
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

  #menu(written: WrittenMenu, path: (string | number)[]): Menu {
    return {
      name: written.menu,
      title: written.title ?? titleOf(written.menu),
      form: written.form,
      align: written.align,
      carriedBy: written['carried-by'].map(glob => this.#slashes(glob, [...path, 'carried-by'])),
      except: written.except.map(glob => this.#slashes(glob, [...path, 'except'])),
      place: written.place ? placeOf(written.place) : null,
      home: written.home ?? null,
      fold: { belowEm: widthOf(written.fold?.when), as: 'stack' },
      currentEntry: written['current-entry'],
      entries: (written.entries ?? []).flatMap((entry, at) =>
        entry ? this.#entry(entry, [...path, 'entries', at]) : [],
      ),
      from: this.#from(written, path),
      set: written.set
        ? { globs: written.set.map(glob => this.#slashes(glob, [...path, 'set'])), order: written.order }
        : null,
      data: written.data ?? null,
      mark: this.#mark([...path, 'menu']),
    };
  }

  #entry(written: string | WrittenEntry, path: (string | number)[]): Entry {
    const mark = this.#mark(path);
    if (typeof written === 'string') {
      const target: Target = { kind: 'address', written: this.#slashes(written, path), mark };
      return { ...plainEntry, target, mark };
    }
    const below = written.entries ?? [];
    return {
      label: written.label ?? null,
      target: this.#target(written, path),
      highlight: written.highlight !== undefined,
      covers: written.covers?.map(glob => this.#slashes(glob, [...path, 'covers'])) ?? null,
      newWindow: written['new-window'] === 'true',
      outsideMark: written['outside-mark'] === 'true',
      save: written.save === 'true',
      details: written.details === 'true',
      ifMissing: written['if-missing'],
      entries: below.flatMap((entry, at) => (entry ? this.#entry(entry, [...path, 'entries', at]) : [])),
      mark,
    };
  }

  #target(written: WrittenEntry, path: (string | number)[]): Target {
    if (written.url !== undefined) return { kind: 'url', url: written.url };
    if (written.mail !== undefined)
      return { kind: 'mail', address: written.mail, subject: written.subject ?? null };
    const special = this.#special(written, path);
    if (special) return special;
    if (written.phone !== undefined) return { kind: 'phone', number: written.phone };
    for (const kind of ['page', 'section', 'file'] as const) {
      const value = written[kind];
      if (value === undefined) continue;
      const here = [...path, kind];
      return { kind, written: this.#slashes(value, here), mark: this.#mark(here) };
    }
    return { kind: 'none' };
  }

  #special(written: WrittenEntry, path: (string | number)[]): Target | null {
    const at = (key: string): Mark => this.#mark([...path, key]);
    const globs = (key: 'pages' | 'first' | 'except'): string[] =>
      (written[key] ?? []).map(glob => this.#slashes(glob, [...path, key]));
    if (written.heading !== undefined) {
      const page = written.page === undefined ? null : this.#slashes(written.page, [...path, 'page']);
      return { kind: 'heading', page, heading: written.heading, mark: at('heading') };
    }
    if (written.insert !== undefined)
      return {
        kind: 'insert',
        written: this.#slashes(written.insert, [...path, 'insert']),
        mark: at('insert'),
      };
    if (written.sections !== undefined) {
      const page = this.#slashes(written.sections, [...path, 'sections']);
      const levels = (written.levels ?? ['2']).map(Number);
      return { kind: 'sections', page, levels, except: written.except ?? [], mark: at('sections') };
    }
    if (written.pages === undefined) return null;
    const { order, most, depth = '1' } = written;
    const pages = {
      globs: globs('pages'),
      order,
      first: globs('first'),
      except: globs('except'),
      most: most === undefined ? null : Number(most),
      depth: Number(depth),
    };
    return { kind: 'pages', pages, mark: at('pages') };
  }

  #from(written: WrittenMenu, path: (string | number)[]): Menu['from'] {
    const depth = written.depth === undefined ? null : Number(written.depth);
    if (written.branch !== undefined)
      return { menu: written.branch, part: 'branch', depth, mark: this.#mark([...path, 'branch']) };
    if (written['entries-of'] === undefined) return null;
    return { menu: written['entries-of'], part: 'all', depth, mark: this.#mark([...path, 'entries-of']) };
  }

  #style(written: string | undefined): Plan['style'] {
    if (written === undefined) return null;
    const mark = this.#mark(['style']);
    const path = normalizePath(this.#slashes(written, ['style']));
    if (path) return { path, mark };
    this.#tell(
      'outside-site',
      ['style'],
      '`style` lies outside the site',
      'Name a style sheet in the site’s folder.',
    );
    return null;
  }

  #slashes(path: string, at: (string | number)[]): string {
    if (!path.includes('\\') || /^[a-z][a-z0-9+.-]*:/i.test(path)) return path;
    const right = path.replaceAll('\\', '/');
    this.#tell('backslash-path', at, 'a path is written with \\ here', `Read as  ${right}`);
    return right;
  }

  #mark(path: (string | number)[]): Mark {
    for (let length = path.length; length >= 0; length -= 1) {
      const mark = this.#text.values.get(pathKey(path.slice(0, length)));
      if (mark) return mark;
    }
    return { start: 0, end: 1 };
  }

  #tell(
    rule: Parameters<typeof finding>[0],
    path: (string | number)[],
    message: string,
    remedy: string,
  ): void {
    const { start, end } = this.#mark(path);
    this.findings.push(finding(rule, this.#source.place(start, end), message, remedy));
  }
}

const plainEntry = {
  label: null,
  highlight: false,
  covers: null,
  newWindow: false,
  outsideMark: false,
  save: false,
  details: false,
  ifMissing: 'error',
  entries: [],
} as const;

/** `below 48em` in em; a px counts as a sixteenth, as browsers have it. */
function widthOf(when: string | undefined): number | null {
  const match = /^below ([\d.]+)(em|rem|px)$/.exec(when ?? '');
  return match ? Number(match[1]) / (match[2] === 'px' ? 16 : 1) : null;
}

const sides: readonly PlaceSide[] = ['first-in', 'last-in', 'before', 'after', 'instead-of'];

function placeOf(written: WrittenPlace): MenuPlace {
  const side = sides.find(one => written[one] !== undefined)!;
  return { side, selectors: written[side]! };
}

/** `site-map` as `Site map`. */
function titleOf(name: string): string {
  return name.charAt(0).toUpperCase() + name.slice(1).replaceAll('-', ' ');
}
