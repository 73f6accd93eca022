import type { Question } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import type { WholeSite } from '../site/whole.ts';
import type { Note } from './faults.ts';
import { type Walked, type Way, reachOf } from './matrix.ts';
import type { WalkTarget } from './types.ts';

/** A question of the plan, with the way to its answer for each visitor. */
export interface Answer {
  ask: string;
  leadsTo: string;
  /** The most presses that it may take; null for any number. */
  allowed: number | null;
  /** By visitor, in the order of the matrix; null where one cannot get there. */
  ways: readonly (Way | null)[];
}

/** The place that a question leads to; null where the site does not have it. */
function targetOf({ leadsTo }: Question, site: WholeSite): WalkTarget | null {
  const at = leadsTo.indexOf('#');
  const path = at < 0 ? leadsTo : leadsTo.slice(0, at);
  const id = at < 0 ? null : leadsTo.slice(at + 1);
  const page = site.pages.get(path === '' && site.front !== null ? site.front : path);
  if (!page || (id !== null && !page.ids.some(one => one.id === id))) return null;
  return { page: page.frame.path, id, label: leadsTo };
}

/** Questions that lead to no place of the finished pages. */
export function questionProblems(questions: readonly Question[], site: WholeSite, source: Source): Finding[] {
  return questions
    .filter(one => targetOf(one, site) === null)
    .map(({ leadsTo, mark }) =>
      finding(
        leadsTo.includes('#') ? 'missing-section' : 'missing-page',
        source.place(mark.start, mark.end),
        `the finished pages have no \`${leadsTo}\``,
        'Name a page of the site, or a section by its id:  leads-to: visit.html#opening-times',
      ),
    );
}

export function answersOf(
  questions: readonly Question[],
  site: WholeSite,
  walks: readonly Walked[],
): Answer[] {
  const asked = questions.flatMap(question => {
    const target = targetOf(question, site);
    return target ? [{ question, target }] : [];
  });
  if (asked.length === 0) return [];
  const reached = walks.map(walk => reachOf(site, walk));
  return asked.map(({ question: { ask, leadsTo, actions }, target }) => ({
    ask,
    leadsTo,
    allowed: actions,
    ways: reached.map(one => one(target)),
  }));
}

/** Whom a question is not answered, or not soon enough; on paper nothing is pressed. */
export function unmetNotes(answers: readonly Answer[], visitors: readonly string[]): Note[] {
  return answers.flatMap(({ ask, leadsTo, allowed, ways }) =>
    ways.flatMap((way, at) => {
      const visitor = visitors[at]!;
      if (visitor === 'paper' || (way !== null && way.actions <= (allowed ?? Infinity))) return [];
      const what =
        way === null
          ? `“${ask}” leads to ${leadsTo}, and there is no way to it`
          : `“${ask}” takes ${way.actions} presses (${way.labels.join(' › ')}), and ${allowed} are allowed`;
      const page = leadsTo.split('#')[0]!;
      return [
        { rule: 'unmet-question', page, what, things: [], menu: null, picture: null, visitor } as const,
      ];
    }),
  );
}
