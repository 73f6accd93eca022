import type { Command } from 'commander';
import { counted, listed } from '../core/text/nearest.ts';
import { type Act, type Voice, tellFindings } from './io.ts';

const examples = `
Examples:
  $ kamino specimen                      specimen.html: every entry in every state; open it in a browser
  $ kamino specimen --png sheet.png      and a picture of it, by a real browser
  $ kamino specimen --out looks/new.html

Pages that the plan names need not be there yet. Exit status: 0 fine, 2 a bad plan or a failure.`;

interface Options {
  out?: string;
  png?: string;
}

export function addSpecimen(program: Command, act: Act): void {
  program
    .command('specimen')
    .description('write a sheet that shows every entry in every state and at every width, with its contrast')
    .argument('[plan]', 'a plan, or the folder of one', '.')
    .option('--out <file>', 'where the sheet goes (specimen.html)')
    .option('--png <file>', 'make a picture of it too, by a real browser')
    .addHelpText('after', examples)
    .action((plan: string, options: Options) => act(voice => work(plan, options, voice))());
}

async function work(plan: string, options: Options, voice: Voice): Promise<number> {
  const { specimen } = await import('../jobs/specimen.ts');
  const { status, findings, written, menus, entries } = await specimen({ plan, ...options });
  tellFindings(findings, voice);
  if (written.length > 0)
    voice.io.out(
      `${voice.out.strong(`Wrote ${listed(written, 'and')}`)}: ${counted(entries, 'entry', 'entries')} of ${counted(menus, 'menu')} in six states.\n`,
    );
  return status;
}
