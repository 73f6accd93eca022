import type { SeenFold } from '../../../core/walk/seen.ts';
import type { FoundWay } from '../explore.ts';
import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';
import { tellSideways } from './sideways.ts';

/** Closer together where windows are narrow, and less changes there. */
const widths = [
  320, 360, 390, 430, 480, 540, 600, 660, 720, 768, 820, 880, 960, 1024, 1100, 1200, 1280, 1400, 1500, 1600,
];

/** At every width each entry of the first level can be pressed, or something that opens them. */
export async function sweeping(visit: Visit, _: readonly FoundWay[], noter: Noter): Promise<void> {
  const lost = new Map<string, number[]>();
  let isWide = false;
  await visit.fresh(noter.page);
  for (const width of widths) {
    await visit.tab.resize(width, visit.window[1]);
    for (const { menu, shown, all, controls } of await visit.tab.ask<SeenFold[]>('folds')) {
      if (menu === 'skip' || menu === 'top' || shown >= all || controls > 0) continue;
      lost.set(menu, [...(lost.get(menu) ?? []), width]);
    }
    if (isWide || (await visit.state()).sideways <= 1) continue;
    isWide = true;
    await tellSideways(visit, noter, ` at ${width} px`);
  }
  for (const [menu, at] of lost) {
    await visit.tab.resize(at[0]!, visit.window[1]);
    await noter.seen(
      'lost-by-resize',
      `entries of ${menu} can be neither pressed nor opened in windows of ${spanOf(at)} px`,
      menu,
    );
  }
  await visit.tab.resize(...visit.window);
}

function spanOf(widths: readonly number[]): string {
  const [first, last] = [widths[0]!, widths.at(-1)!];
  return first === last ? `${first}` : `${first} to ${last}`;
}
