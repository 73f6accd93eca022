import { type Raw, lowerAscii } from '../text/bytes.ts';
import { readAttributeReferences } from '../text/references.ts';
import type { FullPage } from './content.ts';
import { hasResources, picturesIn, resourcesOf } from './resources.ts';
import type { Scanner } from './scanner.ts';
import { type Listener, type Walk } from './walk.ts';

/** What a page uses and how it is put together. */
export type Used = Pick<FullPage, 'resources' | 'styles' | 'surplus' | 'refreshes' | 'windows'>;

/** What must be closed, and only once. */
const paired: ReadonlySet<string> = new Set(
  'ul ol dl menu table div nav header footer main section article aside form'.split(' '),
);

/** They name a picture by this attribute alone, which is rare. */
const grounds: ReadonlySet<string> = new Set(['body', 'table', 'tr', 'td', 'th']);

/** What counts here is ASCII in every charset. */
const isRefresh = (equiv: Raw | null, content: Raw | null): boolean =>
  lowerAscii(readAttributeReferences(equiv ?? '')) === 'refresh' &&
  /url\s*=/i.test(readAttributeReferences(content ?? ''));

/** Hears what a page uses; values are raw until the charset is known. */
export class UsedReader implements Listener {
  readonly used: Used = { resources: [], styles: [], surplus: [], refreshes: [], windows: [] };
  readonly #walk: Walk;
  /** How much was open before an end tag. */
  #openBefore = 0;
  /** Where the text of a style sheet begins; -1 outside of one. */
  #style = -1;

  constructor(walk: Walk) {
    this.#walk = walk;
  }

  onStart(): void {
    const { scanner, outline } = this.#walk;
    const { name, start, end } = scanner;
    if (name === 'style') this.#style = end;
    if (!scanner.hasAttributes || outline.isInert) return;
    if (hasResources.has(name) && (!grounds.has(name) || scanner.value('background') !== null))
      this.#readResources(scanner);
    if (scanner.hasNameFrom('on')) this.#readEvents(scanner);
    if (name === 'meta' && isRefresh(scanner.value('http-equiv'), scanner.value('content')))
      this.used.refreshes.push({ start, end });
    if (name === 'a' && lowerAscii(scanner.value('target') ?? '') === '_blank')
      this.used.windows.push({ start, end });
    if (scanner.value('style')?.includes('(') === true) this.used.styles.push({ start, end });
  }

  #readResources(scanner: Scanner): void {
    const { name, start, end } = scanner;
    for (const one of resourcesOf(name, scanner.attributes(), wanted => scanner.value(wanted)))
      this.used.resources.push({ ...one, start, end });
  }

  /** Pictures that a piece of script puts into the page. */
  #readEvents(scanner: Scanner): void {
    const { start, end } = scanner;
    for (const { name, value } of scanner.attributes())
      if (name.startsWith('on'))
        for (const address of picturesIn(value))
          this.used.resources.push({ kind: 'picture', address, start, end });
  }

  onEndTag(): void {
    const { scanner, outline } = this.#walk;
    this.#openBefore = outline.depth + outline.beyond;
    if (scanner.name === 'style' && this.#style >= 0 && !outline.isInert)
      this.used.styles.push({ start: this.#style, end: scanner.start });
    this.#style = -1;
  }

  onEnd(): void {
    const { scanner, outline } = this.#walk;
    const { name, start, end } = scanner;
    const isSurplus = outline.depth + outline.beyond === this.#openBefore && paired.has(name);
    if (isSurplus && !outline.inForeign && !outline.isInert) this.used.surplus.push({ start, end, name });
  }
}
