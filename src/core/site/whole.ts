import type { SitePath } from '../address/path.ts';
import type { FullPage } from '../page/content.ts';

/** A site with every page read whole. */
export interface WholeSite {
  pages: ReadonlyMap<SitePath, FullPage>;
  /** All files, pages among them. */
  files: ReadonlySet<SitePath>;
  front: SitePath | null;
  /** The folder of the server in which the site will lie, with `/` at both ends. */
  base: string;
}
