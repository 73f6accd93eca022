import type { Mark } from '../../text/mark.ts';
import type { SingleKind } from '../kind.ts';
import { type BySchemes, readPlace } from '../read-place.ts';
import type { Place } from '../places.ts';

/** A bare target: an address as in an `href`. */
export type AddressTarget = { kind: 'address'; written: string; mark: Mark };

/** @param others where addresses of other schemes lead */
export function addressKindOf<To>(others: BySchemes<To>): SingleKind<AddressTarget, Place | To> {
  return {
    keys: {},
    inButtons: null,
    read: () => null,
    lead: (target, context) => readPlace(target, context, others),
  };
}
