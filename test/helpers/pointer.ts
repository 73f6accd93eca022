import type { Page } from 'playwright-core';

export type Way = 'mouse' | 'touch';

/** Where the nth control of a selector is, scrolled into view, once nothing moves any more; null where it is not seen. */
export async function placeOf(tab: Page, selector: string, nth = 0): Promise<[number, number] | null> {
  return tab.evaluate(
    async ([chosen, at]) => {
      await Promise.allSettled(document.getAnimations().map(one => one.finished));
      const control = document.querySelectorAll(chosen)[at];
      if (
        !control ||
        control.getClientRects().length === 0 ||
        !control.checkVisibility({ visibilityProperty: true })
      )
        return null;
      control.scrollIntoView({ block: 'nearest', inline: 'nearest', behavior: 'instant' });
      const { left, top, width, height } = control.getClientRects()[0]!;
      return [left + width / 2, top + height / 2] as [number, number];
    },
    [selector, nth] as const,
  );
}

/** Presses where a control is; what lies over it would be pressed in its place. */
export async function press(
  tab: Page,
  selector: string,
  { way = 'mouse', nth = 0 }: { way?: Way; nth?: number } = {},
): Promise<void> {
  const until = Date.now() + 10_000;
  let place = await placeOf(tab, selector, nth);
  for (; place === null && Date.now() < until; place = await placeOf(tab, selector, nth))
    await tab.waitForTimeout(20);
  if (place === null) throw new Error(`not seen: ${selector}`);
  if (way === 'touch') await tab.touchscreen.tap(...place);
  else await tab.mouse.click(...place);
}
