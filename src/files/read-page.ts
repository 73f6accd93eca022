import type { SitePath } from '../core/address/path.ts';
import { handMenus } from '../core/hand/candidates.ts';
import { readMenus, writeMenus } from '../core/hand/kept.ts';
import type { HandMenu } from '../core/hand/types.ts';
import type { FullPage } from '../core/page/content.ts';
import { type FrameFacts, KeptPage, keptFrame, writePage } from '../core/page/kept.ts';
import { TableRoom } from '../core/page/table-room.ts';
import { readWithTree } from '../core/page/full.ts';
import type { Tree } from '../core/page/tree.ts';
import type { Raw } from '../core/text/bytes.ts';
import { unreadable } from '../core/text/charset.ts';
import { NumberReader, type NumberWriter } from '../core/text/numbers.ts';
import type { NumberedTexts } from '../core/text/texts.ts';

/** A page as it was read whole, or why it cannot be. */
export type ReadPage = { page: FullPage; menus: readonly HandMenu[] } | { why: string };

/** The same as it is kept and handed from thread to thread. */
export type PageInNumbers = { frame: FrameFacts; numbers: Uint8Array } | { why: string };

const nothing = (): void => undefined;
/** Of the pages one after another. */
const room = new TableRoom();

/** @param see looks at the page while its tree is there */
export function readPage(
  { path, raw, writer }: { path: SitePath; raw: Raw; writer: NumberWriter },
  see: (page: FullPage, tree: Tree) => void = nothing,
): PageInNumbers {
  const { page, tree } = readWithTree(path, raw, room);
  const why = unreadable(raw, page.frame.charset);
  if (why !== null) return { why };
  see(page, tree);
  const menus = handMenus(tree, path);
  writePage(page, writer);
  writeMenus(menus, writer);
  return { frame: keptFrame(page.frame, writer.texts.own), numbers: writer.take() };
}

/** The page as others know it. @param raw gives its bytes again */
export function kept(read: PageInNumbers, texts: NumberedTexts, raw: () => Raw): ReadPage {
  if ('why' in read) return read;
  const from = new NumberReader(read.numbers, texts);
  return { page: new KeptPage(read.frame, from, raw), menus: readMenus(from) };
}
