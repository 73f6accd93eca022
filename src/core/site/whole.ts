import type { SitePath } from '../address/path.ts';
import type { FullPage } from './full.ts';
import type { HandMenu } from './hand/types.ts';

/** A site with every page read whole. */
export interface WholeSite {
  pages: ReadonlyMap<SitePath, FullPage>;
  /** All files, pages among them. */
  files: ReadonlySet<SitePath>;
  front: SitePath | null;
  /** What looks like a menu on each page. */
  candidates: ReadonlyMap<SitePath, readonly HandMenu[]>;
}
