import { fileAtAddress, readAddress } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import { type CopyEntry, copyEntries } from '../hand/copy-entries.ts';
import { type SiteEntry, matched } from '../hand/shared.ts';
import { mostFrequent } from '../text/frequent.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import type { HandSite } from '../hand/types.ts';
import { PictureFiles, namesFor } from '../menu/picture-names.ts';
import type { PictureState } from '../plan/picture-types.ts';
import { plainName } from '../text/names.ts';
import type { DraftPictures } from './types.ts';

/** The states that an old menu may have pictures for. */
type Files = Partial<Record<PictureState, SitePath>>;

/** What of the files of a site is asked for. */
export interface PictureFacts {
  text: (file: SitePath) => string | null;
  size: (file: SitePath) => { width: number; height: number } | null;
}

/** The pictures that were the entries of an old menu, with their states; null where most of them were words. */
export function picturesFromHand(
  menu: SiteMenu,
  { name, site, facts }: { name: string; site: HandSite; facts: PictureFacts },
): DraftPictures | null {
  const found = new Map<SiteEntry, Seen>();
  for (const [path, hand] of menu.copies)
    for (const [one, shared] of matched(copyEntries(hand, path, site), menu.entries))
      note(found, { one, shared, path }, site.base);
  const entries = menu.entries.filter(one => found.has(one));
  if (entries.length * 2 <= menu.entries.length) return null;
  const spoken = spokenNames(menu, site, facts);
  const rows = entries.flatMap(entry => {
    const files = filesOf(found.get(entry)!, site, spoken);
    return files.base === undefined ? [] : [{ label: keyOf(entry), entry, files }];
  });
  if (rows.length === 0) return null;
  const height = shownHeight([...found.values()], rows, facts);
  const pattern = patternOf(rows, site);
  const source = pattern
    ? ({ kind: 'pattern', ...pattern } as const)
    : ({ kind: 'table', rows: rows.map(({ label, files }) => ({ label, files })) } as const);
  return { menu: name, source, height };
}

/** What is seen of an entry over all pages. */
interface Seen {
  /** Addresses as paths: on other pages, on its own, under the pointer, pressed. */
  base: SitePath[];
  current: SitePath[];
  hover: SitePath[];
  pressed: SitePath[];
  heights: number[];
}

function note(
  found: Map<SiteEntry, Seen>,
  { one, shared, path }: { one: CopyEntry; shared: SiteEntry; path: SitePath },
  base: string,
): void {
  const { picture } = one.entry;
  if (!picture) return;
  const seen = found.get(shared) ?? { base: [], current: [], hover: [], pressed: [], heights: [] };
  found.set(shared, seen);
  const add = (list: SitePath[], address: string | null): void => {
    const file = address === null ? null : fileAtAddress(readAddress(address, folderOf(path)), base);
    if (file !== null) list.push(file);
  };
  add(shared.target === path ? seen.current : seen.base, picture.address);
  add(seen.hover, picture.hover);
  add(seen.pressed, picture.pressed);
  if (picture.height !== null) seen.heights.push(picture.height);
}

function filesOf(seen: Seen, { files }: HandSite, spoken: ReadonlySet<string>): Files {
  const there = (all: readonly SitePath[]): SitePath | undefined =>
    mostFrequent(all.filter(one => files.has(one))) ?? undefined;
  const base = there(seen.base) ?? there(seen.current);
  if (base === undefined) return {};
  const other = (file: SitePath | undefined): SitePath | undefined => (file === base ? undefined : file);
  const current = other(there(seen.current));
  const hover =
    other(there(seen.hover)) ?? sibling(base, { files, spoken, words: hoverWords, taken: current });
  const pressed =
    other(there(seen.pressed)) ?? sibling(base, { files, spoken, words: pressedWords, taken: current });
  return {
    base,
    ...(hover === undefined ? {} : { hover }),
    ...(current === undefined ? {} : { current }),
    ...(pressed === undefined ? {} : { pressed }),
  };
}

const hoverWords = /^(?:over|hover|hi|high|highlight|lit|roll|ro|h|o|2)$/i;
const pressedWords = /^(?:down|press|pressed|click|d|3)$/i;
const atRest = /[-_ .]?(?:up|off|out|base|normal|rest|n|1)$/i;

/** The same picture in another state, by its name: only where a script or a style sheet speaks of it. */
function sibling(
  base: SitePath,
  {
    files,
    spoken,
    words,
    taken,
  }: {
    files: ReadonlySet<SitePath>;
    spoken: ReadonlySet<string>;
    words: RegExp;
    taken: SitePath | undefined;
  },
): SitePath | undefined {
  const [, stem, end] = /^(.*?)(\.[^./]*)$/.exec(base) ?? [null, base, ''];
  const root = stem!.replace(atRest, '');
  return [...files].find(file => {
    if (file === taken || !file.startsWith(root) || !file.endsWith(end!) || file === base) return false;
    const rest = file.slice(root.length, file.length - end!.length).replace(/^[-_ .]/, '');
    return words.test(rest) && spoken.has(file.split('/').at(-1)!.toLowerCase());
  });
}

