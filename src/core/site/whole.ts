import type { SitePath } from '../address/path.ts';
import type { FullPage } from './full.ts';
import type { StyleRule } from './styles.ts';
import type { HandMenu } from './hand/types.ts';

/** A site with every page read whole. */
export interface WholeSite {
  pages: ReadonlyMap<SitePath, FullPage>;
  /** All files, pages among them. */
  files: ReadonlySet<SitePath>;
  front: SitePath | null;
  /** The folder of the server in which the site will lie, with `/` at both ends. */
  base: string;
  /** The rules of the style sheets that are files of the site, where they were asked for. */
  styles: ReadonlyMap<SitePath, readonly StyleRule[]>;
  /** What looks like a menu on each page. */
  candidates: ReadonlyMap<SitePath, readonly HandMenu[]>;
}
