import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileOf } from '../core/check/rules/outranked.ts';
import { type StyleRule, readStyles, sheetsOf } from '../core/site/styles.ts';
import { readTree } from '../core/site/tree.ts';
import type { WholeSite } from '../core/site/whole.ts';
import { Source } from '../core/text/source.ts';

/** The rules of all style sheets of a site that its pages link to, but for those that Kamino linked. */
export function siteStyles(root: string, site: WholeSite): Map<string, StyleRule[]> {
  const styles = new Map<string, StyleRule[]>();
  for (const [path, { frame }] of site.pages) {
    const sheets = sheetsOf(readTree(frame.raw, frame.charset, true));
    for (const sheet of sheets) {
      if (sheet.kind !== 'file' || sheet.isOurs) continue;
      for (const file of fileOf(sheet, path)) {
        if (styles.has(file) || !site.files.has(file)) continue;
        styles.set(file, readStyles(new Source(file, readFileSync(join(root, file), 'utf8'))));
      }
    }
  }
  return styles;
}
