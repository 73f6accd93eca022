import { optional } from '../../format/key.ts';
import { said, webAddress } from '../../format/values.ts';
import { type SingleKind, elsewhere } from '../kind.ts';
import type { UrlPlace } from '../places.ts';

const keys = {
  url: optional(said(webAddress), {
    takes: 'an address of http or https',
    otherwise: elsewhere,
    means: 'Another site.',
    example: 'url: "https://weather.example/"\nlabel: Weather',
  }),
} as const;

export type UrlTarget = { kind: 'url'; url: string };

export const urlKind = {
  keys,
  inButtons: keys,
  read: ({ text }): UrlTarget | null => {
    const url = text('url');
    return url === undefined ? null : { kind: 'url', url };
  },
  lead: (target: UrlTarget) => ({ destination: target }),
} satisfies SingleKind<UrlTarget, UrlPlace>;
