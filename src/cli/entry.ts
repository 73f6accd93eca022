import type { Command } from 'commander';
import { counted } from '../core/text/nearest.ts';
import type { EntryEdit, EntryPlace, EntryResult } from '../jobs/entry.ts';
import { shown } from './changes.ts';
import { type Act, type Voice, tellFindings } from './io.ts';

interface Options extends EntryPlace {
  plan: string;
  menu?: string;
  label?: string;
  off?: true;
  dryRun?: true;
  spellOut?: true;
  links?: true;
}

const examples = `
Examples:
  $ kamino entry add news.html --after Visit
  $ kamino entry add "https://forum.example/" --label Forum --last
  $ kamino entry move "Visit/Getting here" --first
  $ kamino entry move Prices --under Visit
  $ kamino entry rename Visit "Plan a visit"
  $ kamino entry remove Forum --dry-run
  $ kamino entry highlight "Book a night"
  $ kamino entry retarget visit.html plan-a-visit.html --links

An entry is named by its label, by the labels from the top ("Visit/Getting here"), or by its page.
Exit status: 0 fine, 2 an edit that would make the plan wrong.`;

/** Where an entry goes. */
function placed(command: Command): Command {
  return command
    .option('--before <entry>', 'before this entry')
    .option('--after <entry>', 'behind this entry')
    .option('--under <entry>', 'below this entry, as the last of its submenu')
    .option('--first', 'first in the menu')
    .option('--last', 'last in the menu');
}

/** What every edit may be told. */
function common(command: Command): Command {
  return command
    .option('--plan <plan>', 'a plan, or the folder of one', '.')
    .option('--menu <name>', 'the menu, where the plan has several')
    .option('--spell-out', 'write the entries of a pattern one by one, where the entry comes from one')
    .option('--dry-run', 'show what would change, write nothing');
}

/** The commands that edit the entries of a plan. */
export function addEntry(program: Command, act: Act): void {
  const entry = program
    .command('entry')
    .description('edit the entries of a plan; its comments and order stay')
    .addHelpText('after', examples);
  const add = (usage: string, about: string): Command => common(entry.command(usage).description(about));
  const run = (edit: EntryEdit, options: Options): Promise<void> =>
    act(voice => work(edit, options, voice))();
  placed(add('add <target>', 'add an entry'))
    .option('--label <label>', 'what it is called; its page’s title by default')
    .action((target: string, options: Options) => {
      const { label } = options;
      return run({ do: 'add', target, place: options, ...(label === undefined ? {} : { label }) }, options);
    });
  placed(add('move <entry>', 'move an entry, with what lies below it')).action(
    (name: string, options: Options) => run({ do: 'move', name, place: options }, options),
  );
  add('rename <entry> <label>', 'give an entry another label').action(
    (name: string, label: string, options: Options) => run({ do: 'rename', name, label }, options),
  );
  add('remove <entry>', 'take an entry out, with what lies below it').action(
    (name: string, options: Options) => run({ do: 'remove', name }, options),
  );
  add('highlight <entry>', 'set an entry apart as a button')
    .option('--off', 'take that back')
    .action((name: string, options: Options) =>
      run({ do: 'highlight', name, off: options.off === true }, options),
    );
  add(
    'retarget <from> <to>',
    'follow a page or file that was moved or renamed: all of the plan that led to it',
  )
    .option('--links', 'the links in the pages themselves follow too; --dry-run shows how')
    .action((from: string, to: string, options: Options) => run({ do: 'retarget', from, to }, options));
}

async function work(edit: EntryEdit, options: Options, voice: Voice): Promise<number> {
  const { editEntry } = await import('../jobs/entry.ts');
  const { plan, menu, dryRun = false, spellOut = false, links = false } = options;
  const { status, findings, file, changes, pages } = editEntry(edit, {
    plan,
    dryRun,
    spellOut,
    links,
    ...(menu === undefined ? {} : { menu }),
  });
  tellFindings(findings, voice);
  if (status === 2) {
    voice.io.err('\nNothing was written.\n');
    return 2;
  }
  const { out } = voice;
  if (changes.length === 0 && pages.length === 0) voice.io.out(`Nothing to change: ${file} is so already.\n`);
  else {
    const lines = [
      ...shown(file, changes, voice),
      ...(links ? pages.flatMap(page => shown(page.file, page.changes, voice)) : linkLines(pages, voice)),
    ];
    voice.io.out(
      `${lines.join('\n')}\n${dryRun ? 'Nothing was written.' : `Go on with  ${out.strong('kamino build')}`}\n`,
    );
  }
  return 0;
}

type Pages = EntryResult['pages'];

/** Links in the pages that still lead to the old path, each with what it would be. */
function linkLines(pages: Pages, { out }: Voice): string[] {
  const all = pages.flatMap(({ file, links }) =>
    links.map(
      ({ place, was, is }) => `  ${out.quiet(`${file}:${place.position?.line ?? 1}`)}  ${was}  →  ${is}`,
    ),
  );
  if (all.length === 0) return [];
  return [
    '',
    `${counted(all.length, 'link')} in the pages ${all.length === 1 ? 'leads' : 'lead'} there too;  --links  lets them follow:`,
    ...all,
    '',
  ];
}
