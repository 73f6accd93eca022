import { nobody } from '../page/element-table.ts';
import { type Tree, type TreeNode, valueOf } from '../page/tree.ts';
import type { Raw } from '../text/bytes.ts';
import { type Charset, decode } from '../text/charset.ts';
import { readAttributeReferences } from '../text/references.ts';

/** Attributes that pages tell their parts apart by, old ones too, beside their ids. */
const others = 'class role aria-label summary bgcolor background width align cellpadding border'.split(' ');
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

/** An attribute: by the element's name, and by its value as it is written, where such elements are put. Pages repeat a few. */
interface Values {
  attribute: string;
  among: Map<string, Map<Raw, readonly number[][]>>;
}

/** Finds selectors for some elements of one page. */
export class Selectors {
  readonly #tree: Tree;
  readonly #charset: Charset;
  /** Simple selectors, each with the numbers of the elements that it matches, in the order of the page. */
  readonly #matches = new Map<string, number[]>();
  readonly #known = new Map<number, readonly string[]>();
  /** By ids: those of selectors by them. */
  readonly #ids = new Map<string, number[]>();
  readonly #values: Values[];
  /** What has been asked of elements around others. */
  readonly #names = new Map<number, readonly string[]>();
  readonly #beside = new Map<number, { places: Map<number, number>; counts: Map<string, number> }>();

  /** @param wanted the elements that selectors are asked for: no others are looked at more than once */
  constructor(tree: Tree, wanted: readonly TreeNode[]) {
    this.#tree = tree;
    this.#charset = tree.charset;
    const { table } = tree;
    const met = new Set<string>();
    for (const one of wanted)
      for (let node: TreeNode | null = one; node && !this.#known.has(node.at); node = node.parent) {
        for (const { name } of node.attributes) met.add(name);
        const own = this.#read(node);
        this.#known.set(node.at, own);
        for (const selector of [node.name, ...own]) this.#matches.set(selector, []);
      }
    this.#values = others.flatMap(attribute => (met.has(attribute) ? { attribute, among: new Map() } : []));
    for (const [selector, rows] of this.#matches)
      if (selector.startsWith('#')) this.#ids.set(selector.slice(1), rows);
    for (let row = 1; row < table.length; row += 1) {
      this.#matches.get(table.name(row))?.push(row);
      if (table.hasAttributes(row)) this.#match(row);
    }
  }

  /** Puts an element to the selectors that match it by its attributes. */
  #match(row: number): void {
    const { table } = this.#tree;
    const id = this.#ids.size > 0 ? table.value(row, 'id') : null;
    if (id !== null) this.#ids.get(this.#text(id))?.push(row);
    for (const { attribute, among } of this.#values) {
      const raw = table.value(row, attribute);
      if (raw === null) continue;
      const name = table.name(row);
      let byValue = among.get(name);
      if (byValue === undefined) among.set(name, (byValue = new Map()));
      let rows = byValue.get(raw);
      if (rows === undefined) byValue.set(raw, (rows = this.#rowsOf(attribute, name, raw)));
      for (const one of rows) one.push(row);
    }
  }

  #rowsOf(attribute: string, name: string, raw: Raw): number[][] {
    const selectors = selectorsBy(attribute, name, this.#text(raw));
    return selectors.flatMap(one => (this.#matches.has(one) ? [this.#matches.get(one)!] : []));
  }

  /** @param raw an attribute, as it is written */
  #text(raw: Raw): string {
    return readAttributeReferences(decode(raw, this.#charset));
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

  #own(node: TreeNode): readonly string[] {
    const kept = this.#known.get(node.at);
    if (kept) return kept;
    const found = node.hasAttributes ? this.#read(node) : [];
    this.#known.set(node.at, found);
    return found;
  }

  /** By its id, classes and attributes. */
  #read(node: TreeNode): string[] {
    return ['id', ...others].flatMap(name => {
      const value = valueOf(node, name, this.#charset);
      return value === null ? [] : selectorsBy(name, node.name, value);
    });
  }

  /** By what it lies in. */
  #below(node: TreeNode, most: number): string[] {
    const found: string[] = [];
    const inner = [node.name, ...this.#own(node)];
    for (let outer = node.parent; outer && found.length < most; outer = outer.parent) {
      const names = this.#namesOf(outer);
      if (names.length === 0) continue;
      const own = inner.filter(one => this.#isFirstIn(node, outer!, one));
      for (const name of names.slice(0, 2)) for (const one of own) found.push(`${name} ${one}`);
      if (found.length === 0 && outer === node.parent) found.push(`${names[0]!} > ${this.#step(node).place}`);
    }
    return found.length > 0 ? found : this.#stepByStep(node);
  }

  /** Those of its selectors of which it is the first match. */
  #namesOf(node: TreeNode): readonly string[] {
    let names = this.#names.get(node.at);
    if (names === undefined) {
      names = [...this.#own(node), node.name].filter(one => this.#first(one) === node.at);
      this.#names.set(node.at, names);
    }
    return names;
  }

  /** An element among those that lie beside it; all are counted at once, since lists are long. */
  #step({ at, name, parent }: TreeNode): { place: string; isAlone: boolean } {
    const { table } = this.#tree;
    let beside = this.#beside.get(parent!.at);
    if (beside === undefined) {
      this.#beside.set(parent!.at, (beside = { places: new Map(), counts: new Map() }));
      for (let one = table.firstChild(parent!.at); one !== nobody; one = table.nextSibling(one)) {
        const count = (beside.counts.get(table.name(one)) ?? 0) + 1;
        beside.counts.set(table.name(one), count);
        beside.places.set(one, count);
      }
    }
    return {
      place: `${name}:nth-of-type(${beside.places.get(at)!})`,
      isAlone: beside.counts.get(name) === 1,
    };
  }

  /** From the nearest element around it that is found by its name, child by child. */
  #stepByStep(node: TreeNode): string[] {
    const steps: string[] = [];
    let one = node;
    for (let outer = node.parent; outer && steps.length < mostSteps; one = outer, outer = outer.parent) {
      const { place, isAlone } = this.#step(one);
      steps.unshift(isAlone ? one.name : place);
      const [name] = this.#namesOf(outer);
      if (name !== undefined) return [[name, ...steps].join(' > ')];
    }
    return [];
  }
}

/** A longer way says nothing to people, and breaks with the next change of the page. */
const mostSteps = 3;

/** What an attribute gives. @param name of the element */
function selectorsBy(attribute: string, name: string, value: string): string[] {
  if (attribute === 'id') return isName(value) ? [`#${value}`] : [];
  if (attribute !== 'class') return /^[\w#. %-]+$/.test(value) ? [`${name}[${attribute}="${value}"]`] : [];
  const classes = value.split(/[\t\n\f\r ]+/).filter(isName);
  return [
    ...classes.map(one => `${name}.${one}`),
    ...(classes.length > 1 ? [`${name}.${classes.join('.')}`] : []),
  ];
}

function isName(text: string): boolean {
  return /^-?[a-z_][\w-]*$/i.test(text);
}
