import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { SeenMenu } from '../core/check/seen.ts';
import { type Looking, dumpPage, leftIn } from './dump.ts';

/** @returns for each page and width in the order given; null where the browser gives nothing */
export function seeMenus(
  { browser, script }: Looking,
  files: readonly string[],
  widths: readonly number[],
): { file: string; width: number; menus: SeenMenu[] }[] | null {
  const folder = mkdtempSync(join(tmpdir(), 'kamino-rooms-'));
  try {
    const frames = files.flatMap(file =>
      widths.map(
        width => `<iframe src="${pathToFileURL(file).href}" width="${width}" height="800"></iframe>`,
      ),
    );
    const sheet = join(folder, 'rooms.html');
    writeFileSync(
      sheet,
      `<!doctype html><meta charset="utf-8"><style>iframe{border:0}</style>${frames.join('')}<script>${script}</script>`,
    );
    const markup = dumpPage(browser, sheet, {
      profile: join(folder, 'profile'),
      size: [2400, 2400],
      time: 8000,
    });
    const seen = leftIn(markup, 'data-kamino-rooms') as SeenMenu[][] | null;
    if (seen === null) return null;
    return files.flatMap((file, at) =>
      widths.map((width, column) => ({ file, width, menus: seen[at * widths.length + column] ?? [] })),
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
