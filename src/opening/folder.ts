import { dirname } from 'node:path';
import type { CheckedSite } from '../core/check/types.ts';
import type { Sheets } from '../core/page/reader.ts';
import type { Finding } from '../core/text/finding.ts';
import { piecesIn } from '../files/open-site.ts';
import { isFolder, isThere } from '../files/paths.ts';
import { openPlan } from '../files/plan.ts';
import { readWholeSite } from '../files/read-whole.ts';
import { Watching, textIn } from '../files/watching.ts';
import { Moves } from '../files/moves.ts';
import { pictureSize } from '../files/picture.ts';
import { SiteRecord } from '../files/record.ts';
import { listSite } from '../files/site.ts';

export interface FolderOptions {
  /** The plan beside the pages, whether it is there or not. */
  plan: string;
  /** Read the pages without what Kamino put in. */
  isLifted: boolean;
  /** The folder of the server in which the site will lie. */
  base?: string;
  /** All style sheets that pages link to are wanted. */
  hasSheets?: boolean;
  /** In how many threads a large site is read. */
  threads?: number | undefined;
  progress?: ((done: number, all: number) => void) | undefined;
}

/** A folder of pages, read whole. */
export interface OpenFolder {
  site: CheckedSite;
  sheets: Sheets;
  /** A text file of the site; null where there is none of that name. */
  text: (file: string) => string | null;
  findings: Finding[];
}

/** What the plan beside the pages says of them: the pieces of HTML that it puts into menus, and how deep a page may lie. */
function saidBeside(file: string): { pieces: ReadonlySet<string>; deepest: number | null } {
  const plan = isThere(file) && !isFolder(file) ? openPlan(file).plan : null;
  return { pieces: plan ? piecesIn(plan) : new Set(), deepest: plan?.rules.depth ?? null };
}

/** Opens a folder of pages, with or without a plan: every page is read whole, in one go. */
export function openFolder(root: string, options: FolderOptions): OpenFolder {
  const { plan, isLifted, base = '/', hasSheets = false, threads, progress } = options;
  const { pieces, deepest } = saidBeside(plan);
  const record = new SiteRecord(dirname(plan));
  const listed = listSite({ root, plan, record });
  const text = textIn(
    root,
    listed.files.map(file => file.path),
  );
  const watching = new Watching(text, { outranks: !isLifted, base, hasSheets });
  const { site, findings } = readWholeSite(root, listed, {
    pieces,
    lifted: isLifted ? hash => record.taken(hash) : null,
    base,
    watching,
    threads,
    ...(progress ? { progress } : {}),
  });
  const moves = new Moves({
    pages: () => site.pages.keys(),
    raw: page => site.pages.get(page)?.frame.raw ?? null,
    hasCurrent: page => site.pages.get(page)?.linkSummary.hasCurrent ?? false,
    earlier: [record.aside],
    taken: hash => record.taken(hash),
  });
  const size = (file: string): ReturnType<CheckedSite['size']> => pictureSize(`${root}/${file}`);
  const whole = { ...site, beating: watching.outranking.found, text, size, deepest };
  return { site: { ...whole, movedTo: moves.to }, sheets: watching.sheets, text, findings };
}
