import type { SitePath } from '../address/path.ts';
import type { Entry, EntryIcon, Mark, Menu } from '../plan/types.ts';
import type { TargetContext } from '../target/kind.ts';
import { wordsKey } from '../target/kinds/heading.ts';
import { type Destination, labelOf, pageOf } from '../target/destination.ts';
import { type PatternTarget, isPattern, readTarget } from '../target/kinds/index.ts';
import type { SectionHeading } from '../target/facts.ts';
import { sizeOf } from '../text/size.ts';
import type { Ground } from './ground.ts';
import { tellLanguage } from './tell-language.ts';
import { NumberedNames, hookOf } from './hooks.ts';
import { fileLabel } from './labels.ts';
import { entriesFromHeadings, entriesFromPages, pagesOf } from './patterns.ts';
import { drawingOf } from './resolve-drawing.ts';
import { leftOut } from './resolve-parts.ts';
import type { ResolvedEntry } from './types.ts';

/** The menu whose entries are resolved. */
export interface EntriesContext {
  /** The pages that carry it. */
  carriers: readonly SitePath[];
  /** The language of those pages; null where the plan names none. */
  tag: string | null;
  menu: Pick<Menu, 'name' | 'form' | 'fold'>;
}

export const plainEntry = {
  highlight: null,
  look: null,
  apart: false,
  remains: false,
  about: null,
  icon: null,
  picture: null,
  covers: null,
  newWindow: false,
  outsideMark: false,
  save: false,
  details: null,
  lang: null,
  hreflang: null,
  entries: [],
} as const;

/** An entry as it is in one language. */
interface Version {
  entry: Entry;
  /** Its target is that of this language, whatever its counterparts are. */
  isGiven: boolean;
}

/** Makes the entries of one menu in one language known pages, sections and addresses. */
export class EntryResolver {
  readonly #ground: Ground;
  readonly #context: EntriesContext;
  readonly #names = new NumberedNames();

  constructor(ground: Ground, context: EntriesContext) {
    this.#ground = ground;
    this.#context = context;
  }

  /** @param depth of the entries, 1 for those of the menu itself; @param parent the page of the entry above */
  resolve(entries: readonly Entry[], depth: number, parent: SitePath | null = null): ResolvedEntry[] {
    const known = new Set<string>();
    return entries.flatMap(entry => {
      const made = this.#one(entry, depth, parent);
      this.#tellTwice(entry, made, known);
      return made;
    });
  }

  #one(entry: Entry, depth: number, parent: SitePath | null): ResolvedEntry[] {
    const version = this.#version(entry);
    if (version === null) return [];
    const { target } = version.entry;
    if (!isPattern(target)) return this.#entry(version, depth, parent);
    const all = this.#expanded(version.entry, target, parent);
    return all.flatMap(one => this.#entry({ entry: one, isGiven: true }, depth, parent));
  }

