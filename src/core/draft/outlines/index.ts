import { csv } from './csv.ts';
import { json } from './json.ts';
import { markdown } from './markdown.ts';
import { opml } from './opml.ts';
import type { OutlineFormat } from './types.ts';

/** The formats that are both written and read. */
export const outlineFormats = { markdown, opml, csv, json } as const satisfies Record<string, OutlineFormat>;

export type OutlineName = keyof typeof outlineFormats;

/** The format of a file by its name and content; null where it is none. A sitemap is read only. */
export function outlineFormatOf(file: string, text: string): OutlineName | 'sitemap' | null {
  const ending = /\.([a-z]+)$/i.exec(file)?.[1]?.toLowerCase() ?? '';
  for (const [name, { endings, isMeant }] of Object.entries(outlineFormats) as [OutlineName, OutlineFormat][])
    if (endings.includes(ending) && (endings[0] === ending || isMeant === null || isMeant(text))) return name;
  return ending === 'xml' ? 'sitemap' : null;
}
