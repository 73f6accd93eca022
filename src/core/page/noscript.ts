import type { Raw } from '../text/bytes.ts';
import type { Selector } from '../text/selector.ts';

/** What says a sentence to those without scripts, mostly. */
const calm = /<(\/?)(div|p|span|strong|em|b|i|br)>|[<{]/g;
const names = 'div p span strong em b i br'.split(' ');
const most = 20;

/**
 * Whether all that a `noscript` in the body holds is a sentence in plain elements, each closed: then a page is read alike
 * with scripts on and off, where no paragraph is open around it.
 * @param from behind its start tag; @param end before its end tag
 */
export function isCalm(raw: Raw, from: number, end: number): boolean {
  const open: string[] = [];
  const content = raw.slice(from, end);
  for (const [tag, slash, name] of content.matchAll(calm)) {
    if (name === undefined || tag.length === 1) return false;
    if (name === 'br') {
      if (slash === '/') return false;
    } else if (slash === '/') {
      if (open.pop() !== name) return false;
    } else if (open.length >= most || (open.at(-1) === 'p' && (name === 'p' || name === 'div'))) return false;
    else open.push(name);
  }
  return open.length === 0;
}

/** Whether a selector can match none of these elements, which have no attributes. */
export function passesCalm({ name, tests }: Selector): boolean {
  return tests.length > 0 || (name !== null && !names.includes(name));
}
