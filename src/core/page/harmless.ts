import { type Raw, type Span, lowerAscii } from '../text/bytes.ts';
import type { Charset } from '../text/charset.ts';
import { readAttributeReferences } from '../text/references.ts';
import { type TreeNode, readTree, valueOf } from './tree.ts';
import type { Attribute } from './types.ts';

/** Goes with all that lies in it. */
const whole: ReadonlySet<string> = new Set(['script', 'iframe', 'noframes', 'noembed']);
/** Its tag goes, and what lies in it stays. */
const tags: ReadonlySet<string> = new Set([
  'frame',
  'object',
  'embed',
  'applet',
  'portal',
  'base',
  'fencedframe',
]);
const neverKept: ReadonlySet<string> = new Set([
  'srcdoc',
  'ping',
  'action',
  'formaction',
  'manifest',
  'nonce',
]);
const addresses: ReadonlySet<string> = new Set([
  'src',
  'href',
  'xlink:href',
  'srcset',
  'poster',
  'background',
  'data',
]);

/**
 * What is taken out of a page before a browser looks at its look: whatever runs, frames, sends on or reaches out. Style
 * sheets, fonts and pictures of the site stay, and so do links, which reach nothing until somebody follows them.
 * @param keepsFrames frames whose content stands in the page itself are part of its look
 */
export function harmfulSpans(raw: Raw, charset: Charset, keepsFrames = false): Span[] {
  const spans: Required<Span>[] = [];
  let gone = 0;
  for (const node of readTree(raw, charset, true).nodes) {
    if (node.start < gone) continue;
    if (keepsFrames && node.name === 'iframe' && node.value('src') === null) continue;
    const end = harmfulEnd(node, raw.length, charset);
    if (end !== null) {
      spans.push({ at: node.start, text: '', drop: end - node.start });
      gone = end;
    } else
      for (const one of node.attributes)
        if (isHarmful(node, one)) spans.push({ at: one.start, text: '', drop: one.end - one.start });
  }
  return spans;
}

/** Where what goes of an element ends; null for one that stays. */
function harmfulEnd(node: TreeNode, end: number, charset: Charset): number | null {
  const value = (name: string): string => lowerAscii(valueOf(node, name, charset) ?? '');
  if (whole.has(node.name)) return node.end >= 0 ? node.end : node.stop >= 0 ? node.stop : end;
  if (tags.has(node.name)) return node.open;
  const rel = value('rel').split(/[\t\n\f\r ]+/);
  if (node.name === 'link' && (!rel.includes('stylesheet') || isOutside(value('href')))) return node.open;
  const pragma = value('http-equiv').trim();
  return node.name === 'meta' && pragma !== '' && pragma !== 'content-type' ? node.open : null;
}

function isHarmful({ name: element }: TreeNode, { name, value }: Attribute): boolean {
  if (name.startsWith('on') || neverKept.has(name)) return true;
  if (!addresses.has(name)) return false;
  const address = readAttributeReferences(value);
  if (/^[\0-\x20]*data:image\//i.test(address)) return false;
  if (element === 'a' || element === 'area')
    return /^[\0-\x20]*j[\t\n\r]*a[\t\n\r]*v[\t\n\r]*a/i.test(address);
  return name === 'srcset' ? /[:\\]|\/\//.test(address) : isOutside(address);
}

/** To another host, or by another scheme. */
function isOutside(address: string): boolean {
  const plain = address.replace(/[\t\n\r]/g, '').replace(/^[\0-\x20]+/, '');
  return /^(?:[a-z][a-z0-9+.-]*:|[\\/]{2})/i.test(plain);
}
