import { Command, CommanderError } from 'commander';
import { version } from '../jobs/version.ts';
import { addBuild } from './build.ts';
import { addCheck } from './check.ts';
import { addCompletion } from './completion.ts';
import { addDemo } from './demo.ts';
import { addDraft } from './draft.ts';
import { addEntry } from './entry.ts';
import { addExplain } from './explain.ts';
import { addInventory } from './inventory.ts';
import { addLift } from './lift.ts';
import { addMeasure } from './measure.ts';
import { addEmbed } from './embed.ts';
import { addPack } from './pack.ts';
import { addTakeBack } from './take-back.ts';
import { addWalk } from './walk.ts';
import { addSpecimen } from './specimen.ts';
import { addPictures } from './pictures.ts';
import { addPreview } from './preview.ts';
import { addMap } from './map.ts';
import { type Act, type Io, tellFindings, voiceOf, withoutControls } from './io.ts';

const firstSteps = `
What to do first:
  $ kamino demo                  a sample site in ./brackenfold, built and checked
  $ cd your-site                 a folder of HTML pages
  $ kamino inventory             what is in it, the menus that its pages have already, and what is wrong
  $ kamino draft                 a first plan, kamino.yaml: read it, change it
  $ kamino build                 the same pages with the menu in them, in ./built;
                                 with  output: in-place  in the plan, the pages themselves
  $ kamino preview               the site in a browser, following every change
  $ kamino pack                  the finished site as one archive, and what to upload since the last one
  $ kamino lift                  takes the menus out of the pages again

Each command has its own help:  kamino build --help
Each key of the plan, rule and word has its page:  kamino explain branch`;

/** The commands, in the order in which help tells of them. */
const commands = [
  addInventory,
  addDraft,
  addEntry,
  addBuild,
  addCheck,
  addWalk,
  addPack,
  addEmbed,
  addTakeBack,
  addLift,
  addMeasure,
  addSpecimen,
  addPictures,
  addPreview,
  addMap,
  addExplain,
  addDemo,
  addCompletion,
];

/** Options of every command, before its name and behind it. */
const all = ['--all', 'everything that is found, also where a terminal has no room for it'] as const;
const noColor = ['--no-color', 'no colour in what is printed'] as const;

function programFor(io: Io): Command {
  return new Command('kamino')
    .description(
      'Puts working navigation into every page of a site, and can take it out again byte for byte.',
    )
    .version(version, '-V, --version', 'print the version')
    .helpOption('-h, --help', 'print help')
    .helpCommand('help [command]', 'print the help of a command')
    .option(...noColor)
    .option(...all)
    .exitOverride()
    .configureOutput({
      writeOut: io.out,
      writeErr: io.err,
      outputError: (text, write) => write(usageError(text)),
    })
    .addHelpText('after', firstSteps)
    .showSuggestionAfterError(true);
}

/** Runs a command line (without the program's own name) and gives its exit status: 0 fine, 1 errors found, 2 failed. */
export async function run(argv: readonly string[], given: Io): Promise<number> {
  let status = 0;
  const io = withoutControls(given);
  const program = programFor(io);
  const act: Act = work => async () => {
    const voice = await voiceOf(io, program.opts<{ color: boolean; all?: true }>());
    try {
      status = await work(voice);
    } catch (error) {
      const { failure } = await import('../jobs/failure.ts');
      const told = failure(error);
      if (!told) throw error;
      tellFindings([told], voice);
      status = 2;
    }
  };
  for (const add of commands) add(program, act);
  for (const command of program.commands) command.option(...all).option(...noColor);
  if (argv.length === 0) {
    program.outputHelp();
    return 0;
  }
  try {
    await program.parseAsync(argv, { from: 'user' });
    return status;
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : 2;
    throw error;
  }
}

/** One line and a pointer to help. */
function usageError(text: string): string {
  const [message, suggestion] = text.trim().split('\n');
  const said = message!.replace(/^error: /, '').replace(/\.$/, '');
  const hint = suggestion ? ` ${suggestion.replace(/^\((.*)\)$/, '$1')}` : '';
  return `kamino: ${said}.${hint} See  kamino --help\n`;
}
