import type { Attribute } from './types.ts';

export type ResourceKind =
  'picture' | 'style sheet' | 'script' | 'film or sound' | 'page in a frame' | 'file';

/** A file that a page shows or uses. The address is as written, without white space around it. */
export interface Resource {
  /** Byte offsets of the tag. */
  start: number;
  end: number;
  kind: ResourceKind;
  address: string;
}

/** Attributes that name a file, by element: https://html.spec.whatwg.org/multipage/indices.html#attributes-3 */
const named: Readonly<Record<string, Readonly<Record<string, ResourceKind>>>> = {
  img: { src: 'picture', srcset: 'picture' },
  source: { src: 'film or sound', srcset: 'picture' },
  video: { src: 'film or sound', poster: 'picture' },
  audio: { src: 'film or sound' },
  track: { src: 'file' },
  embed: { src: 'file' },
  object: { data: 'file' },
  iframe: { src: 'page in a frame' },
  frame: { src: 'page in a frame' },
  input: { src: 'picture' },
  script: { src: 'script' },
  body: { background: 'picture' },
  table: { background: 'picture' },
  tr: { background: 'picture' },
  td: { background: 'picture' },
  th: { background: 'picture' },
};
const linked: Readonly<Record<string, ResourceKind>> = {
  stylesheet: 'style sheet',
  icon: 'picture',
  'apple-touch-icon': 'picture',
};

export const hasResources: ReadonlySet<string> = new Set([...Object.keys(named), 'link']);

/** The files that an element names. @param valueOf an attribute's value as text, or null */
export function resourcesOf(
  name: string,
  attributes: readonly Attribute[],
  valueOf: (name: string) => string | null,
): { kind: ResourceKind; address: string }[] {
  const found: { kind: ResourceKind; address: string }[] = [];
  const add = (kind: ResourceKind, address: string | null): void => {
    const trimmed = address?.trim() ?? '';
    if (trimmed !== '' && !isCode(trimmed)) found.push({ kind, address: trimmed });
  };
  if (name === 'link') {
    const rels = (valueOf('rel') ?? '').toLowerCase().split(/\s+/);
    const kind = rels.includes('alternate') ? undefined : rels.map(rel => linked[rel]).find(Boolean);
    if (kind) add(kind, valueOf('href'));
  }
  for (const { name: attribute } of attributes) {
    const kind = named[name]?.[attribute];
    if (!kind) continue;
    if (attribute !== 'srcset') add(kind, valueOf(attribute));
    else for (const address of candidatesIn(valueOf(attribute) ?? '')) add(kind, address);
  }
  return found;
}

/** The pictures that a piece of script names: those that come under the pointer, mostly. */
export function picturesIn(code: string): string[] {
  return [
    ...code.matchAll(/(?:'|"|&quot;|&#39;)([^'"&<>\s]+\.(?:gif|png|jpe?g|webp|svg))(?:'|"|&quot;|&#39;)/gi),
  ]
    .map(match => match[1]!)
    .filter(address => !isCode(address));
}

/** https://html.spec.whatwg.org/multipage/images.html#parsing-a-srcset-attribute */
function candidatesIn(srcset: string): string[] {
  return [...srcset.matchAll(/[\s,]*(\S*[^\s,])(?:\s[^,]*)?/g)].map(match => match[1]!);
}

/** Another program fills it in. */
function isCode(address: string): boolean {
  return /<[?%]|\{[{%]|\$\{/.test(address);
}

/** A file that a style sheet names: the address, and where it stands in the text. */
export interface StyleResource {
  start: number;
  end: number;
  kind: 'picture' | 'font' | 'style sheet';
  address: string;
}

/** The files that a style sheet, or the declarations of an element, name. */
export function styleResources(css: string): StyleResource[] {
  // What stands in comments keeps its room.
  const text = css.replace(/\/\*[^]*?(?:\*\/|$)/g, comment => ' '.repeat(comment.length));
  const found: StyleResource[] = [];
  const pattern =
    /(@import\s+)?(?:url\(\s*(?:"([^"]*)"|'([^']*)'|([^)"'\s]*))\s*\)|(?<=@import\s+)(?:"([^"]*)"|'([^']*)'))/gi;
  for (const match of text.matchAll(pattern)) {
    const address =
      match
        .slice(2)
        .find(one => one !== undefined)
        ?.trim() ?? '';
    if (address === '' || address.startsWith('#') || isCode(address)) continue;
    const isImport = match[1] !== undefined || match[5] !== undefined || match[6] !== undefined;
    const isFont = /\.(?:woff2?|ttf|otf|eot)(?:[?#]|$)/i.test(address);
    const kind = isImport ? 'style sheet' : isFont ? 'font' : 'picture';
    found.push({ kind, address, start: match.index, end: match.index + match[0].length });
  }
  return found;
}
