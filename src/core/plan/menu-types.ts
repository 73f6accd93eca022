/** How submenus open. */
export interface Opens {
  by: 'hover' | 'click';
  /** How long the pointer rests before, and how long the motion takes, as CSS has times. */
  after: string;
  ease: string;
  /** How wide a sheet is: `menu`, a length, or as its entries. */
  width: string | null;
  columns: number;
}

/** A line between entries; null where the plan says nothing of it. */
export interface Separators {
  color: string | null;
  thickness: string | null;
  inset: string | null;
}
