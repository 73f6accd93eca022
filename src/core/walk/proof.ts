import type { SitePath } from '../address/path.ts';
import type { Question } from '../plan/types.ts';
import type { WholeSite } from '../site/whole.ts';
import { type Fault, type Note, faultsOf } from './faults.ts';
import { type Walked, matrixOf, targetsOf } from './matrix.ts';
import { type Answer, answersOf, unmetNotes } from './questions.ts';
import { type VisitorSummary, summaryOf } from './summary.ts';
import { leftOutFaults, pageSentence, sentenceOf, unreachedNotes } from './told.ts';
import type { Matrix, WalkedPage } from './types.ts';
import type { Visitor } from './visitors.ts';

/** What was found on all walks together. */
export interface Proof {
  matrix: Matrix;
  summary: VisitorSummary[];
  /** In one sentence. */
  said: string;
  answers: Answer[];
  faults: Fault[];
}

/** What walks have shown. */
export interface Shown {
  /** By visitor and page. */
  walks: ReadonlyMap<string, ReadonlyMap<SitePath, WalkedPage>>;
  notes: readonly Note[];
  leftOut: ReadonlyMap<string, readonly SitePath[]>;
}

/** @param page it alone was walked; null: the site, from the front page on */
export function proofOf(
  site: WholeSite,
  who: readonly Visitor[],
  { walks: all, notes, leftOut }: Shown,
  { questions, page }: { questions: readonly Question[]; page: SitePath | null },
): Proof {
  const walks = who.map<Walked>(({ name, moves }) => ({
    visitor: name,
    onPaper: moves === 'paper',
    pages: all.get(name) ?? new Map<SitePath, WalkedPage>(),
  }));
  const matrix = matrixOf(site, targetsOf(site), walks);
  const isWhole = page === null;
  const answers = isWhole ? answersOf(questions, site, walks) : [];
  const unreached = unreachedNotes(matrix, site, isWhole);
  const faults = faultsOf([...notes, ...unreached, ...unmetNotes(answers, matrix.visitors)]);
  return {
    matrix,
    summary: summaryOf(matrix),
    said: page === null ? sentenceOf(matrix) : pageSentence(page, matrix),
    answers,
    faults: [...faults, ...leftOutFaults(leftOut)],
  };
}
