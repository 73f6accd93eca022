import { type SitePath, folderOf, nameOf } from './path.ts';

/** Few patterns that match these pages of a site, and no other page of it. */
export function patternsOf(wanted: ReadonlySet<SitePath>, all: Iterable<SitePath>): string[] {
  const root: Folder = { pages: [], folders: new Map() };
  for (const path of [...all].sort()) folderAt(root, folderOf(path)).pages.push(path);
  return patternsIn(root, '', wanted);
}

/** Which pages carry something: by patterns of them, or by those of the others, whichever are fewer. */
export function carriersOf(
  wanted: ReadonlySet<SitePath>,
  all: ReadonlySet<SitePath>,
): { carriedBy: string[] | null; except: string[] } {
  const others = new Set([...all].filter(path => !wanted.has(path)));
  if (others.size === 0) return { carriedBy: null, except: [] };
  const [carriedBy, except] = [patternsOf(wanted, all), patternsOf(others, all)];
  return except.length < carriedBy.length ? { carriedBy: null, except } : { carriedBy, except: [] };
}

interface Folder {
  pages: SitePath[];
  folders: Map<string, Folder>;
}

function folderAt(root: Folder, path: string): Folder {
  let at = root;
  for (const name of path === '' ? [] : path.split('/')) {
    const next = at.folders.get(name) ?? { pages: [], folders: new Map<string, Folder>() };
    at.folders.set(name, next);
    at = next;
  }
  return at;
}

function patternsIn(folder: Folder, prefix: string, wanted: ReadonlySet<SitePath>): string[] {
  const own = folder.pages.filter(path => wanted.has(path));
  const below = [...folder.folders].map(([name, one]) => ({
    all: allIn(one),
    make: () => patternsIn(one, `${prefix}${name}/`, wanted),
  }));
  const isWhole =
    own.length === folder.pages.length && below.every(({ all }) => all.every(path => wanted.has(path)));
  if (isWhole && (prefix !== '' || own.length + below.length > 0)) return [`${prefix}**`];
  const direct =
    own.length === folder.pages.length && own.length > 1
      ? [`${prefix}*`]
      : alikePatterns(
          own,
          folder.pages.filter(path => !wanted.has(path)),
        );
  return [...direct, ...below.flatMap(one => one.make())];
}

/** Fewer pages are named one by one. */
const fewPages = 4;
const mostPatterns = 12;

/** Patterns of many pages of a folder by what their names begin or end with, where no other one does; the rest by name. */
function alikePatterns(wanted: readonly SitePath[], others: readonly SitePath[]): string[] {
  const found: string[] = [];
  let rest = [...wanted];
  while (rest.length > fewPages && found.length < mostPatterns) {
    const counts = new Map<string, number>();
    for (const path of rest)
      for (const pattern of patternsFor(path)) counts.set(pattern, (counts.get(pattern) ?? 0) + 1);
    for (const path of others) for (const pattern of patternsFor(path)) counts.delete(pattern);
    const [best] = [...counts].sort(
      ([a, one], [b, other]) => other - one || a.length - b.length || (a < b ? -1 : 1),
    );
    if (!best || best[1] < fewPages) break;
    found.push(best[0]);
    rest = rest.filter(path => !patternsFor(path).includes(best[0]));
  }
  return [...found, ...rest.map(plainPattern)];
}

/** What a name begins and ends with, up to each sign between its words; none with a sign that means something in patterns. */
function patternsFor(path: SitePath): string[] {
  const name = nameOf(path);
  if (plainPattern(path) !== path) return [];
  const folder = path.slice(0, path.length - name.length);
  const end = name.lastIndexOf('.');
  const breaks = [...name.matchAll(/[-_.](?=[a-z0-9])/gi)].map(match => match.index);
  return breaks
    .filter(at => at > 0 && at < end)
    .flatMap(at => [`${folder}*${name.slice(at)}`, `${folder}${name.slice(0, at + 1)}*`]);
}

function allIn({ pages, folders }: Folder): SitePath[] {
  return [...pages, ...[...folders.values()].flatMap(allIn)];
}

/** A path as a pattern: what means something in patterns stands for any sign. */
function plainPattern(path: SitePath): string {
  return path.replace(/[[\]{}()*?\\]/g, '?');
}
