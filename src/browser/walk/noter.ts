import type { Note } from '../../core/walk/faults.ts';
import type { WalkRuleName } from '../../core/walk/rules.ts';
import type { Visit } from './visit.ts';

/** So many pictures are taken of one kind of fault: the others look the same. */
const mostPictures = 3;

/** Notes what a visitor meets in a page. */
export class Noter {
  readonly notes: Note[] = [];
  readonly page: string;
  readonly #visit: Visit;

  constructor(visit: Visit, page: string) {
    [this.#visit, this.page] = [visit, page];
  }

  /** With a picture of the window as it is now. @param thing of what, where others may be like it */
  async seen(rule: WalkRuleName, what: string, menu: string | null = null, thing?: string): Promise<void> {
    if (
      this.notes.some(one => one.rule === rule && one.what === what && (!thing || one.things.includes(thing)))
    )
      return;
    const isOften = this.notes.filter(one => one.rule === rule && one.picture).length >= mostPictures;
    const picture = isOften ? null : await this.#visit.tab.picture().catch(() => null);
    this.#put({ rule, what, things: thing ? [thing] : [], menu, picture });
  }

  /** Without one, where there is nothing to be seen. */
  told(rule: WalkRuleName, what: string, menu: string | null = null, thing?: string): void {
    this.#put({ rule, what, things: thing ? [thing] : [], menu, picture: null });
  }

  #put(note: Omit<Note, 'page' | 'visitor'>): void {
    this.notes.push({ ...note, page: this.page, visitor: this.#visit.visitor.name });
  }
}
