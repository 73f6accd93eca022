import { type SitePath, folderOf } from './path.ts';

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
      : own.map(path => plainPattern(path));
  return [...direct, ...below.flatMap(one => one.make())];
}

function allIn({ pages, folders }: Folder): SitePath[] {
  return [...pages, ...[...folders.values()].flatMap(allIn)];
}

/** A path as a pattern: what means something in patterns stands for any sign. */
function plainPattern(path: SitePath): string {
  return path.replace(/[[\]{}()*?\\]/g, '?');
}
