import { pictureMark } from '../hand/entries.ts';
import { otherPicture } from '../hand/pictures.ts';
import { flatEntries } from '../hand/types.ts';
import { flatShared, type SiteEntry } from '../hand/shared.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import type { HandSite } from '../hand/types.ts';
import type { WholeSite } from '../site/whole.ts';
import { counted, shortened } from '../text/nearest.ts';
import { type Icons, iconsOf } from './icons.ts';
import { type ByTag, languageName, mergedEntries, switchesLanguage } from './by-language.ts';
import { ownNotes, ownPages, targetsByName } from './entry-targets.ts';
import { piecesToKeep } from './pieces.ts';
import type { Places } from './place.ts';
import { draftEntry, foldFor, isOtherScheme, mostNamed, saidText, threeLevels } from './targets.ts';
import type { DraftEntry, DraftMenu, DraftSite } from './types.ts';
import { rareEntries } from './rare-entries.ts';
import type { Standing } from './standing.ts';
import { unfolded } from './unfolded.ts';

/** Words by which people call an entry that is set apart. */
const apart = /button|btn|cta|call|highlight|special|apart|book|donat|ticket|join|accent|primary/i;

/** What a menu is drafted from: its copies, in each language where there are several. */
export interface HandSource {
  menus: readonly SiteMenu[];
  /** Those of `menus` by the languages that they are in; null for one language. */
  byTag: ByTag | null;
  name: string;
  selectors: readonly string[];
}

/** The shared version of a menu that was copied by hand, in place of its copies. */
export function menuFromHand(
  source: HandSource,
  site: HandSite,
  known: DraftSite,
  places: Places,
): DraftMenu {
  const { byTag, name, selectors } = source;
  const menus = source.menus.map(one => unfolded(one, site));
  const context = { site, known, notes: [] as string[], icons: iconsOf(source.menus[0]!, name, site) };
  const versions = menus.map(menu => grouped(entriesOf(menu, context)));
  const isSwitching = byTag !== null && switchesLanguage(byTag, site);
  const tags = byTag ? [...byTag.keys()] : [];
  const entries = byTag ? mergedEntries(new Map(tags.map((tag, at) => [tag, versions[at]!]))) : versions[0]!;
  const standing = places.standing(menus, selectors);
  const form = formOf(menus[0]!, standing);
  const { comments, title, pieces, ...where } = places.placeOf({
    menus,
    selectors,
    labels: [...labelsIn(versions.flat(), known), titleFor(name)],
    menu: { name, form },
    hasOwn: menus.some(one => one.hasOwn || (one.turning.size > 0 && !isSwitching)),
  });
  const kept = piecesToKeep(pieces, name, site.files);
  return {
    name,
    title: title ?? titleFor(name),
    form,
    comments: [sharedVersion(menus, site), ...comments],
    ...where,
    set: null,
    ...foldOf(form, standing, () => foldFor(entries, known)),
    entries: [
      ...entries,
      ...(isSwitching && tags.length === 2 ? [languageSwitch(tags)] : []),
      ...kept.entries,
    ],
    files: [...kept.files, ...context.icons.made],
    notes: [...new Set(context.notes)],
  };
}

function formOf({ copies }: SiteMenu, { way }: Standing): DraftMenu['form'] {
  const [first] = copies.values();
  if (way === 'away') return 'bar';
  if (first!.region === 'footer' || (first!.region === 'aside' && way === 'in-line')) return 'plain';
  return first!.region === 'aside' || first!.isStacked || way === 'beside' ? 'column' : 'bar';
}

/** What a script brought from a side is a drawer in every window, and one in a row where it folds; a column that its page hides on phones folds there. */
function foldOf(
  form: DraftMenu['form'],
  { way, hiddenBelow, isInRow }: Standing,
  ofBar: () => string,
): Pick<DraftMenu, 'fold' | 'foldsAs'> {
  if (way === 'away') return { fold: 'any-width', foldsAs: 'drawer' };
  if (form === 'bar') return { fold: ofBar(), foldsAs: isInRow ? 'drawer' : null };
  return { fold: form === 'column' && hiddenBelow !== null ? `below ${hiddenBelow}em` : null };
}

function sharedVersion(menus: readonly SiteMenu[], site: HandSite): string {
  const copies = menus.reduce((sum, one) => sum + one.copies.size, 0);
  return `The shared version of ${counted(copies, 'copy', 'copies')} on ${counted(site.pages.size, 'page')}.`;
}

interface Context {
  site: WholeSite;
  known: DraftSite;
  notes: string[];
  icons: Icons;
}

