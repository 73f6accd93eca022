import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { ComputedLook } from '../core/draft/old-look.ts';
import { splice } from '../core/text/bytes.ts';
import { type Looking, dumpPage, leftIn } from './dump.ts';

/**
 * The look of a menu as a browser computes it, from a copy of its page in a temporary folder.
 * @param raw the page, and `start` the byte offset of the menu's first tag in it
 * @returns null where the browser gives none
 */
export function computedLook(
  { browser, script }: Looking,
  { file, raw }: { file: string; raw: string },
  {
    start,
    name,
    headPoint,
    bodyPoint,
  }: { start: number; name: string; headPoint: number; bodyPoint: number },
): ComputedLook | null {
  const folder = mkdtempSync(join(tmpdir(), 'kamino-look-'));
  try {
    const spans = [
      { at: headPoint, text: `<base href="${pathToFileURL(dirname(file)).href}/">` },
      { at: bodyPoint, text: `<script>${script}</script>` },
      { at: start + 1 + name.length, text: ' data-kamino-probe' },
    ];
    const copy = join(folder, 'page.html');
    writeFileSync(
      copy,
      splice(
        raw,
        spans.sort((one, other) => one.at - other.at),
      ),
      'latin1',
    );
    const markup = dumpPage(browser, copy, { profile: join(folder, 'profile') });
    return leftIn(markup, 'data-kamino-look') as ComputedLook | null;
  } catch {
    return null;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
