import { sumOf } from '../core/text/sum.ts';
import { version } from './version.ts';

/** Stands for a plan's text and the program that reads it. */
export const planMark = (text: Uint8Array | string): string =>
  `${version} ${sumOf(typeof text === 'string' ? Buffer.from(text) : text)}`;
