import type { FoundWay } from '../explore.ts';
import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';

interface SeenMarks {
  menu: string;
  /** A link or text that is marked as current, and one beside it that is not. */
  current: { label: string; style: string } | null;
  other: { label: string; style: string; index: number } | null;
}

/** The current entry and the one under the pointer can be told from the others. */
export async function states(visit: Visit, _: readonly FoundWay[], noter: Noter): Promise<void> {
  await visit.fresh(noter.page);
  for (const { menu, current, other } of await visit.tab.ask<SeenMarks[]>('marks')) {
    if (!other || menu === 'top' || menu === 'skip') continue;
    if (current && current.style === other.style)
      await noter.seen(
        'alike-state',
        `in ${menu} the current entry “${current.label}” looks like “${other.label}”`,
        menu,
      );
    const at = await visit.tab.ask<{ x: number; y: number } | null>('linkAt', other.index);
    if (!at || visit.visitor.media.forcedColors) continue;
    await visit.tab.move(at);
    await visit.settle();
    const now = await visit.tab.ask<string>('styleOfLink', other.index);
    if (now === other.style)
      await noter.seen('alike-state', `in ${menu} “${other.label}” looks the same under the pointer`, menu);
    await visit.tab.move({ x: 0, y: visit.window[1] - 1 });
  }
}
