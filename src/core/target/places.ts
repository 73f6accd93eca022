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
export type MailPlace = { kind: 'mail' } & Outside;
export type PhonePlace = { kind: 'phone' } & Outside;

/** A piece of HTML, which is there itself. */
export type InsertPlace = { kind: 'insert'; html: string };

/** The counterparts of pages in another language; its front page for all others. */
export type LanguagePlace = {
  kind: 'language';
  tag: string;
  counterparts: Readonly<Record<SitePath, SitePath>>;
  front: SitePath;
};

/** The entry only opens. */
export type NonePlace = { kind: 'none' };

/** Where a path or an address may lead. */
export type Place = PagePlace | FilePlace | SectionPlace | UrlPlace;
