import { type SitePath, isIndex } from './path.ts';

/** `index.html` in the site's folder, else the index page of another name. */
export function frontPage(pages: ReadonlySet<SitePath>): SitePath | null {
  const top = [...pages].filter(path => !path.includes('/') && isIndex(path)).sort();
  return (
    top.find(path => path === 'index.html') ?? top.find(path => path.startsWith('index')) ?? top[0] ?? null
  );
}
