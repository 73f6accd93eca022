import type { Finding } from '../core/text/finding.ts';
import { fileFailure, isFileError } from '../files/errors.ts';

/** What the file system refused, as a finding; null for what is a mistake of the program. */
export function failure(error: unknown): Finding | null {
  return isFileError(error) ? fileFailure(error) : null;
}
