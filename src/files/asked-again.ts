import type { Making } from '../core/inlay/inlaying.ts';
import { hasErrors } from '../core/text/finding.ts';
import type { PageNotes } from './stored.ts';

/** What was wrong with a page may not hold any more, as where everything is to be written over. */
export function isAskedAgain(notes: PageNotes | null, { overwrite = false }: Making): boolean {
  return notes !== null && (overwrite || hasErrors(notes.findings));
}
