import type { SitePath } from '../core/address/path.ts';
import { handMenus } from '../core/hand/candidates.ts';
import { readMenus, writeMenus } from '../core/hand/kept.ts';
import type { HandMenu } from '../core/hand/types.ts';
import type { FullPage } from '../core/page/content.ts';
import { KeptPage, keptFrame, writePage } from '../core/page/kept.ts';
import { readWithTree } from '../core/page/full.ts';
import type { Tree } from '../core/page/tree.ts';
import type { Frame } from '../core/page/types.ts';
import type { Raw } from '../core/text/bytes.ts';
import { unreadable } from '../core/text/charset.ts';
import { NumberReader, NumberWriter } from '../core/text/numbers.ts';
import type { NumberedTexts, Texts } from '../core/text/texts.ts';

/** A page as it was read whole, or why it cannot be. */
export type ReadPage = { page: FullPage; menus: readonly HandMenu[] } | { why: string };

/** The same as it is kept and handed from thread to thread. */
export type PageInNumbers = { frame: Frame; numbers: Int32Array } | { why: string };

const nothing = (): void => undefined;

/** @param see looks at the page while its tree is there */
export function readPage(
  { path, raw, texts }: { path: SitePath; raw: Raw; texts: Texts },
  see: (page: FullPage, tree: Tree) => void = nothing,
): PageInNumbers {
  const { page, tree } = readWithTree(path, raw);
  const why = unreadable(raw, page.frame.charset);
  if (why !== null) return { why };
  see(page, tree);
  const writer = new NumberWriter(texts);
  writePage(page, writer);
  writeMenus(handMenus(tree, path), writer);
  return { frame: keptFrame(page.frame, texts.own), numbers: writer.all };
}

/** The page as others know it. @param raw gives its bytes again */
export function kept(read: PageInNumbers, texts: NumberedTexts, raw: () => Raw): ReadPage {
  if ('why' in read) return read;
  const from = new NumberReader(read.numbers, texts);
  return { page: new KeptPage(read.frame, from, raw), menus: readMenus(from) };
}