/** Names of pictures that the page of a copy, its scripts and its style sheets speak of. */
function spokenNames({ copies }: SiteMenu, site: HandSite, facts: PictureFacts): Set<string> {
  const [path] = [...copies.keys()];
  const page = site.pages.get(path!)!;
  const linked = page.resources.flatMap(({ kind, address }) => {
    if (kind !== 'script' && kind !== 'style sheet') return [];
    const file = fileAtAddress(readAddress(address, folderOf(path!)), site.base);
    return file !== null && site.files.has(file) ? [facts.text(file) ?? ''] : [];
  });
  const names = [page.frame.raw, ...linked].flatMap(text =>
    [...text.matchAll(/[^\s'"()/\\,;=<>]+\.(?:gif|png|jpe?g|webp|svg)/gi)].map(one => one[0].toLowerCase()),
  );
  return new Set(names);
}

/** What an entry is called in the plan: the name of its page, else its label. */
function keyOf({ label, target }: SiteEntry): string {
  const page = /([^/#]+)\.[a-z]+(?:#.*)?$/i.exec(target ?? '')?.[1];
  return label || page || '';
}

/** The height in which they were shown, where that is another than their own. */
function shownHeight(
  all: readonly Seen[],
  rows: readonly { files: Files }[],
  { size }: PictureFacts,
): number | null {
  const shown = mostFrequent(all.flatMap(one => one.heights));
  const own = mostFrequent(rows.flatMap(({ files }) => size(files.base!)?.height ?? []));
  return own === null || shown === own ? null : shown;
}

interface Row {
  entry: SiteEntry;
  files: Files;
}

/** One pattern for the names of all files, where there is such; with the words for the states. */
function patternOf(
  rows: readonly Row[],
  site: HandSite,
): { pattern: string; words: Partial<Record<PictureState, string>> } | null {
  const [first] = rows as [Row];
  for (const name of namesOf(first.entry)) {
    const made = patternFor(first.files, name);
    if (!made) continue;
    const files = new PictureFiles(site.files, made.pattern);
    if (rows.every(row => fits(row, made, files))) return made;
  }
  return null;
}

const namesOf = ({ label, target }: SiteEntry): string[] => {
  const path = (target ?? '').replace(/#.*/, '');
  const page = path
    .split('/')
    .at(-1)!
    .replace(/\.[^.]*$/, '');
  const folder = path.split('/').at(-2);
  return [...new Set([/^index$/i.test(page) && folder ? folder : page, label, plainName(label)])].filter(
    Boolean,
  );
};

function patternFor(
  files: Files,
  name: string,
): { pattern: string; words: Partial<Record<PictureState, string>> } | null {
  const at = files.base!.toLowerCase().lastIndexOf(name.toLowerCase());
  if (at < 0) return null;
  const before = files.base!.slice(0, at);
  const [, rest, end] = /^(.*)(\.[^.]*)$/.exec(files.base!.slice(at + name.length)) ?? [];
  if (rest === undefined || end === undefined || before.includes('{')) return null;
  const parts: Partial<Record<PictureState, string>> = {};
  for (const [state, file] of Object.entries(files) as [PictureState, SitePath][]) {
    if (!file.toLowerCase().startsWith((before + name).toLowerCase()) || !file.endsWith(end)) return null;
    parts[state] = file.slice(at + name.length, file.length - end.length);
  }
  const joint =
    Object.values(parts)
      .map(part => /^[-_ .]/.exec(part)?.[0])
      .find(Boolean) ?? '';
  const isAlike = Object.values(parts).every(part => part === '' || part.startsWith(joint));
  if (!isAlike) return null;
  const words = Object.fromEntries(
    Object.entries(parts).map(([state, part]) => [state, part.slice(joint.length)]),
  );
  const isSingle = Object.keys(parts).length === 1 && parts.base === '';
  return { pattern: `${before}{entry}${isSingle ? '' : `${joint}{state}`}${end}`, words };
}

/** The pattern finds exactly these files for an entry. */
function fits(
  { entry, files }: Row,
  { pattern, words }: { pattern: string; words: Partial<Record<PictureState, string>> },
  all: PictureFiles,
): boolean {
  const full = Object.fromEntries(
    (['base', 'within', 'current', 'hover', 'focus', 'pressed'] as const).map(state => [
      state,
      [words[state] ?? state],
    ]),
  ) as unknown as Record<PictureState, string[]>;
  const found = namesOf(entry).find(name =>
    namesFor({ pattern, words: full, language: '' }, name, 'base').some(
      one => all.find(one)[0] === files.base,
    ),
  );
  if (found === undefined) return false;
  return (Object.keys(words) as PictureState[]).every(state => {
    const file = namesFor({ pattern, words: full, language: '' }, found, state)
      .flatMap(one => all.find(one))
      .at(0);
    return file === files[state];
  });
}
