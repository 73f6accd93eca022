import type { Said } from '../format/key.ts';
import type { View } from '../target/kind.ts';
import { targetKeys, targetOf, targetWords } from '../target/kinds/index.ts';
import type { PlanPath, PlanPlaces } from './places.ts';
import type { WrittenEntry } from './parts/entry.ts';
import { readLook, readLookUse } from './read-look.ts';
import type { ByLanguage, Entry, EntryVersion, Target } from './types.ts';

/** The keys of an entry that may differ by language while its target does not. */
const wordKeys = ['label', ...targetWords];
/** All that may differ by language. */
const saidKeys = ['label', ...targetKeys, ...targetWords] as const;

/** An entry as it is written for one language. */
interface EntryView extends View {
  /** In this language. */
  label: string | null;
}

type Written = Readonly<Record<string, unknown>>;

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
    if (written['if-missing'] === 'front' && written.language === undefined)
      this.#places.tell(
        'clashing-keys',
        [...path, 'if-missing'],
        '`if-missing: front` goes with `language` only',
        'Write  if-missing: warn  for a page or file that is still to come.',
      );
    return {
      label: first ? first.label : this.#view(written, path, null).label,
      target: first ? first.target : targetOf(this.#view(written, path, null)),
      versions,
      highlight:
        typeof written.highlight === 'object'
          ? readLook(written.highlight, [...path, 'highlight'], this.#places)
          : (written.highlight ?? null),
      look: readLookUse(written.look, [...path, 'look'], this.#places),
      apart: written.apart === 'true',
      remains: written.folds === 'false',
      ...this.#about(written, path),
      icon: this.#icon(written, path),
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

  #about({ about }: WrittenEntry, path: PlanPath): Pick<Entry, 'about' | 'abouts'> {
    const { value, by } = this.said(about, [...path, 'about']);
    return { about: value, abouts: by };
  }

  #icon({ icon, 'icon-at': at, show }: WrittenEntry, path: PlanPath): Entry['icon'] {
    if (icon === undefined) return null;
    const mark = this.#places.mark([...path, 'icon']);
    return {
      written: this.#places.slashes(icon, [...path, 'icon']),
      at: at ?? 'start',
      show: show ?? 'both',
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
    const all: Written = { ...written };
    const maps = saidKeys.filter(key => isMap(all[key]));
    for (const key of maps)
      for (const tag of Object.keys(all[key] as object)) this.#known(tag, [...path, key, tag]);
    const versions = new Map<string, EntryVersion | null>();
    if (maps.length === 0) return versions;
    const targets = maps.filter(key => !wordKeys.includes(key));
    for (const tag of this.#tags) {
      const isOut = targets.some(key => !Object.hasOwn(all[key] as object, tag));
      const view = this.#view(written, path, tag);
      const isGiven = targets.length > 0;
      versions.set(tag, isOut ? null : { label: view.label, target: targetOf(view), isGiven });
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
  #view(entry: WrittenEntry, path: PlanPath, tag: string | null): EntryView {
    const all: Written = { ...entry };
    const isSaid = (key: string): boolean => saidKeys.includes(key as never) && isMap(all[key]);
    const pick = (key: string): unknown => {
      const value = all[key];
      if (!isSaid(key)) return value;
      return (value as Written)[tag ?? Object.keys(value as object)[0] ?? ''];
    };
    const at = (key: string): PlanPath =>
      tag !== null && isSaid(key) ? [...path, key, tag] : [...path, key];
    const slashes = (one: string, key: string): string => this.#places.slashes(one, at(key));
    const text = (key: string): string | undefined => pick(key) as string | undefined;
    const list = (key: string): string[] | undefined => pick(key) as string[] | undefined;
    return {
      label: text('label') ?? null,
      text,
      path: key => {
        const value = text(key);
        return value === undefined ? undefined : slashes(value, key);
      },
      list,
      paths: key => list(key)?.map(one => slashes(one, key)),
      mark: key => this.#places.mark(at(key)),
      known: (one, key) => this.#known(one, at(key)),
    };
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
  remains: false,
  about: null,
  abouts: new Map<string, string>(),
  icon: null,
  covers: null,
  newWindow: false,
  outsideMark: false,
  save: false,
  details: false,
  ifMissing: 'error',
  entries: [],
} as const;
