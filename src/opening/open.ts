import { pagesToName } from '../core/menu/names.ts';
import { resolveMenus } from '../core/menu/resolve.ts';
import type { PageWords, SiteFacts } from '../core/target/facts.ts';
import type { Plan } from '../core/plan/types.ts';
import type { Finding } from '../core/text/finding.ts';
import { type OpenSite, openSite } from '../files/open-site.ts';
import { type OpenPlan, openPlan } from '../files/plan.ts';
import type { Seen } from '../files/reading.ts';
import { Opened } from './opened.ts';

/** What stops a job before it begins. */
export interface Stop {
  open: OpenPlan;
  stop: Finding[];
}

/** A plan with the site that it names. */
export interface Here {
  open: OpenPlan;
  plan: Plan;
  site: OpenSite;
}

/** Opens a plan and lists its site. @param named its file, or itself where it has been read */
export function openHere(named: string | OpenPlan, seen: Seen | null = null): Here | Stop {
  const open = typeof named === 'object' ? named : openPlan(named);
  const { plan } = open;
  if (!plan) return { open, stop: open.findings };
  const site = openSite(open, plan, seen);
  return 'rule' in site ? { open, stop: [...open.findings, site] } : { open, plan, site };
}

/** What counts as there beside what the site has. */
type Change = (facts: SiteFacts, plan: Plan) => SiteFacts;

/** Opens a plan, lists its site, and makes every target known. */
export async function openAll(
  named: string | OpenPlan,
  { change, seen = null }: { change?: Change; seen?: Seen | null } = {},
): Promise<Opened | Stop> {
  const here = openHere(named, seen);
  if ('stop' in here) return here;
  return (await resolved(here, await partsOf(here), change).pictured()).settled();
}

/** Makes every target of an open plan known. @param parts what finds panels in pages */
export function resolved(here: Here, parts: SiteFacts['parts'], change: Change = facts => facts): Opened {
  const { open, plan, site } = here;
  const facts = change({ ...site.facts, parts, words: wordsIn(here) }, plan);
  return new Opened(here, facts, resolveMenus(plan, facts, open.source));
}

/** At most this many pages tell which part most titles share. */
const mostSampled = 200;

/** The words of the pages that lend an entry its label, and the titles of some others for what most share. */
export function wordsIn({ open, plan, site }: Here): Map<string, PageWords> {
  const words = new Map<string, PageWords>();
  const named = pagesToName(plan, site.facts, open.source);
  if (named.length === 0) return words;
  const all = [...site.facts.pages];
  const step = Math.max(1, Math.ceil(all.length / mostSampled));
  const sampled = all.filter((_, at) => at % step === 0);
  for (const path of new Set([...named, ...sampled])) {
    const found = site.contents.words(path, plan.labels.from === 'heading');
    if (found) words.set(path, found);
  }
  return words;
}

/** What finds panels in pages; loaded only where the plan has any. */
export async function partsOf({ plan, site }: Here): Promise<SiteFacts['parts']> {
  if (plan.panels.length === 0) return () => [];
  const [{ PageReader }, { partsIn }] = await Promise.all([
    import('../core/page/reader.ts'),
    import('../core/menu/parts.ts'),
  ]);
  return partsIn(new PageReader(site.contents));
}
