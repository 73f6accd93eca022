import { Scalar, YAMLMap, parseDocument } from 'yaml';
import { nearest } from '../text/nearest.ts';
import { type Finding, finding } from '../text/finding.ts';
import { type DrawnLook, drawnLooks } from './looks.ts';
import type { Draft, DraftEntry, DraftMenu, DraftSite, DraftStart } from './types.ts';

const read = (text: string): YAMLMap =>
  parseDocument(text, { schema: 'failsafe' }).contents as unknown as YAMLMap;

/** The keys that a look has for its menu; a home is called as the site is. */
export function drawnMenu({ name, home }: DraftStart): [key: string, value: Scalar | YAMLMap][] {
  return read(drawnLooks[name]!.menu).items.map(({ key, value }) => {
    const own = String((key as Scalar).value);
    if (own === 'home') (value as YAMLMap).items.unshift(labelled(home));
    return [own, value as Scalar | YAMLMap];
  });
}

function labelled(home: string): YAMLMap['items'][number] {
  const made = new YAMLMap();
  made.set(new Scalar('label'), new Scalar(home));
  return made.items[0]!;
}

/** Its `look`, without the part that nothing of the site is in. */
export function drawnLook({ name, hasSubmenus }: DraftStart): YAMLMap {
  const look = read(drawnLooks[name]!.look);
  const parts = look.get('parts') as YAMLMap | undefined;
  if (!hasSubmenus) parts?.delete('submenu');
  if (parts?.items.length === 0) look.delete('parts');
  return look;
}

/** A look as the lines of a plan, under its menu and beside it. */
export function drawnLines({ menu, look }: DrawnLook, home = 'Brackenfold'): string {
  const indented = (text: string, by: number): string => text.replace(/^(?=.)/gm, ' '.repeat(by));
  const own = menu.replace(/^home: \{ ?/m, `home: { label: ${home}, `).replace(', }', ' }');
  return `menus:\n  - menu: masthead\n${indented(own, 4)}\nlook:\n${indented(look, 2)}`;
}

/** The first of some menus with a look to start from: a home in the place of the entry of the front page. */
export function startedMenus(
  menus: readonly DraftMenu[],
  name: string | undefined,
  { front, pages }: DraftSite,
): Pick<Draft, 'menus' | 'start'> {
  const [first, ...others] = menus;
  if (name === undefined || !first) return { menus, start: null };
  const { menu: keys, note } = drawnLooks[name]!;
  const ofFront = first.entries.find(({ target }) => target !== null && target.value === front);
  const title = front === null ? null : (pages.get(front)?.label ?? null);
  const home = (typeof ofFront?.label === 'string' ? ofFront.label : title) ?? 'Home';
  const isTaken = (entry: DraftEntry): boolean =>
    /^home:/m.test(keys) && entry === ofFront && entry.entries.length === 0;
  const entries = first.entries.filter(entry => !isTaken(entry));
  const notes = note === undefined ? first.notes : [...first.notes, note];
  return {
    menus: [{ ...first, entries, notes }, ...others],
    start: { name, home, hasSubmenus: entries.some(one => one.entries.length > 0) },
  };
}

/** A look that there is not. */
export function unknownLook(name: string): Finding {
  const near = nearest(name, Object.keys(drawnLooks));
  return finding(
    'unknown-look',
    null,
    `no look to start from is called \`${name}\``,
    near ? `Did you mean  --look ${near}` : 'kamino explain looks  shows them all.',
  );
}
