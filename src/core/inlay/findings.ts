import type { SitePath } from '../address/path.ts';
import type { Menu, Spot } from '../plan/types.ts';
import type { Source } from '../text/source.ts';
import { carrier } from '../menu/carried.ts';
import { isToFold } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import type { Frame } from '../page/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { counted, shortened } from '../text/nearest.ts';
import { viewportContent } from '../markup/page-links.ts';
import { placeInRaw } from '../text/place.ts';

export function placeOf(frame: Frame, start: number, end: number): ReturnType<typeof placeInRaw> {
  return placeInRaw(frame, start, end);
}

export function noPlace(frame: Frame, menu: ResolvedMenu): Finding {
  const selectors = menu.place!.map(one => one.selector).join(', ');
  const told = finding(
    'no-place',
    { file: frame.path },
    `no element of this page matches ${selectors}, the place of \`${menu.name}\``,
    `Mark the place with  data-kamino-slot="${menu.name}"\nor name one more in the plan:  place: [ ${[...menu.place!.map(spotText), '{ first-in: body }'].join(', ')} ]`,
  );
  return { ...told, menu: menu.name };
}

/** What is said where no page has a place: once, where the plan names it. */
export function placeNowhere(menu: Menu, source: Source): Finding {
  const selectors = (menu.place ?? []).map(one => one.selector).join(', ');
  return finding(
    'place-nowhere',
    source.place(menu.mark.start, menu.mark.end),
    `\`${menu.name}\` goes nowhere: no page that is to carry it has anything that matches ${selectors}`,
    `Look at the selector, or name one more place:  place: [ ${[...(menu.place ?? []).map(spotText), '{ first-in: body }'].join(', ')} ]`,
  );
}

/** As the plan writes it. */
function spotText({ side, selector, drop }: Spot): string {
  const plain = /^[a-z.][\w. -]*$/i.test(selector) ? selector : JSON.stringify(selector);
  return `{ ${side}: ${plain}${drop ? ', drop: true' : ''} }`;
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
    'The page is as it was. Mark another place, such as a div outside of it.',
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
    `${why}; the page is as it was`,
    'Save the page as UTF-8, or name it in `leave-out`.',
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

/** What a page must have to show a menu of some forms. */
const needs: Partial<Record<Menu['form'], string>> = {
  contents: 'A page needs two headings of its `levels`.\n',
  'previous-next': 'A page needs a neighbour in its `set`.\n',
};

export function unusedMenu(name: string, form?: Menu['form']): Finding {
  return finding(
    'carried-by-none',
    null,
    `no page carries the menu \`${name}\``,
    `${needs[form ?? 'bar'] ?? ''}Look at its \`carried-by\` and \`except\`.`,
  );
}

const mostNamed = 5;

/** One finding for all pages whose main content is not known. */
export function lacksMain(pages: readonly string[]): Finding {
  const named = pages.slice(0, mostNamed).join(', ');
  const more = pages.length > mostNamed ? ` and ${pages.length - mostNamed} more` : '';
  return finding(
    'no-main',
    pages.length === 1 ? { file: pages[0]! } : null,
    `${counted(pages.length, 'page')} without a \`main\` got no skip link: ${named}${more}`,
    'Name the element that holds the content, in the plan:\n  skip-to: ["#content"]',
  );
}

/** One finding for all pages that a phone lays out as wide as a desk. */
export function lacksViewport(pages: readonly string[]): Finding {
  const [page, they, line] = [
    counted(pages.length, 'page'),
    pages.length === 1 ? 'it' : 'them',
    viewportLine,
  ];
  return finding(
    'no-viewport',
    pages.length === 1 ? { file: pages[0]! } : null,
    `${page} without a viewport line: a phone lays ${they} out 980 px wide, and no menu folds there: ${shortened(pages, mostNamed)}`,
    `Write it into each head:  ${line}\nor let Kamino do so, with  viewport: add  in the plan.\nLook at such a page at 390 px then: one of a fixed width has to be scrolled sideways.`,
  );
}

/** The same before anything is built: of the pages that are to carry a menu that folds. */
export function foldsNowhere(
  menus: readonly ResolvedMenu[],
  pages: Iterable<SitePath>,
  hasViewport: (page: SitePath) => boolean,
): Finding[] {
  const folding = menus.filter(isToFold);
  const carries = carrier(folding);
  const lacking = [...pages].filter(page => folding.some(menu => carries(menu, page)) && !hasViewport(page));
  return lacking.length === 0 ? [] : [lacksViewport(lacking)];
}

const viewportLine = `<meta name="viewport" content="${viewportContent}">`;

/**
 * One finding for all pages that say they are in a language.
 * @param words Kamino's own words that menus need, where the plan names no languages
 * @param all how many pages the site has
 */
export function otherLanguage(
  tag: string,
  pages: readonly string[],
  { words, all }: { words: readonly string[] | null; all: number },
): Finding {
  const place = pages.length === 1 ? { file: pages[0]! } : null;
  const [say, they] = pages.length === 1 ? ['says', 'it is'] : ['say', 'they are'];
  const named = `${counted(pages.length, 'page')} ${say} that ${they} in \`${tag}\``;
  const which = pages.length === 1 ? '' : `: ${shortened(pages, mostNamed)}`;
  if (words === null)
    return finding(
      'page-language',
      place,
      `${named}, which is not the language of the plan for ${pages.length === 1 ? 'it' : 'them'}${which}`,
      'Write the page’s own language into its `html` tag, or look at `languages`.',
    );
  const others = pages.length < all ? '\n  en: { name: English }' : '';
  return finding(
    'missing-word',
    place,
    `${named}, and Kamino’s own words there are English${which}`,
    `Name its language, with these words in it:\nlanguages:${others}\n  ${tag}: { name: …, words: { ${words.map(word => `${word}: …`).join(', ')} } }`,
  );
}

/** One finding for all pages on which a menu cannot stay as long as it should. */
export function staysShort([menu, holder]: [string, string], pages: readonly string[]): Finding {
  const element = holder === 'slot' ? 'slot' : `\`${holder}\``;
  return finding(
    'stays-short',
    pages.length === 1 ? { file: pages[0]! } : null,
    `\`${menu}\` stays only as long as the ${element} that it stands in, on ${counted(pages.length, 'page')}: ${shortened(pages, mostNamed)}`,
    holder === 'slot'
      ? 'Move the slot directly into the body, or let the element around it stay:  stays: { top: SELECTOR }'
      : `Let that element stay:  stays: { top: ${holder} }\nWhere it holds more than a row, such as a picture, put the menu before it:  place: { before: ${holder} }`,
  );
}
