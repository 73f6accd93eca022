import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathMatcher } from '../core/address/glob.ts';
import { deadLinks } from '../core/check/dead-links.ts';
import { readFull } from '../core/site/full.ts';
import { rawOf } from '../core/text/bytes.ts';
import { walkFolder } from '../files/walk.ts';

/** What was checked in finished pages, and the links of menus that lead nowhere. */
export interface Verification {
  pages: number;
  menus: number;
  links: number;
  dead: { page: string; href: string }[];
}

/** Checks that every link of every menu in a folder of finished pages leads to its page. */
export function verify(folder: string): Verification {
  const { files } = walkFolder(folder, () => false);
  const paths = new Set(files.map(file => file.path));
  const isPage = pathMatcher(['**/*.{html,htm}'], true);
  const pages = files
    .filter(file => isPage(file.path))
    .map(({ path }) => readFull(path, rawOf(readFileSync(join(folder, path)))));
  const ids = new Map(pages.map(page => [page.frame.path, new Set(page.ids.map(one => one.id))]));
  const ours = pages.map(page => ({ ...page, links: page.links.filter(link => link.menu !== null) }));
  const dead = ours.flatMap(page => deadLinks(page, paths, path => ids.get(path) ?? null));
  return {
    pages: pages.length,
    menus: ours.reduce(
      (sum, page) => sum + new Set(page.links.map(link => link.menu).filter(name => name !== 'skip')).size,
      0,
    ),
    links: ours.reduce((sum, page) => sum + page.links.length, 0),
    dead: dead.map(({ page, link }) => ({ page, href: link.href })),
  };
}
