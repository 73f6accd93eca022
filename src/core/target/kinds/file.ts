import { optional } from '../../format/key.ts';
import { said, text, truth } from '../../format/values.ts';
import type { Mark } from '../../text/mark.ts';
import { type SingleKind, elsewhere } from '../kind.ts';
import { readPlace } from '../read-place.ts';

const keys = {
  file: optional(said(text), {
    takes: 'a path',
    otherwise: elsewhere,
    means: 'Any other file of the site.',
    example: 'file: programme.pdf',
  }),
  save: optional(truth, {
    otherwise: '`false`',
    means: 'Lets the browser save the file.',
    example: 'file: programme.pdf\nsave: true',
  }),
  details: optional(truth, {
    otherwise: '`false`',
    means: 'Tells type and size of the file behind the label.',
    example: 'file: programme.pdf\ndetails: true',
  }),
} as const;

export type FileTarget = { kind: 'file'; written: string; mark: Mark };

export const fileKind = {
  keys,
  inButtons: { file: keys.file },
  only: ['save', 'details'],
  read: ({ path, mark }): FileTarget | null => {
    const written = path('file');
    return written === undefined ? null : { kind: 'file', written, mark: mark('file') };
  },
  lead: (target: FileTarget, context) => readPlace(target, context),
} satisfies SingleKind<FileTarget, unknown>;
