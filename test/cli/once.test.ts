import { beforeEach, expect, test } from '@jest/globals';
import { walked } from '../../src/core/page/walk.ts';
import { check } from '../../src/jobs/check.ts';
import { inventory } from '../../src/jobs/inventory.ts';
import { lift } from '../../src/jobs/lift.ts';
import { demoFolder, filesOf, folderWith, kamino, page } from '../helpers/site.ts';

beforeEach(() => {
  walked.count = 0;
});

const pages = (folder: string): number =>
  filesOf(folder).filter(path => path.endsWith('.html') && !path.startsWith('.kamino')).length;

test('a check and an inventory go through each page once', async () => {
  const all = inventory(demoFolder).pages.length;
  expect(all).toBeGreaterThan(15);
  expect(walked.count).toBe(all);
  walked.count = 0;
  const folder = folderWith({});
  kamino(folder, 'demo');
  const { pages: checked } = await check({ site: `${folder}/brackenfold/built` });
  expect(checked).toBe(all);
  expect(walked.count).toBe(all);
});

test('a lift goes through each page once, also where it takes nothing out', () => {
  const folder = folderWith({
    'index.html': page('Home', '<header></header><main>x</main>'),
    'about.html': page('About', '<header></header><main>x</main>'),
    'kamino.yaml':
      'kamino: 1\noutput: in-place\nmenus:\n  - menu: m\n    carried-by: index.html\n    entries: [about.html]\n',
  });
  expect(kamino(folder, 'build').status).toBe(0);
  lift({ plan: folder });
  expect(walked.count).toBeLessThanOrEqual(pages(folder));
  expect(walked.count).toBeGreaterThan(0);
});
