import type { SitePath } from '../address/path.ts';

export type PagePlace = { kind: 'page'; path: SitePath };
export type FilePlace = { kind: 'file'; path: SitePath };

/** That a place is a panel: of this group, and whether it is the one shown first. */
export interface PanelMark {
  group: string;
  isFirst: boolean;
}

/** A place in a page; null for the page that carries the menu. */
export type SectionPlace = { kind: 'section'; path: SitePath | null; id: string; panel?: PanelMark };

/** A place outside the site, by its address, ready for an `href`. */
export interface Outside {
  url: string;
}
export type UrlPlace = { kind: 'url' } & Outside;

/** Where a path or an address may lead. */
export type Place = PagePlace | FilePlace | SectionPlace | UrlPlace;
