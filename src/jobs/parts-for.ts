import type { SiteFacts } from '../core/menu/types.ts';
import type { Plan } from '../core/plan/types.ts';
import type { OpenSite } from './project.ts';

/** What finds panels in pages; loaded only where the plan has any. */
export async function partsFor(plan: Plan, site: OpenSite): Promise<SiteFacts['parts']> {
  return plan.panels.length > 0 ? (await import('./parts.ts')).partsIn(site) : () => [];
}
