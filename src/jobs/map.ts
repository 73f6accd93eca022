import { outlineOf } from '../core/draft/outlines/from-menus.ts';
import { type OutlineName, outlineFormats } from '../core/draft/outlines/index.ts';
import { outlineText } from '../core/draft/outlines/text.ts';
import { partsIn } from '../core/menu/parts.ts';
import { PageReader } from '../core/page/reader.ts';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { openHere, resolved } from '../opening/open.ts';
import { planFile } from './given.ts';

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
  const here = openHere(planFile(given));
  if ('stop' in here) return failed(here.stop);
  const { findings, resolution } = resolved(here, partsIn(new PageReader(here.site.contents)));
  if (hasErrors(findings)) return failed(findings);
  const menus = outlineOf(resolution.menus);
  const text = format === 'text' ? outlineText(menus) : outlineFormats[format].write(menus);
  return { status: 0, findings: sortFindings(findings), text };
}

function failed(findings: readonly Finding[]): MapResult {
  return { status: 2, findings: sortFindings(findings), text: null };
}
