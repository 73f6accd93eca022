import type { SitePath } from '../address/path.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import type { Frame } from '../site/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { placeInRaw } from '../text/place.ts';

export function placeOf(frame: Frame, start: number, end: number): ReturnType<typeof placeInRaw> {
  return placeInRaw(frame, start, end);
}

export function noPlace(frame: Frame, menu: ResolvedMenu): Finding {
  const selectors = menu.place!.selectors.join(', ');
  return finding(
    'no-place',
    { file: frame.path },
    `no element of this page matches ${selectors}, the place of \`${menu.name}\``,
    `Mark the place with  data-kamino-slot="${menu.name}",  or add a selector to \`place\`.`,
  );
}

export function badPlace(
  frame: Frame,
  menu: ResolvedMenu,
  { element, why }: { element: { start: number; open: number } | null; why: string },
): Finding {
  const place = element ? placeOf(frame, element.start, element.open) : { file: frame.path };
  return finding(
    'bad-place',
    place,
    `\`${menu.name}\` cannot go here: ${why}`,
    'The page was copied as it is. Mark another place, such as a div outside of it.',
  );
}

export function baseElsewhere(frame: Frame, folder: SitePath): Finding {
  return finding(
    'base-elsewhere',
    { file: frame.path },
    `the page’s base is ${frame.base!}: its links are read from there`,
    `Links were written as if that address were the site’s ${folder === '' ? 'folder' : `folder ${folder}`}; take the base out to use the pages anywhere.`,
  );
}

export function lostRecord(path: SitePath): Finding {
  return finding(
    'lost-record',
    { file: path },
    'what was taken out of this page is not in the record; the page was left alone',
    'Bring back the folder .kamino, or the page from before its menu was put in.',
  );
}

export function xmlPage(path: SitePath): Finding {
  return finding(
    'xml-page',
    { file: path },
    'this page is read as XML',
    'Save it as .html, or leave it out of `read`.',
  );
}

export function unreadablePage(path: SitePath, why: string): Finding {
  return finding(
    'unreadable-page',
    { file: path },
    `${why}; the page was copied as it is`,
    'Save the page as UTF-8.',
  );
}

export function framesetPage(path: SitePath): Finding {
  return finding(
    'frameset-page',
    { file: path },
    'a frameset has no body that could carry a menu',
    'Put the menu into the pages it shows, and leave this one out with `except`.',
  );
}
