import { fragmentOf, writtenAddress } from '../address/href.ts';
import type { SitePath } from '../address/path.ts';
import { escapeMarkup } from '../text/references.ts';
import type { ReservedName } from '../text/reserved.ts';
import { idAttribute, inlayAttribute, parts, reserved } from './names.ts';
import type { Standpoint } from './standpoint.ts';

/** No menu has one of these names. */
const names: Readonly<Record<ReservedName, string>> = reserved;

/** The link that leads past the menus; a page with a `base` needs its own address before the `#`. */
export function skipMarkup(words: string, id: string, from: Standpoint, hasBase: boolean): string {
  const address = `${hasBase ? writtenAddress(from.folder, from.page, { ...from.links, from: 'page' }) : ''}${fragmentOf(id)}`;
  return `<a class="${parts.skip}" ${inlayAttribute}="${names.skip}" href="${escapeMarkup(address)}">${escapeMarkup(words)}</a>`;
}

export function styleMarkup(file: SitePath, from: Standpoint): string {
  const address = escapeMarkup(writtenAddress(from.folder, file, from.links));
  return `<link ${inlayAttribute}="${names.style}" rel="stylesheet" href="${address}">`;
}

export function scriptMarkup(file: SitePath, from: Standpoint): string {
  const address = escapeMarkup(writtenAddress(from.folder, file, from.links));
  return `<script ${inlayAttribute}="${names.script}" src="${address}" defer></script>`;
}

/** An id for an element that has none, with the mark by which it is taken off again. */
export function idMarkup(id: string): string {
  const value = escapeMarkup(id);
  return ` ${idAttribute}="${value}" id="${value}"`;
}

/** What lets a phone lay a page out in its own width (https://www.w3.org/TR/css-viewport-1/#viewport-meta). */
export const viewportContent = 'width=device-width, initial-scale=1';

export function viewportMarkup(): string {
  return `<meta ${inlayAttribute}="${names.viewport}" name="viewport" content="${viewportContent}">`;
}
