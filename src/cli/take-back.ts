import type { Command } from 'commander';
import { counted } from '../core/text/nearest.ts';
import { visibleName } from '../core/text/visible.ts';
import type { TakeBackResult } from '../jobs/take-back.ts';
import { shown } from './changes.ts';
import { type Act, type Voice, tellFindings, tellJson } from './io.ts';

interface Options {
  plan?: string;
  overwrite?: true;
  dryRun?: true;
  json?: true;
}

const examples = `
Examples:
  $ kamino take-back --dry-run            what somebody edited in the finished pages, and added to them
  $ kamino take-back                      take all of it over into the site, without the menus
  $ kamino take-back visit/index.html     one page of them

What a source was before is kept in .kamino/before/.
Exit status: 0 fine, 1 some page was left alone, 2 a failure.`;

export function addTakeBack(program: Command, act: Act): void {
  program
    .command('take-back')
    .description('take what somebody edited in finished pages over into the site, without the menus')
    .argument('[files...]', 'finished files; all that somebody has edited by default')
    .option('--plan <plan>', 'a plan, or the folder of one')
    .option('--overwrite', 'also over sources that have changed since they were built')
    .option('--dry-run', 'show the difference, write nothing')
    .option('--json', 'print the result as one JSON document')
    .addHelpText('after', examples)
    .action((files: string[], options: Options) => act(voice => work(files, options, voice))());
}

async function work(files: string[], { json, ...options }: Options, voice: Voice): Promise<number> {
  const { takeBack } = await import('../jobs/take-back.ts');
  const result = await takeBack({ files, ...options });
  if (json) return tellJson('take-back', result, voice);
  tellFindings(result.findings, voice);
  if (result.status === 2) voice.io.err('\nNothing was written.\n');
  else voice.io.out(report(result, options.dryRun === true, voice));
  return result.status;
}

function report({ files, findings }: TakeBackResult, isDry: boolean, voice: Voice): string {
  if (files.length === 0)
    return findings.length > 0
      ? 'Nothing was taken back.\n'
      : 'Nobody has edited a finished file: nothing to take back.\n';
  const lines = files.flatMap(({ file, kind, changes }) =>
    kind === 'new'
      ? [`${voice.out.quiet(visibleName(file))}  new`]
      : changes === null
        ? [`${voice.out.quiet(visibleName(file))}  another file`]
        : shown(visibleName(file), changes, voice),
  );
  const done = isDry
    ? `${counted(files.length, 'file')} would be taken back. Nothing was written.`
    : `Took ${counted(files.length, 'file')} back. Go on with  ${voice.out.strong('kamino build')}`;
  return `${lines.join('\n')}\n${done}\n`;
}
