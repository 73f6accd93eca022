import type { FullPage, Heading, Identified } from './content.ts';
import { withoutTags } from './words.ts';

/**
 * The ids of a page, each with the text of the heading that has it, that it stands in or that is the first behind it;
 * empty for none.
 */
export function sectionLabels(page: FullPage): Map<string, string> {
  const labels = new Map<string, string>();
  // Both stand in the order of the page.
  let next = 0;
  for (const [at, { id, start, heading: around }] of page.ids.entries()) {
    if (labels.has(id)) continue;
    if (around) {
      labels.set(id, around.text);
      continue;
    }
    while (next < page.headings.length && page.headings[next]!.start < start) next += 1;
    const heading = page.headings[next];
    labels.set(id, heading && heading.start <= (page.ids[at + 1]?.start ?? Infinity) ? heading.text : '');
  }
  return labels;
}

/** The headings of a page, each with its own id or that of the section that it begins. */
export function sectionHeadings(
  page: FullPage,
): { level: number; text: string; id: string | null; insert: number; isContent: boolean }[] {
  const labels = sectionLabels(page);
  // The last counts that is set first: the first id in a heading.
  const inside = new Map([...page.ids].reverse().map(one => [one.heading, one.id]));
  let at = 0;
  return page.headings.map((heading, number) => {
    const { level, text, id, start, isContent } = heading;
    const before = page.headings[number - 1]?.start ?? -1;
    while (at < page.ids.length && page.ids[at]!.start <= before) at += 1;
    let around: string | null = null;
    for (let one = at; one < page.ids.length && page.ids[one]!.start < start; one += 1)
      if (sectionElements.has(page.ids[one]!.element) && begins(page, page.ids[one]!, { heading, labels }))
        around = page.ids[one]!.id;
    // Behind the `<`, the letter and the figure.
    return { level, text, id: id ?? inside.get(heading) ?? around, insert: start + 3, isContent };
  });
}

/** Whether a section, or a link, begins with a heading: nothing is said between them. */
function begins(
  { frame }: FullPage,
  { id, end }: Identified,
  { heading, labels }: { heading: Heading; labels: ReadonlyMap<string, string> },
): boolean {
  if (labels.get(id) === heading.text) return true;
  return heading.start - end < mostBetween && withoutTags(frame.raw.slice(end, heading.start)).trim() === '';
}

/** In bytes: more than other anchors need. */
const mostBetween = 1000;

const sectionElements: ReadonlySet<string> = new Set(['section', 'div', 'article', 'a']);
