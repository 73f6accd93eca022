import type { PlaceKind, SingleKind } from '../kind.ts';

/** The entry only opens. */
export type NoneTarget = { kind: 'none' };
export type NonePlace = { kind: 'none' };

export const noneKind = {
  keys: {},
  inButtons: null,
  read: () => null,
  lead: (): { destination: NonePlace } => ({ destination: { kind: 'none' } }),
} satisfies SingleKind<NoneTarget, NonePlace>;

export const nonePlace: PlaceKind<NonePlace> = {
  address: () => null,
  label: () => '',
  outline: () => null,
  hook: () => null,
  page: () => null,
};
