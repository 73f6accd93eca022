import type { editedPlan } from '../core/edit/entry.ts';
import { Ground } from '../core/menu/ground.ts';
import { partsIn } from '../core/menu/parts.ts';
import { pagesOfPatterns } from '../core/menu/patterns.ts';
import { PageReader } from '../core/page/reader.ts';
import { type Finding, hasErrors } from '../core/text/finding.ts';
import { planOf } from '../files/plan.ts';
import { type Here, resolved, wordsIn } from './open.ts';

/** What an edit of an entry must know of the site. */
export function factsOf(here: Here): Parameters<typeof editedPlan>[3] {
  const { open, plan, site } = here;
  const ground = new Ground(plan, { ...site.facts, words: wordsIn(here) }, open.source);
  const shownLabel = (target: string): string | null => ground.words(target);
  const patterns = pagesOfPatterns(plan, site.facts, path => shownLabel(path) ?? path);
  return { pages: site.facts.pages, files: site.facts.files, shownLabel, patterns };
}

/** What would be wrong in the plan after the edit. Titles are not looked at: what may be missing is told by the build. */
export function problemsOf(text: string, { open, site }: Here): Finding[] {
  const after = planOf(open.file, text);
  if (!after.plan || hasErrors(after.findings)) return after.findings;
  const { findings } = resolved(
    { open: after, plan: after.plan, site },
    partsIn(new PageReader(site.contents)),
  );
  return findings.filter(one => one.severity === 'error');
}
