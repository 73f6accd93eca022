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

/** Its offsets in the page; -1 for what it has not. */
export function offsetsOf({ start, open, close, end, stop }: Element): number[] {
  return [start, open, close, end, stop];
}

/** The same element in a page where it lies elsewhere. */
export function movedElement(element: Element, to: (offset: number) => number): Element {
  return {
    name: element.name,
    start: to(element.start),
    open: to(element.open),
    close: to(element.close),
    end: to(element.end),
    stop: to(element.stop),
    within: element.within,
    openBefore: element.openBefore,
    inOpenLink: element.inOpenLink,
    openAtClose: element.openAtClose,
    linkAtClose: element.linkAtClose,
  };
}
