/** A structure of entries without a plan: what an outline file holds. */
export interface OutlineEntry {
  /** null: the target lends it. */
  label: string | null;
  /** Written as in an `href`, paths from the site's folder; null for what only opens. */
  target: string | null;
  highlight: boolean;
  entries: OutlineEntry[];
}

export interface OutlineMenu {
  /** null where the outline has one menu without a name. */
  name: string | null;
  title: string | null;
  entries: OutlineEntry[];
}

/** One format of outlines. What it writes, it reads back as the same. */
export interface OutlineFormat {
  /** Of its files, without the dot. */
  endings: readonly string[];
  /** By its content, where files of another format have the same ending; null for any. */
  isMeant: ((text: string) => boolean) | null;
  /** @throws OutlineError */
  read: (text: string) => OutlineMenu[];
  write: (menus: readonly OutlineMenu[]) => string;
}

/** An outline that cannot be read. */
export class OutlineError extends Error {
  /** From 1, where it is known. */
  readonly line: number | null;
  readonly remedy: string;

  constructor(message: string, line: number | null, remedy: string) {
    super(message);
    this.line = line;
    this.remedy = remedy;
  }
}

export function entry(label: string | null, target: string | null, highlight = false): OutlineEntry {
  return { label, target, highlight, entries: [] };
}
