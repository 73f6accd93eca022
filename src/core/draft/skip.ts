import type { FullPage } from '../page/content.ts';
import { type TreeNode, readTree, valueOf } from '../page/tree.ts';
import type { WholeSite } from '../site/whole.ts';
import { compare } from '../text/finding.ts';

const mainRole = '[role=main]';
/** So many ids at the most, each on so large a share of the pages: one that stands on few is that of their text. */
const mostIds = 3;
const leastShare = 0.1;

/**
 * Selectors of the main content for pages that have no `main`: what says that it is, the ids of what the first heading
 * lies in, those of most pages first, and the heading itself where there is neither.
 */
export function skipTargets(site: WholeSite): string[] {
  const lacking = [...site.pages.values()].filter(page => page.frame.main === null && !page.frame.isFrameset);
  const found = lacking.flatMap(page => contentOf(page) ?? []);
  const counts = new Map<string, number>();
  for (const { selector } of found) counts.set(selector, (counts.get(selector) ?? 0) + 1);
  const usual = [...counts]
    .filter(
      ([selector, count]) => selector.startsWith('#') && count > 1 && count >= found.length * leastShare,
    )
    .sort(([a, one], [b, other]) => other - one || compare(a, b))
    .slice(0, mostIds)
    .map(([selector]) => selector);
  const others = found.filter(({ selector }) => !usual.includes(selector) && selector !== mainRole);
  const headings = [...new Set(others.map(one => one.heading))].sort();
  return [...(counts.has(mainRole) ? [mainRole] : []), ...usual, ...headings];
}

/** A selector of the content of a page, and that of its first heading; null where it has none. */
function contentOf(page: FullPage): { selector: string; heading: string } | null {
  const { nodes } = readTree(page.frame.raw, page.frame.charset, true);
  const valued = (node: TreeNode, name: string): string | null => valueOf(node, name, page.frame.charset);
  const title = nodes.find(one => one.name === 'h1');
  const heading = title ? 'h1' : firstHeading(page);
  if (nodes.some(one => valued(one, 'role') === 'main'))
    return { selector: mainRole, heading: heading ?? mainRole };
  if (heading === null) return null;
  const id = title ? idAround(title, valued) : null;
  return { selector: id === null ? heading : `#${id}`, heading };
}

/** Of a page without a title: a heading whose first of its kind is no part of what stands around the content. */
function firstHeading({ headings }: FullPage): string | null {
  const met = new Set<number>();
  for (const { isContent, level } of headings) {
    if (isContent && !met.has(level)) return `h${level}`;
    met.add(level);
  }
  return null;
}

/** The id of the outermost element around a heading that is no wrapper of the whole page. */
function idAround(heading: TreeNode, valued: (node: TreeNode, name: string) => string | null): string | null {
  for (let one = heading.parent; one; one = one.parent) {
    const id = valued(one, 'id');
    if (id !== null && /^[a-z_][\w-]*$/i.test(id) && !/wrap|page|container|outer|all|site|header/i.test(id))
      return id;
  }
  return null;
}
