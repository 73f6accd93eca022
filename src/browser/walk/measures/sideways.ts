import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';

/** The page is no wider than its window, with its menus closed and open. */
export async function sideways(visit: Visit, noter: Noter, isOpen: boolean): Promise<void> {
  await tellSideways(visit, noter, isOpen ? ' once a menu is open' : '');
}

export async function tellSideways(visit: Visit, noter: Noter, when: string): Promise<void> {
  const { sideways: by, widest } = await visit.state();
  if (by <= 1) return;
  const what = widest ? `${widest.element}${widest.menu === null ? '' : ` in ${widest.menu}`}` : 'something';
  await noter.seen(
    'sideways',
    `the page scrolls sideways by ${Math.round(by)} px${when}: ${what} is too wide`,
    widest?.menu ?? null,
  );
}
