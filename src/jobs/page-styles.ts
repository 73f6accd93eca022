import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileOf } from '../core/check/rules/outranked.ts';
import { readFrame } from '../core/site/frame.ts';
import { type StyleRule, inlineRules, readStyles, sheetsOf } from '../core/site/styles.ts';
import { type Tree, readTree } from '../core/site/tree.ts';
import { nothingWanted } from '../core/site/wanted.ts';
import { rawOf } from '../core/text/bytes.ts';
import { Source } from '../core/text/source.ts';
import type { OpenSite } from './project.ts';

/** The style sheets that pages of a site have, but for Kamino’s. */
export class PageStyles {
  readonly #site: OpenSite;
  readonly #sheets = new Map<string, { text: string; rules: StyleRule[] }>();

  constructor(site: OpenSite) {
    this.#site = site;
  }

  /** A page as a tree; null where it cannot be read. */
  tree(page: string): Tree | null {
    try {
      const raw = rawOf(readFileSync(join(this.#site.root, this.#site.onDisk.get(page) ?? page)));
      return readTree(raw, readFrame(page, raw, nothingWanted).charset, true);
    } catch {
      return null;
    }
  }

  /** In the order of the page, with what stands in the page itself last. */
  rules(page: string, tree: Tree): StyleRule[] {
    return [...this.#files(page, tree).flatMap(file => this.#sheet(file).rules), ...inlineRules(page, tree)];
  }

  /** The text of each, with the file that it stands in. */
  texts(page: string, tree: Tree): { file: string; text: string }[] {
    const inside = sheetsOf(tree).flatMap(sheet =>
      sheet.kind === 'inside' ? [{ file: page, text: tree.raw.slice(sheet.start, sheet.end) }] : [],
    );
    return [...this.#files(page, tree).map(file => ({ file, text: this.#sheet(file).text })), ...inside];
  }

  #files(page: string, tree: Tree): string[] {
    return sheetsOf(tree).flatMap(sheet =>
      sheet.kind === 'file' && !sheet.isOurs
        ? fileOf(sheet, page).filter(file => this.#site.facts.files.has(file))
        : [],
    );
  }

  #sheet(file: string): { text: string; rules: StyleRule[] } {
    const known = this.#sheets.get(file);
    if (known) return known;
    const text = readFileSync(join(this.#site.root, file), 'utf8');
    const made = { text, rules: readStyles(new Source(file, text)) };
    this.#sheets.set(file, made);
    return made;
  }
}
