import { shortened } from '../text/nearest.ts';
import { plainName } from '../text/names.ts';
import type { OutlineEntry, OutlineMenu } from './outlines/types.ts';
import { draftEntry, foldFor, mostNamed, threeLevels } from './targets.ts';
import type { DraftEntry, DraftMenu, DraftSite } from './types.ts';

/** Menus as an outline has them. Pages that do not exist yet may stay. */
export function menusFromOutline(menus: readonly OutlineMenu[], site: DraftSite): DraftMenu[] {
  return menus.map(({ name, title, entries }, at) => {
    const lost: string[] = [];
    const made = threeLevels(
      entries.map(one => entryFrom(one, site)),
      lost,
    );
    return {
      name: nameFor(name, at),
      title: title ?? 'Main',
      form: 'bar',
      comments: [],
      carriedBy: null,
      except: [],
      place: [],
      files: [],
      set: null,
      fold: foldFor(made, site),
      entries: made,
      notes: lost.length > 0 ? [`Left out, more than three levels deep: ${shortened(lost, mostNamed)}`] : [],
    };
  });
}

function nameFor(name: string | null, at: number): string {
  const isFree =
    name !== null && /^[a-z][a-z0-9-]*$/.test(name) && !['style', 'script', 'skip', 'top'].includes(name);
  return isFree ? name : at === 0 ? 'masthead' : `menu-${at + 1}`;
}

function entryFrom({ label, target, highlight, entries }: OutlineEntry, site: DraftSite): DraftEntry {
  const made = draftEntry(label, target, site, {
    highlight,
    entries: entries.map(one => entryFrom(one, site)),
  });
  return made.target === null && made.entries.length === 0
    ? {
        ...made,
        target: { key: 'page', value: `${plainName(label ?? '') || 'page'}.html` },
        mayBeMissing: true,
      }
    : made;
}
