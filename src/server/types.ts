/** What runs in the pages that the server shows. */
export interface PreviewScripts {
  live: string;
  widths: string;
  controls: string;
}

/** What the server shows: the finished site as it is now. */
export interface PreviewSource {
  /** Pages, by their paths. */
  pages: readonly string[];
  /** The page that a server gives for the folder itself. */
  front: string | null;
  /** A file of the finished site; null where there is none. */
  file: (path: string) => Uint8Array | null;
  /** What is wrong with the plan since the last good build, as people read it; null where nothing is. */
  problems: string | null;
  /** The sheet of states. */
  specimen: () => Promise<string>;
  /** The folder of the server that the site will lie in, with `/` at both ends. */
  base: string;
}

/** A value of a plan that is tried; null takes it out. */
export interface TrialEdit {
  path: readonly (string | number)[];
  value: string | null;
}

/** What the controls ask for. */
export interface TrialAsk {
  act: 'try' | 'write' | 'undo';
  edits: readonly TrialEdit[];
  /** What the controls show: a menu or all, a part of it, and the paths of their values. */
  scope: { menu: string | null; part: string | null; keys: readonly (readonly (string | number)[])[] };
}

/** What a plan with these values would be. */
export interface TrialAnswer {
  /** The style sheet; null where it could not be made. */
  style: string | null;
  problems: string | null;
  /** What is another in the plan, as lines of a difference. */
  lines: readonly string[];
  /** Contrast of labels, marks and rings in the scope. */
  figures: readonly { state: string; of: string; ratio: number; isEnough: boolean }[];
  /** What the plan says at each of the keys. */
  said: readonly (string | null)[];
  isUndoable: boolean;
}

/** Looks that are tried, and written. */
export interface Trial {
  answer: (ask: TrialAsk) => Promise<TrialAnswer>;
  menus: () => { name: string; path: readonly (string | number)[] }[];
}
