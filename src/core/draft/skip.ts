import { type TreeNode, readTree, valueOf } from '../page/tree.ts';
import type { WholeSite } from '../site/whole.ts';
import { compare } from '../text/finding.ts';

/**
 * Selectors of the main content for pages that have no `main`: the ids of what the first heading lies in, those of
 * most pages first, and the heading itself where there is no id.
 */
export function skipTargets(site: WholeSite): string[] {
  const lacking = [...site.pages.values()].filter(page => page.frame.main === null && !page.frame.isFrameset);
  const ids = lacking.map(({ frame }) =>
    idAround(readTree(frame.raw, frame.charset, true).nodes.find(isTitle), frame),
  );
  const counts = new Map<string, number>();
  for (const id of ids) if (id !== null && id !== '') counts.set(id, (counts.get(id) ?? 0) + 1);
  const named = [...counts]
    .sort(([a, one], [b, other]) => other - one || compare(a, b))
    .map(([id]) => `#${id}`);
  return [...named.slice(0, 3), ...(ids.includes('') || named.length > 3 ? ['h1'] : [])];
}

function isTitle({ name }: TreeNode): boolean {
  return name === 'h1';
}

/** The id of the outermost element around a heading that is no wrapper of the whole page; empty for none, null for no heading. */
function idAround(
  heading: TreeNode | undefined,
  { charset }: { charset: { name: string; declared: boolean } },
): string | null {
  if (!heading) return null;
  for (let one = heading.parent; one; one = one.parent) {
    const id = valueOf(one, 'id', charset);
    if (id !== null && /^[a-z_][\w-]*$/i.test(id) && !/wrap|page|container|outer|all|site|header/i.test(id))
      return id;
  }
  return '';
}
