import type { SitePath } from '../address/path.ts';
import type { HandSite } from '../hand/types.ts';
import type { Finding } from '../text/finding.ts';
import type { Place } from '../text/source.ts';
import type { Rule } from '../text/rule.ts';
import type { Beating } from './outranking.ts';

/** A site with all that its pages have shown while they were read. */
export interface CheckedSite extends HandSite {
  /** Rules of its own style sheets that beat Kamino's. */
  beating: readonly Beating[];
  /** How many links a page may be away from the front page; null for any number. */
  deepest: number | null;
  /** Where a page has gone that is not there any more; null where nobody can tell. */
  movedTo: (page: SitePath) => SitePath | null;
  /** Width and height of a picture in px; null where its file does not say. */
  size: (file: SitePath) => { width: number; height: number } | null;
  /** The text of a file; null where it cannot be read. */
  text: (file: SitePath) => string | null;
}

/** Makes a finding of the rule that looks. */
export type Tell = (place: Place | null, message: string, remedy: string | null) => Finding;

/** One thing that is looked for in a site, with its page of the manual. */
export interface CheckRule extends Rule {
  name: string;
  /** What a plan would set right anyway is not told of pages that have none yet. */
  isOfFinished?: true;
  find: (site: CheckedSite, tell: Tell) => Finding[];
}
