import type { Command } from 'commander';
import { counted } from '../core/text/nearest.ts';
import { visibleName } from '../core/text/visible.ts';
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
  const { lifted, edited, left, removed, site, output } = result;
  const all = [...lifted, ...edited, ...removed];
  const stay = left.length > 0 ? `${counted(left.length, 'page')} ${is(left)} left alone.` : '';
  if (all.length === 0) {
    if (stay) return `Nothing was taken out: ${stay}\n`;
    if (result.status !== 0) return 'Nothing was taken out.\n';
    const where = output === null ? '' : ` The finished site is in ${output}/; its source never had any.`;
    return `No page in ${site === '.' ? 'this folder' : `${site}/`} has a menu of Kamino’s to take out.${where}\n`;
  }
  if (dryRun) {
    const list = all.map(path => `  ${visibleName(path)}\n`).join('');
    const files = removed.length > 0 ? `, and ${counted(removed.length, 'file')} of Kamino’s would go` : '';
    const pages = counted(lifted.length + edited.length, 'page');
    return `${list}${sentences([`${pages} would change${files}.`, stay, 'Nothing was written.'])}`;
  }
  const [keeps, keep] = ['keeps its menu', 'keep their menus'];
  const said = keepMenus
    ? `${counted(lifted.length, 'page')} ${lifted.length === 1 ? keeps : keep}, without Kamino’s marks.`
    : `${counted(lifted.length, 'page')} ${lifted.length === 1 ? 'is as it was' : 'are as they were'}.`;
  return sentences([
    lifted.length > 0 ? said : '',
    edited.length > 0 ? `${counted(edited.length, 'page')} lost the menu with what was edited in it.` : '',
    removed.length > 0
      ? `${counted(removed.length, 'file')} of Kamino’s ${removed.length === 1 ? 'is' : 'are'} gone.`
      : '',
    stay === '' || keepMenus
      ? stay
      : `${stay} Kamino’s own files stay for ${left.length === 1 ? 'it' : 'them'}.`,
  ]);
}

function is(all: readonly string[]): string {
  return all.length === 1 ? 'was' : 'were';
}

function sentences(all: readonly string[]): string {
  return `${all.filter(Boolean).join(' ')}\n`;
}
