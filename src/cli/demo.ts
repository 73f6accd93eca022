import type { Command } from 'commander';
import { counted } from '../core/text/nearest.ts';
import type { DemoResult, Verification } from '../jobs/demo.ts';
import { buildTable } from './build-report.ts';
import { type Act, type Voice, tellFindings } from './io.ts';

export function addDemo(program: Command, act: Act): void {
  program
    .command('demo')
    .description('make, build and check a sample site, and say where to look')
    .argument('[folder]', 'where to put it; brackenfold, or brackenfold-old')
    .option(
      '--old',
      'the site as it was before: old pages with a menu copied by hand, to try inventory and draft on',
    )
    .addHelpText('after', '\nExamples:\n  $ kamino demo\n  $ kamino demo /tmp/sample\n  $ kamino demo --old')
    .action((folder: string | undefined, { old }: { old?: true }) =>
      act(voice =>
        old ? workOld(folder ?? 'brackenfold-old', voice) : work(folder ?? 'brackenfold', voice),
      )(),
    );
}

async function workOld(given: string, { io, out }: Voice): Promise<number> {
  const { oldDemo } = await import('../jobs/demo.ts');
  const { folder, pages } = oldDemo(given);
  io.out(`${out.strong(`An old site of ${counted(pages, 'page')} is in ${folder}/`)}

Give it one right menu:
  $ cd ${folder}
  $ kamino inventory     what is in it, and what is wrong
  $ kamino draft         a plan from the menu that its pages have
  $ kamino build         one right menu on every page
and take it all back:
  $ kamino lift
`);
  return 0;
}

async function work(folder: string, voice: Voice): Promise<number> {
  const [{ demo, verify }, { build }] = await Promise.all([
    import('../jobs/demo.ts'),
    import('../jobs/build.ts'),
  ]);
  const start = performance.now();
  const sample = demo(folder);
  const built = await build({ plan: sample.target });
  tellFindings(built.findings, voice);
  if (built.status === 2) {
    voice.io.err('\nThe sample site was not built.\n');
    return built.status;
  }
  const checked = verify(`${sample.target}/built`);
  const seconds = (performance.now() - start) / 1000;
  voice.io.out(report(sample, checked, buildTable(built, seconds, voice), voice));
  return checked.dead.length > 0 ? 1 : built.status;
}

function report({ folder, kept }: DemoResult, checks: Verification, table: string, voice: Voice): string {
  const { dead, links, menus, pages } = checks;
  const strong = voice.out.strong;
  const checked = dead.length
    ? `${counted(dead.length, 'link')} of its menus lead nowhere:\n${dead.map(one => `  ${one.page}: ${one.href}`).join('\n')}`
    : `Checked ${counted(pages, 'page')}: ${counted(menus, 'menu')} with ${counted(links, 'link')}, each leads to its page.`;
  const edited = kept.length ? `Your own edits in ${kept.join(', ')} were kept.\n` : '';
  return `${strong(`Brackenfold Observatory, a sample site, is in ${folder}/`)}
${edited}${table}${checked}

Where to look:
  ${folder}/kamino.yaml        the plan; change it
  ${folder}/built/index.html   the finished front page; open it in a browser
Then, after each change:  kamino build ${folder}
Two more plans of it, with a drawer and with a menu over the whole screen:
  kamino build ${folder}/kamino-drawer.yaml
  kamino build ${folder}/kamino-full-screen.yaml
`;
}
