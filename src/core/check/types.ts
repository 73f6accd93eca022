import type { SitePath } from '../address/path.ts';
import type { FullPage } from '../site/full.ts';
import type { Finding } from '../text/finding.ts';

/** A site as it is read for checking. */
export interface CheckedSite {
  pages: ReadonlyMap<SitePath, FullPage>;
  /** All files, pages among them. */
  files: ReadonlySet<SitePath>;
  front: SitePath | null;
}

/** One thing that is looked for in a site. */
export interface CheckRule {
  find: (site: CheckedSite) => Finding[];
}
