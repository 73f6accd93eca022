import type { Raw } from '../text/bytes.ts';
import type { Charset } from '../text/charset.ts';
import { type Tree, type TreeNode, isNode, readTree, textOf, valueOf } from './tree.ts';
import { collapse } from './words.ts';

/** Something in a part of a page that is no link: byte offsets in that part. */
export interface BesideLinks {
  what: 'form' | 'picture' | 'script' | 'words';
  start: number;
  end: number;
  /** The words themselves, or the file of a picture. */
  text: string;
}

const links: ReadonlySet<string> = new Set(['a', 'area']);
const fields: ReadonlySet<string> = new Set(['form', 'select', 'textarea', 'fieldset']);
const media: ReadonlySet<string> = new Set('video audio iframe object embed canvas svg picture'.split(' '));
const scripts: ReadonlySet<string> = new Set(['script', 'style']);
/** What opens and closes an old menu, and what only describes it. */
const controls: ReadonlySet<string> = new Set('button label summary template noscript map'.split(' '));
/** Kinds of fields that hold nothing a visitor gives. */
const switches: ReadonlySet<string> = new Set(['checkbox', 'radio', 'hidden', 'button']);
const spacer = /(?:^|[/_-])(?:spacer|blank|pixel|clear|trans(?:parent)?|dot|shim|line)[^/]*$/i;

/** What a part of a page holds beside its links and what stands between them. */
export function besideLinks(part: Raw, charset: Charset): BesideLinks[] {
  const tree = readTree(part, charset, true);
  const found: BesideLinks[] = [];
  look(tree, tree.content, found);
  return withoutBullets(found);
}

function look(tree: Tree, content: Tree['content'], found: BesideLinks[]): void {
  for (const one of content) {
    if (!isNode(one)) found.push(...wordsIn(tree, one));
    else if (links.has(one.name) && one.value('href') !== null) continue;
    else if (controls.has(one.name)) continue;
    else {
      const what = whatIs(one, tree);
      if (what) found.push({ what, ...extent(one), text: collapse(valueOf(one, 'src', tree.charset) ?? '') });
      else look(tree, one.content, found);
    }
  }
}

function whatIs(node: TreeNode, { charset }: Tree): BesideLinks['what'] | null {
  if (fields.has(node.name)) return 'form';
  if (scripts.has(node.name)) return 'script';
  if (media.has(node.name)) return 'picture';
  if (node.name === 'input')
    return switches.has((valueOf(node, 'type', charset) ?? '').toLowerCase()) ? null : 'form';
  return node.name === 'img' && isSeen(node, charset) ? 'picture' : null;
}

/** No spacer, and not said to be an ornament. */
function isSeen(image: TreeNode, charset: Charset): boolean {
  const size = (name: string): number => Number.parseInt(valueOf(image, name, charset) ?? '', 10);
  if (size('width') <= 4 || size('height') <= 4 || valueOf(image, 'alt', charset)?.trim() === '')
    return false;
  return !spacer.test(valueOf(image, 'src', charset) ?? '');
}

function wordsIn(tree: Tree, { start, end }: { start: number; end: number }): BesideLinks[] {
  return collapse(textOf(tree, { start, end }))
    .split(/[|·•»›«‹]/u)
    .map(part => part.replace(/^[^\p{L}\p{N}©]+|[^\p{L}\p{N}!?.)]+$/gu, ''))
    .filter(part => /\p{L}{2}|\p{N}/u.test(part))
    .map(text => ({ what: 'words', start, end, text }));
}

function extent({ start, open, end, stop }: TreeNode): { start: number; end: number } {
  return { start, end: Math.max(open, end, stop) };
}

/** The same small picture before each entry is a bullet. */
function withoutBullets(found: readonly BesideLinks[]): BesideLinks[] {
  const times = (text: string): number =>
    found.filter(one => one.what === 'picture' && one.text === text && text !== '').length;
  return found.filter(one => one.what !== 'picture' || times(one.text) < 2);
}

/** Words as they are compared: whatever their case, white space and signs around them. */
export function wordsKey(words: string): string {
  return collapse(words)
    .toLowerCase()
    .replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, '');
}

const most = 3;

/** `a form, a picture (logo.gif) and the words “Opening hours”`. */
export function describeBeside(found: readonly BesideLinks[]): string {
  const words = found.filter(one => one.what === 'words').map(one => `“${cut(one.text)}”`);
  const pictures = found.filter(one => one.what === 'picture').map(one => one.text);
  const named = (list: readonly string[]): string => {
    const shown = [...new Set(list)].filter(Boolean);
    return shown.length > most ? `${shown.slice(0, most).join(', ')} …` : shown.join(', ');
  };
  const count = (what: string): number => found.filter(one => one.what === what).length;
  const parts = [
    ...(count('form') > 0 ? ['a form'] : []),
    ...(pictures.length > 0
      ? [`${pictures.length > 1 ? 'pictures' : 'a picture'}${named(pictures) ? ` (${named(pictures)})` : ''}`]
      : []),
    ...(count('script') > 0 ? ['a script or styles'] : []),
    ...(words.length > 0 ? [`the words ${named(words)}`] : []),
  ];
  return parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)!}`;
}

function cut(text: string): string {
  return text.length > 40 ? `${text.slice(0, 39)}…` : text;
}
