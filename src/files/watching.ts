import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { SitePath } from '../core/address/path.ts';
import { Outranking } from '../core/check/outranking.ts';
import type { FullPage } from '../core/page/content.ts';
import { Sheets } from '../core/page/reader.ts';
import type { Tree } from '../core/page/tree.ts';

/** The text of a style sheet or script of a listed site; null where it has none of that name. */
export function textIn(root: string, paths: Iterable<string>): (file: SitePath) => string | null {
  const known = new Set([...paths].map(path => path.normalize('NFC')));
  return file => {
    if (!known.has(file)) return null;
    try {
      return readFileSync(join(root, file), 'utf8');
    } catch {
      return null;
    }
  };
}

/** What looks at pages while their trees are there. */
export interface Watch {
  /** For rules that beat Kamino's. */
  outranks: boolean;
  /** Where the site lies on its server. */
  base: string;
  /** All style sheets that pages link to are wanted. */
  hasSheets: boolean;
}

/** Looks at the pages of a site, in whichever thread they are read. */
export class Watching {
  readonly sheets: Sheets;
  readonly outranking: Outranking;
  readonly watch: Watch;

  constructor(text: (file: SitePath) => string | null, watch: Watch) {
    this.sheets = new Sheets(text, watch.base);
    this.outranking = new Outranking(this.sheets);
    this.watch = watch;
  }

  readonly see = (page: FullPage, tree: Tree): void => {
    if (this.watch.outranks) this.outranking.see(page, tree);
    if (this.watch.hasSheets) this.sheets.rules(page.frame.path, tree);
  };
}
