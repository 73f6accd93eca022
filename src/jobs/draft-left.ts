import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { readAddress } from '../core/address/href.ts';
import { folderOf } from '../core/address/path.ts';
import { outranked } from '../core/check/rules/outranked.ts';
import { type Removed, leftBehind } from '../core/draft/left-behind.ts';
import { readPlan } from '../core/plan/read.ts';
import { type FullPage, readFull } from '../core/site/full.ts';
import { readTree, valueOf } from '../core/site/tree.ts';
import type { WholeSite } from '../core/site/whole.ts';
import { rawOf } from '../core/text/bytes.ts';
import type { Finding } from '../core/text/finding.ts';
import { Source } from '../core/text/source.ts';
import { shownPath } from './paths.ts';
import { Run, prepare } from './prepare.ts';
import { openSite } from './project.ts';
import { siteStyles } from './site-styles.ts';

/** What a plan that replaces menus would leave behind, and which rules of the pages would beat the new ones. */
export async function draftLeft(file: string, text: string, read: WholeSite): Promise<Finding[]> {
  const source = new Source(shownPath(file), text);
  const open = { file, folder: dirname(file), source, ...readPlan(source) };
  if (!open.plan) return [];
  const { site } = openSite(open, open.plan, true);
  if (!site) return [];
  const run = new Run(open, open.plan, site, await prepare(open, open.plan, site));
  const styles = siteStyles(site.root, read);
  const pages = new Map<string, FullPage>();
  const removed: Removed[] = [];
  for (const path of read.pages.keys()) {
    const { spans, page } = run.inlaid(path);
    pages.set(path, readFull(path, rawOf(page)));
    for (const { at, drop = 0 } of spans) if (drop > 0) removed.push({ path, start: at, end: at + drop });
  }
  const before = { ...read, styles };
  const scripts = scriptsOf(site.root, read);
  return [...leftBehind(before, { removed, pages }, scripts), ...outranked.find({ ...before, pages })];
}

/** The script files of the site that its pages load. */
function scriptsOf(root: string, site: WholeSite): Map<string, string> {
  const scripts = new Map<string, string>();
  for (const [path, { frame }] of site.pages)
    for (const node of readTree(frame.raw, frame.charset, true).nodes) {
      const src = node.name === 'script' ? valueOf(node, 'src', frame.charset) : null;
      const address = src === null ? null : readAddress(src, folderOf(path));
      if (address?.kind !== 'inside' || scripts.has(address.path) || !site.files.has(address.path)) continue;
      scripts.set(address.path, readFileSync(join(root, address.path), 'utf8'));
    }
  return scripts;
}
