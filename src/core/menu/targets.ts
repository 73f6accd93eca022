import { type Address, readAddress, readWebAddress } from '../address/href.ts';
import { type SitePath, joinPath, nameOf } from '../address/path.ts';
import type { Mark, Target } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { nearest } from '../text/nearest.ts';
import type { Source } from '../text/source.ts';
import type { Destination, SiteFacts } from './types.ts';

/** Where a target leads, or the finding that says why it leads nowhere. */
export type TargetReading = { destination: Destination } | { finding: Finding };

export function readTarget(target: Target, site: SiteFacts, source: Source): TargetReading {
  if (target.kind === 'url') return { destination: { kind: 'url', url: target.url } };
  const place = source.place(target.mark.start, target.mark.end);
  const failed = (rule: Parameters<typeof finding>[0], message: string, remedy: string): TargetReading => ({
    finding: finding(rule, place, message, remedy),
  });
  const address = readAddress(target.written, '');
  switch (address.kind) {
    case 'web':
      return target.kind === 'page'
        ? failed(
            'missing-page',
            '`page` takes a page of this site',
            `For another site write  url: "${target.written}"`,
          )
        : webTarget(target.written, failed);
    case 'other':
      return failed(
        'bad-address',
        `an address of \`${address.scheme}:\` is no target`,
        'Targets are pages of the site, or addresses of http or https.',
      );
    case 'root':
    case 'outside':
      return failed('outside-site', `\`${target.written}\` leaves the site`, outsideRemedy(address, site));
    case 'same-page':
      return failed(
        'later-key',
        'a target inside a page is not built by this version of Kamino yet',
        'Name the page alone for now.',
      );
    case 'inside':
      break;
  }
  if (address.fragment !== null) {
    return failed(
      'later-key',
      'a target inside a page is not built by this version of Kamino yet',
      `Name the page alone for now:  ${address.path}`,
    );
  }
  const path = pageAt(address, target.written, site);
  return path === null
    ? missingPage(target, address.path, site, source)
    : { destination: { kind: 'page', path } };
}

function webTarget(
  written: string,
  failed: (rule: 'bad-address', message: string, remedy: string) => TargetReading,
): TargetReading {
  const url = readWebAddress(written.startsWith('//') ? `https:${written}` : written);
  if (url !== null) return { destination: { kind: 'url', url } };
  return failed(
    'bad-address',
    `\`${written}\` is no address of http or https`,
    'For example  url: "https://example.org/"',
  );
}

/** The page an address names: as written first, since a name may hold a `%` or `#`, then as a browser reads it. */
function pageAt(
  address: Extract<Address, { kind: 'inside' }>,
  written: string,
  site: SiteFacts,
): SitePath | null {
  const literal = written.normalize('NFC');
  if (site.pages.has(literal)) return literal;
  if (site.pages.has(address.path)) return address.path;
  return (
    ['index.html', 'index.htm']
      .map(name => joinPath(address.path, name))
      .find(path => site.pages.has(path)) ?? null
  );
}

function missingPage(
  target: { written: string; mark: Mark },
  path: SitePath,
  site: SiteFacts,
  source: Source,
): TargetReading {
  const { start, end } = target.mark;
  const place = source.place(start, end);
  if (site.files.has(path)) {
    return {
      finding: finding(
        'missing-page',
        place,
        `\`${path}\` is a file of the site, but no page`,
        'Pages are what `read` matches.',
      ),
    };
  }
  const near = nearestPage(path, site.pages);
  const isCase = near !== null && near.toLowerCase() === path.toLowerCase();
  const message = isCase
    ? `\`${path}\` differs from \`${near}\` in letter case, and servers tell them apart`
    : `the site has no page \`${path}\``;
  const remedy =
    near === null
      ? 'Add the page, or take the entry out.'
      : isCase
        ? `Write  ${near}`
        : `Did you mean \`${near}\`?`;
  return { finding: finding('missing-page', place, message, remedy) };
}

/** The page most likely meant: the same but for case, the same name in another folder, the nearest spelling. */
export function nearestPage(path: SitePath, pages: ReadonlySet<SitePath>): SitePath | null {
  const all = [...pages];
  const lower = path.toLowerCase();
  const sameName = all.filter(page => nameOf(page).toLowerCase() === nameOf(lower));
  return (
    all.find(page => page.toLowerCase() === lower) ??
    all.find(page => page.toLowerCase().replace(/\.html?$/, '') === lower.replace(/\.html?$/, '')) ??
    (sameName.length === 1 ? sameName[0]! : nearest(path, all))
  );
}

function outsideRemedy(address: Extract<Address, { kind: 'root' | 'outside' }>, site: SiteFacts): string {
  const near = nearestPage(address.path.replace(/^[./]+/, ''), site.pages);
  return near
    ? `Paths begin in the site’s folder. Did you mean \`${near}\`?`
    : 'Paths begin in the site’s folder.';
}
