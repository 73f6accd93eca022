import type { Likeness } from '../page/alike.ts';
import type { Frame } from '../page/types.ts';
import type { Span } from '../text/bytes.ts';
import type { Inlaying } from './inlaying.ts';

const mostKept = 4000;

/**
 * Pages that begin alike and want the same markup get the same at the same places: it is worked out once.
 * Of what was worked out only that is kept which says nothing of one page alone.
 */
export class Repeats {
  /** By the page that others begin like, with the offsets of that one. */
  readonly #kept = new WeakMap<Frame, Map<string, Inlaying>>();

  /** @param key stands for all that the markup depends on beside the start of the page */
  find({ told: frame, to }: Likeness, key: string, source: Uint8Array): Inlaying | null {
    const made = this.#kept.get(frame)?.get(key);
    return made ? { ...made, source, spans: moved(made.spans, to) } : null;
  }

  keep({ told: frame, back }: Likeness, key: string, made: Inlaying): void {
    const isOfOne = made.taken.length + made.findings.length > 0 || made.spans.some(({ drop }) => drop);
    if (isOfOne) return;
    const all = this.#kept.get(frame) ?? new Map<string, Inlaying>();
    if (all.size >= mostKept) all.clear();
    all.set(key, { ...made, source: nothing, spans: moved(made.spans, back) });
    this.#kept.set(frame, all);
  }
}

function moved(spans: readonly Span[], to: (offset: number) => number): Span[] {
  return spans.map(({ at, text, drop = 0 }) => ({ at: to(at), text, drop }));
}

const nothing = new Uint8Array(0);
