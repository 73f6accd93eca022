import { type SitePath, normalizePath } from '../address/path.ts';
import { compare } from '../text/finding.ts';

/** The SHA-256 of each file, in hexadecimal, by its path. */
export type Sums = ReadonlyMap<SitePath, string>;

/** What an upload has to do, against what is there. */
export interface Difference {
  created: SitePath[];
  changed: SitePath[];
  same: SitePath[];
  gone: SitePath[];
}

/** What was packed before. */
export interface Earlier {
  /** What an earlier list says. */
  known: Sums;
  /** What is there now: for an archive the same. */
  there: Sums;
  /** What the difference is told against. */
  told: Sums;
}

/**
 * A list of sums as `sha256sum` writes and checks it (GNU coreutils: a backslash before the line says that the name has
 * `\\`, `\n` or `\r` written so).
 */
export function writtenSums(sums: Sums): string {
  return [...sums]
    .sort(([one], [other]) => compare(one, other))
    .map(([path, sum]) => {
      const escaped = path.replace(/[\\\n\r]/g, letter => escapes[letter]!);
      return `${escaped === path ? '' : '\\'}${sum}  ${escaped}\n`;
    })
    .join('');
}

const escapes: Readonly<Record<string, string>> = { '\\': '\\\\', '\n': '\\n', '\r': '\\r' };
const meant: Readonly<Record<string, string>> = { '\\': '\\', n: '\n', r: '\r' };

/** The line at which a text is no such list. */
export interface BadLine {
  line: number;
}

export function readSums(text: string): Sums | BadLine {
  const sums = new Map<SitePath, string>();
  const lines = text.replace(/^\ufeff/, '').split(/\r?\n/);
  for (const [at, line] of lines.entries()) {
    if (line === '') continue;
    const match = /^(\\?)([0-9a-f]{64}) [ *](.+)$/i.exec(line);
    if (!match) return { line: at + 1 };
    const [, escaped, sum, name] = match as unknown as [string, string, string, string];
    const path = escaped === '' ? name : name.replace(/\\([\\nr])/g, (_, letter: string) => meant[letter]!);
    const plain = path.replace(/^\.\//, '');
    // A list may come from anybody: it names nothing outside of its folder.
    if (/\0|^\/|^[a-z]:/i.test(plain) || normalizePath(plain) !== plain.normalize('NFC'))
      return { line: at + 1 };
    sums.set(plain, sum.toLowerCase());
  }
  return sums;
}

export function differenceOf(now: Sums, earlier: Sums): Difference {
  const found: Difference = { created: [], changed: [], same: [], gone: [] };
  for (const [path, sum] of now) {
    const old = earlier.get(path);
    found[old === undefined ? 'created' : old === sum ? 'same' : 'changed'].push(path);
  }
  for (const path of earlier.keys()) if (!now.has(path)) found.gone.push(path);
  for (const paths of Object.values(found) as SitePath[][]) paths.sort(compare);
  return found;
}

/** What was packed earlier and is gone now: what is there as it was then, and what somebody has changed. */
export function goneFrom(now: Sums, { known, there }: Pick<Earlier, 'known' | 'there'>): Gone {
  const gone = [...known.keys()].filter(path => !now.has(path) && there.has(path)).sort();
  const isSame = (path: SitePath): boolean => there.get(path) === known.get(path);
  return { same: gone.filter(isSame), changed: gone.filter(path => !isSame(path)) };
}

export interface Gone {
  same: SitePath[];
  changed: SitePath[];
}

/** What a folder holds once it was packed into: what is packed now, and what was before and stays. */
export function sumsThere(
  now: Sums,
  { known, there }: Pick<Earlier, 'known' | 'there'>,
  deleted: readonly SitePath[],
): Sums {
  const gone = new Set(deleted);
  const left = [...known].filter(([path]) => there.has(path) && !gone.has(path));
  return new Map([...left, ...now]);
}
