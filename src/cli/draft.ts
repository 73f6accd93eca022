import { type Interface, createInterface } from 'node:readline';
import type { Command } from 'commander';
import { counted, shortened } from '../core/text/nearest.ts';
import { visible, visibleName } from '../core/text/visible.ts';
import type { Ask, DraftResult } from '../jobs/draft.ts';
import { type Act, type Voice, tellFindings, tellJson } from './io.ts';
import { progressOn } from './progress.ts';

interface Options {
  from?: string[];
  force?: true;
  look?: string;
  dryRun?: true;
  yes?: true;
  json?: true;
}

const examples = `
Examples:
  $ kamino draft                             from the folders and titles of the pages here
  $ kamino draft --from "nav.top"            from the menu that stands on the pages already, in its place
  $ kamino draft --from masthead=".top" --from foot="footer ul"
  $ kamino draft --from structure.md         from an outline: .md, .opml, .csv, .json, the .xml of a sitemap
  $ kamino draft --look pills                with a look to start from: kamino explain looks  shows sixteen
  $ kamino draft --dry-run                   print the plan, write nothing

On a terminal it asks what it cannot know; --yes takes every default. kamino inventory  shows the menus there are.
Exit status: 0 fine, 2 a failure.`;

export function addDraft(program: Command, act: Act): void {
  program
    .command('draft')
    .description('write a first plan for a site')
    .argument('[site]', 'the folder of pages', '.')
    .option(
      '--from <source>',
      'a menu written by hand (its selector), or an outline (its file); name=… names it',
      collect,
    )
    .option('--look <name>', 'start from a look; kamino explain looks  shows them')
    .option('--force', 'write over the plan that is there')
    .option('--dry-run', 'print the plan, write nothing')
    .option('-y, --yes', 'ask nothing, take the defaults')
    .option('--json', 'print the result as one JSON document')
    .addHelpText('after', examples)
    .action((site: string, options: Options) => act(voice => work(site, options, voice))());
}

function collect(value: string, before: string[] = []): string[] {
  return [...before, value];
}

async function work(site: string, options: Options, voice: Voice): Promise<number> {
  const { draft } = await import('../jobs/draft.ts');
  const { from, look, force = false, dryRun = false, json } = options;
  const asks = voice.io.outIsTerminal && voice.io.errIsTerminal && options.yes !== true && !json && !dryRun;
  const progress = asks ? null : await progressOn(voice.io, 'files');
  const asker = asks ? new Asker(voice) : null;
  const result = await draft({
    site,
    ...(from ? { from } : {}),
    ...(look === undefined ? {} : { look }),
    force,
    dryRun,
    ...(progress ? { progress: progress.show } : {}),
    ...(asker ? { ask: asker.ask } : {}),
  });
  progress?.end();
  asker?.end();
  if (json) tellJson('draft', result, voice);
  else report(result, dryRun, site, voice);
  return result.status;
}

function report(result: DraftResult, isDry: boolean, site: string, voice: Voice): void {
  tellFindings(result.findings, voice);
  if (result.plan === null) return;
  if (isDry) {
    voice.io.out(result.plan);
    return;
  }
  const { out } = voice;
  const menus = result.menus.map(({ name, entries, copies, lacking }) => {
    // What has a form of its own has no entries in the plan.
    const count =
      entries === 0 && copies !== null ? 'in a form of its own' : counted(entries, 'entry', 'entries');
    const source = copies === null ? '' : `, from ${counted(copies, 'copy', 'copies')}`;
    const without =
      lacking.length > 0
        ? `\n            no copy, so no menu, on ${visibleName(shortened(lacking, mostNamed))}`
        : '';
    return `  ${out.quiet(name.padEnd(9))} ${count}${source}${without}`;
  });
  const where = site === '.' ? '' : ` ${site}`;
  voice.io.out(
    `${result.findings.length > 0 ? '\n' : ''}${out.strong(`Wrote ${result.file}`)}\n${menus.join('\n')}\n\nRead it through, then go on with  ${out.strong(`kamino build${where}`)}\n`,
  );
}

const mostNamed = 5;

/** Asks on the terminal; Enter takes the first answer. */
class Asker {
  readonly #voice: Voice;
  readonly #terminal: Interface;
  readonly #lines: AsyncIterator<string>;

  constructor(voice: Voice) {
    this.#voice = voice;
    const prompt = 'Number, or Enter for 1: ';
    this.#terminal = createInterface({ input: process.stdin, output: process.stderr, prompt });
    this.#lines = this.#terminal[Symbol.asyncIterator]();
  }

  readonly ask: Ask = async (question, answers) => {
    const { io, err } = this.#voice;
    const lines = answers.map(
      ({ value, about }, at) =>
        `  ${at + 1}  ${visibleName(about)}${value.length > 1 ? err.quiet(`  ${visibleName(value)}`) : ''}`,
    );
    io.err(`\n${err.strong(visible(question))}\n${lines.join('\n')}\n`);
    for (;;) {
      this.#terminal.prompt();
      const { value, done } = await this.#lines.next();
      const said = done === true ? '' : value.trim();
      const chosen = answers[said === '' ? 0 : Number(said) - 1];
      if (chosen) return chosen.value;
      io.err(`There are answers 1 to ${answers.length}.\n`);
    }
  };

  end(): void {
    this.#terminal.close();
  }
}
