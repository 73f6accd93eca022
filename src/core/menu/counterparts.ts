import type { SitePath } from '../address/path.ts';
import type { Entry, Plan } from '../plan/types.ts';
import type { Source } from '../text/source.ts';
import { pageOf } from '../target/destination.ts';
import { isPattern, readTarget } from '../target/kinds/index.ts';
import type { SiteFacts } from '../target/facts.ts';
import type { Counterparts } from './languages.ts';

/** The pages that entries of the plan name for each language: what one entry names belongs together. */
export function counterpartsOf(plan: Plan, site: SiteFacts, source: Source): Counterparts {
  const found = new Map<SitePath, Map<string, SitePath>>();
  const context = { site, carriers: [], source, giveId: () => '' };
  const visit = (entries: readonly Entry[]): void => {
    for (const { versions, entries: below } of entries) {
      visit(below);
      const pages = new Map<string, SitePath>();
      for (const [tag, version] of versions) {
        if (!version?.isGiven || isPattern(version.target)) continue;
        const reading = readTarget(version.target, context);
        const leadsTo = 'destination' in reading ? reading.destination : null;
        const page = leadsTo && pageOf(leadsTo);
        if (page) pages.set(tag, page);
      }
      for (const page of pages.values()) found.set(page, new Map([...pages, ...(found.get(page) ?? [])]));
    }
  };
  for (const menu of plan.menus) visit(menu.entries);
  return found;
}
