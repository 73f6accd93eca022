import type { Command } from 'commander';
import type { CheckResult } from '../jobs/check.ts';
import type { BuildResult } from '../jobs/build.ts';
import { checkPages } from './check.ts';
import { type Asked, changeRows, quietly, report, tellBuild, withoutNotes } from './build-report.ts';
import { type Act, type Voice, tellFindings, tellJson, untilEnded } from './io.ts';
import { progressOn } from './progress.ts';
import { withThreads } from './threads.ts';

interface Options extends Asked {
  jobs?: number;
  overwrite?: true;
  check?: true;
  watch?: true;
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
    .option('--json', 'print the result as one JSON document');
  withThreads(command)
    .addHelpText('after', examples)
    .action((plan: string, options: Options) => act(voice => work(plan, options, voice))());
}

async function work(plan: string, options: Options, given: Voice): Promise<number> {
  const voice = options.quiet && !options.json ? quietly(given) : given;
  if (options.watch) return follow(plan, options, voice);
  const start = performance.now();
  const { build } = await import('../jobs/build.ts');
  const progress = await progressOn(voice.io, 'pages');
  const { dryRun = false, overwrite = false, jobs } = options;
  const threads = jobs === undefined ? {} : { threads: jobs };
  const result = await build({ plan, dryRun, overwrite, ...threads, progress: progress.show });
  progress.end();
  const seconds = (performance.now() - start) / 1000;
  const isChecked =
    options.check === true && !dryRun && (result.outcome === 'built' || result.outcome === 'nothing-new');
  if (options.json && isChecked) return tellJson('build', await withCheck(plan, result, jobs), voice);
  const status = tellBuild(result, options, seconds, voice);
  return isChecked ? Math.max(status, await checkPages(plan, voice, jobs)) : status;
}

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
    ...(options.jobs === undefined ? {} : { threads: options.jobs }),
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

/** The same with what was found in the finished pages; the graver status of both holds. */
async function withCheck(
  plan: string,
  result: BuildResult,
  threads?: number,
): Promise<BuildResult & { check: CheckResult }> {
  const { check } = await import('../jobs/check.ts');
  const checked = await check({ site: plan, threads, isFresh: true });
  return {
    ...result,
    status: checked.status > result.status ? checked.status : result.status,
    check: checked,
  };
}
