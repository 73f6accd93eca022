import { type Part, parts } from '../plan/parts/index.ts';

/** A key of the plan, as the manual tells it. */
export interface KeyPage {
  key: string;
  takes: string;
  /** What holds without it; null where it is needed. */
  otherwise: string | null;
  means: string;
  /** Lines of the part that it is a key of. */
  example: string;
}

/** The keys of a part. */
export function keyPages(part: Part): KeyPage[] {
  return Object.entries(parts[part].keys).map(([key, { takes, otherwise, means, example }]) => ({
    key,
    takes,
    otherwise,
    means,
    example,
  }));
}

/** Parts that have no more keys than another one, which tells of them. */
const toldElsewhere: readonly Part[] = ['own-look', 'state-font'];

/** The parts that have keys of their own. */
export const keyParts = (Object.keys(parts) as Part[]).filter(
  part => keyPages(part).length > 0 && !toldElsewhere.includes(part),
);
