import type { Raw } from '../text/bytes.ts';

/** The id that the main content of a page is given, where that is free. */
export const usualMainId = 'main';

/** An id that the page does not use anywhere. */
export function freeId(raw: Raw): string {
  for (let number = 1; ; number += 1) {
    const id = number === 1 ? usualMainId : `${usualMainId}-${number}`;
    if (!new RegExp(`id\\s*=\\s*["']?${id}(?![\\w-])`, 'i').test(raw)) return id;
  }
}
