import { type CssNode, lexer, parse, walk } from 'css-tree';

/** The property of CSS whose grammar a value of a look follows. */
export type ValueOf = 'color' | 'background' | 'border' | 'box-shadow' | 'font-family';

/** Whether a value is one of CSS for its property, and nothing more: it cannot leave the place that it is written to. */
export function fitsGrammar(property: ValueOf, value: string): boolean {
  if (!isWhole(value)) return false;
  if (property !== 'background') return matches(property, value);
  return (
    value === 'none' ||
    matches('background-color', value) ||
    (isGradient(value) && matches('background-image', value))
  );
}

/** What hangs on the page, and colours made from others, no table of a grammar can tell: their form has to do. */
function matches(property: string, value: string): boolean {
  return /\bvar\(\s*--|\(\s*from\s/i.test(value) || lexer.matchProperty(property, value).error === null;
}

const isGradient = (value: string): boolean =>
  /^(?:repeating-)?(?:linear|radial|conic)-gradient\(/i.test(value);

const fetching = /^(?:url|src|image|image-set|element|attr)$/i;

/** One value: brackets and quotes are closed, and nothing is fetched. */
function isWhole(value: string): boolean {
  if (/[;{}<>\\]|\/\*/.test(value) || !isClosed(value)) return false;
  try {
    let isFine = true;
    walk(parse(value, { context: 'value' }), (node: CssNode) => {
      if (node.type === 'Url' || (node.type === 'Function' && fetching.test(node.name))) isFine = false;
      // What stands in for a custom property is not parsed along.
      if (node.type === 'Raw' && (node.value === value || !isWhole(node.value))) isFine = false;
    });
    return isFine;
  } catch {
    return false;
  }
}

function isClosed(value: string): boolean {
  const bare = value.replace(/"[^"\n]*"|'[^'\n]*'/g, '');
  let open = 0;
  for (const sign of bare) {
    open += sign === '(' ? 1 : sign === ')' ? -1 : 0;
    if (open < 0 || sign === '"' || sign === "'") return false;
  }
  return open === 0;
}
