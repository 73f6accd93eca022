import { integrationPoints, markers } from './kinds.ts';
import type { Scanner } from './scanner.ts';
import type { Element } from './types.ts';

export interface Open {
  name: string;
  isForeign: boolean;
  /** A link was open, or to be opened again, when this element began. */
  outerLink: boolean;
  /** Told when the element ends, where somebody asked. */
  record: Element | null;
}

/** The elements that are open, as the HTML standard’s stack of open elements has them. */
export class OpenStack {
  protected readonly elements: Open[] = [];
  protected readonly scanner: Scanner;
  /** A link that is open, or that the browser opens again because it was never closed. */
  protected isLinkOpen = false;

  constructor(scanner: Scanner) {
    this.scanner = scanner;
  }

  within(): string[] {
    return this.elements.map(one => one.name);
  }

  protected top(): string {
    return this.elements.at(-1)?.name ?? '';
  }

  protected pop(byOwnTag = false): void {
    const one = this.elements.pop();
    if (!one) return;
    if (one.record) {
      one.record.stop = byOwnTag ? this.scanner.end : this.scanner.start;
      if (byOwnTag) {
        one.record.close = this.scanner.start;
        one.record.end = this.scanner.end;
      }
    }
    if (markers.has(one.name) && !one.isForeign) this.isLinkOpen = one.outerLink;
  }

  protected popWhile(test: (one: Open) => boolean): void {
    while (this.elements.length && test(this.elements.at(-1)!)) this.pop();
  }

  /** Index of the innermost element of this name that no boundary hides, or -1. */
  protected find(name: string, boundaries: ReadonlySet<string>): number {
    for (let at = this.elements.length - 1; at >= 0; at -= 1) {
      const one = this.elements[at]!;
      if (one.name === name && !one.isForeign) return at;
      if (boundaries.has(one.name) || (one.isForeign && integrationPoints.has(one.name))) return -1;
    }
    return -1;
  }

  protected closeTo(at: number, byOwnTag = false): void {
    if (at < 0) return;
    const { record } = this.elements[at]!;
    if (byOwnTag && record) {
      record.openAtClose = this.within();
      record.linkAtClose = this.isLinkOpen;
    }
    while (this.elements.length - 1 > at) this.pop();
    this.pop(byOwnTag);
  }
}
