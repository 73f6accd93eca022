import { optional } from '../../format/key.ts';
import { phoneNumber, said } from '../../format/values.ts';
import { type SingleKind, elsewhere } from '../kind.ts';
import type { PhonePlace } from '../places.ts';

const keys = {
  phone: optional(said(phoneNumber), {
    takes: 'a telephone number',
    otherwise: elsewhere,
    means: 'Calls it.',
    example: 'phone: 01632 960014',
  }),
} as const;

export type PhoneTarget = { kind: 'phone'; number: string };

export const phoneKind = {
  keys,
  inButtons: keys,
  read: ({ text }): PhoneTarget | null => {
    const number = text('phone');
    return number === undefined ? null : { kind: 'phone', number };
  },
  lead: ({ number }: PhoneTarget) => ({ destination: placeOf(number) }),
  scheme: {
    name: 'tel',
    lead: (rest: string): PhonePlace | null => (/\d/.test(rest) ? placeOf(rest) : null),
    written: (rest: string): string => rest,
  },
} satisfies SingleKind<PhoneTarget, PhonePlace>;

function placeOf(number: string): PhonePlace {
  return { kind: 'phone', url: `tel:${number.replace(/[^\d+]/g, '')}` };
}
