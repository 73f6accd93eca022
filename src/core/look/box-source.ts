import type { Look, Picture } from '../plan/look-types.ts';
import type { Ground } from './hex.ts';
import type { Paint } from './types.ts';

/** An entry's box, and what it is made from. */
export interface BoxSource {
  look: Look;
  /** The box’s own ground: it lies on another one where it has none. */
  background: string | null;
  /** Over that; null for none. */
  picture: Picture | null;
  /** What lies behind labels on a picture over a ground. */
  pictured: (picture: Picture, under: Ground | null) => Ground;
  under: Ground | null;
  /** The colour of labels where the look gives none. */
  color: { paint: Paint; isWritten: boolean } | null;
  /** In a dark scheme nothing is as it was written: all follows. */
  isDark: boolean;
  /** Nothing is told: what is here was derived, not written. */
  isSilent: boolean;
  /** The page is seen through the ground. */
  isUnsure: boolean;
  /** Under the pointer the ground takes on the accent, or goes away from the label. */
  moves: 'to-accent' | 'from-label';
}
