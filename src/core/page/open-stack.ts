import { bit } from './names.ts';
import type { Scanner } from './scanner.ts';
import type { ElementTable } from './element-table.ts';
import type { PageElement } from './element.ts';

export interface Open {
  name: string;
  /** What its name is in the construction of a tree. */
  bits: number;
  isForeign: boolean;
  /** A link was open, or to be opened again, when this element began. */
  outerLink: boolean;
  /** Told when the element ends, where somebody asked. */
  record: PageElement | null;
  /** Its number in the table of elements; 0 where there is none. */
  row: number;
  /** The names of all that is open down to it, once they have been asked for. */
  path: readonly string[] | null;
}

export const nothing: readonly string[] = [];
const shallow = 400;
const unread: ReadonlySet<string> = new Set(['script', 'style', 'template', 'noscript']);

/** The elements that are open, as the HTML standard’s stack of open elements has them. */
export class OpenStack {
  protected readonly elements: Open[] = [];
  protected readonly scanner: Scanner;
  /** A link that is open, or that the browser opens again because it was never closed. */
  protected isLinkOpen = false;
  /** Where it is written down which elements end where. */
  table: ElementTable | null = null;
  /** The element of the start tag just followed is open. */
  protected isPushed = false;
  /** How many elements are open whose content is no text for people, and how many of them are a `template`. */
  #unread = 0;
  #templates = 0;
  /** How many paragraphs and links are open: they are sought at most tags, and mostly there are none. */
  #sought = { p: 0, a: 0, noscript: 0, table: 0 };

  constructor(scanner: Scanner) {
    this.scanner = scanner;
  }

  within(): readonly string[] {
    const top = this.elements.at(-1);
    if (!top) return nothing;
    top.path ??= this.elements.map(one => one.name);
    return top.path;
  }

  /** A link, a form or what formats text goes, and what is open in it stays. */
  protected takeOut(at: number): void {
    const [one] = this.elements.splice(at, 1);
    this.#count(one!, -1);
    for (const one of this.elements) one.path = null;
  }

  /** What stands here is no text for people. */
  get isUnread(): boolean {
    return this.#unread > 0;
  }

  /** What stands here is no part of the page until a script takes it out of its `template`. */
  get isInert(): boolean {
    return this.#templates > 0;
  }

  /** A paragraph is open, or what is open lies so deep that it is not followed. */
  get holdsParagraph(): boolean {
    return this.#sought.p > 0 || this.elements.length > shallow || (this.elements.at(-1)?.isForeign ?? false);
  }

  get isInNoscript(): boolean {
    return this.#sought.noscript > 0;
  }

  /** The number of the innermost open element. */
  get row(): number {
    return this.elements.at(-1)?.row ?? 0;
  }

  /** The element of the start tag just followed has this number. */
  numbered(row: number): void {
    if (this.isPushed) this.elements.at(-1)!.row = row;
  }

  protected push(one: Open): void {
    this.isPushed = true;
    this.elements.push(one);
    this.#count(one, 1);
  }

  #count({ name }: Open, by: number): void {
    if (name === 'p' || name === 'a' || name === 'noscript' || name === 'table') this.#sought[name] += by;
    if (unread.has(name)) this.#unread += by;
    if (name === 'template') this.#templates += by;
  }

  protected get isAnyTableOpen(): boolean {
    return this.#sought.table > 0;
  }

  protected topBits(): number {
    return this.elements.at(-1)?.bits ?? 0;
  }

  protected top(): string {
    return this.elements.at(-1)?.name ?? '';
  }

  protected pop(byOwnTag = false): void {
    const one = this.elements.pop();
    if (!one) return;
    this.#count(one, -1);
    if (one.row !== 0)
      this.table!.ended(
        one.row,
        byOwnTag ? this.scanner.end : this.scanner.start,
        byOwnTag ? this.scanner.start : -1,
      );
    if (one.record) {
      one.record.stop = byOwnTag ? this.scanner.end : this.scanner.start;
      if (byOwnTag) {
        one.record.close = this.scanner.start;
        one.record.end = this.scanner.end;
      }
    }
    if ((one.bits & bit.marker) !== 0 && !one.isForeign) this.isLinkOpen = one.outerLink;
  }

  protected popWhile(test: (one: Open) => boolean): void {
    while (this.elements.length && test(this.elements.at(-1)!)) this.pop();
  }

  /**
   * Index of the innermost element of this name that no boundary hides, or -1.
   * @param boundaries bits of the names that are one
   */
  protected find(name: string, boundaries: number): number {
    if ((name === 'p' || name === 'a') && this.#sought[name] === 0) return -1;
    for (let at = this.elements.length - 1; at >= 0; at -= 1) {
      const one = this.elements[at]!;
      if (one.name === name && !one.isForeign) return at;
      if ((one.bits & boundaries) !== 0 || (one.isForeign && (one.bits & bit.integrationPoint) !== 0))
        return -1;
    }
    return -1;
  }

  protected closeTo(at: number, byOwnTag = false): void {
    if (at < 0) return;
    const { record } = this.elements[at]!;
    if (byOwnTag && record) {
      record.around.openAtClose = this.within();
      record.around.linkAtClose = this.isLinkOpen;
    }
    while (this.elements.length - 1 > at) this.pop();
    this.pop(byOwnTag);
  }
}
