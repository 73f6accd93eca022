import { allPages, nearestName, pagesNamed } from '../core/manual/index.ts';
import { pageText } from '../core/manual/text.ts';
import type { ManualPage } from '../core/manual/types.ts';
import { type Paint, plain } from '../core/text/render.ts';

export interface ExplainResult {
  status: 0 | 2;
  pages: ManualPage[];
  /** As a terminal shows them. */
  text: string;
  /** Where there is no such page: the name that was most likely meant. */
  near: string | null;
}

/** The pages of the manual for a plan key, a rule or a word. */
export function explain(name: string, paint: Paint = plain): ExplainResult {
  const pages = pagesNamed(name);
  if (pages.length === 0) return { status: 2, pages, text: '', near: nearestName(name) };
  return { status: 0, pages, text: pages.map(page => pageText(page, paint)).join('\n\n'), near: null };
}

/** The names of all pages, by kind. */
export function manualNames(): Record<ManualPage['kind'], string[]> {
  const names: Record<ManualPage['kind'], string[]> = { topic: [], word: [], trade: [], key: [], rule: [] };
  for (const { kind, name } of allPages()) if (!names[kind].includes(name)) names[kind].push(name);
  return names;
}
