import type { Command } from 'commander';
import { hasErrors } from '../core/text/finding.ts';
import { counted } from '../core/text/nearest.ts';
import { countFindings } from '../core/text/render.ts';
import { visibleName } from '../core/text/visible.ts';
import type { CheckResult } from '../jobs/check.ts';
import type { BuildResult } from '../jobs/result.ts';
import { checkPages } from './check.ts';
import { type Act, type Voice, tellFindings, tellJson } from './io.ts';
import { progressOn } from './progress.ts';

interface Options {
  dryRun?: true;
  overwrite?: true;
  check?: true;
  json?: true;
}

const examples = `
Examples:
  $ kamino build                   the plan in this folder
  $ kamino build client/site       the plan in another folder
  $ kamino build --dry-run         list what would change, write nothing
  $ kamino build --overwrite       replace finished pages that someone has edited

Exit status: 0 fine, 1 errors in some pages, 2 a mistake in the plan or a failure.`;

export function addBuild(program: Command, act: Act): void {
  const command = program.command('build');
  command
    .description('put the menus of a plan into the pages of its site')
    .argument('[plan]', 'a plan, or the folder of a kamino.yaml', '.')
    .option('--dry-run', 'compute everything, list what would change, write nothing')
    .option('--overwrite', 'replace finished files that someone has edited')
    .option('--check', 'look for what is wrong in the finished pages too')
    .option('--json', 'print the result as one JSON document')
    .addHelpText('after', examples)
    .action((plan: string, options: Options) => act(voice => work(plan, options, voice))());
}

async function work(plan: string, options: Options, voice: Voice): Promise<number> {
  const start = performance.now();
  const { build } = await import('../jobs/build.ts');
  const progress = await progressOn(voice.io, 'pages');
  const { dryRun = false, overwrite = false } = options;
  const result = await build({ plan, dryRun, overwrite, progress: progress.show });
  progress.end();
  const seconds = (performance.now() - start) / 1000;
  const isChecked =
    options.check === true && !dryRun && (result.outcome === 'built' || result.outcome === 'nothing-new');
  if (options.json) return tellJson('build', isChecked ? await withCheck(plan, result) : result, voice);
  report(result, dryRun, seconds, voice);
  return isChecked ? Math.max(result.status, await checkPages(plan, voice)) : result.status;
}

/** The same with what was found in the finished pages; the graver status of both holds. */
async function withCheck(plan: string, result: BuildResult): Promise<BuildResult & { check: CheckResult }> {
  const { check } = await import('../jobs/check.ts');
  const checked = await check({ site: plan, isFresh: true });
  return {
    ...result,
    status: checked.status > result.status ? checked.status : result.status,
    check: checked,
  };
}

function report(result: BuildResult, isDry: boolean, seconds: number, voice: Voice): void {
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

/** What a build made, in a few lines. */
export function buildTable(result: BuildResult, seconds: number, { out }: Voice): string {
  const { created, changed, gone, same, findings } = result;
  const files = [
    `${created.length} new`,
    `${changed.length} changed`,
    `${same} the same`,
    ...(gone.length ? [`${gone.length} gone`] : []),
  ].join(', ');
  const rows: [string, string][] = [
    ['menus', result.menus.map(({ name, pages }) => `${name} (${counted(pages, 'page')})`).join(', ')],
    ['files', files],
    ['findings', countFindings(findings) || 'none'],
    ['time', `${seconds.toFixed(2)} s`],
  ];
  const table = rows.map(([name, value]) => `  ${out.quiet(name.padEnd(9))} ${value}`).join('\n');
  return `${out.strong(headOf(result))}\n${table}\n`;
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
