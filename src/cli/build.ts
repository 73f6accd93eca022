import type { Command } from 'commander';
import { hasErrors } from '../core/text/finding.ts';
import { counted, shortened } from '../core/text/nearest.ts';
import { countFindings, wrapped } from '../core/text/render.ts';
import { visibleName } from '../core/text/visible.ts';
import type { CheckResult } from '../jobs/check.ts';
import type { BuildResult } from '../jobs/build.ts';
import { checkPages } from './check.ts';
import { type Act, type Voice, tellFindings, tellJson, untilEnded, widthOf } from './io.ts';
import { progressOn } from './progress.ts';

interface Options {
  dryRun?: true;
  overwrite?: true;
  check?: true;
  watch?: true;
  quiet?: true;
  json?: true;
}

const examples = `
Examples:
  $ kamino build                   the plan in this folder
  $ kamino build client/site       the plan in another folder
  $ kamino build --dry-run         list what would change, write nothing
  $ kamino build --overwrite       replace finished pages that someone has edited
  $ kamino build --watch           build again whenever the plan or a page has changed, on network drives too
  $ kamino build --quiet           say nothing but what is wrong, as for a task that runs by itself

Exit status: 0 fine, 1 errors in some pages, 2 a mistake in the plan or a failure.`;

export function addBuild(program: Command, act: Act): void {
  const command = program.command('build');
  command
    .description('put the menus of a plan into the pages of its site')
    .argument('[plan]', 'a plan, or the folder of a kamino.yaml', '.')
    .option('--dry-run', 'compute everything, list what would change, write nothing')
    .option('--overwrite', 'replace finished files that someone has edited')
    .option('--check', 'look for what is wrong in the finished pages too')
    .option('--watch', 'go on, and build again after every change; end it with Ctrl-C')
    .option('--quiet', 'print nothing but warnings and errors')
    .option('--json', 'print the result as one JSON document')
    .addHelpText('after', examples)
    .action((plan: string, options: Options) => act(voice => work(plan, options, voice))());
}

async function work(plan: string, options: Options, given: Voice): Promise<number> {
  const voice = options.quiet && !options.json ? quietly(given) : given;
  if (options.watch) return follow(plan, options, voice);
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
  report(withoutNotes(result, options), dryRun, seconds, voice);
  return isChecked ? Math.max(result.status, await checkPages(plan, voice)) : result.status;
}

/** Nothing but what is wrong is said. */
const quietly = (voice: Voice): Voice => ({ ...voice, io: { ...voice.io, out: () => undefined } });

/** Builds again and again, and tells what is another each time. */
async function follow(plan: string, options: Options, voice: Voice): Promise<number> {
  const wrong = (['dryRun', 'json', 'check'] as const).find(one => options[one]);
  if (wrong !== undefined) {
    const name = wrong === 'dryRun' ? 'dry-run' : wrong;
    voice.io.err(
      `kamino: --watch goes on and on, and --${name} does not go with it. See  kamino build --help\n`,
    );
    return 2;
  }
  const { watch } = await import('../jobs/watch.ts');
  let isFirst = true;
  let told = '';
  let start = performance.now();
  return watch({
    plan,
    overwrite: options.overwrite ?? false,
    until: untilEnded,
    onBuild: result => {
      const seconds = (performance.now() - start) / 1000;
      if (isFirst) report(withoutNotes(result, options), false, seconds, voice);
      else again(withoutNotes(result, options), told, voice);
      if (isFirst && result.status !== 2)
        voice.io.out(voice.out.quiet('It follows every change. End it with Ctrl-C.') + '\n');
      isFirst = false;
      told = JSON.stringify(withoutNotes(result, options).findings);
      start = performance.now();
    },
  });
}

/** A build after a change, in a line or two. @param told what was told before: the same is not said again */
function again(result: BuildResult, told: string, voice: Voice): void {
  const { outcome, findings } = result;
  const isNew = JSON.stringify(findings) !== told;
  // What was only saved anew, or written by this very build into the pages themselves.
  if (!isNew && outcome === 'nothing-new') return;
  if (isNew) tellFindings(findings, voice);
  const at = new Date().toTimeString().slice(0, 8);
  const rows = changeRows(result).map(([name, text]) => `${name} ${text}`);
  const done =
    outcome === 'stopped' || outcome === 'half'
      ? 'nothing was written'
      : rows.join('; ') || 'nothing has changed';
  voice.io.out(`${voice.out.quiet(at)}  ${done}\n`);
}

/** A quiet build tells warnings and errors only. */
const withoutNotes = (result: BuildResult, { quiet }: Options): BuildResult =>
  quiet ? { ...result, findings: result.findings.filter(one => one.severity !== 'note') } : result;

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
function changeRows({ created, changed, gone, same, menusAlone, why }: BuildResult): [string, string][] {
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
