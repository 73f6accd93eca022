import type { SeenMenu } from '../core/check/seen.ts';
import { harmfulSpans } from '../core/page/harmless.ts';
import { bytesOf, rawOf, splice } from '../core/text/bytes.ts';
import { charsetOf } from '../core/text/charset.ts';
import { type Looking, leftIn, withBrowser } from './dump.ts';
import { type Exhibits, addressOf, show } from './showing.ts';

/** Finished pages by path, and what gives them their look. */
export interface PagesToSee {
  pages: ReadonlyMap<string, Uint8Array>;
  file: Exhibits['file'];
}

const sheetPath = 'kamino rooms.html';

/** @returns for each page and width in the order given; null where the browser gives nothing */
export async function seeMenus(
  { browser, script }: Looking,
  { pages, file }: PagesToSee,
  widths: readonly number[],
): Promise<{ page: string; width: number; menus: SeenMenu[] }[] | null> {
  const paths = [...pages.keys()];
  const frames = paths.flatMap(path =>
    widths.map(width => `<iframe src="${addressOf(path)}" width="${width}" height="800"></iframe>`),
  );
  const sheet = `<!doctype html><meta charset="utf-8"><style>iframe{border:0}</style>${frames.join('')}`;
  const page = (path: string, nonce: string): Uint8Array | null => {
    if (path === sheetPath) return Buffer.from(`${sheet}<script nonce="${nonce}">${script}</script>`);
    const bytes = pages.get(path);
    return bytes ? bare(bytes) : null;
  };
  const seen = await show({ page, file }, folder =>
    withBrowser(browser, async open => {
      const window = { size: [2400, 2400] as const, time: 8000 };
      const markup = await open(folder + addressOf(sheetPath), ['--dump-dom'], window);
      return leftIn(markup, 'data-kamino-rooms') as SeenMenu[][] | null;
    }),
  );
  if (seen === null) return null;
  return paths.flatMap((path, at) =>
    widths.map((width, column) => ({ page: path, width, menus: seen[at * widths.length + column] ?? [] })),
  );
}

function bare(bytes: Uint8Array): Uint8Array {
  const raw = rawOf(bytes);
  return bytesOf(splice(raw, harmfulSpans(raw, charsetOf(raw, null))));
}
