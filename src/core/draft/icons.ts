import type { SitePath } from '../address/path.ts';
import { flatEntries } from '../hand/types.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import { readDrawing } from '../menu/drawing.ts';
import type { WholeSite } from '../site/whole.ts';
import { decode } from '../text/charset.ts';
import { plainName } from '../text/names.ts';
import { freePath } from './pieces.ts';
import type { DraftMenu } from './types.ts';

/** What stood beside the words of entries. */
export interface Icons {
  /** The files of drawings, by the words beside them. */
  files: ReadonlyMap<string, string>;
  made: DraftMenu['files'];
  /** Words that had another picture beside them. */
  others: readonly string[];
}

const none: Icons = { files: new Map(), made: [], others: [] };

/** The drawings beside the words of a menu, as files of the site that do not exist yet; signs of what opens are none. */
export function iconsOf({ copies }: SiteMenu, name: string, site: WholeSite): Icons {
  const links = linksIn(copies, site);
  const alone = links.filter(one => !one.opens);
  if (alone.filter(({ html }) => picture.test(html)).length * 2 < Math.max(1, alone.length)) return none;
  const files = new Map<string, string>();
  const made = new Map<string, { path: SitePath; text: string }>();
  const others: string[] = [];
  for (const { label, html } of links) {
    const text = drawingIn(html);
    if (text === null) {
      if (picture.test(html)) others.push(label);
      continue;
    }
    const taken = new Set([...site.files, ...[...made.values()].map(one => one.path)]);
    const path = made.get(text)?.path ?? freePath(`parts/${name}-${plainName(label) || 'icon'}.svg`, taken);
    made.set(text, { path, text });
    files.set(label, path);
  }
  return { files, made: [...made.values()], others };
}

interface LinkWithWords {
  label: string;
  opens: boolean;
  /** What is in the link. */
  html: string;
}

/** The links of all copies, each by the first copy that has its words. */
function linksIn(copies: SiteMenu['copies'], site: WholeSite): LinkWithWords[] {
  const found = new Map<string, LinkWithWords>();
  for (const [path, hand] of copies) {
    const news = flatEntries(hand.entries).filter(
      ({ entry }) =>
        entry.href !== null && entry.label !== '' && entry.picture === null && !found.has(entry.label),
    );
    if (news.length === 0) continue;
    const { raw, charset } = site.pages.get(path)!.frame;
    for (const { entry } of news) {
      const html = /^[^]*?(?=<\/a)/i.exec(raw.slice(entry.end, entry.end + mostRead))?.[0] ?? '';
      found.set(entry.label, {
        label: entry.label,
        opens: entry.entries.length > 0,
        html: decode(html, charset),
      });
    }
  }
  return [...found.values()];
}

/** Larger drawings stand beside no words. */
const mostRead = 20_000;

/** Also a sign that is only seen. */
const picture = /<(?:svg|img|i)\b|\saria-hidden\s*=\s*["']?true/i;

/** The one drawing in a link, as a file of its own; null for none, for several, and for what hangs on its page. */
function drawingIn(html: string): string | null {
  const [svg, another] = html.match(/<svg\b[^]*?<\/svg>/gi) ?? [];
  if (
    svg === undefined ||
    another !== undefined ||
    /<use\b|\bclass\s*=/i.test(svg.replace(/^<svg[^>]*>/i, ''))
  )
    return null;
  const text = /\sxmlns\s*=/.test(svg)
    ? svg
    : svg.replace(/^<svg/i, '<svg xmlns="http://www.w3.org/2000/svg"');
  const drawn = readDrawing(text, '');
  return drawn !== null && /<(?:path|rect|circle|ellipse|line|poly)/.test(drawn) ? `${text}\n` : null;
}
