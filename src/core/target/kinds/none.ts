import type { SingleKind } from '../kind.ts';
import type { NonePlace } from '../places.ts';

/** The entry only opens. */
export type NoneTarget = { kind: 'none' };

export const noneKind = {
  keys: {},
  inButtons: null,
  read: () => null,
  lead: (): { destination: NonePlace } => ({ destination: { kind: 'none' } }),
} satisfies SingleKind<NoneTarget, NonePlace>;
