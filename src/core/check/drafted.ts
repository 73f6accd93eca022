import { type Change, leftBehind } from '../draft/left-behind.ts';
import { leftControls } from '../draft/left-controls.ts';
import { scriptsOf } from '../draft/page-scripts.ts';
import { readWithTree } from '../page/full.ts';
import type { Sheets } from '../page/reader.ts';
import { inlineRules } from '../page/styles.ts';
import { readTree } from '../page/tree.ts';
import { type Span, rawOf } from '../text/bytes.ts';
import type { Finding } from '../text/finding.ts';
import { found } from './index.ts';
import { Outranking } from './outranking.ts';
import { outranked } from './rules/outranked.ts';
import type { CheckedSite } from './types.ts';

/** The pages that a plan was drafted from. */
export interface DraftedPages {
  site: CheckedSite;
  sheets: Sheets;
}

/**
 * What a drafted plan would leave behind, and which rules of the pages would beat the new menus.
 * @param inlaid a page with the new menus, and what went in and out of it
 */
export function leftByDraft(
  { site, sheets }: DraftedPages,
  inlaid: (page: string) => { page: Uint8Array; spans: readonly Span[] },
): Finding[] {
  const outranking = new Outranking(sheets);
  const scripts = new Map<string, string>();
  const changes: Change[] = [];
  for (const [path, { frame }] of site.pages) {
    const { spans, page } = inlaid(path);
    const after = readWithTree(path, rawOf(page));
    outranking.see(after.page, after.tree);
    const removed = spans.flatMap(({ at, drop = 0 }) => (drop > 0 ? [{ start: at, end: at + drop }] : []));
    const before = readTree(frame.raw, frame.charset, true);
    for (const script of scriptsOf(path, before, site.base)) {
      const read = scripts.has(script) ? null : site.text(script);
      if (read !== null) scripts.set(script, read);
    }
    // With scripts on only a `noscript` is another.
    const tree = after.page.frame.hasNoscript
      ? readTree(rawOf(page), after.page.frame.charset, true)
      : after.tree;
    changes.push({ path, before, after: tree, removed });
  }
  const styles = [...sheets.files.values()].flat();
  const beating = outranking.found;
  const beaten = found(outranked, { ...site, beating, movedTo: () => null, deepest: null });
  const [first] = changes;
  const controls = first ? leftControls(first, [...inlineRules(first.path, first.before), ...styles]) : [];
  return [...leftBehind(changes, styles, scripts), ...controls, ...beaten];
}
