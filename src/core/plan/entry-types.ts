import type { Target } from '../target/kinds/index.ts';
import type { Mark } from '../text/mark.ts';
import type { Look } from './look-types.ts';

/** By the tag of a language; empty where all have the same. */
export type ByLanguage<Value> = ReadonlyMap<string, Value>;

/** Keys of a look, or the name of one. */
export type LookUse = Look | { name: string; mark: Mark };

export interface Entry {
  /** null: the label comes from the target. */
  label: string | null;
  target: Target;
  /** What differs by language; null for a language in which the entry is left out. */
  versions: ByLanguage<EntryVersion | null>;
  /** Set apart as a call to action; its own keys, or one of the ways there are. */
  highlight: 'background' | 'border' | 'shadow' | Look | null;
  look: LookUse | null;
  /** Pushed away from the entries before it. */
  apart: boolean;
  /** It stays in the bar when the others are folded. */
  remains: boolean;
  /** A line below its label; null for none. */
  about: string | null;
  abouts: ByLanguage<string>;
  icon: EntryIcon | null;
  /** Pages that make it `within`; null for an index page's folder. */
  covers: readonly string[] | null;
  /** It opens a window of its own, and says so. */
  newWindow: boolean;
  outsideMark: boolean;
  /** The file is saved, not shown; its type and size are told. */
  save: boolean;
  details: boolean;
  /** What happens where the target is not there: the build stops, or the entry is left out with a warning. */
  ifMissing: 'error' | 'warn' | 'front';
  entries: readonly Entry[];
  mark: Mark;
}

/** A drawing (SVG) beside the label. */
export interface EntryIcon {
  written: string;
  at: 'start' | 'end' | 'above';
  show: 'both' | 'icon' | 'label';
  mark: Mark;
}

/** An entry as it is in one language. */
export interface EntryVersion {
  label: string | null;
  target: Target;
  /** The plan names the target for this very language. */
  isGiven: boolean;
}
