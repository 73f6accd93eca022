// The tests for a change at hand: the core and the command line, with fewer random cases, and without what needs a
// browser or a site of many pages. npm run test:quick [-- patterns]
import { spawnSync } from 'node:child_process';
import process from 'node:process';

const slow = ['cli/draft', 'cli/grown-sites', 'cli/measure', 'cli/preview', 'cli/specimen'];
const args = process.argv.slice(2);
const { status } = spawnSync(
  process.execPath,
  [
    '--experimental-vm-modules',
    '--disable-warning=ExperimentalWarning',
    'node_modules/jest/bin/jest.js',
    ...(args.length > 0 ? args : ['test/laws', 'test/core', 'test/cli']),
    ...slow.map(one => `--testPathIgnorePatterns=${one}`),
  ],
  { stdio: 'inherit', env: { ...process.env, KAMINO_QUICK: '1', KAMINO_RUNS: '60' } },
);
process.exitCode = status ?? 1;
