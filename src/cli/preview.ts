import { type Command, InvalidArgumentError } from 'commander';
import { countFindings } from '../core/text/render.ts';
import { type Act, type Voice, tellFindings, untilEnded } from './io.ts';

const examples = `
Examples:
  $ kamino preview               open the address that it prints; it follows every change
  $ kamino preview --port 5000
  $ kamino preview --lan         for a phone in the same network, too: prints its address to scan

  /_widths of that address shows a page at several widths side by side, and can hold
  hover, focus, a submenu or the fold open.

Nothing is written. End it with Ctrl-C. Exit status: 0 fine, 2 a bad plan or a failure.`;

interface Options {
  port?: number;
  lan?: true;
}

export function addPreview(program: Command, act: Act): void {
  program
    .command('preview')
    .description('show the finished site in a browser, and follow every change of the plan and its pages')
    .argument('[plan]', 'a plan, or the folder of one', '.')
    .option('--port <number>', 'the first port that is tried (4600)', portNumber)
    .option('--lan', 'open it to the network that this machine is in')
    .addHelpText('after', examples)
    .action((plan: string, options: Options) => act(voice => work(plan, options, voice))());
}

function portNumber(text: string): number {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new InvalidArgumentError('A port is a number from 1 to 65535.');
  return port;
}

async function work(plan: string, options: Options, voice: Voice): Promise<number> {
  const { preview } = await import('../jobs/preview.ts');
  let isFirst = true;
  const started = await preview({
    plan,
    ...options,
    onBuild: ({ findings, isGood, took }) => {
      tellFindings(findings, voice);
      if (!isFirst && isGood)
        voice.io.out(
          `Made anew in ${Math.round(took)} ms; ${countFindings(findings) || 'nothing is wrong'}.\n`,
        );
      if (!isFirst && !isGood) voice.io.err('The last good build stays.\n');
      isFirst = false;
    },
  });
  if ('findings' in started) {
    tellFindings(
      started.findings.filter(one => one.place === null),
      voice,
    );
    return 2;
  }
  const { address, lanAddress, isOtherPort, close } = started;
  const { out } = voice;
  if (isOtherPort) voice.io.err('That port is taken; the next free one is used.\n');
  voice.io.out(`${out.strong('The site is at')}  ${address}\nat several widths:  ${address}_widths\n`);
  if (lanAddress !== null) {
    const { default: qr } = await import('qrcode');
    voice.io.out(`in this network:    ${lanAddress}\n\n${await qr.toString(lanAddress, { type: 'utf8' })}\n`);
  }
  voice.io.out(`${out.quiet('It follows every change. End it with Ctrl-C.')}\n`);
  await untilEnded();
  await close();
  return 0;
}
