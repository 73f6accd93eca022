import { type Command, InvalidArgumentError } from 'commander';
import { counted } from '../core/text/nearest.ts';
import { type Paint, countFindings } from '../core/text/render.ts';
import type { WalkOptions, WalkResult } from '../jobs/walk.ts';
import { tellSarif } from './check.ts';
import { type Act, type Voice, tellFindings, tellJson } from './io.ts';
import { progressOn } from './progress.ts';

const examples = `
Examples:
  $ kamino walk                        the finished pages of the plan in this folder, as every visitor
  $ kamino walk --visitor keyboard     as one of them
  $ kamino walk --report walk.html     and a page that shows it, to hand on
  $ kamino walk --page visit.html      one page, or several
  $ kamino walk built --time 60        any folder of pages, for a minute

A press is a click, a tap or Enter; moving the pointer, Tab and scrolling are none.
Exit status: 0 fine, also with warnings, 1 errors, 2 a failure.`;

interface Options {
  visitor?: string[];
  page?: string[];
  every?: true;
  time?: number;
  browser?: string;
  report?: string;
  json?: true;
  sarif?: true;
}

export function addWalk(program: Command, act: Act): void {
  program
    .command('walk')
    .description(
      'go through the finished pages in a real browser as every visitor: who gets where, in how many presses',
    )
    .argument('[site]', 'a plan, its folder, or a folder of pages', '.')
    .option('--visitor <names...>', 'only these visitors')
    .option('--page <paths...>', 'only these pages')
    .option('--every', 'every page in full, not only one for each way that a menu is built')
    .option('--time <seconds>', 'how long it may take (300)', seconds)
    .option(
      '--browser <program>',
      'a Chromium, Chrome, Edge or Firefox, or WebKitWebDriver; the first Chromium that is found by default',
    )
    .option('--report <file>', 'write a page for people: who gets where, with pictures of what went wrong')
    .option('--json', 'print the result as one JSON document')
    .option('--sarif', 'print the findings as SARIF 2.1.0')
    .addHelpText('after', examples)
    .action((site: string, options: Options) => act(voice => work(site, options, voice))());
}

function seconds(given: string): number {
  const value = Number(given);
  if (!(value > 0)) throw new InvalidArgumentError('A number of seconds is expected, such as 60.');
  return value;
}

async function work(
  site: string,
  { visitor, page, every, time, browser, report, json, sarif }: Options,
  voice: Voice,
): Promise<number> {
  const { walk } = await import('../jobs/walk.ts');
  const progress = await progressOn(voice.io, 'pages');
  const asked: WalkOptions = {
    site,
    onPage: progress.show,
    ...(visitor ? { visitors: visitor } : {}),
    ...(page ? { pages: page } : {}),
    ...(every ? { all: true } : {}),
    ...(time === undefined ? {} : { time }),
    ...(report === undefined ? {} : { report }),
    ...(browser === undefined ? {} : { browser }),
  };
  const result = await walk(asked);
  progress.end();
  if (sarif) return tellSarif(result, voice);
  if (json) {
    return tellJson('walk', { ...result, faults: undefined }, voice);
  }
  const status = await tell(result, voice);
  if (report !== undefined && status !== 2) voice.io.out(`The report is in ${report}\n`);
  return status;
}

async function tell(result: WalkResult, { io, ...voice }: Voice): Promise<number> {
  tellFindings(result.findings, { io, ...voice });
  if (result.matrix === null) return result.status;
  io.out(`${await tableOf(result, voice.out)}\n\n`);
  for (const one of result.answers) io.out(`${answer(one)}\n`);
  if (result.answers.length > 0) io.out('\n');
  io.out(`${voice.out.strong(`${result.said}.`)}\n`);
  const found = countFindings(result.findings) || 'nothing is wrong';
  const pages = `${result.walked.length} of ${counted(result.pages, 'page')} walked, ${result.explored} in full`;
  io.out(`${result.browser}: ${pages}; ${(result.took / 1000).toFixed(0)} s; ${found}.\n`);
  return result.status;
}

/** For each visitor the entries, pages and sections that are reached, and the most presses that one takes. */
async function tableOf({ summary }: WalkResult, paint: Paint): Promise<string> {
  const { plainTable } = await import('./table.ts');
  const head = ['visitor', 'entries', 'pages', 'sections', 'presses'].map(paint.quiet);
  const table = plainTable(head, ['left', 'right', 'right', 'right', 'right']);
  for (const one of summary)
    table.push([
      one.called,
      one.entries.all === 0 ? '–' : part(one.entries),
      part(one.pages),
      part(one.sections),
      one.presses === null ? '–' : `${one.presses}`,
    ]);
  return table.toString();
}

/** The shortest way to an answer, and how many presses it takes at the most. */
function answer({ ask, leadsTo, ways }: WalkResult['answers'][number]): string {
  const found = ways.filter(one => one !== null);
  const [first] = [...found]
    .sort((one, other) => one.actions - other.actions)
    .filter(one => one.labels.length > 0);
  const most = Math.max(0, ...found.map(one => one.actions));
  const way = first ? first.labels.join(' › ') : 'on the front page';
  return `${ask}  ${leadsTo}: ${way}; ${counted(most, 'press', 'presses')} at the most${found.length < ways.length ? ', and not for everyone' : ''}`;
}

const part = ({ reached, all }: { reached: number; all: number }): string =>
  reached === all ? `${all}` : `${reached} of ${all}`;
