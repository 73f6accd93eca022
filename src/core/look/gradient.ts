import type { CssNode } from 'css-tree';
import parse from 'css-tree/parser';
import walk from 'css-tree/walker';

/** A gradient of CSS, by the colours of its stops. */
export interface Gradient {
  /** In order, as they are written. */
  stops: readonly string[];
  /** The same gradient with other colours at its stops. */
  with: (stops: readonly string[]) => string;
}

const isLayers = /^(?:(?:repeating-)?(?:linear|radial|conic)-gradient|url)\(/i;
const isColorFunction = /^(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color|color-mix)$/i;
/** Words of a gradient that are no colours. */
const words = new Set(
  (
    'to top bottom left right at from in center cover contain repeat no-repeat circle ellipse closest-side closest-corner farthest-side ' +
    'farthest-corner shorter longer increasing decreasing hue srgb srgb-linear display-p3 a98-rgb prophoto-rgb ' +
    'rec2020 lab oklab xyz xyz-d50 xyz-d65 hsl hwb lch oklch'
  ).split(' '),
);

/** Reads a gradient (https://www.w3.org/TR/css-images-4/#gradients), or what else is painted in layers; null for a colour. */
export function readGradient(css: string): Gradient | null {
  if (!isLayers.test(css)) return null;
  const spans: { start: number; end: number }[] = [];
  walk(parse(css, { context: 'value', positions: true }), {
    enter(node: CssNode) {
      if (!isColor(node)) return undefined;
      spans.push({ start: node.loc!.start.offset, end: node.loc!.end.offset });
      return walk.skip;
    },
  });
  return {
    stops: spans.map(({ start, end }) => css.slice(start, end)),
    with: stops =>
      spans.reduceRight(
        (text, { start, end }, at) => text.slice(0, start) + stops[at]! + text.slice(end),
        css,
      ),
  };
}

function isColor(node: CssNode): boolean {
  if (node.type === 'Hash') return true;
  if (node.type === 'Identifier') return !words.has(node.name.toLowerCase());
  return node.type === 'Function' && isColorFunction.test(node.name);
}
