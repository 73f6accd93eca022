import type { SitePath } from '../address/path.ts';
import type { Question } from '../plan/types.ts';
import type { WholeSite } from '../site/whole.ts';
import { type Fault, type Note, faultsOf } from './faults.ts';
import { type Walked, matrixOf } from './matrix.ts';
import { type Answer, answersOf, unmetNotes } from './questions.ts';
import { type VisitorSummary, summaryOf } from './summary.ts';
import { leftOutFaults, pageSentence, sentenceOf, unreachedNotes } from './told.ts';
import type { Matrix, WalkTarget, WalkedPage } from './types.ts';
import type { Visitor } from './visitors.ts';

/** What was found on all walks together. */
export interface Proof {
  matrix: Matrix;
  summary: VisitorSummary[];
  /** In one sentence. */
  said: string;
  answers: Answer[];
  /** Pages that every visitor went through or looked at. */
  walked: SitePath[];
  faults: Fault[];
}

/** What walks have shown. */
export interface Shown {
  /** By visitor and page. */
  walks: ReadonlyMap<string, ReadonlyMap<SitePath, WalkedPage>>;
  notes: readonly Note[];
  leftOut: ReadonlyMap<string, readonly SitePath[]>;
}

/** @param targets as `targetsOf` gives them; @param pages they alone were walked; none: the site, from the front page on */
export function proofOf(
  site: WholeSite,
  who: readonly Visitor[],
  { walks: all, notes, leftOut }: Shown,
  {
    targets,
    questions,
    pages,
  }: { targets: readonly WalkTarget[]; questions: readonly Question[]; pages: readonly SitePath[] },
): Proof {
  const walks = who.map<Walked>(({ name, moves }) => ({
    visitor: name,
    onPaper: moves === 'paper',
    pages: all.get(name) ?? new Map<SitePath, WalkedPage>(),
    dead: new Set(notes.filter(one => one.rule === 'no-answer' && one.visitor === name).map(one => one.page)),
  }));
  const matrix = matrixOf(site, targets, walks);
  const isWhole = pages.length === 0;
  const walked = walkedByAll(walks);
  const answers = isWhole ? answersOf(questions, site, walks) : [];
  const unreached = unreachedNotes(matrix, site, isWhole);
  const faults = faultsOf([...notes, ...unreached, ...unmetNotes(answers, matrix.visitors)]);
  return {
    matrix,
    summary: summaryOf(matrix),
    said: isWhole ? sentenceOf(matrix, walked.length) : pageSentence(pages, matrix),
    answers,
    walked,
    faults: [...faults, ...leftOutFaults(leftOut)],
  };
}

function walkedByAll(walks: readonly Walked[]): SitePath[] {
  const [first, ...others] = walks;
  return [...(first?.pages.keys() ?? [])].filter(page => others.every(one => one.pages.has(page)));
}
