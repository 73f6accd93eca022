import { type SitePath, isIndex } from './path.ts';

/** `index.html` in the site's folder, else the index page of another name, else the one that has a language in its name. */
export function frontPage(pages: ReadonlySet<SitePath>): SitePath | null {
  const atTop = [...pages].filter(path => !path.includes('/'));
  const top = atTop.filter(isIndex).sort();
  // Where there are several, the server chooses by the language of the visitor.
  const [named, ...others] = atTop.filter(path => /^index\.[a-z]{2,3}(?:-[a-z]+)?\.html?$/i.test(path));
  return (
    top.find(path => path === 'index.html') ??
    top.find(path => path.startsWith('index')) ??
    top[0] ??
    (others.length === 0 ? named : null) ??
    null
  );
}