  /** An entry that stands in its list already, with the same label. */
  #tellTwice({ mark }: Entry, made: readonly ResolvedEntry[], known: Set<string>): void {
    for (const { label, leadsTo } of made) {
      const key = `${label}\n${JSON.stringify(leadsTo)}`;
      if (leadsTo.kind !== 'none' && known.has(key))
        this.#ground.tell(
          'duplicate-entry',
          mark,
          `\`${label}\` stands in this list twice, and leads to the same place`,
          'Take one of the two out.',
        );
      known.add(key);
    }
  }

  #entry({ entry, isGiven }: Version, depth: number, parent: SitePath | null): ResolvedEntry[] {
    const { target } = entry;
    if (isPattern(target)) return [];
    const reading = readTarget(target, this.#target(isGiven));
    if ('finding' in reading) {
      this.#ground.findings.push(entry.ifMissing === 'warn' ? leftOut(reading.finding) : reading.finding);
      return [];
    }
    const { destination } = reading;
    const heading = target.kind === 'heading' ? this.#heading(target.heading, destination) : null;
    const label = entry.label ?? heading ?? this.#label(destination, entry.mark);
    const hook = this.#names.take(hookOf(destination, label));
    const page = destination.kind === 'page' ? destination.path : parent;
    const { highlight, covers, newWindow, outsideMark, save, apart } = entry;
    const details = entry.details && destination.kind === 'file' ? this.#details(destination.path) : null;
    const hreflang = this.#languageOf(destination);
    if (!isGiven || destination.kind === 'language')
      tellLanguage(entry, { leadsTo: destination, hreflang }, this.#context, this.#ground);
    return [
      {
        ...plainEntry,
        ...{ label, leadsTo: destination, hook, depth },
        highlight,
        look: this.#ground.look(entry.look),
        apart,
        ...this.#ground.placed.in(this.#context.menu, entry, { depth, tag: this.#context.tag }),
        icon: entry.icon && this.#icon(entry.icon, hook),
        covers,
        newWindow,
        outsideMark,
        save,
        details,
        lang: entry.label === null ? hreflang : null,
        hreflang,
        entries: this.resolve(entry.entries, depth + 1, page),
      },
    ];
  }

  /** The entry as it is in this language; null where it is left out. */
  #version(entry: Entry): Version | null {
    const { tag } = this.#context;
    const version = tag === null ? undefined : entry.versions.get(tag);
    if (version === null) return null;
    if (version === undefined) return { entry, isGiven: false };
    return {
      entry: { ...entry, label: version.label, target: version.target },
      isGiven: version.isGiven,
    };
  }

  #target(isGiven: boolean): TargetContext {
    const { site, source, languages } = this.#ground;
    const { carriers, tag } = this.#context;
    const giveId = (page: SitePath, heading: SectionHeading): string => this.#ground.giveId(page, heading);
    const counterpart = (path: SitePath): SitePath =>
      isGiven || tag === null ? path : (languages?.counterpart(path, tag) ?? path);
    return { site, carriers, source, giveId, counterpart, languages, panels: this.#ground.panels };
  }

  /** The entries that a pattern stands for. */
  #expanded(entry: Entry, target: PatternTarget, parent: SitePath | null): Entry[] {
    const { site, languages } = this.#ground;
    const { tag } = this.#context;
    if (target.kind === 'pages') {
      const inLanguage = (path: SitePath): SitePath | null =>
        tag === null ? path : languages!.counterpart(path, tag);
      const titleOf = (path: SitePath): string => this.#ground.title(path);
      const pages = pagesOf(target.pages, { parent, site, titleOf, inLanguage });
      if (pages.length === 0)
        this.#ground.tell(
          'empty-pattern',
          target.mark,
          'no page matches this pattern',
          'Patterns are paths from the site’s folder:  visit/*.html',
        );
      return entriesFromPages(pages, target.pages.depth, entry);
    }
    const page = { kind: 'page', written: target.page, mark: target.mark } as const;
    const reading = readTarget(page, this.#target(false));
    if ('finding' in reading) {
      this.#ground.findings.push(reading.finding);
      return [];
    }
    if (reading.destination.kind !== 'page') return [];
    const { path } = reading.destination;
    return entriesFromHeadings(site.headings(path), path, target, entry);
  }

  /** The language of what an entry leads to, where it is another than the menu's. */
  #languageOf(leadsTo: Destination): string | null {
    const { languages } = this.#ground;
    const { tag } = this.#context;
    if (languages === null || tag === null) return null;
    if (leadsTo.kind === 'language') return leadsTo.tag === tag ? null : leadsTo.tag;
    const page = pageOf(leadsTo);
    if (page === null) return null;
    const own = languages.of(page);
    return own === tag ? null : own;
  }

  #details(path: SitePath): string {
    const ending = /\.([a-z0-9]+)$/i.exec(path)?.[1]?.toUpperCase();
    return [...(ending ? [ending] : []), sizeOf(this.#ground.site.size(path))].join(', ');
  }

  #label(leadsTo: Destination, mark: Mark): string {
    const { site, panels, plan } = this.#ground;
    return labelOf(leadsTo, {
      page: path => this.#pageLabel(path, mark),
      sections: site.sections,
      carriers: this.#context.carriers,
      panels,
      languages: plan.languages,
    });
  }

  /** The drawing of an entry, with ids that no other one has. */
  #icon({ written, at, show, mark }: EntryIcon, hook: string): ResolvedEntry['icon'] {
    const markup = drawingOf({ written, mark }, `${this.#context.menu.name}-${hook}`, {
      ground: this.#ground,
      context: this.#target(false),
    });
    return markup === null ? null : { markup, at, show };
  }

  /** A heading as its page has it. */
  #heading(words: string, leadsTo: Destination): string {
    const page = leadsTo.kind === 'section' ? (leadsTo.path ?? this.#context.carriers[0]) : undefined;
    const headings = page === undefined ? [] : this.#ground.site.headings(page);
    return headings.find(({ text }) => wordsKey(text) === wordsKey(words))?.text ?? words;
  }

  #pageLabel(path: SitePath, mark: Mark): string {
    const label = this.#ground.words(path);
    if (label !== null) return label;
    const instead = fileLabel(path);
    const message = `\`${path}\` has no title; the entry is called \`${instead}\``;
    this.#ground.tell('no-title', mark, message, 'Give the page a title, or the entry a label.');
    return instead;
  }
}
