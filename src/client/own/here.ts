import {
  atAttribute,
  coversAttribute,
  entryAttribute,
  hereAttribute,
  parts,
} from '../../core/markup/names.ts';

/** Marks the entries of menus that do not know their page: by what its template says, else by its address. */
type Entry = HTMLElement;

/** An address without what servers add or leave out: `/visit/index.html`, `/visit/` and `/visit` are one page. */
const plain = (path: string): string =>
  decoded(path)
    .replace(/(?:index)?\.html?$/i, '')
    .replace(/\/$/, '');

function decoded(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    return path;
  }
}

const entryOf = (node: Element | null): Entry | null => node?.closest<Entry>(`.${parts.entry}`) ?? null;

/** What lies above an entry in its menu, from the inside on. */
function above(entry: Entry): Entry[] {
  const found: Entry[] = [];
  for (let one = entryOf(entry.parentElement); one; one = entryOf(one.parentElement)) found.push(one);
  return found;
}

const linkOf = (entry: Entry): HTMLAnchorElement | null => entry.querySelector<HTMLAnchorElement>(':scope>a');

function markWithin(entry: Entry): void {
  if (linkOf(entry)?.ariaCurrent) return;
  entry.classList.add(parts.within);
  open(entry);
}

/** In a column the branch of this page lies open: there openers do not close each other. */
function open(entry: Entry): void {
  const opener = entry.querySelector<HTMLDetailsElement>(`:scope>.${parts.opener}:not([name])`);
  if (opener) opener.open = true;
}

function markCurrent(link: HTMLAnchorElement, isText: boolean): void {
  link.ariaCurrent = 'page';
  const entry = entryOf(link);
  if (entry) {
    entry.classList.remove(parts.within);
    open(entry);
    above(entry).forEach(markWithin);
  }
  if (isText && !link.hash) link.removeAttribute('href');
}

/** Links that lead to this page; one to a section of it stands for the page where no other does. */
function linksHere(menu: Element): HTMLAnchorElement[] {
  const here = [...menu.querySelectorAll<HTMLAnchorElement>(`a.${parts.link}`)].filter(
    one => one.host === location.host && plain(one.pathname) === plain(location.pathname),
  );
  const pages = here.filter(one => !one.hash);
  if (pages.length > 0) return pages;
  return here.length === 1 ? here : [];
}

function mark(menu: HTMLElement): void {
  const isText = menu.getAttribute(hereAttribute) === 'text';
  const entries = [...menu.querySelectorAll<Entry>(`.${parts.entry}`)];
  const said = menu.closest(`[${atAttribute}]`)?.getAttribute(atAttribute)?.split(/\s+/).filter(Boolean);
  if (said) {
    const named = entries.filter(one => said.includes(one.getAttribute(entryAttribute)!));
    for (const one of named) {
      const link = linkOf(one);
      const isHere = link && !link.hash && plain(link.pathname) === plain(location.pathname);
      if (isHere) markCurrent(link, isText);
      else [one, ...above(one)].forEach(markWithin);
    }
    return;
  }
  const links = linksHere(menu);
  const home = menu.querySelector<HTMLAnchorElement>(`.${parts.home}`);
  if (links.length === 0 && home && plain(home.pathname) === plain(location.pathname))
    home.ariaCurrent = 'page';
  for (const one of links) markCurrent(one, isText);
  const covering = entries.filter(one => covers(one, location.pathname));
  for (const one of covering) [one, ...above(one)].forEach(markWithin);
  if (links.length + covering.length > 0) return;
  const deepest = folderEntry(entries, home);
  if (deepest) [deepest, ...above(deepest)].forEach(markWithin);
}

function covers(entry: Entry, path: string): boolean {
  const pattern = entry.getAttribute(coversAttribute);
  return pattern !== null && new RegExp(pattern).test(decoded(path));
}

/** The entry whose page is the index of the innermost folder above this page; not the front page. */
function folderEntry(entries: readonly Entry[], home: HTMLAnchorElement | null): Entry | null {
  const front = home ? plain(home.pathname) : '';
  let [found, longest]: [Entry | null, number] = [null, 0];
  for (const one of entries) {
    const link = linkOf(one);
    if (!link || link.host !== location.host || !/\/(?:index\.html?)?$/i.test(link.pathname)) continue;
    const folder = plain(link.pathname);
    const isAbove = plain(location.pathname).startsWith(`${folder}/`);
    if (isAbove && folder !== front && folder.length > longest) [found, longest] = [one, folder.length];
  }
  return found;
}

for (const menu of document.querySelectorAll<HTMLElement>(`[${hereAttribute}]`)) mark(menu);
