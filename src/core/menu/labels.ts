import { type SitePath, folderOf, isIndex, nameOf } from '../address/path.ts';
import { spaced } from '../text/names.ts';
import type { LabelSource } from '../plan/types.ts';
import type { PageWords } from '../target/facts.ts';

/** What stands between the parts of a title. */
const separators = /\s+[|–—·•:»«›‹~-]+\s+|:\s+/u;

/**
 * The part that most titles share, with its separator, such as ` | Brackenfold` or ` (Brackenfold)`: at the end or the start of more
 * than half of them, and of at least two. Null where there is none.
 */
export function sharedPart(titles: readonly string[]): string | null {
  const counts = new Map<string, number>();
  for (const title of titles)
    for (const part of edgeParts(title)) counts.set(part, (counts.get(part) ?? 0) + 1);
  let best: string | null = null;
  for (const [part, count] of counts) {
    if (count < 2 || count * 2 <= titles.length) continue;
    if (
      best === null ||
      count > counts.get(best)! ||
      (count === counts.get(best) && part.length > best.length)
    )
      best = part;
  }
  return best;
}

/** The title without that part; the whole title where nothing else would be left. */
function withoutPart(title: string, part: string | null): string {
  if (part === null) return title;
  const rest = title.endsWith(part)
    ? title.slice(0, -part.length)
    : title.startsWith(part)
      ? title.slice(part.length)
      : title;
  return rest.trim() === '' ? title : rest.trim();
}

/** An entry's label from its page, or null where the page has no such words. */
export function labelOf(
  path: SitePath,
  words: PageWords | undefined,
  source: Pick<LabelSource, 'from' | 'cut'>,
  shared: string | null,
): string | null {
  if (source.from === 'file') return fileLabel(path);
  if (source.from === 'heading' && words?.heading) return words.heading;
  return words?.title ? withoutPart(words.title, source.cut ?? shared) : null;
}

/** `visit/getting-here.html` as `Getting here`, an index page by its folder. */
export function fileLabel(path: SitePath): string {
  const name =
    isIndex(path) && folderOf(path) !== '' ? nameOf(folderOf(path)) : nameOf(path).replace(/\.[^.]+$/, '');
  return spaced(name);
}

function edgeParts(title: string): string[] {
  const global = new RegExp(separators.source, 'gu');
  const found = [...title.matchAll(global)].filter(match => !isInBrackets(title, match.index));
  const brackets = /\s+\([^()]+\)$/.exec(title)?.[0];
  const ends = [...found.map(match => title.slice(match.index)), ...(brackets ? [brackets] : [])];
  const [first] = found;
  return first ? [...ends, title.slice(0, first.index + first[0].length)] : ends;
}

function isInBrackets(title: string, at: number): boolean {
  const before = title.slice(0, at);
  return before.lastIndexOf('(') > before.lastIndexOf(')');
}
