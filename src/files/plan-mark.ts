import { crc32 } from 'node:zlib';
import { version } from './version.ts';

/** Stands for a plan's text and the program that reads it. */
export function planMark(text: Uint8Array | string): string {
  return `${version} ${crc32(text)}`;
}
