import { dirname, join, resolve } from 'node:path';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { Embedding } from '../files/embedded.ts';
import { replaceFolder } from '../files/embedding.ts';
import { cannotWrite, isFileError } from '../files/errors.ts';
import { alone } from '../files/lock.ts';
import { foreignTarget } from '../files/pack-errors.ts';
import { shownPath } from '../files/paths.ts';
import { SiteRecord } from '../files/record.ts';
import { openAll } from '../opening/open.ts';
import { planFile } from './given.ts';

export interface EmbedOptions {
  /** A plan, or the folder of one. */
  plan?: string;
  /** The folder that is written; `embed` beside the plan by default. */
  to?: string;
  /** The menus of each page too, with its marks. */
  pages?: boolean;
}

export interface EmbedResult {
  status: 0 | 1 | 2;
  findings: Finding[];
  /** The folder, as the user sees it. */
  target: string;
  /** Paths in it: of menus for any page, of Kamino's own files, and how many of single pages. */
  menus: string[];
  own: string[];
  pages: number;
  /** Names of menus that are another on each page, and so are written for single pages only. */
  left: string[];
  /** The folder of the server in which the site lies. */
  base: string;
}

/** Writes the menus of a plan for pages that another program fills. */
export async function embed(options: EmbedOptions = {}): Promise<EmbedResult> {
  const opened = await openAll(planFile(options.plan));
  const target = resolve(options.to ?? join(dirname(opened.open.file), 'embed'));
  const nothing = { target: shownPath(target), menus: [], own: [], pages: 0, left: [], base: '/' };
  const stopped = (findings: readonly Finding[]): EmbedResult => ({
    ...nothing,
    status: 2,
    findings: sortFindings(findings),
  });
  if ('stop' in opened) return stopped(opened.stop);
  const { run, style, findings } = await opened.prepared();
  if (!run) return stopped(findings);
  const made = new Embedding(run, style, options.pages === true);
  const folder = dirname(opened.open.file);
  try {
    const foreign = await alone(folder, () => {
      const found = replaceFolder(target, made.files);
      if (found.length === 0) new SiteRecord(folder).toWrite().savePack(target);
      return found;
    });
    if (foreign.length > 0) return stopped([...findings, foreignTarget(shownPath(target), foreign)]);
  } catch (error) {
    if (!isFileError(error)) throw error;
    return stopped([...findings, cannotWrite(error)]);
  }
  const { menus, own, pages, left } = made;
  return {
    ...nothing,
    menus,
    own,
    pages,
    left,
    base: opened.plan.links.base,
    findings: sortFindings(findings),
    status: hasErrors(findings) ? 1 : 0,
  };
}
