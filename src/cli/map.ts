import { type Command, Option } from 'commander';
import { listed } from '../core/text/nearest.ts';
import type { MapOptions } from '../jobs/map.ts';
import { type Act, type Voice, tellFindings } from './io.ts';

type Format = NonNullable<MapOptions['format']>;

const all: Record<Format, true> = { text: true, markdown: true, opml: true, csv: true, json: true };
const formats = Object.keys(all) as Format[];

interface Options {
  format: Format;
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
    .addOption(new Option('--format <format>', listed(formats)).choices(formats).default('text'))
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
