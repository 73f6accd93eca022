import { found } from '../core/check/index.ts';
import { Outranking } from '../core/check/outranking.ts';
import { outranked } from '../core/check/rules/outranked.ts';
import { type Change, leftBehind } from '../core/draft/left-behind.ts';
import { scriptsOf } from '../core/draft/page-scripts.ts';
import { readWithTree } from '../core/page/full.ts';
import { readTree } from '../core/page/tree.ts';
import { rawOf } from '../core/text/bytes.ts';
import type { Finding } from '../core/text/finding.ts';
import type { OpenPlan } from '../files/plan.ts';
import type { OpenFolder } from './folder.ts';
import { openAll } from './open.ts';

/** What a drafted plan would leave behind, and which rules of the pages would beat the new menus. */
export async function leftBy(plan: OpenPlan, { site, sheets, text }: OpenFolder): Promise<Finding[]> {
  const opened = await openAll(plan);
  const { run } = 'stop' in opened ? { run: null } : await opened.prepared();
  if (!run) return [];
  const outranking = new Outranking(sheets);
  const scripts = new Map<string, string>();
  const changes: Change[] = [];
  for (const [path, { frame }] of site.pages) {
    const { spans, page } = run.inlaid(path);
    const after = readWithTree(path, rawOf(page));
    outranking.see(after.page, after.tree);
    const removed = spans.flatMap(({ at, drop = 0 }) => (drop > 0 ? [{ start: at, end: at + drop }] : []));
    const before = readTree(frame.raw, frame.charset, true);
    for (const script of scriptsOf(path, before, site.base)) {
      const found = scripts.has(script) ? null : text(script);
      if (found !== null) scripts.set(script, found);
    }
    // With scripts on only a `noscript` is another.
    const tree = after.page.frame.hasNoscript
      ? readTree(rawOf(page), after.page.frame.charset, true)
      : after.tree;
    changes.push({ path, before, after: tree, removed });
  }
  const styles = [...sheets.files.values()].flat();
  const beaten = found(outranked, {
    ...site,
    beating: outranking.found,
    text,
    movedTo: () => null,
    deepest: null,
  });
  return [...leftBehind(changes, styles, scripts), ...beaten];
}
