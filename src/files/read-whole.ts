import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { frontPage } from '../core/address/front.ts';
import { pathMatcher } from '../core/address/glob.ts';
import type { SitePath } from '../core/address/path.ts';
import { handMenus } from '../core/hand/candidates.ts';
import type { HandMenu, HandSite } from '../core/hand/types.ts';
import { type Taken, lift } from '../core/inlay/lift.ts';
import type { FullPage } from '../core/page/content.ts';
import { readWithTree } from '../core/page/full.ts';
import type { Tree } from '../core/page/tree.ts';
import { rawOf } from '../core/text/bytes.ts';
import { unreadable } from '../core/text/charset.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { usualRead } from './site.ts';
import type { Walk } from './walk.ts';

export interface WholeReading {
  site: HandSite;
  /** Pages that cannot be read, and files that cannot be listed. */
  findings: Finding[];
}

export interface WholeOptions {
  /** Read the pages without what Kamino put in; gives what was taken out for a menu, by its hash. */
  lifted?: Taken | null;
  /** The folder of the server in which the site will lie. */
  base?: string;
  /** Looks at a page while its tree is there. */
  see?: (page: FullPage, tree: Tree) => void;
  progress?: (done: number, all: number) => void;
}

const nothing = (): void => undefined;

/** Reads every page of a listed site whole, each in one go. */
export function readWholeSite(
  root: string,
  { files, findings: listed }: Walk,
  { lifted = null, base = '/', see = nothing, progress = nothing }: WholeOptions = {},
): WholeReading {
  const findings = [...listed];
  const isPage = pathMatcher([usualRead], true);
  const pages = new Map<SitePath, FullPage>();
  const candidates = new Map<SitePath, readonly HandMenu[]>();
  const paths = files.map(file => file.path.normalize('NFC'));
  paths.forEach((path, at) => {
    progress(at, paths.length);
    if (!isPage(path)) return;
    const raw = rawOf(readFileSync(join(root, files[at]!.path)));
    const { page, tree } = readWithTree(path, lifted ? lift(raw, hash => lifted(hash) ?? '') : raw);
    const why = unreadable(raw, page.frame.charset);
    if (why !== null) {
      findings.push(finding('unreadable-page', { file: path }, why, 'Save the page as UTF-8.'));
      return;
    }
    pages.set(path, page);
    see(page, tree);
    candidates.set(path, handMenus(tree));
  });
  const front = frontPage(new Set(pages.keys()));
  return { site: { pages, files: new Set(paths), front, base, candidates }, findings };
}

/** The text of a style sheet or script of a listed site; null where it has none of that name. */
export function textIn(root: string, { files }: Walk): (file: SitePath) => string | null {
  const known = new Set(files.map(file => file.path.normalize('NFC')));
  return file => {
    if (!known.has(file)) return null;
    try {
      return readFileSync(join(root, file), 'utf8');
    } catch {
      return null;
    }
  };
}
