import type { Finding } from '../core/text/finding.ts';

export interface WriteOptions {
  /** Compute everything, write nothing. */
  dryRun?: boolean;
  /** Replace finished files that someone has edited. */
  overwrite?: boolean;
  /** In how many threads at the most; as many as the machine is good for where it is left out. */
  threads?: number;
  progress?: (done: number, all: number) => void;
}

/** Why menus are others than in the last build: the plan, what it names in the pages, Kamino itself. */
export type Cause = 'plan' | 'pages' | 'program';

export type Told = (found: readonly Finding[]) => readonly Finding[];

/** Paths in the output; with `dryRun` those that would be. */
export interface Written {
  created: string[];
  changed: string[];
  gone: string[];
  same: number;
  /** Of those that were changed: nothing of the page itself is another, only what Kamino puts in. */
  menusAlone: string[];
  /** Why menus are others than in the last build into this folder; null where they are not, or nobody knows. */
  why: Cause | null;
}

/** What writes the finished files of a build, wherever they go. */
export interface SiteWriter {
  /** What was found on the way. */
  readonly findings: readonly Finding[];
  readonly written: Written;
  /** Files that somebody has edited, for whose sake nothing is written. */
  edited(): Finding[];
  /** @param told all that will have been told, with what was found on the way */
  write(told: Told): void;
  /** After a failure: what was there before is still whole, and so is what `written` names. */
  abandon(): void;
}
