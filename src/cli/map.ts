import { type Command, Option } from 'commander';
import { listed } from '../core/text/nearest.ts';
import type { ReachFormat } from '../jobs/reach.ts';
import type { MapOptions } from '../jobs/map.ts';
import { type Act, type Voice, tellFindings } from './io.ts';

type Format = NonNullable<MapOptions['format']>;

const all: Record<Format, true> = { text: true, markdown: true, opml: true, csv: true, json: true };
const formats = Object.keys(all) as Format[];

/** Formats of how links lead through the finished pages. */
const drawn: Record<ReachFormat, true> = { text: true, svg: true, mermaid: true, json: true };
const every = [...new Set([...formats, ...(Object.keys(drawn) as ReachFormat[])])];

interface Options {
  format: Format | ReachFormat;
  reach?: true;
}

const examples = `
Examples:
  $ kamino map                               the structure of the plan in this folder
  $ kamino map --format markdown > plan.md   as an outline that other programs edit
  $ kamino draft --from plan.md --force      and back into a plan
  $ kamino map --reach                       how links lead through the finished pages
  $ kamino map --format svg > map.svg        the same drawn; or  --format mermaid

Exit status: 0 fine, 2 a mistake in the plan.`;

export function addMap(program: Command, act: Act): void {
  program
    .command('map')
    .description('write the structure of a plan as an outline, or draw how links lead through its pages')
    .argument('[plan]', 'a plan, its folder, or (with --reach) a folder of pages', '.')
    .addOption(new Option('--format <format>', listed(every)).choices(every).default('text'))
    .option('--reach', 'how many links lead to each page: text, svg, mermaid or json')
    .addHelpText('after', examples)
    .action((plan: string, options: Options) => act(voice => work(plan, options, voice))());
}

async function work(plan: string, { format, reach }: Options, voice: Voice): Promise<number> {
  if (reach === true || !isOutline(format)) return drawReach(plan, format, voice);
  const { map } = await import('../jobs/map.ts');
  const { text, findings, status } = map({ plan, format });
  tellFindings(findings, voice);
  if (text !== null) voice.io.out(text);
  return status;
}

const isOutline = (format: Options['format']): format is Format => format in all;

async function drawReach(site: string, format: Options['format'], { io, ...voice }: Voice): Promise<number> {
  if (!(format in drawn)) {
    io.err(
      `kamino: the way through the pages is written as ${listed(Object.keys(drawn))}. See  kamino map --help\n`,
    );
    return 2;
  }
  const { reachMap } = await import('../jobs/reach.ts');
  const { text, findings, status } = reachMap({ site, format: format as ReachFormat });
  tellFindings(findings, { io, ...voice });
  if (text !== null) io.out(text);
  return status;
}
