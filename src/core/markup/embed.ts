import picomatch from 'picomatch';
import type { SitePath } from '../address/path.ts';
import { marksOn } from '../menu/marks.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { escapeMarkup } from '../text/references.ts';
import type { AddressStyle } from '../address/href.ts';
import { menuMarkup } from './markup.ts';
import { coversAttribute, entryAttribute, hereAttribute } from './names.ts';
import { scriptMarkup, styleMarkup } from './page-links.ts';
import type { Standpoint } from './standpoint.ts';

/** What fragments are written with. */
export interface EmbedContext {
  links: AddressStyle;
  /** Labels keep room for a bolder state. */
  reserves: boolean;
  /** The names of the menus that a page has. */
  carried: ReadonlySet<string>;
}

const plainly = { indent: '', lineBreak: '\n', cell: null };

/** Where the page is that a fragment goes into is not known: its links begin at the root of the server. */
const standpoint = ({ links, ...context }: EmbedContext, page: SitePath): Standpoint => ({
  ...context,
  page,
  folder: '',
  links: { ...links, from: 'root' },
});

/** What a menu shows is another on each page, so that no fragment is right on all. */
export function differsByPage(menu: ResolvedMenu): boolean {
  const has = (entries: readonly ResolvedEntry[]): boolean =>
    entries.some(({ leadsTo, entries: below }) => leadsTo.kind === 'language' || has(below));
  return menu.shows !== 'entries' || has(menu.entries);
}

/** A menu for any page: a script marks its entries by the address, or by what the template says. */
export function embeddedMenu(menu: ResolvedMenu, context: EmbedContext): string {
  const html = menuMarkup(menu, standpoint(context, ''), plainly, new Map());
  const covered = withCovers(html, menu.entries, context.links.base);
  return `${covered.replace(/^<\w+ class="[^"]*"/, start => `${start} ${hereAttribute}="${menu.currentEntry}"`)}\n`;
}

/** A menu as it is on one page, with its marks. */
export function embeddedOn(menu: ResolvedMenu, page: SitePath, context: EmbedContext): string {
  return `${menuMarkup(menu, standpoint(context, page), plainly, marksOn(menu, page))}\n`;
}

/** What pages with such menus need in their head. */
export function embeddedHead(
  styles: readonly SitePath[],
  script: SitePath | null,
  context: EmbedContext,
): string {
  const from = standpoint(context, '');
  const lines = [
    ...styles.map(one => styleMarkup(one, from)),
    ...(script === null ? [] : [scriptMarkup(script, from)]),
  ];
  return `${lines.join('\n')}\n`;
}

/** The pages that an entry covers by the plan's own patterns, as a regular expression of their addresses. */
function withCovers(html: string, entries: readonly ResolvedEntry[], base: string): string {
  return entries.reduce((text, { covers, hook, entries: below }) => {
    const inner = withCovers(text, below, base);
    if (covers === null || covers.length === 0) return inner;
    const patterns = covers.map(
      one => picomatch.makeRe(base + one.replace(/^\.?\//, ''), { dot: true }).source,
    );
    const own = ` ${entryAttribute}="${hook}"`;
    return inner.replace(own, `${own} ${coversAttribute}="${escapeMarkup(patterns.join('|'))}"`);
  }, html);
}
