import { collapse, withoutSigns } from '../page/words.ts';
import { headings, lists, rawTextElements } from '../page/kinds.ts';
import {
  type Tree,
  type TreeNode,
  type TreeText,
  descendants,
  isNode,
  textOf,
  valueOf,
  wordsOf,
} from '../page/tree.ts';
import type { Raw } from '../text/bytes.ts';
import { linkMarks, marksOf } from './entry-marks.ts';
import { pictureOf, withPictureMarks } from './pictures.ts';
import { groupIn } from './groups.ts';
import { holdsLink, isLink, isLinkedHeading } from './linked.ts';
import type { HandEntry } from './types.ts';

const items: ReadonlySet<string> = new Set(['li', 'dt', 'dd']);
/** What they hold is no entry: a caption, a control, a form. */
const passedOver: ReadonlySet<string> = new Set([
  ...headings,
  ...rawTextElements,
  ...['template', 'noscript', 'button', 'form', 'select', 'label', 'svg', 'object', 'caption'],
]);
/** Anything but what stands between the entries of a line. */
const words = /[^\s|·•:»«›‹>/\\~,*\u2013\u2014\u2022\u00a0\u2192-]/u;

/** The entries of an element that holds a menu, with what lies below each. */
export function entriesOf(tree: Tree, node: TreeNode): HandEntry[] {
  return withPictureMarks(new EntryReader(tree).read(node.content, []));
}

/** Of an entry that is a picture and no words. */
export const pictureMark = 'picture alone';

/** Whether a text only stands between entries. */
export function isSeparator(text: string): boolean {
  return !words.test(text);
}

/** Said to those who hear a page alone, of the entry of the page that they are on. */
const currentWords = /^\s*\((?:current|current page|this page)\)\s*$/i;

/** An entry while its page is read: what lies below it may come behind it. */
interface OpenEntry extends HandEntry {
  entries: OpenEntry[];
}

class EntryReader {
  readonly #tree: Tree;

  constructor(tree: Tree) {
    this.#tree = tree;
  }

