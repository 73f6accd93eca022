import generate from 'css-tree/generator';
import parse from 'css-tree/parser';
import walk from 'css-tree/walker';
import type { SaxesTagPlain } from 'saxes';
import { rewrittenDrawing } from '../menu/drawing.ts';
import { escapeMarkup } from '../text/references.ts';
import type { Box } from './raster.ts';

/** What a drawing that is part of a larger one leaves out, with all that is in it. */
const leftOut = new Set([
  'script',
  'foreignObject',
  'metadata',
  'a',
  'animate',
  'set',
  'animateTransform',
  'animateMotion',
]);

/** A drawing as a part of a larger one; `hadScript`: something in it would have run or moved. */
export interface NestedDrawing {
  markup: string;
  hadScript: boolean;
}

/**
 * A drawing inside of another one, at a place and in a size: its ids and classes get a prefix, its rules hold for itself
 * alone, and what runs, moves or leads elsewhere is left out.
 * @returns null for what is no SVG
 */
export function nestedDrawing(text: string, prefix: string, box: Box): NestedDrawing | null {
  let hadScript = false;
  const markup = rewrittenDrawing(
    text,
    (tag, name, isFirst) => {
      const isLeft = leftOut.has(name);
      if ((isLeft && name !== 'metadata') || Object.keys(tag.attributes).some(one => /^on/i.test(one)))
        hadScript = true;
      // Elements of drawing programs have names of their own.
      if (isLeft || name.includes(':')) return null;
      return (isFirst ? rootOf(tag, prefix, box) : '') + attributesOf(tag, prefix, isFirst);
    },
    (written, name) => escapeText(name === 'style' ? scoped(written, prefix) : written.replace(/\s+/g, ' ')),
  );
  return markup === null ? null : { markup, hadScript };
}

const escapeText = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

function rootOf({ attributes: all }: SaxesTagPlain, prefix: string, { x, y, width, height }: Box): string {
  const size = (name: string): number => parseFloat(all[name] ?? '') || 0;
  const view = all['viewBox'] ?? `0 0 ${size('width') || width} ${size('height') || height}`;
  return ` id="${prefix}" x="${x}" y="${y}" width="${width}" height="${height}" viewBox="${view}"`;
}

function attributesOf(tag: SaxesTagPlain, prefix: string, isRoot: boolean): string {
  return Object.entries(tag.attributes)
    .flatMap(([name, value]): [string, string][] => {
      if (/^on/i.test(name) || name === 'xmlns' || name.startsWith('xmlns:')) return [];
      if (isRoot && /^(?:id|x|y|width|height|viewBox|version|enable-background|xml:space)$/.test(name))
        return [];
      const own = name.replace(/^xlink:/, '');
      if (own.includes(':')) return own === 'xml:space' ? [[own, value]] : [];
      const made = localized(own, value, prefix);
      return made === null ? [] : [[own, made]];
    })
    .map(([name, value]) => ` ${name}="${escapeMarkup(value)}"`)
    .join('');
}

function localized(name: string, value: string, prefix: string): string | null {
  if (name === 'id') return `${prefix}-${value}`;
  if (name === 'class')
    return value
      .trim()
      .split(/\s+/)
      .map(one => `${prefix}-${one}`)
      .join(' ');
  if (name === 'href')
    return value.startsWith('#')
      ? `#${prefix}-${value.slice(1)}`
      : /^data:image\//i.test(value)
        ? value
        : null;
  return /url\(/i.test(value) ? withinSelf(value, prefix) : value;
}

/** What is asked for from elsewhere is not. */
const withinSelf = (value: string, prefix: string): string =>
  value.replace(/url\(\s*(["']?)(#?)([^"')]*)\1\s*\)/gi, (_, __, hash: string, id: string) =>
    hash === '' ? 'none' : `url(#${prefix}-${id})`,
  );

/** Rules of a drawing, for that one alone. */
function scoped(css: string, prefix: string): string {
  const tree = parse(css);
  walk(tree, node => {
    if (node.type === 'ClassSelector' || node.type === 'IdSelector') node.name = `${prefix}-${node.name}`;
  });
  walk(tree, {
    visit: 'Atrule',
    enter: (node, item, list) => void (node.name === 'import' && list.remove(item)),
  });
  walk(tree, {
    visit: 'Rule',
    enter: node => {
      if (node.prelude.type !== 'SelectorList') return;
      const scopedList = node.prelude.children
        .map(one => `#${prefix} ${generate(one)}`)
        .toArray()
        .join(',');
      node.prelude = { type: 'Raw', value: scopedList };
    },
  });
  return withinSelf(generate(tree), prefix);
}
