import { leftByDraft } from '../core/check/drafted.ts';
import type { Finding } from '../core/text/finding.ts';
import type { OpenPlan } from '../files/plan.ts';
import type { OpenFolder } from './folder.ts';
import { openAll } from './open.ts';

/** What a plan would leave behind in the pages that it was drafted from; nothing where it cannot be built. */
export async function leftBy(plan: OpenPlan, folder: OpenFolder): Promise<Finding[]> {
  const opened = await openAll(plan);
  const { run } = 'stop' in opened ? { run: null } : await opened.prepared();
  return run ? leftByDraft(folder, path => run.inlaid(path)) : [];
}
