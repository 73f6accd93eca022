import { decodePercent } from '../../address/href.ts';
import { optional } from '../../format/key.ts';
import { label, mailAddress, said } from '../../format/values.ts';
import { type SingleKind, elsewhere } from '../kind.ts';
import type { MailPlace } from '../places.ts';

const keys = {
  mail: optional(said(mailAddress), {
    takes: 'a mail address',
    otherwise: elsewhere,
    means: 'Opens a new message.',
    example: 'mail: hello@brackenfold.example',
  }),
  subject: optional(said(label), {
    takes: 'text',
    otherwise: 'nothing',
    means: 'The subject of the message.',
    example: 'mail: hello@brackenfold.example\nsubject: A visit',
  }),
} as const;

export type MailTarget = { kind: 'mail'; address: string; subject: string | null };

export const mailKind = {
  keys,
  inButtons: { mail: keys.mail },
  only: ['subject'],
  words: ['subject'],
  read: ({ text }): MailTarget | null => {
    const address = text('mail');
    return address === undefined ? null : { kind: 'mail', address, subject: text('subject') ?? null };
  },
  lead: ({ address, subject }: MailTarget) => {
    const to = encodeURI(address.replace(/\s+/g, ''));
    const query = subject === null ? '' : `?subject=${encodeURIComponent(subject)}`;
    return { destination: { kind: 'mail', url: `mailto:${to}${query}` } };
  },
  scheme: {
    name: 'mailto',
    lead: (rest: string): MailPlace | null =>
      rest.includes('@') ? { kind: 'mail', url: `mailto:${encodeURI(decodePercent(rest))}` } : null,
    written: (rest: string): string => {
      const [to = ''] = rest.split('?');
      try {
        return decodeURIComponent(to);
      } catch {
        return to;
      }
    },
  },
} satisfies SingleKind<MailTarget, MailPlace>;
