import {
  type Tree,
  type TreeNode,
  type TreeText,
  classesOf,
  descendants,
  isNode,
  wordsOf,
} from '../page/tree.ts';
import { isLink } from './linked.ts';

/** What opens something by itself. */
const openers: ReadonlySet<string> = new Set(['button', 'label', 'summary']);
const signs: ReadonlySet<string> = new Set(['svg', 'img', 'i']);
const blocks: ReadonlySet<string> = new Set(['div', 'section', 'nav', 'p', 'span']);
/** Names of what opens below a link. */
const below = /drop|sub|panel|mega|fly|child|menu/i;
/** What opens the whole of a menu says so. */
const wholeMenu = /^(?:(?:toggle|open|show|close|main|the|site)\s+)*(?:men[uüú]|nav|navigation)$/i;

/** An entry without a list: what opens, and the elements with the links that it opens. */
export interface Group {
  opener: TreeNode;
  inside: TreeNode[];
}

/**
 * The group that a content is; null where it is none.
 * @param isItem it is one of a list; else only what opens by itself, or a link with names that say so, is taken for it
 */
export function groupIn(
  tree: Tree,
  content: readonly (TreeNode | TreeText)[],
  isItem: boolean,
): Group | null {
  const [opener, ...rest] = content.filter(isNode).filter(one => one.name !== 'input');
  // Beside a link there may be a button of its own for what lies below it.
  const inside = rest.filter(one => !openers.has(one.name) && !signs.has(one.name));
  if (!opener || inside.length === 0) return null;
  const opens = openers.has(opener.name);
  if (!opens && !isLink(opener)) return null;
  const links = inside.flatMap(one => (isLink(one) ? one : descendants(one).filter(isLink)));
  if (links.length === 0) return null;
  if (opens) return wholeMenu.test(lettersOf(wordsOf(tree, opener, ' '))) ? null : { opener, inside };
  const isBelow = inside.some(one => classesOf(one, tree.charset).some(name => below.test(name)));
  const areBlocks = inside.every(one => blocks.has(one.name) && !isLink(one));
  return areBlocks && (isBelow || (isItem && links.length > 1)) ? { opener, inside } : null;
}

const lettersOf = (text: string): string => text.replace(/[^\p{L}\p{N}]+/gu, ' ').trim();
