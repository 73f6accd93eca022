import type { Matrix } from './types.ts';
import { visitorOf } from './visitors.ts';

/** So many of so many. */
export interface Part {
  reached: number;
  all: number;
}

/** What one visitor gets to. */
export interface VisitorSummary {
  visitor: string;
  called: string;
  /** Of menus that were tried. */
  entries: Part;
  pages: Part;
  sections: Part;
  /** The most presses that a page or section takes; null on paper. */
  presses: number | null;
}

export function summaryOf({ visitors, menus, rows }: Matrix): VisitorSummary[] {
  return visitors.map((name, at) => {
    const { called, moves } = visitorOf(name)!;
    const part = (isPage: boolean): Part => {
      const own = rows.filter(one => (one.target.id === null) === isPage);
      return { reached: own.filter(one => one.actions[at] !== null).length, all: own.length };
    };
    const cells = menus.map(one => one.cells[at]!);
    return {
      visitor: name,
      called,
      entries: {
        reached: cells.reduce((sum, one) => sum + one.reached, 0),
        all: cells.reduce((sum, one) => sum + one.all, 0),
      },
      pages: part(true),
      sections: part(false),
      presses: moves === 'paper' ? null : Math.max(0, ...rows.map(one => one.actions[at] ?? 0)),
    };
  });
}
