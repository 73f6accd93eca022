import type { SitePath } from '../address/path.ts';
import type { Raw } from '../text/bytes.ts';
import { charsetOf } from '../text/charset.ts';
import { type Finding, finding } from '../text/finding.ts';
import { placeInRaw } from '../text/place.ts';
import { type Inlaid, findInlaid } from './lift.ts';

/**
 * What somebody has changed of what Kamino put into a page, at the place where it first differs from what would be put in
 * now; null where it is as it would be.
 */
export function editedInside(path: SitePath, there: Raw, made: Raw): Finding | null {
  const wanted = findInlaid(made).map(({ start, end }) => made.slice(start, end));
  const parts = findInlaid(there);
  const at = parts.findIndex(({ start, end }, number) => there.slice(start, end) !== wanted[number]);
  const part = parts[at];
  if (!part) return null;
  const expected = wanted[at] ?? '';
  const same = sameLength(there.slice(part.start, part.end), expected);
  const line = /[^\r\n]*/.exec(expected.slice(expected.lastIndexOf('\n', same) + 1))![0].trim();
  return finding(
    'edited-inside',
    placeOf(path, there, { part, same }),
    'someone has edited this menu by hand; the page was left alone',
    `Kamino would write  ${line || 'nothing here'}\nTake the edit over into the plan, or build with --overwrite to lose it.`,
  );
}

function placeOf(path: SitePath, raw: Raw, { part, same }: { part: Inlaid; same: number }): Finding['place'] {
  const offset = Math.min(part.start + same, part.end - 1);
  const lineEnd = raw.slice(offset).search(/[\r\n]/);
  return placeInRaw(
    { path, raw, charset: charsetOf(raw, 'utf-8') },
    offset,
    lineEnd < 0 ? part.end : offset + Math.max(1, lineEnd),
  );
}

function sameLength(one: string, other: string): number {
  let same = 0;
  while (same < one.length && one[same] === other[same]) same += 1;
  return same;
}
