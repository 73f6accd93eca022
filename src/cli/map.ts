import { type Command, Option } from 'commander';
import { type Act, type Voice, tellFindings } from './io.ts';

interface Options {
  format: 'text' | 'markdown' | 'opml' | 'csv' | 'json';
}

const examples = `
Examples:
  $ kamino map                               the structure of the plan in this folder
  $ kamino map --format markdown > plan.md   as an outline that other programs edit
  $ kamino draft --from plan.md --force      and back into a plan

Exit status: 0 fine, 2 a mistake in the plan.`;

export function addMap(program: Command, act: Act): void {
  program
    .command('map')
    .description('write the structure of a plan as an outline')
    .argument('[plan]', 'a plan, or the folder of a kamino.yaml', '.')
    .addOption(
      new Option('--format <format>', 'text, markdown, opml, csv or json')
        .choices(['text', 'markdown', 'opml', 'csv', 'json'])
        .default('text'),
    )
    .addHelpText('after', examples)
    .action((plan: string, options: Options) => act(voice => work(plan, options, voice))());
}

async function work(plan: string, { format }: Options, voice: Voice): Promise<number> {
  const { map } = await import('../jobs/map.ts');
  const { text, findings, status } = map({ plan, format });
  tellFindings(findings, voice);
  if (text !== null) voice.io.out(text);
  return status;
}
