import type { Destination, ResolvedEntry, ResolvedMenu } from '../../menu/types.ts';
import type { OutlineEntry, OutlineMenu } from './types.ts';

/** The structure of a plan's menus. */
export function outlineOf(menus: readonly ResolvedMenu[]): OutlineMenu[] {
  const seen = new Set<string>();
  return menus.map(({ name, title, language, entries }) => {
    // A menu of several languages stands once for each.
    const own = seen.has(name) && language ? `${name}-${language.tag.toLowerCase()}` : name;
    seen.add(name);
    return { name: own, title, entries: entries.map(entryOf) };
  });
}

function entryOf({ label, leadsTo, highlight, entries }: ResolvedEntry): OutlineEntry {
  return { label, target: targetOf(leadsTo), highlight: highlight !== null, entries: entries.map(entryOf) };
}

function targetOf(leadsTo: Destination): string | null {
  switch (leadsTo.kind) {
    case 'page':
    case 'file':
      return leadsTo.path;
    case 'section':
      return `${leadsTo.path ?? ''}#${leadsTo.id}`;
    case 'language':
      return leadsTo.front;
    case 'url':
    case 'mail':
    case 'phone':
      return leadsTo.url;
    case 'insert':
    case 'none':
      return null;
  }
}
