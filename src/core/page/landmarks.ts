import { type Raw, lowerAscii } from '../text/bytes.ts';
import { readAttributeReferences } from '../text/references.ts';
import type { Landmark } from './content.ts';

type Kind = Landmark['kind'];

/** Landmarks by element (https://www.w3.org/TR/html-aam-1.0/#html-element-role-mappings). */
const kinds = new Map<string, Kind>([
  ['header', 'banner'],
  ['nav', 'navigation'],
  ['main', 'main'],
  ['footer', 'contentinfo'],
  ['aside', 'complementary'],
  ['search', 'search'],
]);
const roles = new Map<string, Kind>([...kinds.values()].map(kind => [kind, kind]));
export const landmarkElements = [...kinds.keys()];

/**
 * The landmark that an element is, or null.
 * @param role its attribute, raw
 * @param isInner a `header` or `footer` of a part of the page, which is none
 */
export function landmarkOf(name: string, role: Raw | null, isInner: boolean): Kind | null {
  const first = lowerAscii(readAttributeReferences(role ?? '')).split(' ')[0]!;
  if (first !== '') return roles.get(first) ?? null;
  return isInner ? null : (kinds.get(name) ?? null);
}
