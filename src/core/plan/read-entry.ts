import type { PlanPath, PlanPlaces } from './places.ts';
import type { Said, WrittenEntry } from './schema.ts';
import { readLook, readLookUse } from './read-look.ts';
import type { ByLanguage, Entry, EntryVersion, Mark, Target } from './types.ts';

/** The keys of an entry that may differ by language. */
const saidKeys = [
  'label',
  'page',
  'section',
  'file',
  'mail',
  'phone',
  'url',
  'heading',
  'pages',
  'sections',
  'insert',
  'language',
  'panel',
  'subject',
] as const;

type SaidKey = (typeof saidKeys)[number];

/** An entry as it is written for one language. */
interface View {
  entry: WrittenEntry;
  text: (key: Exclude<SaidKey, 'pages'>) => string | undefined;
  globs: readonly string[] | undefined;
  at: (key: string) => PlanPath;
}

/** Makes the entries of a plan from what is written. */
export class EntryReader {
  readonly #places: PlanPlaces;
  readonly #tags: readonly string[];

  /** @param tags the languages of the plan */
  constructor(places: PlanPlaces, tags: readonly string[]) {
    this.#places = places;
    this.#tags = tags;
  }

  read(written: string | WrittenEntry, path: PlanPath): Entry {
    const mark = this.#places.mark(path);
    if (typeof written === 'string') {
      const target: Target = { kind: 'address', written: this.#places.slashes(written, path), mark };
      return { ...plainEntry, target, mark };
    }
    const below = written.entries ?? [];
    const versions = this.#versions(written, path);
    const first = [...versions.values()].find(one => one !== null);
    return {
      label: first ? first.label : (this.#view(written, path, null).text('label') ?? null),
      target: first ? first.target : this.#target(this.#view(written, path, null)),
      versions,
      highlight:
        typeof written.highlight === 'object'
          ? readLook(written.highlight, [...path, 'highlight'], this.#places)
          : (written.highlight ?? null),
      look: readLookUse(written.look, [...path, 'look'], this.#places),
      apart: written.apart === 'true',
      icon:
        written.icon === undefined
          ? null
          : {
              written: this.#places.slashes(written.icon, [...path, 'icon']),
              at: written['icon-at'] ?? 'start',
              show: written.show ?? 'both',
              mark: this.#places.mark([...path, 'icon']),
            },
      covers: written.covers?.map(glob => this.#places.slashes(glob, [...path, 'covers'])) ?? null,
      newWindow: written['new-window'] === 'true',
      outsideMark: written['outside-mark'] === 'true',
      save: written.save === 'true',
      details: written.details === 'true',
      ifMissing: written['if-missing'],
      entries: below.flatMap((entry, at) => (entry ? this.read(entry, [...path, 'entries', at]) : [])),
      mark,
    };
  }

  /** The same for each language, where the plan says nothing for each; empty then. */
  said(written: Said | undefined, path: PlanPath): { value: string | null; by: ByLanguage<string> } {
    if (typeof written !== 'object') return { value: written ?? null, by: new Map() };
    const by = new Map(Object.entries(written));
    for (const tag of by.keys()) this.#known(tag, [...path, tag]);
    const first = this.#tags.find(tag => by.has(tag));
    return { value: (first === undefined ? [...by.values()][0] : by.get(first)) ?? null, by };
  }

  #versions(written: WrittenEntry, path: PlanPath): Map<string, EntryVersion | null> {
    const maps = saidKeys.filter(key => isMap(written[key]));
    for (const key of maps)
      for (const tag of Object.keys(written[key] as object)) this.#known(tag, [...path, key, tag]);
    const versions = new Map<string, EntryVersion | null>();
    if (maps.length === 0) return versions;
    const targets = maps.filter(key => key !== 'label' && key !== 'subject');
    for (const tag of this.#tags) {
      const isOut = targets.some(key => !Object.hasOwn(written[key] as object, tag));
      const view = this.#view(written, path, tag);
      versions.set(
        tag,
        isOut
          ? null
          : {
              label: view.text('label') ?? null,
              target: this.#target(view),
              isGiven: targets.length > 0,
            },
      );
    }
    return versions;
  }

  #known(tag: string, path: PlanPath): void {
    if (this.#tags.includes(tag)) return;
    const remedy =
      this.#tags.length > 0
        ? `Languages of the plan: ${this.#tags.join(', ')}.`
        : `Name the languages of the site first:\nlanguages:\n  ${tag}: { pages: ${tag}/**, name: … }`;
    this.#places[path.at(-1) === tag ? 'tellKey' : 'tell'](
      'unknown-language',
      path,
      `\`${tag}\` is no language of this plan`,
      remedy,
    );
  }

  /** @param tag null: any language that it is written for */
  #view(entry: WrittenEntry, path: PlanPath, tag: string | null): View {
    const pick = (key: SaidKey): unknown => {
      const value = entry[key];
      if (!isMap(value)) return value;
      return (value as Record<string, unknown>)[tag ?? Object.keys(value)[0] ?? ''];
    };
    return {
      entry,
      text: key => pick(key) as string | undefined,
      globs: pick('pages') as string[] | undefined,
      at: key => (tag !== null && isMap(entry[key as SaidKey]) ? [...path, key, tag] : [...path, key]),
    };
  }

  #target(view: View): Target {
    const { text, at } = view;
    const url = text('url');
    if (url !== undefined) return { kind: 'url', url };
    const address = text('mail');
    if (address !== undefined) return { kind: 'mail', address, subject: text('subject') ?? null };
    const tag = text('language');
    if (tag !== undefined) {
      this.#known(tag, at('language'));
      return { kind: 'language', tag, mark: this.#mark(view, 'language') };
    }
    const special = this.#special(view);
    if (special) return special;
    const number = text('phone');
    if (number !== undefined) return { kind: 'phone', number };
    for (const kind of ['page', 'section', 'file', 'panel'] as const) {
      const value = text(kind);
      if (value !== undefined)
        return { kind, written: this.#places.slashes(value, at(kind)), mark: this.#mark(view, kind) };
    }
    return { kind: 'none' };
  }

  #special(view: View): Target | null {
    const { entry, text, at } = view;
    const slashed = (value: string, key: string): string => this.#places.slashes(value, at(key));
    const heading = text('heading');
    if (heading !== undefined) {
      const page = text('page');
      return {
        kind: 'heading',
        page: page === undefined ? null : slashed(page, 'page'),
        heading,
        mark: this.#mark(view, 'heading'),
      };
    }
    const insert = text('insert');
    if (insert !== undefined)
      return { kind: 'insert', written: slashed(insert, 'insert'), mark: this.#mark(view, 'insert') };
    const sections = text('sections');
    if (sections !== undefined) {
      const levels = (entry.levels ?? ['2']).map(Number);
      const mark = this.#mark(view, 'sections');
      const page = slashed(sections, 'sections');
      return { kind: 'sections', page, levels, except: entry.except ?? [], mark };
    }
    if (view.globs === undefined) return null;
    const { order, most, depth = '1', first = [], except = [] } = entry;
    const pages = {
      globs: view.globs.map(glob => slashed(glob, 'pages')),
      order,
      first: first.map(glob => slashed(glob, 'first')),
      except: except.map(glob => slashed(glob, 'except')),
      most: most === undefined ? null : Number(most),
      depth: Number(depth),
    };
    return { kind: 'pages', pages, mark: this.#mark(view, 'pages') };
  }

  #mark(view: View, key: string): Mark {
    return this.#places.mark(view.at(key));
  }
}

function isMap(value: unknown): value is object {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

const plainEntry = {
  label: null,
  versions: new Map<string, EntryVersion | null>(),
  highlight: null,
  look: null,
  apart: false,
  icon: null,
  covers: null,
  newWindow: false,
  outsideMark: false,
  save: false,
  details: false,
  ifMissing: 'error',
  entries: [],
} as const;
