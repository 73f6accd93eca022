import type { Command } from 'commander';
import { counted } from '../core/text/nearest.ts';
import type { LiftResult } from '../jobs/lift.ts';
import { type Act, type Voice, tellFindings, tellJson } from './io.ts';

interface Options {
  dryRun?: true;
  keepMenus?: true;
  overwrite?: true;
  json?: true;
}

const examples = `
Examples:
  $ kamino lift                    the pages of this folder, as they were
  $ kamino lift --dry-run          list the pages, write nothing
  $ kamino lift --keep-menus       leave plain working menus; the site goes on without Kamino

Exit status: 0 fine, 1 some page was left alone, 2 a failure.`;

export function addLift(program: Command, act: Act): void {
  program
    .command('lift')
    .description('take the menus out of the pages again, byte for byte')
    .argument('[site]', 'the folder of the pages, or of their plan', '.')
    .option('--dry-run', 'list what would change, write nothing')
    .option('--keep-menus', 'leave working menus in the pages and take Kamino’s marks off')
    .option('--overwrite', 'lift menus too that someone has edited by hand')
    .option('--json', 'print the result as one JSON document')
    .addHelpText('after', examples)
    .action((plan: string, options: Options) => act(voice => work(plan, options, voice))());
}

async function work(plan: string, options: Options, voice: Voice): Promise<number> {
  const { lift } = await import('../jobs/lift.ts');
  const { dryRun = false, keepMenus = false, overwrite = false } = options;
  const result = await lift({ plan, dryRun, keepMenus, overwrite });
  if (options.json) tellJson('lift', result, voice);
  else {
    tellFindings(result.findings, voice);
    voice.io.out(report(result, options));
  }
  return result.status;
}

function report(result: LiftResult, { dryRun, keepMenus }: Options): string {
  const { lifted, removed, output, site } = result;
  if (lifted.length + removed.length === 0) {
    const where = output === null ? '' : ` The finished site is in ${output}/; its source never had any.`;
    return `No page in ${site === '.' ? 'this folder' : `${site}/`} has a menu of Kamino’s to take out.${where}\n`;
  }
  const list = dryRun ? `${[...lifted, ...removed].map(path => `  ${path}`).join('\n')}\n` : '';
  const verb = keepMenus ? 'keep their menus, without Kamino’s marks' : 'are as they were';
  const files = removed.length
    ? `, and ${counted(removed.length, 'file')} of Kamino’s ${dryRun ? 'would go' : removed.length === 1 ? 'is gone' : 'are gone'}`
    : '';
  return `${list}${counted(lifted.length, 'page')} ${dryRun ? 'would change' : verb}${files}.${dryRun ? ' Nothing was written.' : ''}\n`;
}
