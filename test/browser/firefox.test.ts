import { execFileSync } from 'node:child_process';
import { appendFileSync, cpSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, expect, it } from '@jest/globals';
import type { WalkResult } from '../../src/jobs/walk.ts';
import { folderWith, kamino, kaminoBeside } from '../helpers/site.ts';
import { styledSite } from '../helpers/styled.ts';

let site = '';
let firefox = '';
beforeAll(() => {
  const folder = folderWith(styledSite('{ when: below 48em, as: drawer }'));
  expect(kamino(folder, 'build').status).toBe(0);
  site = join(folder, 'built');
  firefox = ['firefox-esr', 'firefox']
    .map(name => execFileSync('sh', ['-c', `command -v ${name} || true`], { encoding: 'utf8' }).trim())
    .find(Boolean)!;
});

const walked = async (folder: string, ...args: string[]): Promise<WalkResult> => {
  const { out, err } = await kaminoBeside(folder, 'walk', '.', '--json', ...args);
  expect(err).toBe('');
  return JSON.parse(out) as WalkResult;
};
const rows = ({ matrix }: WalkResult): unknown =>
  matrix!.rows.map(({ target, actions }) => [target.page, target.id, actions]);

it('proves in Firefox what it proves in Chromium, and finds mistakes there', async () => {
  const broken = folderWith({});
  cpSync(site, broken, { recursive: true });
  appendFileSync(join(broken, 'site.css'), 'a { outline: none !important }');
  const [here, there] = await Promise.all([
    walked(broken, '--visitor', 'keyboard', 'no-script', 'paper', '--browser', firefox),
    walked(broken, '--visitor', 'keyboard', 'no-script'),
  ]);
  expect(here.browser).toMatch(/^Firefox \d/);
  const rulesOf = ({ findings }: WalkResult): string[] => [...new Set(findings.map(one => one.rule))].sort();
  expect([rulesOf(here), rulesOf(there)]).toEqual([['no-ring', 'not-walked'], ['no-ring']]);
  expect([rows(here), here.summary]).toEqual([rows(there), there.summary]);
});
