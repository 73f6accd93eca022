import type { Likeness } from '../page/alike.ts';
import type { Frame } from '../page/types.ts';
import type { Inlaying } from './inlaying.ts';

/** What went into a page, and by how much it lay further on in it than in the page that it begins like. */
interface Kept {
  made: Inlaying;
  by: number;
}

const mostKept = 4000;

/**
 * Pages that begin alike and want the same markup get the same at the same places: it is worked out once.
 * Of what was worked out only that is kept which says nothing of one page alone.
 */
export class Repeats {
  /** By the page that others begin like. */
  readonly #kept = new WeakMap<Frame, Map<string, Kept>>();

  /** @param key stands for all that the markup depends on beside the start of the page */
  find({ frame, from, by }: Likeness, key: string, source: Uint8Array): Inlaying | null {
    const kept = this.#kept.get(frame)?.get(key);
    if (!kept) return null;
    const { made, by: before } = kept;
    const spans = made.spans.map(({ at, text }) => ({
      at: at >= from + before ? at + by - before : at,
      text,
    }));
    return { ...made, source, spans };
  }

  keep({ frame, by }: Pick<Likeness, 'frame' | 'by'>, key: string, made: Inlaying): void {
    const isOfOne = made.taken.length + made.findings.length > 0 || made.spans.some(({ drop }) => drop);
    if (isOfOne) return;
    const all = this.#kept.get(frame) ?? new Map<string, Kept>();
    if (all.size >= mostKept) all.clear();
    all.set(key, { made, by });
    this.#kept.set(frame, all);
  }
}
