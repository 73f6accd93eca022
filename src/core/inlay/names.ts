/** The attributes and classes of what Kamino puts into a page; one class for each part. */

export const inlayAttribute = 'data-kamino';
export const idAttribute = 'data-kamino-id';
export const entryAttribute = 'data-kamino-entry';
export const depthAttribute = 'data-kamino-depth';

export const parts = {
  menu: 'kamino',
  bar: 'kamino-bar',
  column: 'kamino-column',
  plain: 'kamino-plain',
  room: 'kamino-room',
  home: 'kamino-home',
  list: 'kamino-list',
  entry: 'kamino-entry',
  link: 'kamino-link',
  opener: 'kamino-opener',
  submenu: 'kamino-submenu',
  toggle: 'kamino-toggle',
  highlight: 'kamino-highlight',
  within: 'kamino-within',
  skip: 'kamino-skip',
} as const;

/** What a part of a page that is no menu says in `data-kamino`. */
export const reserved = { style: 'style', script: 'script', skip: 'skip', top: 'top' } as const;
