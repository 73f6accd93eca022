import { writtenAddress } from '../address/href.ts';
import type { ResolvedHome } from '../menu/types.ts';
import { escapeMarkup } from '../text/references.ts';
import { parts } from './names.ts';
import type { Standpoint } from './standpoint.ts';

/** The site’s name at the head of a menu. @param isMarked an entry of the menu leads to this very page, and is marked as such */
export function homeMarkup(home: ResolvedHome, from: Standpoint, isMarked: boolean): string {
  const current = home.page === from.page && !isMarked ? ' aria-current="page"' : '';
  const address = escapeMarkup(writtenAddress(from.folder, home.page, from.links));
  return `<a class="${parts.home}" href="${address}"${current}>${homeContent(home, from)}</a>`;
}

/** The picture has its own width and height, so that nothing moves when it comes. */
export function homeContent({ label, image, show }: ResolvedHome, from: Standpoint): string {
  const text = escapeMarkup(label);
  if (image === null || show === 'label') return text;
  const { path, size } = image;
  const room = size === null ? '' : ` width="${size.width}" height="${size.height}"`;
  const address = escapeMarkup(writtenAddress(from.folder, path, from.links));
  const alt = show === 'image' ? text : '';
  const picture = `<img class="${parts.mark}" src="${address}"${room} alt="${alt}">`;
  return show === 'image' ? picture : `${picture}<span>${text}</span>`;
}
