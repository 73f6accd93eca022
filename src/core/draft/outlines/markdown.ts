import type { BlockContent, DefinitionContent, List, ListItem, PhrasingContent, RootContent } from 'mdast';
import { fromMarkdown } from 'mdast-util-from-markdown';
import { plainName } from '../../text/names.ts';
import { type OutlineEntry, OutlineError, type OutlineFormat, type OutlineMenu, entry } from './types.ts';

const example = '- [Visit](visit/index.html)\n  - [Getting here](visit/here.html)\n- Telescopes';

/** A list of links, with a heading before each menu; a link in bold letters is set apart. */
export const markdown: OutlineFormat = {
  endings: ['md', 'markdown'],
  isMeant: null,
  read: text => {
    const menus: OutlineMenu[] = [];
    let name: string | null = null;
    for (const node of fromMarkdown(text).children) {
      if (node.type === 'heading') name = wordsOf(node.children).trim();
      else if (node.type === 'list') {
        menus.push({
          name: name === null ? null : (/\(([a-z][a-z0-9-]*)\)$/.exec(name)?.[1] ?? plain(name)),
          title: name?.replace(/ \([a-z][a-z0-9-]*\)$/, '') ?? null,
          entries: entriesIn(node),
        });
        name = null;
      }
    }
    if (menus.length === 0) throw new OutlineError('there is no list in it', null, `For example\n${example}`);
    return menus;
  },
  write: menus =>
    menus
      .map(({ name, title, entries }) => {
        const head = name === null ? [] : [`## ${escape(title ?? name)} (${name})`, ''];
        return [...head, ...linesOf(entries, 0), ''].join('\n');
      })
      .join('\n'),
};

function entriesIn(list: List): OutlineEntry[] {
  return list.children.map(entryOf);
}

function entryOf(item: ListItem): OutlineEntry {
  const made = lineOf(item.children.find(one => one.type === 'paragraph')?.children ?? [], item);
  for (const list of item.children.filter((one: BlockContent | DefinitionContent) => one.type === 'list'))
    made.entries.push(...entriesIn(list));
  return made;
}

function lineOf(content: readonly PhrasingContent[], item: ListItem): OutlineEntry {
  const [first] = content;
  if (first?.type === 'strong') return { ...lineOf(first.children, item), highlight: true };
  const link = content.find(one => one.type === 'link');
  if (link) return entry(wordsOf(link.children).trim() || null, link.url);
  const words = wordsOf(content).trim();
  if (words === '')
    throw new OutlineError(
      'an item of the list is empty',
      item.position?.start.line ?? null,
      `For example\n${example}`,
    );
  return entry(words, null);
}

function wordsOf(content: readonly (PhrasingContent | RootContent)[]): string {
  return content
    .map(one =>
      'children' in one ? wordsOf(one.children as PhrasingContent[]) : 'value' in one ? one.value : ' ',
    )
    .join('')
    .replace(/\s+/g, ' ');
}

/** A menu’s name: it begins with a letter. */
function plain(name: string): string {
  return plainName(name).replace(/^[^a-z]+/, '') || 'menu';
}

function linesOf(entries: readonly OutlineEntry[], depth: number): string[] {
  return entries.flatMap(one => {
    const words = escape(one.label ?? '');
    const link = one.target === null ? words : `[${words}](<${one.target.replace(/[<>\\]/g, '\\$&')}>)`;
    const line = one.highlight ? `**${link}**` : link;
    return [`${'  '.repeat(depth)}- ${line}`, ...linesOf(one.entries, depth + 1)];
  });
}

/** What could be read as markup gets a backslash (https://spec.commonmark.org/0.31.2/#backslash-escapes). */
function escape(text: string): string {
  return text.replace(/[!-/:-@[-`{-~]/g, '\\$&');
}