function entriesOf(menu: SiteMenu, { site, known, notes, icons }: Context): DraftEntry[] {
  const lost: string[] = [];
  const byName = targetsByName(menu, site, known);
  const own = ownPages(menu, site);
  const nowhere = flatShared(menu.entries).filter(one => one.target === null);
  const entries = threeLevels(entriesFrom(menu.entries, known, { byName, own, icons }), lost);
  const dead = nowhere
    .filter(one => !one.isWords)
    .filter(one => one.entries.length === 0 && !byName.has(one) && !isCaption(one, menu.entries));
  notes.push(
    ...fewest(rareEntries(menu, site), 'link'),
    ...fewest(
      nowhere.flatMap(one =>
        byName.has(one) ? `\`${one.label}\` led nowhere; by its name it is ${byName.get(one)!}` : [],
      ),
      'entry',
    ),
    ...fewest(
      dead.map(one => `\`${one.label}\` led nowhere`),
      'entry',
    ),
    ...fewest(
      flatShared(menu.entries).flatMap(({ label, target }) =>
        target !== null && isOtherScheme(target)
          ? `\`${label}\` led to ${target}, where no entry can lead`
          : [],
      ),
      'entry',
    ),
    ...ownNotes(own),
    ...pictureNotes(menu),
    ...(icons.others.length > 0
      ? [
          `Had a picture beside their words, as  icon: img/name.svg  gives: ${shortened(icons.others, mostNotes)}`,
        ]
      : []),
    ...(lost.length > 0 ? [`Left out, more than three levels deep: ${shortened(lost, mostNamed)}`] : []),
  );
  return entries;
}

/** Pictures that were entries: the new ones have their words. */
function pictureNotes({ copies }: SiteMenu): string[] {
  const [first] = copies.values();
  const pictures = flatEntries(first!.entries).filter(({ entry }) => entry.marks.includes(pictureMark));
  if (pictures.length === 0) return [];
  const named = pictures.map(({ entry }) => `\`${entry.label || entry.href || ''}\``);
  return [`Pictures until now, whose words these are: ${shortened([...new Set(named)], mostNotes)}`];
}

const mostNotes = 10;

/** What stands for many of a kind. */
function fewest(notes: readonly string[], kind: string): string[] {
  const more = notes.length - mostNotes;
  if (more < 2) return [...notes];
  return [
    ...notes.slice(0, mostNotes),
    `and ${counted(more, `${kind} more`, `${kind === 'entry' ? 'entries' : `${kind}s`} more`)}`,
  ];
}

/** From each language to the other one. */
function languageSwitch([one, other]: readonly string[]): DraftEntry {
  const value = { [one!]: other!, [other!]: one! };
  return {
    label: null,
    target: { key: 'language', value },
    highlight: false,
    mayBeMissing: false,
    entries: [],
  };
}

/** Words between the links of a menu, with links behind them: they hold these. */
function isCaption(one: SiteEntry, entries: readonly SiteEntry[]): boolean {
  const captions = entries.filter(
    ({ isWords, entries: below }, at) => isWords && below.length === 0 && entries[at + 1]?.target != null,
  );
  // A single one is what the menu is called.
  return captions.length > 1 && captions[0] === entries[0] && captions.includes(one);
}

/** Entries behind words that lead nowhere lie below these. */
function grouped(entries: readonly DraftEntry[]): DraftEntry[] {
  const found: { entry: DraftEntry; below: DraftEntry[] }[] = [];
  let caption: DraftEntry[] | null = null;
  for (const entry of entries) {
    const below = [...entry.entries];
    if (entry.target === null && below.length === 0) caption = below;
    else if (caption !== null) {
      caption.push(entry);
      continue;
    }
    found.push({ entry, below });
  }
  return found.map(({ entry, below }) => ({ ...entry, entries: below }));
}

/** What the entries are called where they are seen. */
function labelsIn(entries: readonly DraftEntry[], known: DraftSite): string[] {
  return entries.flatMap(({ label, target, entries: below }) => [
    label === null ? (known.pages.get(String(target?.value))?.label ?? '') : saidText(label),
    ...labelsIn(below, known),
  ]);
}

const titles: Record<string, string> = { masthead: 'Main', foot: 'More', side: 'In this part' };

function titleFor(name: string): string {
  if (/^[a-z]{2}$/.test(name)) return languageName(name);
  return titles[name] ?? name.charAt(0).toUpperCase() + name.slice(1).replace(/-/g, ' ');
}

function entriesFrom(
  entries: readonly SiteEntry[],
  known: DraftSite,
  told: { byName: ReadonlyMap<SiteEntry, string>; own: ReadonlyMap<string, string>; icons: Icons },
): DraftEntry[] {
  const { byName, own, icons } = told;
  return entries.flatMap(one => {
    const below = entriesFrom(one.entries, known, told);
    const led = own.get(one.target ?? '') ?? one.target ?? byName.get(one) ?? null;
    const target = led === null || isOtherScheme(led) ? null : led;
    if (target === null && below.length === 0 && !isCaption(one, entries)) return [];
    const highlight = one.marks.some(mark => !mark.startsWith(otherPicture) && apart.test(mark));
    const entry = draftEntry(one.label || null, target, known, { highlight, entries: below });
    const icon = icons.files.get(one.label);
    return [icon === undefined ? entry : { ...entry, icon }];
  });
}
