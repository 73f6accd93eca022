import type { SitePath } from '../address/path.ts';
import type { DrawingFile, Look, LookUse, Mark, Plan } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { nearest } from '../text/nearest.ts';
import type { Source } from '../text/source.ts';
import type { ResolvedPanels, SectionHeading, SiteFacts } from '../target/facts.ts';
import { NumberedNames, hookOf } from './hooks.ts';
import { fileLabel, labelOf, sharedPart } from './labels.ts';
import { SiteLanguages } from './languages.ts';
import { PlacedKeys } from './placed-keys.ts';
import { drawingOf } from './resolve-drawing.ts';
import { counterpartsOf } from './counterparts.ts';
import type { GivenId } from './types.ts';

/** What all menus of a plan are resolved against, and what is found on the way. */
export class Ground {
  readonly plan: Plan;
  readonly site: SiteFacts;
  readonly source: Source;
  /** null where the plan names none. */
  readonly languages: SiteLanguages | null;
  readonly findings: Finding[] = [];
  panels: readonly ResolvedPanels[] = [];
  readonly placed = new PlacedKeys();
  /** Ids that headings are given, by page. */
  readonly ids = new Map<SitePath, GivenId[]>();
  readonly #given = new Map<SitePath, { names: NumberedNames; byPlace: Map<number, string> }>();
  /** The part that the titles of each language share. */
  readonly #shared = new Map<string, string | null>();

  constructor(plan: Plan, site: SiteFacts, source: Source) {
    this.plan = plan;
    this.site = site;
    this.source = source;
    this.languages =
      plan.languages.length > 0
        ? new SiteLanguages(plan.languages, site, counterpartsOf(plan, site, source))
        : null;
    const titles = new Map<string, string[]>();
    for (const [page, { title }] of site.words)
      if (title !== null) titles.set(this.#tag(page), [...(titles.get(this.#tag(page)) ?? []), title]);
    for (const [tag, all] of titles) this.#shared.set(tag, sharedPart(all));
  }

  /** The words of a page that label an entry, or null where it has none. */
  words(page: SitePath): string | null {
    const { from, cut, cuts } = this.plan.labels;
    const tag = this.#tag(page);
    const own = cuts.size > 0 ? (cuts.get(tag) ?? null) : cut;
    return labelOf(page, this.site.words.get(page), { from, cut: own }, this.#shared.get(tag) ?? null);
  }

  /** The same, else its file's name. */
  title(page: SitePath): string {
    return this.words(page) ?? fileLabel(page);
  }

  /** An id from the heading's words that its page does not have; the same heading gets the same one. */
  giveId(page: SitePath, { text, insert }: SectionHeading): string {
    let given = this.#given.get(page);
    if (!given) {
      given = { names: new NumberedNames(this.site.sections(page).keys()), byPlace: new Map() };
      this.#given.set(page, given);
      this.ids.set(page, []);
    }
    const known = given.byPlace.get(insert);
    if (known !== undefined) return known;
    const id = given.names.take(hookOf({ kind: 'none' }, text));
    given.byPlace.set(insert, id);
    this.ids.get(page)!.push({ at: insert, id });
    return id;
  }

  /** A look with its name followed; null where there is none. */
  look(use: LookUse | null): Look | null {
    if (use === null || !('name' in use)) return use;
    const found = this.plan.looks.get(use.name);
    if (found) return found;
    const near = nearest(use.name, this.plan.looks.keys());
    const known = [...this.plan.looks.keys()];
    const others =
      known.length > 0
        ? `There are: ${known.join(', ')}.`
        : `Name it:\nlooks:\n  ${use.name}: { accent: "#3d5a80" }`;
    const remedy = near ? `Did you mean \`${near}\`?` : others;
    this.tell('unknown-look', use.mark, `no look of the plan is called \`${use.name}\``, remedy);
    return null;
  }

  /** The markup of a drawing that the plan names, or null. @param prefix of its ids, which no other drawing has */
  drawing(file: DrawingFile, prefix: string): string | null {
    const { site, source } = this;
    return drawingOf(file, prefix, {
      ground: this,
      context: { site, carriers: [], source, giveId: () => '' },
    });
  }

  tell(rule: Parameters<typeof finding>[0], { start, end }: Mark, message: string, remedy: string): void {
    this.findings.push(finding(rule, this.source.place(start, end), message, remedy));
  }

  #tag(page: SitePath): string {
    return this.languages?.of(page) ?? '';
  }
}
