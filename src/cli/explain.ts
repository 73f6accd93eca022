import type { Command } from 'commander';
import { type Act, type Voice, tellJson } from './io.ts';

const examples = `
Examples:
  $ kamino explain branch          a key of the plan
  $ kamino explain missing-page    a rule that a finding named
  $ kamino explain breakpoint      a word of the trade: what it is called here
  $ kamino explain css             the hooks for rules of your own, with examples
  $ kamino explain                 all there is

Exit status: 0 fine, 2 no such page.`;

export function addExplain(program: Command, act: Act): void {
  program
    .command('explain')
    .description('tell what a plan key, a rule or a word means, with an example')
    .argument('[name]', 'a key, a rule, a word, or css')
    .option('--json', 'print the pages as one JSON document')
    .addHelpText('after', examples)
    .action((name: string | undefined, options: { json?: true }) =>
      act(voice => work(name, options, voice))(),
    );
}

async function work(name: string | undefined, { json }: { json?: true }, voice: Voice): Promise<number> {
  const { explain, manualNames } = await import('../jobs/explain.ts');
  if (name === undefined) {
    const names = manualNames();
    if (json) return tellJson('explain', { names }, voice);
    voice.io.out(list(names, voice));
    return 0;
  }
  const { status, pages, text, near } = explain(name, voice.out);
  if (json) tellJson('explain', { name, pages, near }, voice);
  else if (status === 2) {
    const hint = near === null ? 'kamino explain  lists all pages.' : `Did you mean \`${near}\`?`;
    voice.io.err(`kamino: the manual has no page \`${name}\`. ${hint}\n`);
  } else voice.io.out(`${text}\n`);
  return status;
}

const titles = {
  topic: 'Topics',
  word: 'Words',
  trade: 'Words of the trade that have another name here',
  key: 'Keys of the plan',
  rule: 'Rules',
} as const;

function list(names: Record<keyof typeof titles, readonly string[]>, voice: Voice): string {
  const blocks = (Object.keys(titles) as (keyof typeof titles)[]).map(kind => {
    const lines = [''];
    for (const name of [...names[kind]].sort()) {
      if (lines.at(-1)!.length + name.length > 84) lines.push('');
      lines[lines.length - 1] += `  ${name}`;
    }
    return `${voice.out.strong(titles[kind])}\n${lines.join('\n')}`;
  });
  return `${blocks.join('\n\n')}\n\nEach has its page:  kamino explain NAME\n`;
}
