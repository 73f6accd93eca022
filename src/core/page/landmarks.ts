import { lowerAscii } from '../text/bytes.ts';
import type { Heading } from './content.ts';
import type { Walk } from './walk.ts';

const beside: ReadonlySet<string> = new Set(['nav', 'aside', 'footer', 'dialog']);
const besideRoles: ReadonlySet<string> = new Set([
  'navigation',
  'complementary',
  'contentinfo',
  'search',
  'dialog',
]);
/** Elements that old pages give a role. */
const roleHolders: ReadonlySet<string> = new Set(['div', 'section', 'article', 'td', 'table', 'form', 'ul']);

/** Which headings of a page belong to what it says. */
export class Landmarks {
  readonly #walk: Walk;
  readonly #hasRoles: boolean;
  /** The open ones, with how much was open around each. */
  readonly #open: { isMain: boolean; depth: number }[] = [];
  readonly #inMain = new Set<Heading>();

  constructor(walk: Walk) {
    this.#walk = walk;
    this.#hasRoles = /\brole=/i.test(walk.raw);
  }

  /** @param depth how much was open before the start tag just met */
  onStart(name: string, depth: number): void {
    const isMain = this.#isMain(name);
    if (isMain === null || this.#walk.outline.depth <= depth) return;
    this.#open.push({ isMain, depth });
  }

  /** null for an element that is none. */
  #isMain(name: string): boolean | null {
    if (name === 'main') return true;
    if (beside.has(name)) return false;
    if (!this.#hasRoles || !roleHolders.has(name)) return null;
    const role = lowerAscii(this.#walk.scanner.value('role') ?? '').trim();
    if (role === 'main') return true;
    return besideRoles.has(role) ? false : null;
  }

  leave(): void {
    while (this.#open.length > 0 && this.#walk.outline.depth <= this.#open.at(-1)!.depth) this.#open.pop();
  }

  onHeading(heading: Heading): void {
    heading.isContent = this.#open.every(one => one.isMain);
    if (heading.isContent && this.#open.length > 0) this.#inMain.add(heading);
  }

  /** Where the main content has headings, no other ones are those of the page. */
  settle(headings: readonly Heading[]): void {
    if (this.#inMain.size === 0) return;
    for (const one of headings) one.isContent = this.#inMain.has(one);
  }
}
