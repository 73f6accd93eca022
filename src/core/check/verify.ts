import { type FoundLink, eachLink } from '../site/links.ts';
import type { WholeSite } from '../site/whole.ts';

/** What was checked in finished pages, and the links of menus that lead nowhere. */
export interface Verification {
  pages: number;
  menus: number;
  links: number;
  dead: { page: string; href: string }[];
}

/** Whether every link of every menu of Kamino's leads to its page. */
export function verified(site: WholeSite): Verification {
  const ours: FoundLink[] = [];
  eachLink(site, (link, end, page) => {
    if (link.menu !== null) ours.push({ page, link, end });
  });
  const menus = new Set(
    ours.map(({ link, page }) => `${link.menu!} ${page.frame.path}`).filter(one => !one.startsWith('skip ')),
  );
  const leads = new Set(['page', 'file', 'away']);
  const dead = ours.filter(({ end }) => !leads.has(end.kind));
  return {
    pages: site.pages.size,
    menus: menus.size,
    links: ours.length,
    dead: dead.map(({ page, link }) => ({ page: page.frame.path, href: link.href })),
  };
}
