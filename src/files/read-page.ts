import type { SitePath } from '../core/address/path.ts';
import { handMenus } from '../core/hand/candidates.ts';
import { keptMenus } from '../core/hand/kept.ts';
import type { HandMenu } from '../core/hand/types.ts';
import type { FullPage } from '../core/page/content.ts';
import { keptPage, withoutRaw } from '../core/page/kept.ts';
import { readWithTree } from '../core/page/full.ts';
import type { Tree } from '../core/page/tree.ts';
import type { Raw } from '../core/text/bytes.ts';
import type { Own } from '../core/text/own.ts';
import { unreadable } from '../core/text/charset.ts';

/** A page as it was read whole, or why it cannot be. */
export type ReadPage = { page: FullPage; menus: readonly HandMenu[] } | { why: string };

const nothing = (): void => undefined;

/** @param see looks at the page while its tree is there */
export function readPage(
  path: SitePath,
  raw: Raw,
  see: (page: FullPage, tree: Tree) => void = nothing,
): ReadPage {
  const { page, tree } = readWithTree(path, raw);
  const why = unreadable(raw, page.frame.charset);
  if (why !== null) return { why };
  see(page, tree);
  return { page, menus: handMenus(tree, path) };
}

/** For another thread, which has the file. */
export function withoutBytes(read: ReadPage): ReadPage {
  return 'why' in read ? read : { ...read, page: withoutRaw(read.page) };
}

/** As it is kept beside many others. @param raw gives its bytes again */
export function kept(read: ReadPage, raw: () => Raw, own: Own): ReadPage {
  return 'why' in read ? read : { page: keptPage(read.page, raw, own), menus: keptMenus(read.menus, own) };
}
