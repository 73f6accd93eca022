import type { SitePath } from '../address/path.ts';
import { type Raw, trimAscii } from '../text/bytes.ts';
import { charsetOf } from '../text/charset.ts';
import { type Finding, finding } from '../text/finding.ts';
import { counted } from '../text/nearest.ts';
import { placeInRaw } from '../text/place.ts';
import { inlayAttribute, parts as classes } from '../markup/names.ts';
import { resealed, withoutSpace } from '../markup/seal.ts';
import { type Inlaid, findInlaid, findMarks } from './find.ts';

/**
 * What somebody has changed of what Kamino put into a page, at the place where it first differs from what would be put in
 * now; null where nothing is changed, or is as it would be.
 * @param made what would be put in
 */
export function editedInside(path: SitePath, there: Raw, made: readonly Raw[]): Finding | null {
  const edited = findInlaid(there).filter(one => one.isEdited);
  if (edited.length === 0) return null;
  const wanted = made.map(withoutSpace);
  const part = edited.find(one => !wanted.includes(withoutSpace(there.slice(one.start, one.end))));
  if (!part) return null;
  if (part.lacks !== null)
    return endTagGone({
      path,
      raw: there,
      part,
      remedy: 'or build with --overwrite to take it out and anew',
    });
  const text = there.slice(part.start, part.end);
  const expected = resealed(made.find(one => nameIn(one) === part.name) ?? '', text);
  const same = sameLength(text, expected);
  const line = /[^\r\n]*/.exec(expected.slice(expected.lastIndexOf('\n', same) + 1))![0].trim();
  return editedPart({
    path,
    raw: there,
    part,
    same,
    remedy: `Kamino would write  ${line || 'nothing here'}\nTake the edit over into the plan, or build with --overwrite to lose it.`,
  });
}

/** The same for a page whose menus are to be taken out. */
export function editedParts(path: SitePath, raw: Raw): Finding | null {
  const part = findInlaid(raw).find(one => one.isEdited);
  if (!part) return null;
  const remedy = 'with --overwrite to take it out all the same, or with --keep-menus to keep it';
  return part.lacks === null
    ? editedPart({ path, raw, part, same: 0, remedy: `Lift ${remedy}.` })
    : endTagGone({ path, raw, part, remedy: `or lift ${remedy}` });
}

interface Edited {
  path: SitePath;
  raw: Raw;
  part: Inlaid;
  remedy: string;
}

function editedPart({ path, raw, part, same, remedy }: Edited & { same: number }): Finding {
  const offset = Math.min(part.start + same, part.end - 1);
  const lineEnd = raw.slice(offset).search(/[\r\n]/);
  const end = same === 0 ? part.start + 4 : lineEnd < 0 ? part.end : offset + Math.max(1, lineEnd);
  return finding(
    'edited-inside',
    placeIn(path, raw, offset, end),
    'someone has edited this menu by hand; the page was left alone',
    remedy,
  );
}

function endTagGone({ path, raw, part, remedy }: Edited): Finding {
  const at = part.start + trimAscii(raw.slice(part.start, part.end)).length - 1;
  return finding(
    'edited-inside',
    placeIn(path, raw, at, at + 1),
    `the end tag \`${part.lacks!}\` of ${part.name === null ? 'this' : `\`${part.name}\``} is gone: it would have to stand behind this; the page was left alone`,
    `Write it there again, ${remedy}.`,
  );
}

/** Marks of Kamino's on tags that it did not write. They stay as they are. */
export function foreignMark(path: SitePath, raw: Raw): Finding[] {
  const { foreign } = findMarks(raw);
  const [first] = foreign;
  if (!first) return [];
  const others = foreign.length === 1 ? '' : `, and ${counted(foreign.length - 1, 'other')} of this page`;
  return [
    finding(
      'foreign-mark',
      placeIn(path, raw, first.start, first.end),
      `this tag has a mark of Kamino’s, and Kamino did not write it so; it${others} was left alone`,
      `Give the attribute another name; \`${inlayAttribute}\` marks what Kamino puts in and takes out.`,
    ),
  ];
}

/** What is left of a menu in a page from which the menus were taken, where somebody had edited them. */
export function remains(path: SitePath, raw: Raw): Finding[] {
  const all = [...raw.matchAll(/<[a-z][^<>]*\sclass="([^"<>]*)"/gi)].filter(([, names]) =>
    names!.split(/\s+/).some(name => ownClasses.has(name)),
  );
  const [first] = all;
  if (!first) return [];
  return [
    finding(
      'menu-remains',
      placeIn(path, raw, first.index, first.index + first[0].length),
      `${counted(all.length, 'tag')} of a menu ${all.length === 1 ? 'is' : 'are'} left in this page: it had been edited so that its end is not sure`,
      'Take out by hand what is left from here on.',
    ),
  ];
}

const ownClasses: ReadonlySet<string> = new Set(Object.values(classes));

function nameIn(text: Raw): string | null {
  return new RegExp(` ${inlayAttribute}="([^"]*)"`).exec(text)?.[1] ?? null;
}

function sameLength(one: string, other: string): number {
  let same = 0;
  while (same < one.length && one[same] === other[same]) same += 1;
  return same;
}

function placeIn(path: SitePath, raw: Raw, ...[start, end]: [start: number, end: number]): Finding['place'] {
  return placeInRaw({ path, raw, charset: charsetOf(raw, 'utf-8') }, start, end);
}
