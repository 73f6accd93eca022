import { hasErrors } from '../core/text/finding.ts';
import { counted, shortened } from '../core/text/nearest.ts';
import { countFindings, wrapped } from '../core/text/render.ts';
import { visibleName } from '../core/text/visible.ts';
import type { BuildResult } from '../jobs/build.ts';
import { type Voice, tellFindings, tellJson, widthOf } from './io.ts';

/** How a result is asked for. */
export interface Asked {
  quiet?: true | undefined;
  json?: true | undefined;
  dryRun?: true | undefined;
}

/** Nothing but what is wrong is said. */
export const quietly = (voice: Voice): Voice => ({ ...voice, io: { ...voice.io, out: () => undefined } });

/** A quiet build tells warnings and errors only. */
export const withoutNotes = (result: BuildResult, { quiet }: Asked): BuildResult =>
  quiet ? { ...result, findings: result.findings.filter(one => one.severity !== 'note') } : result;

/** Tells what a build found and did, as it was asked for; gives its exit status. */
export function tellBuild(result: BuildResult, asked: Asked, seconds: number, voice: Voice): number {
  if (asked.json) return tellJson('build', result, voice);
  report(withoutNotes(result, asked), asked.dryRun === true, seconds, asked.quiet ? quietly(voice) : voice);
  return result.status;
}

/** What a build found and did. */
export function report(result: BuildResult, isDry: boolean, seconds: number, voice: Voice): void {
  tellFindings(result.findings, voice);
  if (result.outcome === 'stopped') voice.io.err('\nNothing was written.\n');
  else if (result.outcome === 'half') voice.io.err(halfReport(result));
  else if (isDry) voice.io.out(dryReport(result));
  else voice.io.out(buildReport(result, seconds, voice));
}

function halfReport({ created, changed, gone }: BuildResult): string {
  const count = counted(created.length + changed.length + gone.length, 'file');
  return `\nStopped half way, with ${count} written, each of them whole. Build again once that is mended.\n`;
}

function buildReport(result: BuildResult, seconds: number, voice: Voice): string {
  const { created, changed, inPlace, output } = result;
  const front = [...created, ...(inPlace ? changed : [])].find(path => /^index\.html?$/.test(path));
  const file = front === undefined ? null : `${output === '.' ? '' : `${output}/`}${front}`;
  const back = inPlace ? '  kamino lift  takes the menus out again.' : '';
  const look = file === null ? '' : `\nOpen ${file} in a browser to look at it.${back}\n`;
  return buildTable(result, seconds, voice) + look;
}

const behindNames = ' '.repeat(12);
/** Stands for a space at which no line ends; no name has it. */
const noBreak = '\u{f0002}';
const together = (text: string): string => text.replaceAll(' ', noBreak);

/** What a build made, in a few lines. */
export function buildTable(result: BuildResult, seconds: number, voice: Voice): string {
  const { out } = voice;
  const { created, changed, gone, same, findings } = result;
  const files = [
    `${created.length} new`,
    `${changed.length} changed`,
    `${same} the same`,
    ...(gone.length ? [`${gone.length} gone`] : []),
  ].join(', ');
  const rows: [string, string][] = [
    [
      'menus',
      result.menus.map(({ name, pages }) => together(`${name} (${counted(pages, 'page')})`)).join(', '),
    ],
    ['files', files],
    ...changeRows(result),
    ['findings', countFindings(findings) || 'none'],
    ['time', `${seconds.toFixed(2)} s`],
  ];
  // Words stay whole, and below each other.
  const room = widthOf(voice) - behindNames.length;
  const table = rows
    .map(([name, value]) => `  ${out.quiet(name.padEnd(9))} ${wrapped(value, room).join(`\n${behindNames}`)}`)
    .join('\n')
    .replaceAll(noBreak, ' ');
  return `${out.strong(headOf(result))}\n${table}\n`;
}

const causes = {
  plan: 'since the plan has changed',
  pages: 'since pages that they name have changed',
  program: 'since Kamino is another version',
} as const;
const mostNamed = 4;

/** What is another than in the last build, and why; nothing where there was none. */
export function changeRows({
  created,
  changed,
  gone,
  same,
  menusAlone,
  why,
}: BuildResult): [string, string][] {
  if (same + changed.length === 0 || created.length + changed.length + gone.length === 0) return [];
  const alone = new Set(menusAlone);
  const themselves = changed.filter(path => !alone.has(path));
  const named = (paths: readonly string[]): string => visibleName(shortened(paths, mostNamed));
  const since = why === null ? '' : `, ${causes[why]}`;
  const menus = alone.size === 0 ? '' : `in ${counted(alone.size, 'page')} the menus alone${since}`;
  const rows: [string, string][] = [
    ['new', named(created)],
    ['changed', [named(themselves), menus].filter(Boolean).join('; ')],
    ['gone', named(gone)],
  ];
  return rows.filter(([, text]) => text !== '');
}

function headOf({ outcome, inPlace, output, pages, findings }: BuildResult): string {
  const where = inPlace ? 'the pages' : `${output}/`;
  if (outcome === 'built') return `Built ${counted(pages, 'page')} ${inPlace ? 'in place' : `into ${where}`}`;
  if (hasErrors(findings)) return `Nothing has changed in ${where}.`;
  return `Nothing to do: ${where} ${inPlace ? 'are' : 'is'} as the plan says.`;
}

function dryReport({ created, changed, gone, same, output }: BuildResult): string {
  const shown = (path: string): string => visibleName(output === '.' ? path : `${output}/${path}`);
  const lines = [
    ...created.map(path => `  new      ${shown(path)}`),
    ...changed.map(path => `  changed  ${shown(path)}`),
    ...gone.map(path => `  gone     ${shown(path)}`),
  ];
  const count = `${created.length} new, ${changed.length} changed, ${gone.length} gone, ${same} the same. Nothing was written.`;
  return `${[...lines, count].join('\n')}\n`;
}
