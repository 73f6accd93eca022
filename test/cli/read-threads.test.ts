import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from '@jest/globals';
import { contents, folderWith, kamino, kaminoAlone, plainly } from '../helpers/site.ts';

const count = 40;
const longPage = (number: number): string => {
  const prose = `<p>${`Words of page ${number}. `.repeat(9000)}</p>`;
  const style = number === 3 ? '' : '<style>\n#top a { color: red }\n</style>';
  return `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Page ${number}</title>${style}</head><body><div id="top"></div><main id="m"><h1>${number}</h1><a href="nowhere-${number}.html">x</a>${prose}</main></body></html>\n`;
};
const name = (number: number): string => `page-${String(number).padStart(2, '0')}.html`;
const pages = Object.fromEntries(Array.from({ length: count }, (_, at) => [name(at), longPage(at)]));

it('finds the same in a site so large that two threads read it, whichever of them meets a page', () => {
  const entries = Object.keys(pages).join(', ');
  const folder = folderWith({
    ...pages,
    'kamino.yaml': `kamino: 1\nmenus:\n  - { menu: m, place: { first-in: "#top" }, entries: [${entries}] }\n`,
  });
  expect(kamino(folder, 'build').status).toBe(0);
  const [first, again] = [1, 2].map(() => {
    rmSync(join(folder, '.kamino/checked'), { force: true });
    return kaminoAlone(folder, 'check', '--json');
  });
  expect(again!.out).toBe(first!.out);
  const found = (
    JSON.parse(first!.out) as { findings: { rule: string; message: string; place: { file: string } }[] }
  ).findings;
  expect(found.filter(one => one.rule === 'dead-link').map(one => one.place.file)).toEqual(
    Object.keys(pages).map(one => `built/${one}`),
  );
  const outranked = found.filter(one => one.rule === 'outranked');
  expect(outranked.map(one => one.place.file)).toEqual([`built/${name(0)}`]);
  expect(outranked[0]!.message).toContain(`on ${count - 1} pages`);
});

/** Tells in the end how many threads were begun beside the first. */
const counting = `data:text/javascript,${encodeURIComponent(`
  import threads from 'node:worker_threads';
  import { syncBuiltinESMExports } from 'node:module';
  let begun = 0;
  threads.Worker = class extends threads.Worker {
    constructor(...given) { super(...given); begun += 1; }
  };
  syncBuiltinESMExports();
  if (threads.isMainThread) process.on('exit', () => console.error('begun ' + begun));
`)}`;

it('goes through a large site in as many threads as it is told, with the same result', () => {
  const folder = folderWith({
    ...pages,
    'kamino.yaml':
      'kamino: 1\nmenus:\n  - { menu: m, place: { first-in: "#top" }, entries: [page-00.html] }\n',
  });
  const program = join(import.meta.dirname, '../../dist/kamino.cjs');
  const ran = (command: string, jobs: number): unknown[] => {
    for (const one of command === 'build' ? ['built', '.kamino'] : ['.kamino/checked'])
      rmSync(join(folder, one), { recursive: true, force: true });
    const { stdout, stderr } = spawnSync(
      process.execPath,
      ['--import', counting, program, command, '--json', '--jobs', `${jobs}`],
      { cwd: folder, encoding: 'utf8', env: plainly, maxBuffer: 1 << 26 },
    );
    const begun = stderr.split('\n').find(line => line.startsWith('begun'));
    expect([command, jobs, begun]).toEqual([command, jobs, `begun ${Math.min(jobs, mostOf[command]!) - 1}`]);
    return [stdout, command === 'build' ? contents(join(folder, 'built')) : null];
  };
  for (const command of Object.keys(mostOf)) {
    const one = ran(command, 1);
    for (const jobs of [2, 3]) expect(ran(command, jobs)).toEqual(one);
  }
});

/** Of pages that are built one thread makes all, and another writes them. */
const mostOf: Record<string, number> = { build: 2, check: 64, inventory: 64 };

it.each(['0', '65', '1.5', 'two', '-1'])('refuses --jobs %s', number => {
  for (const command of ['build', 'check', 'inventory'])
    expect(kamino(folderWith({}), command, `--jobs=${number}`)).toMatchObject({
      status: 2,
      err: expect.stringMatching(/--jobs.* from 1 to 64/),
    });
});
