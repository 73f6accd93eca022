import type { Reach, ReachedPage } from '../check/reach.ts';
import { counted } from '../text/nearest.ts';

/** The reach as a tree for people to read: each page below the one from which it is nearest. */
export function reachText({ pages, menus }: Reach): string {
  const below = new Map<string | null, ReachedPage[]>();
  for (const page of pages.filter(one => one.depth !== null))
    below.set(page.from, [...(below.get(page.from) ?? []), page]);
  const lines: string[] = [];
  const add = (page: ReachedPage, level: number): void => {
    const by = page.depth === 0 ? '' : `  ${page.menu ?? 'in the text'}`;
    const sections = page.sections.length === 0 ? '' : `  ${counted(page.sections.length, 'section')}`;
    lines.push(`${'  '.repeat(level)}${page.title}  ${page.page}${by}${sections}`);
    for (const one of below.get(page.page) ?? []) add(one, level + 1);
  };
  for (const front of below.get(null) ?? []) add(front, 0);
  const lost = pages.filter(one => one.depth === null);
  if (lost.length > 0)
    lines.push(
      '',
      `No link leads to ${counted(lost.length, 'page')}:`,
      ...lost.map(one => `  ${one.title}  ${one.page}`),
    );
  lines.push(
    '',
    ...menus.map(
      ({ menu, leadsTo, alone }) =>
        `${menu ?? 'links in the text'}: ${counted(leadsTo, 'page')}${alone.length > 0 ? `, ${alone.length} by it alone` : ''}`,
    ),
  );
  return `${lines.join('\n')}\n`;
}

/** The same as a Mermaid flowchart (https://mermaid.js.org/syntax/flowchart.html). */
export function reachMermaid({ pages }: Reach): string {
  const names = new Map(pages.map((one, at) => [one.page, `p${at}`]));
  const text = (words: string): string => words.replace(/"/g, '#quot;').replace(/\n/g, ' ');
  const nodes = pages.map(one => `  ${names.get(one.page)}["${text(one.title)}"]`);
  const links = pages.flatMap(one =>
    one.from === null
      ? []
      : [`  ${names.get(one.from)} -->|"${text(one.menu ?? 'in the text')}"| ${names.get(one.page)}`],
  );
  const lost = pages.filter(one => one.depth === null).map(one => names.get(one.page));
  const marked =
    lost.length === 0
      ? []
      : ['  classDef lost stroke:#b3261e,stroke-dasharray:4', `  class ${lost.join(',')} lost`];
  return `${['flowchart LR', ...nodes, ...links, ...marked].join('\n')}\n`;
}
