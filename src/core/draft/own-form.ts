import type { Navigation } from '../hand/navigation.ts';
import type { HandSite } from '../hand/types.ts';
import type { Finding } from '../text/finding.ts';
import type { Firsts } from './firsts.ts';
import { menuFromContents } from './from-contents.ts';
import { menuFromTrail } from './from-trail.ts';
import { menuFromTurning } from './from-turning.ts';
import type { DraftMenu, DraftSite } from './types.ts';

/** A row of links in the form that Kamino has for it, or why it cannot be drafted. */
export function menuInOwnForm(
  row: Navigation,
  name: string | null,
  facts: { site: HandSite; known: DraftSite; firsts: Firsts },
): DraftMenu | Finding {
  if (row.kind === 'breadcrumb') return menuFromTrail(row, name ?? 'trail', facts);
  if (row.kind === 'sections') return menuFromContents(row, name ?? 'contents', facts);
  return menuFromTurning(row, name ?? 'leaf', facts);
}
