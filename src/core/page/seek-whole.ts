import type { MainCandidates } from './main-content.ts';
import { isPartial } from './sought.ts';
import type { Element, Found, SoughtPage } from './types.ts';
import type { Wanted } from './wanted.ts';

interface FoundSoFar {
  found: Map<string, Element | Found>;
  main: MainCandidates;
}

/** Finds what can only be found in the whole page, and adds it; says whether there was any such thing. */
export function seekWhole(
  { sought, inTree, seek, skipTo }: Wanted,
  page: SoughtPage,
  { found, main }: FoundSoFar,
): boolean {
  const isPart = (one: Element | undefined): boolean => !!one && isPartial(one, page.bodyPoint);
  const partial = [...inTree].filter(text => isPart(found.get(text)));
  if (!seek || sought.length + partial.length === 0) return false;
  for (const text of partial) found.delete(text);
  const all = [...sought, ...partial];
  for (const [text, element] of seek(page, all)) {
    const selector = skipTo.find(one => one.text === text);
    if (selector) main.meet(selector, skipTo, { element, id: element.id || null });
    found.set(text, element);
  }
  return true;
}
