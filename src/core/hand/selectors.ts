import { type Tree, type TreeNode, childrenOf, classesOf, valueOf } from '../page/tree.ts';
import type { Raw } from '../text/bytes.ts';
import { type Charset, decode } from '../text/charset.ts';
import { readAttributeReferences } from '../text/references.ts';

/** Attributes that old pages tell their parts apart by. */
const telling = [
  'role',
  'aria-label',
  'summary',
  'bgcolor',
  'background',
  'width',
  'align',
  'cellpadding',
  'border',
  'class',
];
/** Names that say nothing by themselves. */
const common: ReadonlySet<string> = new Set([
  'div',
  'p',
  'td',
  'tr',
  'span',
  'font',
  'center',
  'li',
  'b',
  'a',
]);

const tellingNames: ReadonlySet<string> = new Set(['id', ...telling]);

/** Finds selectors for some elements of one page. */
export class Selectors {
  readonly #tree: Tree;
  readonly #charset: Charset;
  /** Simple selectors, each with the numbers of the elements that it matches, in the order of the page. */
  readonly #matches = new Map<string, number[]>();
  readonly #known = new Map<number, readonly string[]>();
  /** Whether a value of `class` has a wanted word. */
  readonly #classes = new Map<string, boolean>();

  /** @param wanted the elements that selectors are asked for: no others are looked at more than once */
  constructor(tree: Tree, wanted: readonly TreeNode[]) {
    this.#tree = tree;
    this.#charset = tree.charset;
    const { table } = tree;
    const values = new Map<string, Set<string>>();
    for (const one of wanted)
      for (let node: TreeNode | null = one; node && !this.#known.has(node.at); node = node.parent) {
        this.#addWords(node, values);
        const own = this.#read(node);
        this.#known.set(node.at, own);
        for (const selector of [node.name, ...own]) this.#matches.set(selector, []);
      }
    for (let row = 1; row < table.length; row += 1) {
      this.#matches.get(table.name(row))?.push(row);
      if (!table.hasAttributes(row) || !this.#sharesWord(row, values)) continue;
      for (const selector of this.#own(tree.node(row))) this.#matches.get(selector)?.push(row);
    }
  }

  #first(selector: string): number | undefined {
    return this.#matches.get(selector)?.[0];
  }

  /** The first element in another one that a selector matches, where that is this one. */
  #isFirstIn(node: TreeNode, outer: TreeNode, selector: string): boolean {
    const matches = this.#matches.get(selector) ?? [];
    let low = 0;
    for (let high = matches.length; low < high;) {
      const middle = (low + high) >> 1;
      if (matches[middle]! <= outer.at) low = middle + 1;
      else high = middle;
    }
    return matches[low] === node.at;
  }

  /** Selectors whose first match is this element, the plainest first; at most so many. */
  for(node: TreeNode, most = 8): string[] {
    const own = this.#own(node).filter(one => this.#first(one) === node.at);
    const bare = this.#first(node.name) === node.at ? [node.name] : [];
    const found = common.has(node.name)
      ? [...own, ...this.#below(node, most), ...bare]
      : [...own, ...bare, ...this.#below(node, most)];
    return [...new Set(found)].slice(0, most);
  }

  /** What its selectors are made of: two elements without a word in common have no selector in common. */
  #addWords(node: TreeNode, words: Map<string, Set<string>>): void {
    for (const { name, value: raw } of node.attributes) {
      if (!tellingNames.has(name)) continue;
      const known = words.get(name) ?? new Set<string>();
      words.set(name, known);
      const value = this.#text(raw);
      for (const word of name === 'class' ? wordsOf(value) : [value]) known.add(word);
    }
  }

  /** @param words by the attributes that they stand in */
  #sharesWord(row: number, words: ReadonlyMap<string, ReadonlySet<string>>): boolean {
    for (const [name, wanted] of words) {
      const raw = this.#tree.table.value(row, name);
      if (raw === null) continue;
      const value = this.#text(raw);
      if (name === 'class' ? this.#hasClass(value, wanted) : wanted.has(value)) return true;
    }
    return false;
  }

  /** @param raw the attribute, as it is written */
  #text(raw: Raw): string {
    return raw.includes('&') ? readAttributeReferences(decode(raw, this.#charset)) : raw;
  }

  #hasClass(value: string, wanted: ReadonlySet<string>): boolean {
    let known = this.#classes.get(value);
    if (known === undefined)
      this.#classes.set(value, (known = wordsOf(value).some(word => wanted.has(word))));
    return known;
  }

  #own(node: TreeNode): readonly string[] {
    const kept = this.#known.get(node.at);
    if (kept) return kept;
    const found = node.hasAttributes ? this.#read(node) : [];
    this.#known.set(node.at, found);
    return found;
  }

  /** By its id, classes and attributes. */
  #read(node: TreeNode): string[] {
    const charset = this.#charset;
    const id = valueOf(node, 'id', charset);
    const classes = classesOf(node, charset).filter(isName);
    const attributes = telling.flatMap(name => {
      const value = name === 'class' ? null : valueOf(node, name, charset);
      return value !== null && /^[\w#. %-]+$/.test(value) ? [`${node.name}[${name}="${value}"]`] : [];
    });
    return [
      ...(id !== null && isName(id) ? [`#${id}`] : []),
      ...classes.map(name => `${node.name}.${name}`),
      ...(classes.length > 1 ? [`${node.name}.${classes.join('.')}`] : []),
      ...attributes,
    ];
  }

  /** By what it lies in. */
  #below(node: TreeNode, most: number): string[] {
    const found: string[] = [];
    for (let above = node.parent; above && found.length < most; above = above.parent) {
      const outer = above;
      const names = [...this.#own(outer), outer.name].filter(one => this.#first(one) === outer.at);
      for (const name of names.slice(0, 2)) {
        for (const inner of [node.name, ...this.#own(node)])
          if (this.#isFirstIn(node, outer, inner)) found.push(`${name} ${inner}`);
      }
      if (found.length === 0 && outer === node.parent && names[0] !== undefined) {
        const place =
          childrenOf(outer)
            .filter(one => one.name === node.name)
            .indexOf(node) + 1;
        found.push(`${names[0]} > ${node.name}:nth-of-type(${place})`);
      }
    }
    return found.length > 0 ? found : this.#stepByStep(node);
  }

  /** From the nearest element around it that is found by its name, child by child. */
  #stepByStep(node: TreeNode): string[] {
    const steps: string[] = [];
    let one = node;
    for (let outer = node.parent; outer && steps.length < mostSteps; one = outer, outer = outer.parent) {
      const alike = childrenOf(outer).filter(other => other.name === one.name);
      steps.unshift(alike.length === 1 ? one.name : `${one.name}:nth-of-type(${alike.indexOf(one) + 1})`);
      const name = [...this.#own(outer), outer.name].find(known => this.#first(known) === outer.at);
      if (name !== undefined) return [[name, ...steps].join(' > ')];
    }
    return [];
  }
}

/** A longer way says nothing to people, and breaks with the next change of the page. */
const mostSteps = 3;

const wordsOf = (value: string): string[] => value.split(/[\t\n\f\r ]+/);

function isName(text: string): boolean {
  return /^-?[a-z_][\w-]*$/i.test(text);
}
