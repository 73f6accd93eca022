import { isIndex } from '../address/path.ts';
import type { SitePath } from '../address/path.ts';
import type { Entry, Menu, Plan, Target } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { HookNames, hookOf } from './hooks.ts';
import { fileLabel, labelOf, sharedPart } from './labels.ts';
import { readTarget } from './targets.ts';
import type { Destination, ResolvedEntry, ResolvedMenu, SiteFacts } from './types.ts';

export interface Resolution {
  menus: ResolvedMenu[];
  findings: Finding[];
}

/** Makes every target of the plan a known page or address, once for the whole site. */
export function resolveMenus(plan: Plan, site: SiteFacts, source: Source): Resolution {
  return new Resolver(plan, site, source).resolve();
}

/** The pages whose own words become labels. */
export function pagesToName(plan: Plan, site: SiteFacts, source: Source): SitePath[] {
  const paths = new Set<SitePath>();
  for (const { label, target } of plan.menus.flatMap(menu => menu.entries)) {
    const reading = label === null ? readTarget(target, site, source) : null;
    if (reading && 'destination' in reading && reading.destination.kind === 'page')
      paths.add(reading.destination.path);
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

class Resolver {
  readonly #plan: Plan;
  readonly #site: SiteFacts;
  readonly #source: Source;
  readonly #findings: Finding[] = [];
  readonly #shared: string | null;

  constructor(plan: Plan, site: SiteFacts, source: Source) {
    this.#plan = plan;
    this.#site = site;
    this.#source = source;
    this.#shared = sharedPart([...site.words.values()].flatMap(({ title }) => title ?? []));
  }

  resolve(): Resolution {
    const { style } = this.#plan;
    if (style && !this.#site.files.has(style.path)) {
      this.#tell(
        'missing-file',
        style.mark,
        `the site has no file \`${style.path}\``,
        'Write the path from the site’s folder.',
      );
    }
    return { menus: this.#plan.menus.map(menu => this.#menu(menu)), findings: this.#findings };
  }

  #menu(menu: Menu): ResolvedMenu {
    const names = new HookNames();
    const home = menu.home && this.#home(menu.home.label, menu);
    return {
      name: menu.name,
      title: menu.title,
      form: menu.form,
      align: menu.align,
      carriedBy: menu.carriedBy,
      except: menu.except,
      place: menu.place,
      home,
      entries: menu.entries.flatMap(entry => this.#entry(entry, names, 1)),
    };
  }

  #home(label: string, menu: Menu): ResolvedMenu['home'] {
    const page = this.#site.front;
    if (page !== null) return { label, page };
    this.#tell(
      'missing-page',
      menu.mark,
      '`home` leads to the front page, and the site has none',
      'Add an index.html to the site’s folder.',
    );
    return null;
  }

  #entry(entry: Entry, names: HookNames, depth: number): ResolvedEntry[] {
    const reading = readTarget(entry.target, this.#site, this.#source);
    if ('finding' in reading) {
      this.#findings.push(reading.finding);
      return [];
    }
    const label = entry.label ?? this.#label(reading.destination, entry.target);
    const hook = names.take(hookOf(reading.destination, label));
    return [{ label, leadsTo: reading.destination, hook, depth, entries: [] }];
  }

  #label(leadsTo: Destination, target: Target): string {
    if (leadsTo.kind === 'url') return leadsTo.url.replace(/^https?:\/\/(www\.)?/, '').replace(/\/$/, '');
    const label = labelOf(leadsTo.path, this.#site.words.get(leadsTo.path), this.#plan.labels, this.#shared);
    if (label !== null) return label;
    const instead = fileLabel(leadsTo.path);
    if (target.kind !== 'url') {
      this.#tell(
        'no-title',
        target.mark,
        `\`${leadsTo.path}\` has no title; the entry is called \`${instead}\``,
        'Give the page a title, or the entry a label.',
      );
    }
    return instead;
  }

  #tell(
    rule: Parameters<typeof finding>[0],
    { start, end }: { start: number; end: number },
    message: string,
    remedy: string,
  ): void {
    this.#findings.push(finding(rule, this.#source.place(start, end), message, remedy));
  }
}
