import { eachLink } from '../site/links.ts';
import type { WholeSite } from '../site/whole.ts';
import { labelOf, sharedPart } from '../menu/labels.ts';
import { nameOf } from '../address/path.ts';
import type { DraftPage, DraftSite } from './types.ts';

/** What a draft must know of a site that has been read. */
export function draftSite(site: WholeSite): DraftSite {
  const shared = sharedPart([...site.pages.values()].flatMap(({ frame }) => frame.title ?? []));
  const links = new Map<string, string[]>();
  eachLink(site, (_, end, page) => {
    if (end.kind !== 'page' || end.path === page.frame.path) return;
    const own = links.get(page.frame.path) ?? [];
    own.push(end.path);
    links.set(page.frame.path, own);
  });
  const source = { from: 'title', cut: null } as const;
  const pages = new Map<string, DraftPage>();
  for (const [path, { frame, headings, isUnlisted }] of site.pages) {
    const words = { title: frame.title, heading: frame.heading };
    pages.set(path, {
      label: labelOf(path, words, source, shared),
      heading: headings[0]?.text ?? null,
      isUnlisted: isUnlisted || isErrorPage(path),
      links: links.get(path) ?? [],
    });
  }
  return { pages, files: site.files, front: site.front };
}

/** Pages that a server gives where there is no other. */
function isErrorPage(path: string): boolean {
  return /^(?:[45]\d\d|error|not-?found)\w*\.html?$/i.test(nameOf(path));
}
