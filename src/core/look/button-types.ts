import type { SitePath } from '../address/path.ts';
import type { PictureState } from '../plan/picture-types.ts';
import type { Mark } from '../text/mark.ts';
import type { RuleName } from '../text/rules.ts';
import type { Raster } from './raster.ts';

/** The pictures of one entry, each for usual and for dense screens. */
export interface ButtonPictures {
  hook: string;
  label: string;
  states: Partial<Record<PictureState, ButtonPicture>>;
}

export interface ButtonPicture {
  file: SitePath;
  one: Raster;
  /** Twice as large; null where there is nothing more to show. */
  two: Raster | null;
}

export interface Told {
  rule: RuleName;
  mark: Mark;
  message: string;
  remedy: string;
}
