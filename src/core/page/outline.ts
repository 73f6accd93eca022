import { PageElement } from './element.ts';
import { tableParentsOf } from './kinds.ts';
import { bit } from './names.ts';
import { type Open, OpenStack, nothing } from './open-stack.ts';
import type { Scanner } from './scanner.ts';

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
  before(): boolean {
    const { name, bits } = this.scanner.tag;
    if (this.inForeign && !this.#atIntegrationPoint()) {
      if ((bits & bit.endsForeign) !== 0) this.popWhile(isInnerForeign);
      else return true;
    }
    if ((bits & bit.root) !== 0) return true;
    if ((bits & bit.tablePart) !== 0) return this.#beforeTablePart(name);
    if ((bits & bit.endsParagraph) !== 0) this.#closeParagraph();
    if ((bits & bit.heading) !== 0) {
      if ((this.topBits() & bit.heading) !== 0) this.pop();
    } else if ((bits & bit.acts) !== 0) this.#act(name);
    return true;
  }

  #act(name: string): void {
    if (name === 'li') this.#closeItem('li', 'li');
    else if (name === 'dd' || name === 'dt') this.#closeItem('dd', 'dt');
    else if (name === 'button') this.#closeInScope('button');
    else if (name === 'a') this.#dropLink();
    else if (name === 'option' && this.top() === 'option') this.pop();
    else if (name === 'optgroup') this.popWhile(one => one.name === 'option' || one.name === 'optgroup');
  }

  /**
   * Opens the element of the start tag just followed, and says how it lies.
   * @param openBefore what was open before the tag was followed
   */
  enter(openBefore: readonly string[]): PageElement {
    // A tag only closes what it meets: as many as before are the same.
    const within = openBefore.length === this.depth ? openBefore : this.within();
    const { isLinkOpen: inOpenLink } = this;
    const around = { within, openBefore, inOpenLink, openAtClose: nothing, linkAtClose: false };
    const element = new PageElement(this.scanner, around);
    this.open(element);
    return element;
  }

  /** The same, for an element of which nobody asks. */
  open(record: PageElement | null = null): void {
    this.isPushed = false;
    const { selfClosing } = this.scanner;
    const { name, bits } = this.scanner.tag;
    const isForeign = name === 'svg' || name === 'math' || (this.inForeign && !this.#atIntegrationPoint());
    if ((bits & bit.root) !== 0 && !isForeign) return;
    if (isForeign ? selfClosing : (bits & bit.void) !== 0) return;
    const isDeep = this.depth >= deepest;
    if (isDeep) this.beyond += 1;
    else this.push({ name, bits, isForeign, outerLink: this.isLinkOpen, record, row: 0, path: null });
    if (isForeign) return;
    if (name === 'a') this.isLinkOpen = !isDeep;
    else if ((bits & bit.marker) !== 0 && !isDeep) this.isLinkOpen = false;
    if ((bits & bit.rawText) !== 0 || (name === 'noscript' && this.scripting))
      this.scanner.enterRawText(name);
  }

  /** Follows the end tag just met. */
  close(): void {
    const { name, bits } = this.scanner.tag;
    if ((bits & bit.root) !== 0) return;
    if (this.beyond > 0) {
      this.beyond -= 1;
      return;
    }
    if (name === 'noscript' && this.top() !== 'noscript') this.#leaks = true;
    if (this.inForeign && (name === 'p' || name === 'br')) this.popWhile(isInnerForeign);
    if (this.inForeign && this.#closeForeign(name)) return;
    if (name === 'p') return this.#closeParagraph(true);
    if ((bits & bit.formatting) !== 0) return this.#closeFormatting(name);
    if ((bits & bit.heading) !== 0) return this.#closeHeading();
    if (name === 'form') return this.#remove(name);
    if ((bits & bit.tablePart) !== 0 || name === 'table') return this.#closeTablePart(name);
    if (name === 'template') return this.closeTo(this.find(name, 0), true);
    if ((bits & bit.special) !== 0) return this.#closeInScope(name, true);
    return this.#closeOther(name);
  }

  #atIntegrationPoint(): boolean {
    return (this.topBits() & bit.integrationPoint) !== 0;
  }

  #closeInScope(name: string, byOwnTag = false): void {
    this.closeTo(this.find(name, name === 'li' ? bit.endsItemScope : bit.endsScope), byOwnTag);
  }

  #closeParagraph(byOwnTag = false): void {
    this.closeTo(this.find('p', bit.endsButtonScope), byOwnTag);
  }

  #closeItem(one: string, other: string): void {
    for (let at = this.elements.length - 1; at >= 0; at -= 1) {
      const { name, bits } = this.elements[at]!;
      if (name === one || name === other) return this.closeTo(at);
      if ((bits & bit.special) !== 0 && name !== 'address' && name !== 'div' && name !== 'p') return;
    }
  }

  #closeHeading(): void {
    for (let at = this.elements.length - 1; at >= 0; at -= 1) {
      const { bits } = this.elements[at]!;
      if ((bits & bit.heading) !== 0) return this.closeTo(at, true);
      if ((bits & bit.endsScope) !== 0) return;
    }
  }

  /** The adoption agency, as far as it changes which elements stay open. */
  #closeFormatting(name: string): void {
    if (name === 'a') this.isLinkOpen = false;
    const at = this.find(name, bit.endsScope);
    if (at < 0) return;
    let blocks = 0;
    for (let above = at + 1; above < this.elements.length; above += 1)
      if ((this.elements[above]!.bits & bit.special) !== 0) blocks += 1;
    if (blocks > 0) this.takeOut(at);
    else this.closeTo(at, true);
    // It goes through so many blocks, and a link that reaches deeper is opened again.
    if (name === 'a' && blocks >= mostBlocks) this.isLinkOpen = true;
  }

  /** A link inside a link ends the outer one. */
  #dropLink(): void {
    this.isLinkOpen = false;
    const at = this.find('a', bit.marker);
    if (at < 0) return;
    if (at === this.elements.length - 1) this.pop();
    else this.takeOut(at);
  }

  #remove(name: string): void {
    const at = this.find(name, bit.endsScope);
    if (at === this.elements.length - 1) this.closeTo(at, true);
    else if (at >= 0) this.takeOut(at);
  }

  #beforeTablePart(name: string): boolean {
    if (this.#findTable('table') < 0) return this.top() === 'template';
    const wanted = tableParentsOf(name);
    while (this.elements.length > 0 && !wanted.has(this.top())) this.pop();
    return true;
  }

  /** The innermost of a name in the table that is open; only a template, or another table around it, hides it. */
  #findTable(name: string): number {
    if (name === 'table' && !this.isAnyTableOpen) return -1;
    for (let at = this.elements.length - 1; at >= 0; at -= 1) {
      const one = this.elements[at]!;
      if (one.name === name && !one.isForeign) return at;
      if (one.name === 'template' || (one.name === 'table' && name !== 'table')) return -1;
      if (one.isForeign && (one.bits & bit.integrationPoint) !== 0) return -1;
    }
    return -1;
  }

  #closeTablePart(name: string): void {
    this.closeTo(this.#findTable(name), true);
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
      if ((one.bits & bit.special) !== 0) return;
    }
  }
}

function isInnerForeign({ isForeign, bits }: Open): boolean {
  return isForeign && (bits & bit.integrationPoint) === 0;
}
