import { pathMatcher } from '../address/glob.ts';
import { type SitePath, folderOf, isIndex, isInside, joinPath } from '../address/path.ts';
import type { Language } from '../plan/types.ts';
import type { SiteFacts } from '../target/facts.ts';

/** Pages that the plan itself names as the same one in several languages. */
export type Counterparts = ReadonlyMap<SitePath, ReadonlyMap<string, SitePath>>;

/** Which language each page of a site is in, and where its counterparts lie. */
export class SiteLanguages {
  readonly all: readonly Language[];
  readonly #site: Pick<SiteFacts, 'pages' | 'files' | 'language'>;
  readonly #named: Counterparts;
  readonly #of = new Map<SitePath, string>();
  readonly #pages = new Map<string, Set<SitePath>>();
  readonly #roots: ReadonlyMap<string, SitePath>;

  /** @param all at least one */
  constructor(
    all: readonly Language[],
    site: Pick<SiteFacts, 'pages' | 'files' | 'language'>,
    named: Counterparts,
  ) {
    this.all = all;
    this.#site = site;
    this.#named = named;
    this.#roots = new Map(all.map(({ tag, pages }) => [tag, rootOf(pages)]));
    const byPattern = all.flatMap(({ tag, pages }) => (pages ? [{ tag, matches: pathMatcher(pages) }] : []));
    const byPage = all.filter(one => one.pages === null);
    for (const page of site.pages) {
      const lang = byPage.length > 1 ? site.language(page) : null;
      const tag =
        byPattern.find(one => one.matches(page))?.tag ??
        (lang === null ? undefined : byPage.find(one => isLanguage(lang, one.tag))?.tag) ??
        (byPage[0] ?? all[0]!).tag;
      this.#of.set(page, tag);
      const pages = this.#pages.get(tag) ?? new Set();
      this.#pages.set(tag, pages.add(page));
    }
  }

  /** The language of each page. */
  get tags(): ReadonlyMap<SitePath, string> {
    return this.#of;
  }

  of(page: SitePath): string {
    return this.#of.get(page) ?? this.all[0]!.tag;
  }

  pagesOf(tag: string): ReadonlySet<SitePath> {
    return this.#pages.get(tag) ?? new Set();
  }

  /** The page or file that stands for this one in a language: the plan's own, else by the same relative path; or null. */
  counterpart(path: SitePath, tag: string): SitePath | null {
    const { pages, files } = this.#site;
    const isPage = pages.has(path);
    if (isPage && this.of(path) === tag) return path;
    const named = this.#named.get(path)?.get(tag);
    if (named !== undefined) return named;
    const [from, to] = [this.#rootAround(path), this.#roots.get(tag)!];
    const other = joinPath(to, from === '' ? path : path.slice(from.length + 1));
    if (other === path) return null;
    return isPage
      ? pages.has(other) && this.of(other) === tag
        ? other
        : null
      : files.has(other)
        ? other
        : null;
  }

  /** The front page of a language: the index in its folder, else its first page; null where it has none. */
  front(tag: string): SitePath | null {
    const root = this.#roots.get(tag)!;
    const pages = [...this.pagesOf(tag)].sort();
    return (
      pages.find(page => isIndex(page) && folderOf(page) === root) ?? pages.find(isIndex) ?? pages[0] ?? null
    );
  }

  /** The folder of the language in which a path lies. */
  #rootAround(path: SitePath): SitePath {
    const roots = [...this.#roots.values()].filter(root => root !== '' && isInside(path, root));
    return roots.sort((one, other) => other.length - one.length)[0] ?? '';
  }
}

/** RFC 4647, 3.3.1: `cy-GB` is `cy`. */
export function isLanguage(declared: string, tag: string): boolean {
  const [one, other] = [declared.trim().toLowerCase(), tag.toLowerCase()];
  return one === other || one.startsWith(`${other}-`);
}

/** The folder that patterns begin with: `cy` of `cy/**`. */
function rootOf(globs: readonly string[] | null): SitePath {
  const steps = (globs?.[0] ?? '')
    .replace(/^\.?\//, '')
    .split('/')
    .slice(0, -1);
  const end = steps.findIndex(step => /[*?{}[\]]/.test(step));
  return (end < 0 ? steps : steps.slice(0, end)).join('/');
}
