import { type SitePath, isIndex, nameOf } from '../address/path.ts';
import type { Entry, Mark, Menu, Plan } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { carrier } from './carried.ts';
import { HookNames, hookOf } from './hooks.ts';
import { fileLabel, labelOf, sharedPart, spaced } from './labels.ts';
import { readTarget } from './targets.ts';
import type { Destination, ResolvedEntry, ResolvedMenu, SiteFacts } from './types.ts';

export interface Resolution {
  menus: ResolvedMenu[];
  findings: Finding[];
}

/** Makes every target of the plan a known page, section or address, once for the whole site. */
export function resolveMenus(plan: Plan, site: SiteFacts, source: Source): Resolution {
  return new Resolver(plan, site, source).resolve();
}

/** The pages whose own words become labels. */
export function pagesToName(plan: Plan, site: SiteFacts, source: Source): SitePath[] {
  const paths = new Set<SitePath>();
  const visit = (entries: readonly Entry[]): void => {
    for (const { label, target, entries: below } of entries) {
      visit(below);
      if (label !== null || (target.kind !== 'page' && target.kind !== 'address')) continue;
      const reading = readTarget(target, { site, carriers: [], source });
      if ('destination' in reading && reading.destination.kind === 'page')
        paths.add(reading.destination.path);
    }
  };
  for (const menu of plan.menus) visit(menu.entries);
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
      const finding = `the site has no file \`${style.path}\``;
      this.#tell('missing-file', style.mark, finding, 'Write the path from the site’s folder.');
    }
    return { menus: this.#plan.menus.map(menu => this.#menu(menu)), findings: this.#findings };
  }

  #menu(menu: Menu): ResolvedMenu {
    const carries = carrier([menu]);
    const carriers = [...this.#site.pages].filter(page => carries(menu, page));
    const context = { names: new HookNames(), carriers, depth: 1 };
    const { name, title, form, align, carriedBy, except, place, fold } = menu;
    const home = menu.home && this.#home(menu.home.label, menu);
    const entries = menu.entries.flatMap(entry => this.#entry(entry, context));
    return { name, title, form, align, carriedBy, except, place, fold, home, entries };
  }

  #home(label: string, menu: Menu): ResolvedMenu['home'] {
    const page = this.#site.front;
    if (page !== null) return { label, page };
    const message = '`home` leads to the front page, and the site has none';
    this.#tell('missing-page', menu.mark, message, 'Add an index.html to the site’s folder.');
    return null;
  }

  #entry(entry: Entry, context: MenuContext): ResolvedEntry[] {
    const { carriers, depth, names } = context;
    const reading = readTarget(entry.target, { site: this.#site, carriers, source: this.#source });
    if ('finding' in reading) {
      this.#findings.push(entry.ifMissing === 'warn' ? leftOut(reading.finding) : reading.finding);
      return [];
    }
    const { destination } = reading;
    const label = entry.label ?? this.#label(destination, entry.mark);
    const hook = names.take(hookOf(destination, label));
    const entries = entry.entries.flatMap(one => this.#entry(one, { ...context, depth: depth + 1 }));
    return [{ label, leadsTo: destination, hook, depth, highlight: entry.highlight, entries }];
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
      case 'none':
        return '';
    }
  }

  #pageLabel(path: SitePath, mark: Mark): string {
    const label = labelOf(path, this.#site.words.get(path), this.#plan.labels, this.#shared);
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

/** An entry that the plan allows to be missing. */
function leftOut(problem: Finding): Finding {
  return {
    ...problem,
    rule: 'left-out',
    severity: 'warning',
    message: `this entry was left out: ${problem.message}`,
  };
}
