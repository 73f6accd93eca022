import { type Tree, type TreeNode, childrenOf, classesOf, descendants, valueOf } from '../page/tree.ts';
import type { Charset } from '../text/charset.ts';

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

/** Finds selectors for the elements of one page. */
export class Selectors {
  readonly #charset: Charset;
  /** Simple selectors, each with the first element that it matches. */
  readonly #first = new Map<string, TreeNode>();

  constructor(tree: Tree) {
    this.#charset = tree.charset;
    for (const node of tree.nodes)
      for (const selector of [...this.#own(node), node.name])
        if (!this.#first.has(selector)) this.#first.set(selector, node);
  }

  /** Selectors whose first match is this element, the plainest first; at most so many. */
  for(node: TreeNode, most = 8): string[] {
    const own = this.#own(node).filter(one => this.#first.get(one) === node);
    const bare = this.#first.get(node.name) === node ? [node.name] : [];
    const found = common.has(node.name)
      ? [...own, ...this.#below(node), ...bare]
      : [...own, ...bare, ...this.#below(node)];
    return [...new Set(found)].slice(0, most);
  }

  /** By its id, classes and attributes. */
  #own(node: TreeNode): string[] {
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
  #below(node: TreeNode): string[] {
    const found: string[] = [];
    for (let above = node.parent; above; above = above.parent) {
      const outer = above;
      const names = [...this.#own(outer), outer.name].filter(one => this.#first.get(one) === outer);
      for (const name of names.slice(0, 2)) {
        for (const inner of [node.name, ...this.#own(node)]) {
          if (
            firstIn(
              outer,
              one => one.name === node.name && (inner === node.name || this.#own(one).includes(inner)),
            ) === node
          )
            found.push(`${name} ${inner}`);
        }
      }
      if (found.length === 0 && outer === node.parent && names[0] !== undefined) {
        const place =
          childrenOf(outer)
            .filter(one => one.name === node.name)
            .indexOf(node) + 1;
        found.push(`${names[0]} > ${node.name}:nth-of-type(${place})`);
      }
    }
    return found;
  }
}

function isName(text: string): boolean {
  return /^-?[a-z_][\w-]*$/i.test(text);
}

function firstIn(outer: TreeNode, test: (node: TreeNode) => boolean): TreeNode | null {
  for (const node of descendants(outer)) if (node !== outer && test(node)) return node;
  return null;
}
