import type { Finding } from './finding.ts';
import { counted } from './nearest.ts';
import type { Excerpt, Place } from './source.ts';
import { visibleName } from './visible.ts';

/** How parts of a finding are painted on a terminal; each takes text and gives it back with or without colour. */
export interface Paint {
  error: (text: string) => string;
  warning: (text: string) => string;
  note: (text: string) => string;
  strong: (text: string) => string;
  quiet: (text: string) => string;
}

const same = (text: string): string => text;
export const plain: Paint = { error: same, warning: same, note: same, strong: same, quiet: same };

/** How findings are rendered. */
export interface Rendering {
  /** In characters; longer lines of words are broken between them. */
  width?: number;
  /** Other places of the same cause that are named; all of them where nothing is said. */
  places?: number;
}

/** `file:line:col: severity rule: message`, the excerpt with carets under it, the other places, and the remedy. */
export function renderFinding(
  one: Finding,
  paint: Paint = plain,
  { width = Infinity, places = Infinity }: Rendering = {},
): string {
  const at = one.place?.position;
  const place = one.place ? `${shownPlace(one.place)}: ` : '';
  const head = `${place}${one.severity} ${one.rule}: `;
  const [first = '', ...others] = wrapped(`${head}${visibleName(one.message)}`, width);
  // A place that takes the whole line is left as it is.
  const painted = first.startsWith(head.trimEnd())
    ? `${paint.strong(place)}${paint[one.severity](one.severity)}${first.slice(place.length + one.severity.length)}`
    : first;
  const lines = [painted, ...others.map(line => `  ${line}`)];
  if (one.place?.excerpt && at)
    lines.push(...excerptLines(one.place.excerpt, at.line, paint, Math.min(widest, width)));
  if (one.also) lines.push(...wrapped(alsoAt(one.also, places), width - 2).map(line => `  ${line}`));
  if (one.remedy)
    lines.push(...one.remedy.split('\n').flatMap(line => remedyLines(line, width).map(part => `  ${part}`)));
  return lines.join('\n');
}

function shownPlace({ file, position }: Place): string {
  return `${visibleName(file)}${position ? `:${position.line}:${position.column}` : ''}`;
}

function alsoAt(places: readonly Place[], most: number): string {
  const named = places.slice(0, places.length <= most + 1 ? places.length : most).map(shownPlace);
  const more = places.length - named.length;
  return `The same at ${named.join(', ')}${more > 0 ? ` and ${counted(more, 'other place')}` : ''}`;
}

/** All of them, an empty line between, and no count. */
export function renderFindings(findings: readonly Finding[]): string {
  return findings.map(one => renderFinding(one)).join('\n\n');
}

/** What is to be typed or written, two spaces away from the words around it, is not broken. */
function remedyLines(line: string, width: number): string[] {
  return / {2}/.test(line) ? [line] : wrapped(line, width - 2);
}

/** Lines of at most so many characters, as far as the words allow; all but the first stand two characters in. */
export function wrapped(text: string, width: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(' ')) {
    const room = lines.length === 0 ? width : width - 2;
    if (line !== '' && line.length + 1 + word.length > room) {
      lines.push(line);
      line = word;
    } else line = line === '' ? word : `${line} ${word}`;
  }
  return [...lines, line];
}

/** `2 errors, 1 warning`, or the empty string. */
export function countFindings(findings: readonly Finding[]): string {
  const count = (severity: string): number => findings.filter(one => one.severity === severity).length;
  const counts = [
    [count('error'), 'error'],
    [count('warning'), 'warning'],
    [count('note'), 'note'],
  ] as const;
  return counts
    .filter(([number]) => number > 0)
    .map(([number, word]) => counted(number, word))
    .join(', ');
}

const widest = 100;

function excerptLines(excerpt: Excerpt, line: number, paint: Paint, width: number): string[] {
  const margin = String(line).length;
  const room = Math.max(20, width - margin - 5);
  const start = excerpt.to > room ? Math.max(0, Math.min(excerpt.from - 20, excerpt.text.length - room)) : 0;
  const shown = excerpt.text.slice(start, start + room).replace(/[\t\p{Cc}\p{Cf}]/gu, ' ');
  const from = excerpt.from - start;
  const carets = Math.max(1, Math.min(excerpt.to - start, room) - from);
  return [
    `  ${paint.quiet(`${line} |`)} ${shown}`,
    `  ${paint.quiet(`${' '.repeat(margin)} |`)} ${' '.repeat(from)}${paint.error('^'.repeat(carets))}`,
  ];
}
