import { normalizePath } from '../address/path.ts';
import type { Entry, Plan } from '../plan/types.ts';
import type { SiteFacts } from '../target/facts.ts';

/** The facts of a site in which the pages that the plan names, and that are not there yet, count as there. */
export function withPlanned(facts: SiteFacts, plan: Plan): SiteFacts {
  const planned = plannedPages(facts, plan);
  const any = { has: () => true, get: () => undefined } as unknown as ReadonlyMap<string, string>;
  return {
    ...facts,
    pages: new Set([...facts.pages, ...planned]),
    files: new Set([...facts.files, ...planned]),
    sections: page => (planned.has(page) ? any : facts.sections(page)),
    headings: page => (planned.has(page) ? [] : facts.headings(page)),
    front: facts.front ?? 'index.html',
  };
}

function plannedPages(facts: SiteFacts, plan: Plan): Set<string> {
  const planned = new Set<string>();
  const visit = (entries: readonly Entry[]): void => {
    for (const { target, versions, entries: below } of entries) {
      visit(below);
      for (const one of [target, ...[...versions.values()].flatMap(version => version?.target ?? [])]) {
        const written = 'written' in one && one.kind !== 'insert' && one.kind !== 'file' ? one.written : null;
        const path =
          written === null || /^[a-z]+:|^#/i.test(written) ? null : normalizePath(written.replace(/#.*/, ''));
        if (path && !facts.files.has(path)) planned.add(path);
      }
    }
  };
  for (const menu of plan.menus) visit(menu.entries);
  return planned;
}
