import type { SitePath } from '../address/path.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { entriesOn } from '../menu/on-page.ts';
import { type BesideLinks, besideLinks, describeBeside, wordsKey } from '../page/beside-links.ts';
import type { Frame } from '../page/types.ts';
import type { Raw } from '../text/bytes.ts';
import { decode } from '../text/charset.ts';
import { type Finding, finding } from '../text/finding.ts';
import { placeOf } from './findings.ts';

/** What would be lost with an element that a menu stands instead of: what is no link, and no words that the menu shows. */
export function lostWith(out: Raw, menu: ResolvedMenu, { path, charset }: Frame): BesideLinks[] {
  const found = besideLinks(out, charset);
  if (found.length === 0) return [];
  const shown = shownWords(menu, path.normalize('NFC'));
  const inserts = insertsIn(menu.entries);
  const isKept = ({ start, end }: BesideLinks): boolean => {
    const html = decode(out.slice(start, end), charset).trim();
    return inserts.some(one => one.includes(html));
  };
  return found.filter(one => (one.what === 'words' ? !shown.has(wordsKey(one.text)) : !isKept(one)));
}

/** The pieces of HTML among the entries. */
function insertsIn(entries: readonly ResolvedEntry[]): string[] {
  return entries.flatMap(({ leadsTo, entries: below }) => [
    ...(leadsTo.kind === 'insert' ? [leadsTo.html] : []),
    ...insertsIn(below),
  ]);
}

function shownWords(menu: ResolvedMenu, page: SitePath): ReadonlySet<string> {
  // A trail may call the page by the plan's label; its own name is its title.
  const words = [menu.title, menu.home?.label ?? '', menu.pages?.get(page)?.label ?? ''];
  const add = (entries: readonly ResolvedEntry[]): void => {
    for (const { label, entries: below } of entries) {
      words.push(label);
      add(below);
    }
  };
  add(menu.entries);
  add(entriesOn(menu, page));
  return new Set(words.map(wordsKey));
}

/** Nothing is taken out that the plan does not say. @param at where the element begins */
export function holdsMore(
  frame: Frame,
  menu: ResolvedMenu,
  at: number,
  lost: readonly BesideLinks[],
): Finding {
  const [first] = lost;
  const selector = menu.place?.find(one => one.side === 'instead-of')?.selector ?? '';
  return finding(
    'holds-more',
    placeOf(frame, at + first!.start, at + first!.end),
    `\`${selector}\` holds more than links, and would go with them: ${describeBeside(lost)}; the page is as it was`,
    `Name the list alone, as in  ${selector} ul\nor let it go:  place: { instead-of: ${quoted(selector)}, drop: true }\nor keep it as an entry, with its HTML in a file:  - insert: parts/piece.html`,
  );
}

function quoted(selector: string): string {
  return /^[a-z][\w. -]*$/i.test(selector) ? selector : JSON.stringify(selector);
}
