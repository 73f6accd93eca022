import { reachOfLinks } from '../core/check/reach.ts';
import { reachSvg } from '../core/draw/reach-svg.ts';
import { reachMermaid, reachText } from '../core/draw/reach-text.ts';
import { type Finding, sortFindings } from '../core/text/finding.ts';
import { jsonPieces } from '../core/text/json.ts';
import { oddFolder } from '../files/folder-errors.ts';
import { openFolder } from '../opening/folder.ts';
import { finishedPages } from './finished.ts';

const formats = {
  text: reachText,
  mermaid: reachMermaid,
  svg: reachSvg,
  json: (reach: object): string => [...jsonPieces({ kamino: 1, command: 'map', ...reach })].join(''),
} as const;

export type ReachFormat = keyof typeof formats;

export interface ReachMap {
  status: 0 | 2;
  findings: Finding[];
  text: string | null;
}

/** How links lead through finished pages, or any folder of pages, drawn or written. */
export function reachMap({
  site: given,
  format = 'text',
}: { site?: string; format?: ReachFormat } = {}): ReachMap {
  const { root, plan, above, base, missing } = finishedPages(given);
  if (missing) return { status: 2, findings: [missing], text: null };
  const { site, findings } = openFolder(root, { plan, isLifted: false, base });
  const told = sortFindings([...findings, ...oddFolder(root, { hasPages: site.pages.size > 0, above })]);
  if (site.pages.size === 0) return { status: 2, findings: told, text: null };
  return { status: 0, findings: told, text: formats[format](reachOfLinks(site)) };
}
