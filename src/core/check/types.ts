import type { WholeSite } from '../site/whole.ts';
import type { Finding } from '../text/finding.ts';

/** One thing that is looked for in a site. */
export interface CheckRule {
  find: (site: WholeSite) => Finding[];
}
