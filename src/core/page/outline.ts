import {
  foreignEnders,
  formatting,
  headings,
  integrationPoints,
  markers,
  paragraphEnders,
  rawTextElements,
  scopeEnds,
  special,
  tableParts,
  voidElements,
} from './kinds.ts';
import { OpenStack, nothing } from './open-stack.ts';
import type { Scanner } from './scanner.ts';
import type { Element } from './types.ts';

const itemScopeEnds = new Set([...scopeEnds, 'ol', 'ul']);
const buttonScopeEnds = new Set([...scopeEnds, 'button']);

/** Browsers nest no deeper either: what lies below is laid beside. */
const deepest = 512;
/** https://html.spec.whatwg.org/#adoption-agency-algorithm, the outer loop. */
const mostBlocks = 8;

/**
 * The elements that are open at each tag, as the tree construction of the HTML standard has them, without building
 * a tree: which tags close which elements is followed, what is moved about in tables is not.
 */
export class Outline extends OpenStack {
  readonly scripting: boolean;
  /** A `noscript` whose content, read as markup, leaves something open behind it. */
  #leaks = false;
  /** Open elements that lie deeper than any browser nests them: only how many there are is followed. */
  beyond = 0;

  /** @param scripting as for a browser with scripts on, where a `noscript` holds text and no markup */
  constructor(scanner: Scanner, scripting: boolean) {
    super(scanner);
    this.scripting = scripting;
  }

  get inForeign(): boolean {
    return this.elements.at(-1)?.isForeign ?? false;
  }

  get inLink(): boolean {
    return this.isLinkOpen;
  }

  get leaks(): boolean {
    return this.#leaks || this.elements.some(one => one.name === 'noscript' && !one.isForeign);
  }

  /** What was told of the innermost open element. */
  get innermost(): Element | null {
    return this.elements.at(-1)?.record ?? null;
  }

  /** How many elements are open. */
  get depth(): number {
    return this.elements.length;
  }

  isInside(names: ReadonlySet<string>): boolean {
    for (const one of this.elements) if (names.has(one.name)) return true;
    return false;
  }

  /**
   * Follows a start tag, without opening its element yet: what it closes is closed.
   * Returns false where a browser drops the tag.
   */
  before(name: string): boolean {
    if (this.inForeign && !this.#atIntegrationPoint()) {
      if (foreignEnders.has(name)) this.popWhile(one => one.isForeign && !integrationPoints.has(one.name));
      else return true;
    }
    if (isRoot(name)) return true;
    if (tableParts.has(name)) return this.#beforeTablePart(name);
    if (paragraphEnders.has(name)) this.#closeParagraph();
    if (name === 'li') this.#closeItem(['li']);
    else if (name === 'dd' || name === 'dt') this.#closeItem(['dd', 'dt']);
    else if (headings.has(name) && headings.has(this.top())) this.pop();
    else if (name === 'button') this.#closeInScope('button');
    else if (name === 'a') this.#dropLink();
    else if (name === 'option' && this.top() === 'option') this.pop();
    else if (name === 'optgroup') this.popWhile(one => one.name === 'option' || one.name === 'optgroup');
    return true;
  }

  /**
   * Opens the element of the start tag just followed, and says how it lies.
   * @param openBefore what was open before the tag was followed; null where nobody asks what it lies in
   */
  enter(openBefore: readonly string[] | null): Element {
    const { name, start, end } = this.scanner;
    const element: Element = {
      name,
      start,
      open: end,
      close: -1,
      end: -1,
      stop: -1,
      // A tag only closes what it meets: as many as before are the same.
      within: openBefore?.length === this.depth ? openBefore : openBefore ? this.within() : nothing,
      openBefore: openBefore ?? nothing,
      inOpenLink: this.isLinkOpen,
      openAtClose: nothing,
      linkAtClose: false,
    };
    this.open(element, openBefore === null);
    return element;
  }

