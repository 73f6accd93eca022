import { type DefaultTreeAdapterMap, parse } from 'parse5';

type Node = DefaultTreeAdapterMap['childNode'];
type Parent = DefaultTreeAdapterMap['parentNode'];

/** parse5's tree as text; with `withoutOurs`, without what the program put in. Neighbouring texts are one. */
export function treeOf(raw: string, scriptingEnabled: boolean, withoutOurs = false): string {
  return linesOf(parse(raw, { scriptingEnabled }), withoutOurs, 0).join('\n');
}

function linesOf(parent: Parent, withoutOurs: boolean, depth: number): string[] {
  const lines: string[] = [];
  let text = '';
  const flush = (): void => {
    if (text !== '') lines.push(`${' '.repeat(depth)}${JSON.stringify(text)}`);
    text = '';
  };
  for (const node of parent.childNodes as Node[]) {
    if (node.nodeName === '#text') {
      text += (node as DefaultTreeAdapterMap['textNode']).value;
      continue;
    }
    if (withoutOurs && 'attrs' in node && node.attrs.some(one => one.name === 'data-kamino')) continue;
    flush();
    lines.push(`${' '.repeat(depth)}${describe(node, withoutOurs)}`);
    if ('childNodes' in node) lines.push(...linesOf(node, withoutOurs, depth + 1));
    if ('content' in node) {
      lines.push(...linesOf((node as DefaultTreeAdapterMap['template']).content, withoutOurs, depth + 1));
    }
  }
  flush();
  return lines;
}

function describe(node: Node, withoutOurs: boolean): string {
  if (node.nodeName === '#comment') return `<!--${(node as DefaultTreeAdapterMap['commentNode']).data}-->`;
  if (!('attrs' in node)) return node.nodeName;
  const isMarked = withoutOurs && node.attrs.some(one => one.name === 'data-kamino-id');
  const attrs = node.attrs.filter(({ name }) => !(isMarked && (name === 'data-kamino-id' || name === 'id')));
  return `<${node.nodeName}${attrs.map(one => ` ${one.name}=${JSON.stringify(one.value)}`).join('')}>`;
}
