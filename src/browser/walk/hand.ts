import type { Point } from '../../core/walk/seen.ts';
import type { Visitor } from '../../core/walk/visitors.ts';
import type { Tab } from './tab.ts';

/** How a visitor presses something; each says whether that was possible. */
export interface Hand {
  control: (index: number) => Promise<boolean>;
  link: (index: number) => Promise<boolean>;
}

export const hands: Record<Visitor['moves'], (tab: Tab) => Hand> = {
  pointer: tab => byPoint(tab, at => tab.click(at)),
  touch: tab => byPoint(tab, at => tab.tap(at)),
  keys: tab => ({
    control: index => entered(tab, 'focusOnControl', index),
    link: index => entered(tab, 'focusOnLink', index),
  }),
  paper: () => ({ control: () => Promise.resolve(false), link: () => Promise.resolve(false) }),
};

function byPoint(tab: Tab, press: (at: Point) => Promise<void>): Hand {
  const pressed = async (what: string, index: number): Promise<boolean> => {
    const at = await tab.ask<Point | null>(what, index);
    if (at) await press(at);
    return at !== null;
  };
  return { control: index => pressed('controlAt', index), link: index => pressed('linkAt', index) };
}

async function entered(tab: Tab, what: string, index: number): Promise<boolean> {
  const isThere = await tab.ask<boolean>(what, index);
  if (isThere) await tab.press('Enter');
  return isThere;
}