  /** The same, for an element of which nobody asks. */
  open(record: Element | null = null, isPlain = false): void {
    const { name, selfClosing } = this.scanner;
    const isForeign = name === 'svg' || name === 'math' || (this.inForeign && !this.#atIntegrationPoint());
    if (isRoot(name) && !isForeign) return;
    if (isForeign ? selfClosing : voidElements.has(name)) return;
    const isDeep = this.depth >= deepest;
    if (isDeep) this.beyond += 1;
    else this.push({ name, isForeign, outerLink: this.isLinkOpen, record, isPlain, path: null });
    if (isForeign) return;
    if (name === 'a') this.isLinkOpen = !isDeep;
    else if (markers.has(name) && !isDeep) this.isLinkOpen = false;
    if (rawTextElements.has(name) || (name === 'noscript' && this.scripting)) this.scanner.enterRawText(name);
  }

  /** Follows the end tag just met. */
  close(): void {
    const { name } = this.scanner;
    if (isRoot(name)) return;
    if (this.beyond > 0) {
      this.beyond -= 1;
      return;
    }
    if (name === 'noscript' && this.top() !== 'noscript') this.#leaks = true;
    if (this.inForeign && (name === 'p' || name === 'br'))
      this.popWhile(one => one.isForeign && !integrationPoints.has(one.name));
    if (this.inForeign && this.#closeForeign(name)) return;
    if (name === 'p') return this.#closeParagraph(true);
    if (formatting.has(name)) return this.#closeFormatting(name);
    if (headings.has(name)) return this.#closeHeading();
    if (name === 'form') return this.#remove(name);
    if (tableParts.has(name) || name === 'table') return this.#closeTablePart(name);
    if (name === 'template') return this.closeTo(this.find(name, new Set()), true);
    if (special.has(name)) return this.#closeInScope(name, true);
    return this.#closeOther(name);
  }

  #atIntegrationPoint(): boolean {
    return integrationPoints.has(this.top());
  }

  #closeInScope(name: string, byOwnTag = false): void {
    this.closeTo(this.find(name, name === 'li' ? itemScopeEnds : scopeEnds), byOwnTag);
  }

  #closeParagraph(byOwnTag = false): void {
    this.closeTo(this.find('p', buttonScopeEnds), byOwnTag);
  }

  #closeItem(names: readonly string[]): void {
    for (let at = this.elements.length - 1; at >= 0; at -= 1) {
      const { name } = this.elements[at]!;
      if (names.includes(name)) return this.closeTo(at);
      if (special.has(name) && name !== 'address' && name !== 'div' && name !== 'p') return;
    }
  }

  #closeHeading(): void {
    for (let at = this.elements.length - 1; at >= 0; at -= 1) {
      const { name } = this.elements[at]!;
      if (headings.has(name)) return this.closeTo(at, true);
      if (scopeEnds.has(name)) return;
    }
  }

  /** The adoption agency, as far as it changes which elements stay open. */
  #closeFormatting(name: string): void {
    if (name === 'a') this.isLinkOpen = false;
    const at = this.find(name, scopeEnds);
    if (at < 0) return;
    const blocks = this.elements.slice(at + 1).filter(one => special.has(one.name)).length;
    if (blocks > 0) this.takeOut(at);
    else this.closeTo(at, true);
    // It goes through so many blocks, and a link that reaches deeper is opened again.
    if (name === 'a' && blocks >= mostBlocks) this.isLinkOpen = true;
  }

  /** A link inside a link ends the outer one. */
  #dropLink(): void {
    this.isLinkOpen = false;
    const at = this.find('a', markers);
    if (at < 0) return;
    if (at === this.elements.length - 1) this.pop();
    else this.takeOut(at);
  }

  #remove(name: string): void {
    const at = this.find(name, scopeEnds);
    if (at === this.elements.length - 1) this.closeTo(at, true);
    else if (at >= 0) this.takeOut(at);
  }

  #beforeTablePart(name: string): boolean {
    if (this.find('table', new Set(['template'])) < 0) return this.top() === 'template';
    const parents: Record<string, string[]> = {
      td: ['tr', 'tbody', 'thead', 'tfoot', 'table'],
      th: ['tr', 'tbody', 'thead', 'tfoot', 'table'],
      tr: ['tbody', 'thead', 'tfoot', 'table'],
      col: ['colgroup', 'table'],
    };
    const wanted = new Set(parents[name] ?? ['table']);
    this.popWhile(one => !wanted.has(one.name));
    return true;
  }

  #closeTablePart(name: string): void {
    this.closeTo(this.find(name, new Set(name === 'table' ? ['template'] : ['table', 'template'])), true);
  }

  /** Closes an open element of SVG or MathML; says whether there was one before the first of HTML. */
  #closeForeign(name: string): boolean {
    for (let at = this.elements.length - 1; at >= 0 && this.elements[at]!.isForeign; at -= 1) {
      if (this.elements[at]!.name !== name) continue;
      this.closeTo(at, true);
      return true;
    }
    return false;
  }

  #closeOther(name: string): void {
    for (let at = this.elements.length - 1; at >= 0; at -= 1) {
      const one = this.elements[at]!;
      if (one.name === name) return this.closeTo(at, true);
      if (special.has(one.name)) return;
    }
  }
}

/** These stand for themselves: their tags open and close nothing that others lie in. */
function isRoot(name: string): boolean {
  return name === 'html' || name === 'head' || name === 'body';
}
