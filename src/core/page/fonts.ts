import type { CssNode } from 'css-tree';
import generate from 'css-tree/generator';
import parse from 'css-tree/parser';
import walk from 'css-tree/walker';
import { fileAtAddress, readAddress } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import type { StyleRule } from './styles.ts';

/** A font file of the site, as a style sheet names it. */
export interface FontFace {
  family: string;
  /** Weights that it holds. */
  weight: readonly [least: number, most: number];
  isItalic: boolean;
  /** Files of the site, in order of preference. */
  files: readonly SitePath[];
}

/** The type of a page’s text. */
export interface PageType {
  family: string | null;
  /** In px, at a root size of 16. */
  size: number;
  weight: number;
}

/** The `@font-face` rules of a style sheet; files outside the site are passed over. */
export function readFontFaces(text: string, sheet: SitePath): FontFace[] {
  const faces: FontFace[] = [];
  walk(parse(text, { parseValue: false, onParseError: () => undefined }), (node: CssNode) => {
    if (node.type !== 'Atrule' || node.name.toLowerCase() !== 'font-face' || !node.block) return;
    const values = new Map<string, string>();
    for (const one of node.block.children.toArray())
      if (one.type === 'Declaration') values.set(one.property.toLowerCase(), generate(one.value).trim());
    const files = [...(values.get('src') ?? '').matchAll(/url\(\s*["']?([^"')]+)["']?\s*\)/g)].flatMap(
      ([, href]) => {
        return fileAtAddress(readAddress(href!, folderOf(sheet))) ?? [];
      },
    );
    const family = unquoted(values.get('font-family') ?? '');
    if (family === '' || files.length === 0) return;
    const [least = 400, most = least] = (values.get('font-weight') ?? '400').split(/\s+/).map(weightOf);
    faces.push({
      family,
      weight: [least, most],
      isItalic: /italic|oblique/.test(values.get('font-style') ?? ''),
      files,
    });
  });
  return faces;
}

/** The type that rules give the text of a page: those for its root, its body and all elements. */
export function pageTypeOf(rules: readonly StyleRule[]): PageType {
  const type: PageType = { family: null, size: 16, weight: 400 };
  const variables = new Map<string, string>();
  const own = rules.filter(
    ({ selector, condition }) => condition === null && /^(?:html|body|:root|\*)$/.test(selector),
  );
  for (const { declarations } of own)
    for (const { property, value } of declarations)
      if (property.startsWith('--')) variables.set(property, value);
  const known = (value: string): string =>
    value.replace(
      /var\(\s*(--[\w-]+)\s*(?:,[^)]*)?\)/g,
      (whole, name: string) => variables.get(name) ?? whole,
    );
  for (const { selector, declarations } of own) {
    if (selector === '*') continue;
    const base = selector === 'body' ? type.size : 16;
    for (const { property, value } of declarations) {
      const said = known(value);
      if (property === 'font-family') type.family = said;
      else if (property === 'font-size') type.size = sizeOf(said, base) ?? type.size;
      else if (property === 'font-weight') type.weight = weightOf(said);
      else if (property === 'font') shorthand(said, base, type);
    }
  }
  return type;
}

/** `400 1.0625rem/1.6 "Source Sans", sans-serif`. */
function shorthand(value: string, base: number, type: PageType): void {
  const match = /(?:^|\s)([\d.]+(?:px|em|rem|%|pt))(?:\s*\/\s*[^\s,]+)?\s+(.+)$/.exec(value);
  if (!match) return;
  type.size = sizeOf(match[1]!, base) ?? type.size;
  type.family = match[2]!;
  const weight = /(?:^|\s)(bold|[1-9]00)(?=\s)/.exec(value.slice(0, match.index + 1));
  type.weight = weight ? weightOf(weight[1]!) : 400;
}

/** A length of type in px, at a root size of 16; null for what depends on more. */
export function sizeOf(value: string, base: number): number | null {
  const match = /^([\d.]+)(px|em|rem|%|pt)$/.exec(value.trim());
  if (!match) return null;
  const scales: Record<string, number> = { px: 1, em: base, rem: 16, '%': base / 100, pt: 4 / 3 };
  return Number(match[1]) * scales[match[2]!]!;
}

export function weightOf(value: string): number {
  return value === 'bold' ? 700 : value === 'normal' ? 400 : Number(value) || 400;
}

/** The families of a list, in order. */
export function familiesOf(list: string): string[] {
  return list.split(',').map(one => unquoted(one.trim()));
}

function unquoted(name: string): string {
  return name.trim().replace(/^["']|["']$/g, '');
}
