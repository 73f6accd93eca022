import { SaxesParser, type SaxesTagPlain } from 'saxes';
import { escapeMarkup } from '../text/references.ts';

/** What may be in a drawing: shapes, and what paints and cuts them. */
const elements = new Set(
  'svg g path rect circle ellipse line polyline polygon defs use symbol linearGradient radialGradient stop clipPath mask'.split(
    ' ',
  ),
);
/** Their attributes: geometry and painting. */
const attributes = new Set(
  'id viewBox preserveAspectRatio d x y x1 y1 x2 y2 cx cy r rx ry fx fy width height points transform offset href gradientUnits gradientTransform spreadMethod clipPathUnits maskUnits maskContentUnits pathLength fill fill-opacity fill-rule stroke stroke-width stroke-linecap stroke-linejoin stroke-miterlimit stroke-dasharray stroke-dashoffset stroke-opacity opacity clip-path clip-rule mask stop-color stop-opacity vector-effect'.split(
    ' ',
  ),
);

/**
 * A drawing as it may stand in any page: shapes only, no script, style or reference to elsewhere, at one size, in the
 * colour of the label unless it has its own; null for what is no SVG.
 * @param prefix of its ids, which no other drawing of a page has
 */
export function readDrawing(text: string, prefix: string): string | null {
  return rewrittenDrawing(text, (tag, name, isFirst) =>
    elements.has(name) && (isFirst || name !== 'svg')
      ? (isFirst ? rootAttributes(tag) : '') + written(tag, prefix, isFirst)
      : null,
  );
}

/**
 * A drawing written anew; null for what is no SVG.
 * @param attributesOf what an element has; null for one that is left out with all that is in it
 * @param wordsIn the text in an element; left out where nothing is said of it
 */
export function rewrittenDrawing(
  text: string,
  attributesOf: (tag: SaxesTagPlain, name: string, isFirst: boolean) => string | null,
  wordsIn: (written: string, name: string) => string = () => '',
): string | null {
  const out: string[] = [];
  /** Names of open elements; null for those that are left out. */
  const open: (string | null)[] = [];
  let isBroken = false;
  const parser = new SaxesParser();
  parser.on('error', () => {
    isBroken = true;
  });
  parser.on('opentag', tag => {
    const name = tag.name.replace(/^svg:/, '');
    const isFirst = open.length === 0;
    if (isFirst && name !== 'svg') isBroken = true;
    const own = open.at(-1) === null ? null : attributesOf(tag, name, isFirst);
    open.push(own === null ? null : name);
    if (own !== null) out.push(`<${name}${own}${tag.isSelfClosing ? '/>' : '>'}`);
  });
  const words = (written: string): void => {
    const name = open.at(-1);
    if (name) out.push(wordsIn(written, name));
  };
  parser.on('text', words);
  parser.on('cdata', words);
  parser.on('closetag', tag => {
    const name = open.pop();
    if (name && !tag.isSelfClosing) out.push(`</${name}>`);
  });
  try {
    parser.write(text.replace(/^\uFEFF/, '')).close();
  } catch {
    return null;
  }
  return isBroken || out.length === 0 ? null : out.join('');
}

function rootAttributes({ attributes: all }: SaxesTagPlain): string {
  const size = (name: string): number => parseFloat(all[name] ?? '') || 24;
  const box = all['viewBox'] === undefined ? ` viewBox="0 0 ${size('width')} ${size('height')}"` : '';
  const isPainted = all['fill'] !== undefined || /(?:^|;)\s*fill\s*:/.test(all['style'] ?? '');
  return ` class="kamino-icon" aria-hidden="true" focusable="false"${box}${isPainted ? '' : ' fill="currentColor"'}`;
}

function written(tag: SaxesTagPlain, prefix: string, isRoot: boolean): string {
  const all = { ...painted(tag.attributes['style'] ?? ''), ...tag.attributes };
  return Object.entries(all)
    .map(([name, value]): [string, string] => [name.replace(/^xlink:/, ''), value])
    .filter(
      ([name]) => attributes.has(name) && !(isRoot && ['id', 'width', 'height', 'x', 'y'].includes(name)),
    )
    .flatMap(([name, value]) => {
      const own = localized(name, value, prefix);
      return own === null ? [] : [` ${name}="${escapeMarkup(own)}"`];
    })
    .join('');
}

/** `fill: red` of a style attribute as attributes, which a strict page allows. */
function painted(style: string): Record<string, string> {
  const pairs = style.split(';').map(one => one.split(':').map(part => part.trim()));
  return Object.fromEntries(
    pairs.filter(([name, value]) => attributes.has(name ?? '') && value) as [string, string][],
  );
}

/** Ids and what refers to them get the prefix; a reference to elsewhere goes. */
function localized(name: string, value: string, prefix: string): string | null {
  if (name === 'id') return `${prefix}-${value}`;
  if (name === 'href') return value.startsWith('#') ? `#${prefix}-${value.slice(1)}` : null;
  if (!/url\(/i.test(value)) return value;
  const local = value.replace(/url\(\s*["']?#([^"')]+)["']?\s*\)/gi, `url(#${prefix}-$1)`);
  return /url\((?!#)/i.test(local) ? null : local;
}
