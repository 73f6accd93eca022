import { type SitePath, folderOf, isIndex, nameOf } from './path.ts';

/**
 * `index.html` in the folder that all pages lie in, else the index page of another name, else the one that has a
 * language in its name.
 */
export function frontPage(pages: ReadonlySet<SitePath>): SitePath | null {
  const folder = folderOfAll([...pages]);
  const atTop = [...pages].filter(path => folderOf(path) === folder);
  const top = atTop.filter(isIndex).sort();
  // Where there are several, the server chooses by the language of the visitor.
  const [named, ...others] = atTop.filter(path =>
    /^index\.[a-z]{2,3}(?:-[a-z]+)?\.html?$/i.test(nameOf(path)),
  );
  return (
    top.find(path => nameOf(path) === 'index.html') ??
    top.find(path => nameOf(path).startsWith('index')) ??
    top[0] ??
    (others.length === 0 ? named : null) ??
    null
  );
}

/** The innermost folder in which all pages lie: that of the site, or one in it where nothing is beside that. */
export function folderOfAll(pages: readonly SitePath[]): SitePath {
  let folder = folderOf(pages[0] ?? '');
  for (const path of pages) while (folder !== '' && !path.startsWith(`${folder}/`)) folder = folderOf(folder);
  return folder;
}
