import { type Paint, plain } from '../text/render.ts';
import type { Example, ManualPage } from './types.ts';

const width = 88;

/** A page for a terminal. */
export function pageText(page: ManualPage, paint: Paint = plain): string {
  const blocks = [
    `${paint.strong(page.name)}  ${wrapped(page.title, page.name.length + 2, '').trimStart()}`,
    ...page.text.map(one => paragraph(one)),
    ...page.examples.map(one => exampleText(one, paint)),
    ...(page.see.length > 0 ? [`  See also:  ${page.see.join(', ')}`] : []),
  ];
  return blocks.join('\n\n');
}

function exampleText({ about, code }: Example, paint: Paint): string {
  const lines = code.split('\n').map(line => (line === '' ? '' : `      ${line}`));
  return [...(about === null ? [] : [`  ${about}`, '']), ...lines.map(line => paint.quiet(line))].join('\n');
}

/** Text is wrapped; lines of code and of lists stay lines. */
function paragraph(text: string): string {
  return text
    .split('\n')
    .map(line => (/^ {4}|^$/.test(line) ? `  ${line}` : wrapped(line, 2, line.startsWith('- ') ? '  ' : '')))
    .map(line => line.trimEnd())
    .join('\n');
}

/** @param indent of all lines; @param hanging beside it, of those behind the first */
function wrapped(text: string, indent: number, hanging: string): string {
  const lines: string[] = [];
  let line = ' '.repeat(indent);
  for (const word of text.split(' ')) {
    if (line.length + word.length > width && line.trim() !== '') {
      lines.push(line.trimEnd());
      line = (lines.length > 0 ? ' '.repeat(2) : '') + hanging;
    }
    line += `${word} `;
  }
  return [...lines, line.trimEnd()].join('\n');
}
