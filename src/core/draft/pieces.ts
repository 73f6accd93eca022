import { type SitePath, folderOf } from '../address/path.ts';
import type { BesideLinks } from '../page/beside-links.ts';
import type { Tree } from '../page/tree.ts';
import { decode } from '../text/charset.ts';
import { plainName } from '../text/names.ts';
import type { Extent } from './firsts.ts';
import type { DraftEntry, DraftMenu, DraftPiece } from './types.ts';

/** A copy of an old menu as it stands in its page. */
export interface Copy {
  path: SitePath;
  charset: Tree['charset'];
  raw: string;
  extent: Extent;
  selector: string;
}

const mostPieces = 3;

/** Forms and pictures that are the same in every copy, and lead to the same from everywhere; null where there is more, or something else. */
export function piecesIn(copies: readonly Copy[], lost: readonly BesideLinks[][]): DraftPiece[] | null {
  const isAlone = new Set(copies.map(({ path }) => folderOf(path))).size === 1;
  const texts = copies.map(({ raw }, at) => lost[at]!.map(({ start, end }) => raw.slice(start, end).trim()));
  const [first] = texts;
  const isSame = texts.every(one => one.join('\n') === first!.join('\n'));
  const isMovable = (raw: string): boolean =>
    isAlone ||
    ![...raw.matchAll(/\s(?:src|href|action|data|srcset|background)\s*=\s*["']?([^"'\s>]*)/gi)].some(
      match => !/^(?:[a-z]+:|\/|#|$)/i.test(match[1]!),
    );
  const isPiece = lost.every(found => found.every(one => one.what === 'form' || one.what === 'picture'));
  if (!isSame || !isPiece || first!.length > mostPieces || !first!.every(isMovable)) return null;
  const { charset } = copies[0]!;
  return first!.map((raw, at) => ({ html: decode(raw, charset), label: labelOf(lost[0]![at]!, raw) }));
}

function labelOf({ what }: BesideLinks, raw: string): string {
  if (what === 'picture') return /\salt\s*=\s*"([^"]+)"/i.exec(raw)?.[1] ?? 'Picture';
  return /search|seek|find|name\s*=\s*["']?q\b/i.test(raw) ? 'Search' : 'Form';
}

/** The pieces as files of the site that do not exist yet, and as entries. @param name of the menu */
export function piecesToKeep(
  pieces: readonly DraftPiece[],
  name: string,
  files: ReadonlySet<SitePath>,
): { entries: DraftEntry[]; files: DraftMenu['files'] } {
  const kept = pieces.map(({ html, label }, at) => {
    const number = at > 0 ? `-${at + 1}` : '';
    const path = freePath(`parts/${name}-${plainName(label) || 'piece'}${number}.html`, files);
    return { path, html, label };
  });
  return {
    entries: kept.map(({ path, label }) => insertEntry(path, label)),
    files: kept.map(({ path, html }) => ({ path, text: `${html}\n` })),
  };
}

function insertEntry(path: string, label: string): DraftEntry {
  return {
    label,
    target: { key: 'insert', value: path },
    highlight: false,
    mayBeMissing: false,
    entries: [],
  };
}

/** A path that the site has not got yet. */
export function freePath(path: string, files: ReadonlySet<string>): string {
  for (let number = 2, free = path; ; number += 1) {
    if (!files.has(free)) return free;
    free = path.replace(/(?=\.\w+$)/, `-${number}`);
  }
}
