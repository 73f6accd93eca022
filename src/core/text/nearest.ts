import { distance } from 'fastest-levenshtein';

/** The candidate that a misspelt word most likely means, or null where none is near. */
export function nearest(word: string, candidates: Iterable<string>): string | null {
  const wanted = word.toLowerCase();
  let best: string | null = null;
  // Two letters that changed places are two steps.
  let least = Math.max(word.length > 3 ? 2 : 1, Math.floor(word.length * 0.4)) + 1;
  for (const candidate of candidates) {
    // Each letter more is a step.
    if (Math.abs(candidate.length - word.length) >= least) continue;
    const steps = stepsTo(wanted, candidate.toLowerCase());
    if (steps < least) [best, least] = [candidate, steps];
  }
  return best;
}

/** Of two that are as near, the one of the same letters is the nearer: some of them changed places. */
function stepsTo(word: string, candidate: string): number {
  const steps = distance(word, candidate);
  const isSwapped = steps === 2 && lettersOf(word) === lettersOf(candidate);
  return isSwapped ? steps - 0.5 : steps;
}

const lettersOf = (word: string): string => [...word].sort().join('');

/** `a`, `a or b`, `a, b or c`. */
export function listed(words: readonly string[], joint = 'or'): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} ${joint} ${words.at(-1)!}`;
}

/** `1 page`, `2 pages`. */
export function counted(number: number, one: string, many = `${one}s`): string {
  return `${number} ${number === 1 ? one : many}`;
}

/** The first of many: `a, b and 3 more`. */
export function shortened(words: readonly string[], most: number): string {
  const more = words.length - most;
  return more > 0 ? `${words.slice(0, most).join(', ')} and ${more} more` : listed(words, 'and');
}
