import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathMatcher } from '../core/address/glob.ts';
import type { WholeSite } from '../core/site/whole.ts';
import { type Taken, lift } from '../core/inlay/lift.ts';
import { frontPage } from '../core/menu/resolve.ts';
import { type FullPage, readFull } from '../core/site/full.ts';
import { rawOf } from '../core/text/bytes.ts';
import { handMenus } from '../core/site/hand/candidates.ts';
import type { HandMenu } from '../core/site/hand/types.ts';
import { readTree } from '../core/site/tree.ts';
import { unreadable } from '../core/text/charset.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { walkFolder } from '../files/walk.ts';

export interface SiteReading {
  site: WholeSite;
  /** Pages that cannot be read, and files that cannot be listed. */
  findings: Finding[];
}

export interface ReadOptions {
  /** Read the pages without what Kamino put in. */
  lifted?: boolean;
  /** Gives what was taken out for a menu, by its hash. */
  taken?: Taken;
  /** The folder of the server in which the site will lie. */
  base?: string;
  /** Look for menus written by hand; so it does where pages are lifted. */
  menus?: boolean;
  progress?: (done: number, all: number) => void;
}

/** Reads every page of a folder whole. */
export function readSite(
  root: string,
  read: string,
  leaveOut: (path: string) => boolean,
  {
    lifted = false,
    base = '/',
    menus = lifted,
    taken = () => null,
    progress = () => undefined,
  }: ReadOptions = {},
): SiteReading {
  const { files, findings } = walkFolder(root, leaveOut);
  const isPage = pathMatcher([read], true);
  const pages = new Map<string, FullPage>();
  const candidates = new Map<string, readonly HandMenu[]>();
  const paths = files.map(file => file.path.normalize('NFC'));
  paths.forEach((path, at) => {
    progress(at, paths.length);
    if (!isPage(path)) return;
    const raw = rawOf(readFileSync(join(root, files[at]!.path)));
    const source = lifted ? lift(raw, hash => taken(hash) ?? '') : raw;
    const page = readFull(path, source);
    const why = unreadable(raw, page.frame.charset);
    if (why === null) {
      pages.set(path, page);
      if (menus) candidates.set(path, handMenus(readTree(source, page.frame.charset, false)));
    } else findings.push(finding('unreadable-page', { file: path }, why, 'Save the page as UTF-8.'));
  });
  const front = frontPage(new Set(pages.keys()));
  return { site: { pages, files: new Set(paths), front, base, candidates, styles: new Map() }, findings };
}
