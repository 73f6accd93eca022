import type { FullPage } from './content.ts';

/**
 * The ids of a page, each with the text of the heading that has it, that it stands in or that is the first behind it;
 * empty for none.
 */
export function sectionLabels(page: FullPage): Map<string, string> {
  const labels = new Map<string, string>();
  for (const [at, { id, start, heading: around }] of page.ids.entries()) {
    if (labels.has(id)) continue;
    if (around) {
      labels.set(id, around.text);
      continue;
    }
    const heading = page.headings.find(one => one.start >= start);
    const next = page.ids[at + 1]?.start ?? Infinity;
    labels.set(id, heading && heading.start <= next ? heading.text : '');
  }
  return labels;
}

/** The headings of a page, each with its own id or that of the section that it begins. */
export function sectionHeadings(
  page: FullPage,
): { level: number; text: string; id: string | null; insert: number }[] {
  const labels = sectionLabels(page);
  // The last counts that is set first: the first id in a heading.
  const inside = new Map([...page.ids].reverse().map(one => [one.heading, one.id]));
  let at = 0;
  return page.headings.map((heading, number) => {
    const { level, text, id, start } = heading;
    const before = page.headings[number - 1]?.start ?? -1;
    while (at < page.ids.length && page.ids[at]!.start <= before) at += 1;
    const around = page.ids
      .slice(at)
      .filter(one => one.start < start && sectionElements.has(one.element) && labels.get(one.id) === text);
    // Behind the `<`, the letter and the figure.
    return { level, text, id: id ?? inside.get(heading) ?? around.at(-1)?.id ?? null, insert: start + 3 };
  });
}

const sectionElements: ReadonlySet<string> = new Set(['section', 'div', 'article', 'a']);
