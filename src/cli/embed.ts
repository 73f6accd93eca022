import type { Command } from 'commander';
import { counted, listed } from '../core/text/nearest.ts';
import { visibleName } from '../core/text/visible.ts';
import type { EmbedResult } from '../jobs/embed.ts';
import { type Act, type Voice, tellFindings, tellJson } from './io.ts';

interface Options {
  to?: string;
  pages?: true;
  json?: true;
}

const examples = `
Examples:
  $ kamino embed                 a file for each menu, in ./embed, with style sheet and script
  $ kamino embed --to ../theme/menus
  $ kamino embed --pages         and the menus of every page of the site, with its marks

Exit status: 0 fine, 1 errors, 2 a mistake in the plan or a failure.`;

export function addEmbed(program: Command, act: Act): void {
  program
    .command('embed')
    .description(
      'write menus for the templates of another program, which fills its pages when they are asked for',
    )
    .argument('[plan]', 'a plan, or the folder of one', '.')
    .option('--to <folder>', 'the folder that is written (embed, beside the plan)')
    .option('--pages', 'the menus of each page too, as they are there')
    .option('--json', 'print the result as one JSON document')
    .addHelpText('after', examples)
    .action((plan: string, options: Options) => act(voice => work(plan, options, voice))());
}

async function work(plan: string, { json, ...options }: Options, voice: Voice): Promise<number> {
  const { embed } = await import('../jobs/embed.ts');
  const result = await embed({ plan, ...options });
  if (json) return tellJson('embed', result, voice);
  tellFindings(result.findings, voice);
  if (result.menus.length === 0) voice.io.err('\nNothing was written.\n');
  else voice.io.out(report(result, options, voice));
  return result.status;
}

function report(
  { target, menus, own, pages, left, base }: EmbedResult,
  options: Options,
  { out }: Voice,
): string {
  const rows: [name: string, value: string][] = [
    ['head.html', 'goes into the head of every page'],
    ...menus.map((path): [string, string] => [path, 'stands where the menu is to be']),
    ...own.map((path): [string, string] => [path, `goes to the server, as  ${base}${path}`]),
    ...(pages > 0
      ? [['pages/', `the menus of ${counted(pages, 'page')}, as they are there`] as [string, string]]
      : []),
  ];
  const width = Math.max(...rows.map(([name]) => name.length));
  const lines = rows
    .map(([name, value]) => `  ${visibleName(name.padEnd(width))}   ${out.quiet(value)}\n`)
    .join('');
  const others =
    left.length === 0
      ? ''
      : `\n${visibleName(listed(left, 'and'))} ${left.length === 1 ? 'is' : 'are'} another on each page${options.pages ? ', and so in pages/ only' : ';  --pages  writes them for every page of the site'}.\n`;
  return `${out.strong(`Wrote ${counted(menus.length, 'menu')} for templates into ${visibleName(target)}/`)}\n${lines}${others}
Which page it is, the script sees by the address; without it the template says so:  <body data-kamino-at="visit">
`;
}
