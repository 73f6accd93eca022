import { allRules } from '../core/manual/rules.ts';
import type { Finding } from '../core/text/finding.ts';
import { jsonPieces } from '../core/text/json.ts';
import { sarifOf } from '../core/text/sarif.ts';
import { version } from '../files/version.ts';

/** Findings for other programs, as SARIF, piece by piece. */
export function sarif(findings: readonly Finding[]): Iterable<string> {
  return jsonPieces(sarifOf(findings, allRules, version));
}
