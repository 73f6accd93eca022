import { leftByDraft } from '../core/check/drafted.ts';
import type { SiteFacts } from '../core/target/facts.ts';
import type { Finding } from '../core/text/finding.ts';
import type { OpenPlan } from '../files/plan.ts';
import type { OpenFolder } from './folder.ts';
import { openAll } from './open.ts';

/**
 * What a plan would leave behind in the pages that it was drafted from; nothing where it cannot be built.
 * @param made files that go with it, whether they are there yet or not
 */
export async function leftBy(
  plan: OpenPlan,
  folder: OpenFolder,
  made: readonly { path: string; text: string }[],
): Promise<Finding[]> {
  const texts = new Map(made.map(({ path, text }) => [path, text]));
  const change = (facts: SiteFacts): SiteFacts => ({
    ...facts,
    files: new Set([...facts.files, ...texts.keys()]),
    text: path => texts.get(path) ?? facts.text(path),
  });
  const opened = await openAll(plan, { change });
  const { run } = 'stop' in opened ? { run: null } : await opened.prepared();
  return run ? leftByDraft(folder, path => run.inlaid(path)) : [];
}
