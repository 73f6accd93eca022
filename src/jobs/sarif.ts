import { allRules } from '../core/manual/rules.ts';
import type { Finding } from '../core/text/finding.ts';
import { sarifOf } from '../core/text/sarif.ts';
import { visibleJson } from '../core/text/visible.ts';
import { version } from '../files/version.ts';

/** Findings for other programs, as SARIF. */
export function sarif(findings: readonly Finding[]): string {
  return `${visibleJson(JSON.stringify(sarifOf(findings, allRules, version), null, 2))}\n`;
}
