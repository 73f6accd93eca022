import { execFileSync } from 'node:child_process';
import { appendFileSync, cpSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from '@jest/globals';
import type { WalkResult } from '../../src/jobs/walk.ts';
import { folderWith, kamino, kaminoBeside } from '../helpers/site.ts';
import { styledSite } from '../helpers/styled.ts';

const webkit = execFileSync('sh', ['-c', 'command -v WebKitWebDriver'], { encoding: 'utf8' }).trim();

it('proves in WebKit what it proves in Chromium, and finds mistakes there', async () => {
  // With a section that has to come to stand below the bar, though the focus is in it.
  const files = styledSite('{ when: never }\n    stays: { top: header }');
  const plan = files['kamino.yaml']!.replace('[index.html,', '[index.html, index.html#news,');
  const index = files['index.html']!.replace('</main>', '<h2 id="news">News</h2></main>');
  const folder = folderWith({ ...files, 'kamino.yaml': plan, 'index.html': index });
  appendFileSync(join(folder, 'site.css'), 'header { background: #fff } h2 { margin-block: 300px 2000px }');
  expect(kamino(folder, 'build').status).toBe(0);
  const site = folderWith({});
  cpSync(join(folder, 'built'), site, { recursive: true });
  // What closes by itself no more.
  const script = join(site, 'kamino/menu.js');
  writeFileSync(script, readFileSync(script, 'utf8').replaceAll('"Escape"', '"Nothing"'));
  const walked = async (...args: string[]): Promise<WalkResult> => {
    const { out, err } = await kaminoBeside(site, 'walk', '.', '--json', '--visitor', 'keyboard', ...args);
    expect(err).toBe('');
    return JSON.parse(out) as WalkResult;
  };
  const [here, there] = [await walked('calm', '--browser', webkit), await walked()];
  expect(here.browser).toMatch(/^WebKit \d/);
  const rulesOf = ({ findings }: WalkResult): string[] => [...new Set(findings.map(one => one.rule))].sort();
  expect(rulesOf(there)).toEqual(['cannot-close']);
  expect(rulesOf(here)).toEqual(['cannot-close', 'not-walked']);
  expect([here.matrix!.rows.map(row => row.actions), here.summary]).toEqual([
    there.matrix!.rows.map(row => row.actions),
    there.summary,
  ]);
});
