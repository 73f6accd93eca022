import type { Finding } from '../core/text/finding.ts';
import { seenFrom } from './paths.ts';
import type { Run } from './run.ts';
import type { Glance } from './stored.ts';

/**
 * What the next build can go by if nothing has changed.
 * @param resolved the checksum of what was kept for one in which a few pages have; undefined for nothing
 */
export function glanceOf(run: Run, findings: readonly Finding[], resolved: number | undefined): Glance {
  const { plan, site, own, mark } = run.source;
  const { site: folder, leaveOut } = plan;
  return {
    plan: mark,
    site: folder,
    leaveOut: [...leaveOut],
    own: [...own.keys()],
    menus: run.menus(),
    pages: run.counts.pages,
    findings,
    seenFrom: seenFrom(site.planFolder),
    ...(resolved === undefined ? {} : { resolved }),
  };
}
