import { csv } from './csv.ts';
import { json } from './json.ts';
import { markdown } from './markdown.ts';
import { opml } from './opml.ts';
import type { OutlineFormat } from './types.ts';

export type OutlineName = 'markdown' | 'opml' | 'csv' | 'json';

/** The formats that are both written and read. */
export const outlineFormats: Record<OutlineName, OutlineFormat> = { markdown, opml, csv, json };

/** The format of a file by its name and content; null where it is none. */
export function outlineFormatOf(file: string, text: string): OutlineName | 'sitemap' | null {
  const ending = /\.([a-z]+)$/i.exec(file)?.[1]?.toLowerCase();
  switch (ending) {
    case 'md':
    case 'markdown':
      return 'markdown';
    case 'csv':
    case 'json':
    case 'opml':
      return ending;
    case 'xml':
      return /<opml[\s>]/i.test(text) ? 'opml' : 'sitemap';
    default:
      return null;
  }
}
