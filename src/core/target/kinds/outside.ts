import type { PlaceKind } from '../kind.ts';
import type { Outside } from '../places.ts';

/** What all places outside the site have alike. @param label from the address */
export function outsidePlace(label: (url: string) => string): PlaceKind<Outside> {
  return {
    address: ({ url }) => url,
    label: ({ url }) => label(url),
    outline: ({ url }) => url,
    hook: () => null,
    page: () => null,
  };
}

/** What a scheme stands before, without a query. */
export function behindScheme(url: string): string {
  return decodeURI(url.replace(/^\w+:/, '').replace(/\?.*/, ''));
}
