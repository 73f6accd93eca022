import { type Finding, hasErrors } from '../core/text/finding.ts';
import { seenFrom } from './paths.ts';
import { bytesOfResolved } from './resolved.ts';
import type { Run } from './run.ts';
import type { Glance, Other } from './stored.ts';

/**
 * What the next build can go by if nothing has changed; what it goes by if a few pages have is kept. Null where it has to look
 * at all of them.
 * @param findings all that is told; what happened to files in this run is not among it
 */
export function glanceOf(run: Run, findings: readonly Finding[], same?: number): Glance | null {
  if (hasErrors(findings)) return null;
  const { plan, site, own, mark } = run.source;
  const resolved = run.source.resolved ?? site.record.keepResolved(bytesOfResolved(run));
  return {
    plan: mark,
    site: plan.site,
    leaveOut: [...plan.leaveOut],
    own: [...own.keys()],
    menus: run.menus(),
    pages: run.counts.pages,
    findings,
    seenFrom: seenFrom(site.planFolder),
    ...(resolved === undefined ? {} : { resolved }),
    ...(same === undefined ? {} : { same }),
  };
}

/** Files of the site of which there are no rows. @param rows whether there is one of a path */
export function othersOf({ site: { listed } }: Run, rows: (path: string) => boolean): Other[] {
  return listed.filter(({ path }) => !rows(path)).map(({ path, size, time }) => [path, size, time]);
}
