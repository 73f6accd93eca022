import type { SitePath } from '../address/path.ts';
import type { WholeSite } from '../site/whole.ts';
import { counted, shortened } from '../text/nearest.ts';
import { type Fault, type Note, whoOf } from './faults.ts';
import type { Matrix } from './types.ts';

/** Pages and sections that a visitor does not get to though every entry on the way was tried. */
export function unreachedNotes(matrix: Matrix, site: WholeSite, isWhole: boolean): Note[] {
  if (!isWhole) return [];
  const lost = new Map(
    matrix.rows.filter(one => one.target.id === null).map(one => [one.target.page, one.actions]),
  );
  return matrix.rows.flatMap(({ target: { page, id, label }, actions }) =>
    actions.flatMap((needed, at) => {
      const visitor = matrix.visitors[at]!;
      // On paper what is hidden is the page’s choice; where a page is not reached, no section of it is.
      if (needed !== null || visitor === 'paper') return [];
      if (id === null ? page === site.front : lost.get(page)?.[at] === null) return [];
      const what =
        id === null ? 'no way leads here from the front page' : 'no way leads to a section of this page';
      const things = id === null ? [] : [`“${label}” (#${id})`];
      return [{ rule: 'unreached', page, what, things, menu: null, picture: null, visitor } as const];
    }),
  );
}

/** What the time was too short for, by visitor. */
export function leftOutFaults(leftOut: ReadonlyMap<string, readonly SitePath[]>): Fault[] {
  const pages = new Map<string, string[]>();
  for (const [visitor, own] of leftOut) {
    const key = own.join('\n');
    pages.set(key, [...(pages.get(key) ?? []), visitor]);
  }
  return [...pages].map(([key, visitors]) => {
    const own = key.split('\n');
    const named =
      own.length > 3 ? `${own.slice(0, 3).join(', ')} and ${own.length - 3} more` : own.join(', ');
    return {
      rule: 'not-walked',
      page: '',
      what: `there was no time for ${named}`,
      things: [],
      menu: null,
      visitors,
      picture: null,
    };
  });
}

/** The result in one sentence, which claims no more than was seen. @param walked so many pages were */
export function sentenceOf({ visitors, rows }: Matrix, walked: number): string {
  const isReached = (actions: readonly (number | null)[]): boolean =>
    actions.every((one, at) => one !== null || visitors[at] === 'paper');
  const pages = rows.filter(one => one.target.id === null);
  const sections = rows.filter(one => one.target.id !== null);
  const count = (all: typeof rows, one: string): string => {
    const reached = all.filter(row => isReached(row.actions)).length;
    const number = reached === all.length ? `all ${all.length}` : `${reached} of ${all.length}`;
    return all.length === 1 && reached === 1 ? `the ${one}` : `${number} ${one}s`;
  };
  const what =
    sections.length === 0
      ? count(pages, 'page')
      : `${count(pages, 'page')} and ${count(sections, 'section')}`;
  const sentence =
    visitors.length === 1
      ? `${what} are reached (${whoOf(visitors)})`
      : `all ${visitors.length} visitors reach ${what}`;
  const known =
    walked < pages.length
      ? `; ${walked} of ${counted(pages.length, 'page')} ${walked === 1 ? 'was' : 'were'} walked, the others are known by their links`
      : '';
  return capital(sentence) + known;
}

const capital = (sentence: string): string => sentence[0]!.toUpperCase() + sentence.slice(1);

/** The same of some pages alone, whose menus are all that was tried. */
export function pageSentence(pages: readonly SitePath[], { menus }: Matrix): string {
  const cells = menus.flatMap(one => one.cells);
  const all = cells.reduce((sum, one) => sum + one.all, 0);
  const reached = cells.reduce((sum, one) => sum + one.reached, 0);
  return `${reached === all ? 'Every entry' : `${reached} of ${all} entries`} in the menus of ${shortened(pages, 3)} ${reached === all ? 'is' : 'are'} reached`;
}
