import type { FoldWord } from './parts/fold.ts';

export type FoldKind = FoldWord;

/** What follows from what a menu folds into. */
interface FoldTraits {
  /** Behind a toggle; else it is not there any more. */
  hasToggle: boolean;
  /** Over the page, in the top layer. */
  isCover: boolean;
}

/** Every kind of fold. */
export const foldKinds: Readonly<Record<FoldKind, FoldTraits>> = {
  stack: { hasToggle: true, isCover: false },
  drawer: { hasToggle: true, isCover: true },
  'full-screen': { hasToggle: true, isCover: true },
  none: { hasToggle: false, isCover: false },
};
