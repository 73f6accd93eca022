import type { Element } from './types.ts';

type Around = Pick<Element, 'within' | 'openBefore' | 'inOpenLink' | 'openAtClose' | 'linkAtClose'>;

/** What a walk tells of an element. */
export class PageElement implements Element {
  readonly name: string;
  readonly start: number;
  readonly open: number;
  close = -1;
  end = -1;
  stop = -1;
  readonly around: Around;

  constructor({ name, start, end }: { name: string; start: number; end: number }, around: Around) {
    this.name = name;
    this.start = start;
    this.open = end;
    this.around = around;
  }

  get within(): readonly string[] {
    return this.around.within;
  }

  get openBefore(): readonly string[] {
    return this.around.openBefore;
  }

  get inOpenLink(): boolean {
    return this.around.inOpenLink;
  }

  get openAtClose(): readonly string[] {
    return this.around.openAtClose;
  }

  get linkAtClose(): boolean {
    return this.around.linkAtClose;
  }
}

/** All that an element is, for what makes another one of it. */
export function plainElement(element: Element): Element {
  const { name, start, open, close, end, stop } = element;
  const { within, openBefore, inOpenLink, openAtClose, linkAtClose } = element;
  const outer = { within, openBefore, inOpenLink, openAtClose, linkAtClose };
  return { name, start, open, close, end, stop, ...outer };
}
