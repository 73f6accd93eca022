import { partsIn } from './parts.ts';
import { outlineOf } from '../core/draft/outlines/from-menus.ts';
import { type OutlineName, outlineFormats } from '../core/draft/outlines/index.ts';
import { outlineText } from '../core/draft/outlines/text.ts';
import { resolveMenus } from '../core/menu/resolve.ts';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { openPlan, openSite, readWords } from './project.ts';

export interface MapOptions {
  /** A plan, or the folder of one. */
  plan?: string;
  format?: OutlineName | 'text';
}

export interface MapResult {
  status: 0 | 2;
  findings: Finding[];
  text: string | null;
}

/** The structure of a plan as an outline. */
export function map({ plan: given, format = 'text' }: MapOptions = {}): MapResult {
  const open = openPlan(given);
  const failed = (findings: readonly Finding[]): MapResult => ({
    status: 2,
    findings: sortFindings(findings),
    text: null,
  });
  if (!open.plan) return failed(open.findings);
  const { site, findings } = openSite(open, open.plan, true);
  if (!site) return failed([...open.findings, ...findings]);
  const facts = {
    ...site.facts,
    parts: partsIn(site),
    words: readWords(open, open.plan, site),
  };
  const resolution = resolveMenus(open.plan, facts, open.source);
  const told = [...open.findings, ...resolution.findings];
  if (hasErrors(told)) return failed(told);
  const menus = outlineOf(resolution.menus);
  const text = format === 'text' ? outlineText(menus) : outlineFormats[format].write(menus);
  return { status: 0, findings: sortFindings(told), text };
}