  /** @param marks of the elements around, up to the item */
  read(content: readonly (TreeNode | TreeText)[], marks: readonly string[]): OpenEntry[] {
    const found: OpenEntry[] = [];
    for (const one of content) {
      if (!isNode(one)) found.push(...this.#words(one, marks));
      else if (isOurs(one)) continue;
      else if (one.name === 'dd' && found.length > 0) found.at(-1)!.entries.push(...this.#item(one));
      // A list that lies beside its item, or in one of its own, belongs to the item before.
      else if (
        lists.has(one.name) &&
        content.some(other => isNode(other) && other.name === 'li') &&
        found.length > 0
      )
        found.at(-1)!.entries.push(...this.read(one.content, []));
      else if (one.name === 'li' && found.length > 0 && this.#holdsOnlyLists(one))
        found.at(-1)!.entries.push(...this.#item(one));
      else if (items.has(one.name)) found.push(...this.#item(one));
      else if (isLink(one)) found.push(this.#link(one, marks));
      else if (!passedOver.has(one.name) || isLinkedHeading(this.#tree, one, content))
        found.push(...this.#inside(one, content, marks));
    }
    return found;
  }

  /** What lies in an element between others: one entry with those below it, or its entries one after the other. */
  #inside(node: TreeNode, around: readonly (TreeNode | TreeText)[], marks: readonly string[]): OpenEntry[] {
    const own = marksOf(this.#tree, node, marks);
    const isApart = (): boolean => around.some(one => one !== node && isNode(one) && holdsLink(one));
    const group = this.#group(node.content, { isItem: false, marks: own });
    return group && isApart() ? [group] : this.read(node.content, own);
  }

  /** An entry that opens others without a list. */
  #group(
    content: readonly (TreeNode | TreeText)[],
    { isItem, marks }: { isItem: boolean; marks: readonly string[] },
  ): OpenEntry | null {
    const group = groupIn(this.#tree, content, isItem);
    if (!group) return null;
    const [entry] = isLink(group.opener) ? [this.#link(group.opener, marks)] : [this.#opener([group.opener])];
    return entry ? { ...entry, entries: this.read(group.inside, []) } : null;
  }

  /** An item without words or links of its own. */
  #holdsOnlyLists({ content }: TreeNode): boolean {
    const isList = (one: TreeNode | TreeText): boolean =>
      isNode(one) ? lists.has(one.name) : textOf(this.#tree, one).trim() === '';
    return content.some(isNode) && content.every(isList);
  }

  /** One item of a list: its own link or words, and the lists in it. */
  #item(item: TreeNode): OpenEntry[] {
    const below: OpenEntry[] = [];
    const own = this.#withoutLists(item.content, below);
    const marks = marksOf(this.#tree, item, []);
    const [alone] = own.filter(isNode);
    const inner = alone?.name === 'details' ? alone.content : own;
    const group = this.#group(inner, { isItem: true, marks });
    if (group) return [{ ...group, entries: [...group.entries, ...below] }];
    const [first = below.length > 0 ? this.#opener(own) : undefined, ...others] = this.read(own, marks);
    if (!first) return below;
    // Two links in one item are two entries, unless they lead to the same place, as a picture and its words do.
    const twins = others.filter(one => one.href !== null && one.href === first.href);
    const label = first.label || twins.map(one => one.label).find(Boolean) || '';
    const rest = others.filter(one => !twins.includes(one) && one.href !== null);
    return [{ ...first, label, entries: [...first.entries, ...below] }, ...rest];
  }

  /** What a script or a box opens the lists of an item by: its words are the entry. */
  #opener(content: readonly (TreeNode | TreeText)[]): OpenEntry | undefined {
    for (const one of content.filter(isNode)) {
      const isOpener = one.name === 'button' || one.name === 'label' || one.name === 'summary';
      const [found] = isOpener ? this.read(one.content, []) : [this.#opener(one.content)];
      if (found) return { ...found, label: withoutSigns(found.label), href: null };
    }
    return undefined;
  }

  /** The content without the lists in it at any depth; their entries go to `below`. The same array where there is none. */
  #withoutLists(
    content: readonly (TreeNode | TreeText)[],
    below: OpenEntry[],
  ): readonly (TreeNode | TreeText)[] {
    let kept: (TreeNode | TreeText)[] | null = null;
    for (const [at, one] of content.entries()) {
      const title = isNode(one) && lists.has(one.name) ? this.#titleOf(content, at) : null;
      const own: OpenEntry[] = title ? [] : below;
      const rest = isNode(one) ? this.#withoutListsIn(one, own) : one;
      if (title) below.push({ ...title, entries: own });
      if (rest !== one) kept ??= content.slice(0, at);
      if (rest) kept?.push(rest);
    }
    return kept ?? content;
  }

  /** The heading right above a list in an item: what its entries lie below. */
  #titleOf(content: readonly (TreeNode | TreeText)[], at: number): OpenEntry | null {
    const before = content.slice(0, at).findLast(one => isNode(one) || !isBlank(this.#tree.raw, one));
    if (!before || !isNode(before) || !headings.has(before.name)) return null;
    return this.read(before.content, [])[0] ?? null;
  }

  /** null where it is a list itself. */
  #withoutListsIn(node: TreeNode, below: OpenEntry[]): TreeNode | null {
    if (lists.has(node.name)) {
      below.push(...this.read(node.content, []));
      return null;
    }
    const content = isLink(node) ? node.content : this.#withoutLists(node.content, below);
    return content === node.content ? node : node.holding([...content]);
  }

  #link(node: TreeNode, around: readonly string[]): OpenEntry {
    const { charset } = this.#tree;
    const inner = node.content.filter(isNode).flatMap(one => marksOf(this.#tree, one, []));
    const marks = [...marksOf(this.#tree, node, around), ...inner, ...linkMarks(this.#tree, node)];
    const image = this.#pictureIn(node);
    if (image) marks.push(pictureMark);
    const said = withoutSigns(collapse(this.#text(node, true)));
    const named = ['aria-label', 'title'].map(name => (valueOf(node, name, charset) ?? '').trim());
    const label = said || named.find(one => one !== '') || withoutSigns(collapse(this.#text(node)));
    const area = node.name === 'area' ? (valueOf(node, 'alt', charset) ?? '') : '';
    return {
      label: label || area,
      href: valueOf(node, 'href', charset),
      start: node.start,
      end: node.open,
      marks,
      picture: image ? pictureOf(image, node, this.#tree.charset) : null,
      entries: [],
    };
  }

  /** The picture that a link is, where it has no words of its own. */
  #pictureIn(link: TreeNode): TreeNode | undefined {
    if (link.content.every(one => !isNode(one))) return undefined;
    const image = descendants(link).find(one => one.name === 'img');
    return image && collapse(wordsOf(this.#tree, link, ' ')) === '' ? image : undefined;
  }

  /** Words that are no link: an entry that only opens, or the page one is on. */
  #words(text: TreeText, marks: readonly string[]): OpenEntry[] {
    if (isBlank(this.#tree.raw, text)) return [];
    const words = textOf(this.#tree, text);
    return words
      .split(/[|·•»›\u2022]/u)
      .map(part => part.replace(/^[\s:>/\\~*,\u2013\u2014\u00a0-]+|[\s:>/\\~*,\u2013\u2014\u00a0-]+$/gu, ''))
      .filter(part => /[\p{L}\p{N}]/u.test(part))
      .map(part => {
        const at = text.start + Math.max(0, this.#tree.raw.slice(text.start, text.end).indexOf(part));
        const label = collapse(part);
        return {
          label,
          href: null,
          start: at,
          end: at + part.length,
          marks: [...marks, 'no link'],
          picture: null,
          entries: [],
        };
      });
  }

  /** @param isHeard without what is only seen, such as a sign before the words */
  #text(node: TreeNode, isHeard = false): string {
    return node.content
      .map(one => {
        if (!isNode(one)) return textOf(this.#tree, one);
        if (isHeard && valueOf(one, 'aria-hidden', this.#tree.charset) === 'true') return '';
        if (one.name === 'img') return ` ${this.#pictureWords(one)} `;
        if (one.name === 'br') return ' ';
        if (passedOver.has(one.name) && !headings.has(one.name)) return '';
        return this.#text(one, isHeard).replace(currentWords, '');
      })
      .join('');
  }

  #pictureWords(image: TreeNode): string {
    const { charset } = this.#tree;
    return (valueOf(image, 'alt', charset) ?? '').trim() || (valueOf(image, 'title', charset) ?? '').trim();
  }
}

/** White space, of which much stands between tags. */
function isBlank(raw: Raw, { start, end }: TreeText): boolean {
  for (let at = start; at < end; at += 1) if (raw.charCodeAt(at) > 0x20) return false;
  return true;
}

/** What Kamino put in is not written by hand. */
export function isOurs(node: TreeNode): boolean {
  return node.isOurs;
}
