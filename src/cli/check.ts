import type { Command } from 'commander';
import { counted } from '../core/text/nearest.ts';
import type { CheckResult } from '../jobs/check.ts';
import { countFindings } from '../core/text/render.ts';
import { type Act, type Voice, tellFindings, tellJson } from './io.ts';
import { progressOn } from './progress.ts';
import { withThreads } from './threads.ts';

const examples = `
Examples:
  $ kamino check                   the finished pages of the plan in this folder
  $ kamino check built             any folder of pages
  $ kamino check --json            all of it, for other programs; --sarif for those that read SARIF

Exit status: 0 fine, also with warnings, 1 errors, 2 a failure.`;

export function addCheck(program: Command, act: Act): void {
  const command = program
    .command('check')
    .description(
      'look for what is wrong in finished pages: links, titles, ids, menus that differ, rules that beat a menu',
    )
    .argument('[site]', 'a plan, its folder, or a folder of pages', '.')
    .option('--json', 'print the result as one JSON document')
    .option('--sarif', 'print the findings as SARIF 2.1.0');
  withThreads(command)
    .addHelpText('after', examples)
    .action((site: string, options: Options) => act(voice => work(site, options, voice))());
}

interface Options {
  jobs?: number;
  json?: true;
  sarif?: true;
}

async function work(site: string, { jobs, json, sarif }: Options, voice: Voice): Promise<number> {
  const { check } = await import('../jobs/check.ts');
  const progress = await progressOn(voice.io, 'files');
  const result = await check({ site, threads: jobs, progress: progress.show });
  progress.end();
  if (sarif) return tellSarif(result, voice);
  return json ? tellJson('check', result, voice) : tell(result, voice);
}

/** The same after a build. */
export async function checkPages(site: string, voice: Voice, threads?: number): Promise<number> {
  const { check } = await import('../jobs/check.ts');
  return tell(await check({ site, threads, isFresh: true }), voice);
}

function tell(result: CheckResult, voice: Voice): number {
  tellFindings(result.findings, voice);
  if (result.status === 2) return 2;
  const where = result.site === '.' ? 'this folder' : `${result.site}/`;
  const found = countFindings(result.findings) || 'nothing is wrong';
  voice.io.out(
    `${voice.out.strong(`Checked ${counted(result.pages, 'page')} in ${where}`)}: ${counted(result.menus, 'menu')} of Kamino’s, ${counted(result.links, 'link')}; ${found}.\n`,
  );
  return result.status;
}

/** For editors and build servers. */
export async function tellSarif(
  { findings, status }: Pick<CheckResult, 'findings' | 'status'>,
  { io }: Voice,
): Promise<number> {
  const { sarif } = await import('../jobs/sarif.ts');
  for (const piece of sarif(findings)) io.out(piece);
  return status;
}
