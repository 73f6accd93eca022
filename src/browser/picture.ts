import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { harmfulSpans } from '../core/page/harmless.ts';
import { bytesOf, splice, utf8Raw } from '../core/text/bytes.ts';
import { type Looking, leftIn, withBrowser } from './dump.ts';
import { show } from './showing.ts';

/** A picture (PNG) of a whole page in a window of this width; null where the browser gives none. */
export async function pictureOf(
  { browser, script }: Looking,
  html: string,
  width: number,
): Promise<Uint8Array | null> {
  const folder = mkdtempSync(join(tmpdir(), 'kamino-picture-'));
  const out = join(folder, 'page.png');
  const raw = utf8Raw(html);
  const bare = splice(raw, harmfulSpans(raw, { name: 'utf-8', declared: true }, true));
  const page = (path: string, nonce: string): Uint8Array | null =>
    path === 'page.html' ? bytesOf(`${bare}<script nonce="${nonce}">${script}</script>`) : null;
  try {
    return await show({ page, file: () => null }, address =>
      withBrowser(browser, async open => {
        const markup = await open(`${address}page.html`, ['--dump-dom'], { size: [width, 800], time: 8000 });
        const height = Number(leftIn(markup, 'data-kamino-height')) || 2000;
        const window = { size: [width, height] as const, time: 8000 };
        await open(`${address}page.html`, ['--hide-scrollbars', `--screenshot=${out}`], window);
        return existsSync(out) ? readFileSync(out) : null;
      }),
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
