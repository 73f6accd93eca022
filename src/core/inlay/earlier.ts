import type { SitePath } from '../address/path.ts';
import type { Raw } from '../text/bytes.ts';
import type { Finding } from '../text/finding.ts';
import { editedInside, foreignMark, remains } from './edited.ts';
import { findInlaid } from './find.ts';
import { type Inlaying, nothing } from './inlaying.ts';

/** A page as it was given, with menus of an earlier build in it, and perhaps with what somebody has edited in them. */
export class Earlier {
  readonly #path: SitePath;
  readonly #bytes: Uint8Array;
  readonly #raw: Raw;
  readonly #marks: readonly Finding[];

  /** @param given the page, and `lifted` the same without menus */
  constructor(path: SitePath, bytes: Uint8Array, { given, lifted }: { given: Raw; lifted: Raw }) {
    this.#path = path;
    this.#bytes = bytes;
    this.#raw = given;
    const isEdited = findInlaid(given).some(one => one.isEdited);
    this.#marks = [...foreignMark(path, given), ...(isEdited ? remains(path, lifted) : [])];
  }

  /** The page stays as it was given. */
  untouched(why: Finding): Inlaying {
    return nothing(this.#bytes, [...this.#marks, why]);
  }

  /** What is made of it; the page as it was given, where that would lose an edit. */
  settled(made: Inlaying, isLosing: boolean): Inlaying {
    const texts = made.spans.map(span => span.text);
    const edited = isLosing ? null : editedInside(this.#path, this.#raw, texts);
    return edited
      ? nothing(this.#bytes, [edited])
      : { ...made, findings: [...this.#marks, ...made.findings] };
  }
}
