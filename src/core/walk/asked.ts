import type { SitePath } from '../address/path.ts';
import { type Finding, finding } from '../text/finding.ts';
import { listed, nearest } from '../text/nearest.ts';
import { type Visitor, visitors } from './visitors.ts';

/** A visitor that nobody knows; null where all are known. */
export function noVisitor(names: readonly string[]): Finding | null {
  const known = visitors.map(one => one.name);
  const wrong = names.find(one => !known.includes(one));
  if (wrong === undefined) return null;
  const near = nearest(wrong, known);
  return finding(
    'wrong-value',
    null,
    `there is no visitor \`${wrong}\``,
    near ? `Did you mean \`${near}\`?` : `They are ${listed(known, 'and')}.`,
  );
}

/** Visitors whom this browser cannot be; null where it can be all. */
export function notPlayed(
  asked: readonly Visitor[],
  { called: browser, lacks }: { called: string; lacks: readonly string[] },
): Finding | null {
  const lacking = asked.filter(one => lacks.includes(one.name));
  if (lacking.length === 0) return null;
  const called = listed(
    lacking.map(one => `“${one.called}”`),
    'and',
  );
  return {
    rule: 'not-walked',
    severity: 'note',
    place: null,
    message: `nothing tells ${browser} to show a page as it is for ${called}`,
    remedy: `Walk with a Chromium for that:  --visitor ${lacking.map(one => one.name).join(' ')}`,
  };
}

/** The page that somebody names: as it lies in the folder of pages, or as its path is seen from where they stand. */
export function pageAsked(
  given: string,
  pages: ReadonlyMap<SitePath, unknown>,
  { site, shown }: { site: string; shown: string },
): SitePath | Finding {
  const page = pages.has(given) ? given : shown.slice(site.length + 1);
  if (pages.has(page)) return page;
  return finding(
    'missing-page',
    { file: site },
    `there is no page \`${given}\``,
    'Name it as it lies in that folder:  kamino walk --page visit/index.html',
  );
}
