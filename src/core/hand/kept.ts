import type { Own } from '../text/own.ts';
import type { HandEntry, HandMenu } from './types.ts';

/** Menus as they are kept beside those of thousands of pages: none of their texts holds on to its page. */
export function keptMenus(menus: readonly HandMenu[], own: Own): HandMenu[] {
  return menus.map(menu => ({
    ...menu,
    selectors: menu.selectors.map(own),
    element: own(menu.element),
    entries: menu.entries.map(entry => keptEntry(entry, own)),
  }));
}

function keptEntry(entry: HandEntry, own: Own): HandEntry {
  const { picture } = entry;
  const text = (value: string | null): string | null => (value === null ? null : own(value));
  return {
    ...entry,
    label: own(entry.label),
    href: text(entry.href),
    marks: entry.marks.length === 0 ? none : entry.marks.map(own),
    picture: picture && {
      ...picture,
      address: own(picture.address),
      hover: text(picture.hover),
      pressed: text(picture.pressed),
    },
    entries: entry.entries.length === 0 ? none : entry.entries.map(one => keptEntry(one, own)),
  };
}

/** Most entries are plain links: what they all lack is one thing. */
const none: readonly never[] = Object.freeze([]);
