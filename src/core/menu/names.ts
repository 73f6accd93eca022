import { pathMatcher } from '../address/glob.ts';
import type { SitePath } from '../address/path.ts';
import type { Entry, Plan } from '../plan/types.ts';
import type { Source } from '../text/source.ts';
import { readTarget } from '../target/kinds/index.ts';
import type { SiteFacts } from '../target/facts.ts';
import { Ground } from './ground.ts';

/** The pages whose own words become labels. */
export function pagesToName(plan: Plan, site: SiteFacts, source: Source): SitePath[] {
  const paths = new Set<SitePath>();
  const { languages } = new Ground(plan, site, source);
  const context = { site, carriers: [], source, giveId: () => '' };
  const visit = (entries: readonly Entry[]): void => {
    for (const entry of entries) {
      visit(entry.entries);
      const versions = entry.versions.size === 0 ? [entry] : entry.versions.values();
      for (const version of versions) {
        if (version === null) continue;
        const { label, target } = version;
        if (target.kind === 'pages')
          for (const path of site.pages) if (pathMatcher(target.pages.globs)(path)) paths.add(path);
        if (label !== null || (target.kind !== 'page' && target.kind !== 'address')) continue;
        const reading = readTarget(target, context);
        if ('destination' in reading && reading.destination.kind === 'page')
          paths.add(reading.destination.path);
      }
    }
  };
  for (const menu of plan.menus) {
    visit(menu.entries);
    // A trail may end with any page.
    if (menu.form === 'breadcrumb') for (const path of site.pages) paths.add(path);
    if (menu.set) for (const path of site.pages) if (pathMatcher(menu.set.globs)(path)) paths.add(path);
  }
  const others = [...paths].flatMap(
    path => languages?.all.flatMap(({ tag }) => languages.counterpart(path, tag) ?? []) ?? [],
  );
  return [...new Set([...paths, ...others])];
}
