import { createHash } from 'node:crypto';
import { existsSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it, test } from '@jest/globals';
import type { PackResult } from '../../src/jobs/pack.ts';
import { contents, filesOf, folderWith, kamino, put } from '../helpers/site.ts';

const page = (title: string, main = ''): string =>
  `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>${title}</title></head>\n<body><header></header><main><h1>${title}</h1>${main}</main></body></html>\n`;
const plan = (more = '', pages = '[index.html, visit.html, { pages: journal/*.html }]'): string => `kamino: 1
output: built
menus:
  - menu: masthead
    title: Main
    place: { first-in: header }
    entries: ${pages}
${more}`;
const site = {
  'kamino.yaml': plan(),
  'index.html': page('Observatory'),
  'visit.html': page('Visit'),
  'journal/owl.html': page('An owl'),
  'img/dome.svg': '<svg xmlns="http://www.w3.org/2000/svg"/>',
};

function built(more: Record<string, string> = {}): string {
  const folder = folderWith({ ...site, ...more });
  expect(kamino(folder, 'build').status).toBe(0);
  return folder;
}

const packed = (folder: string, ...args: string[]): PackResult =>
  JSON.parse(kamino(folder, 'pack', '--json', ...args).out) as PackResult;
const rulesOf = ({ findings }: PackResult): string[] => findings.map(one => one.rule);
const sum = (file: string): string => createHash('sha256').update(readFileSync(file)).digest('hex');

it('packs the finished site, and tells what is another since the last time', () => {
  const folder = built();
  const first = packed(folder);
  const files = filesOf(join(folder, 'built'));
  expect([first.status, first.created, first.changed, first.gone]).toEqual([0, files, [], []]);
  expect(first.bytes).toBe(statSync(join(folder, 'packed.zip')).size);
  const again = packed(folder);
  expect([again.created, again.changed, again.gone, again.same]).toEqual([[], [], [], files]);

  put(folder, { 'visit.html': page('Visit', '<p>By bus.</p>'), 'journal/slit.html': page('A new slit') });
  rmSync(join(folder, 'journal/owl.html'));
  kamino(folder, 'build');
  const { created, changed, gone, list } = packed(folder, '--list', 'upload.txt');
  // A new page is a new entry, in every page.
  expect([created, changed, gone]).toEqual([
    ['journal/slit.html'],
    ['index.html', 'kamino/menu.css', 'visit.html'],
    ['journal/owl.html'],
  ]);
  expect(readFileSync(join(folder, list!), 'utf8')).toBe(
    'index.html\njournal/slit.html\nkamino/menu.css\nvisit.html\n',
  );
  // Nothing of that is of the site.
  const { out } = kamino(folder, 'build');
  expect(out).toContain('Nothing to do');
});

it('writes the same archive for the same files, whenever they were written', () => {
  const [one, other] = [built(), built()];
  packed(one);
  packed(other);
  expect(sum(join(one, 'packed.zip'))).toBe(sum(join(other, 'packed.zip')));
});

it('compares with the list that is named', () => {
  const folder = built();
  packed(folder);
  renameSync(join(folder, 'packed.sums'), join(folder, 'uploaded.sums'));
  put(folder, { 'visit.html': page('Visit', '<p>By bus.</p>') });
  kamino(folder, 'build');
  const since = (): string[] => packed(folder, '--since', 'uploaded.sums').changed;
  expect([since(), since()]).toEqual([['visit.html'], ['visit.html']]);
  const bad = join(folderWith({ 'bad.sums': 'visit.html\n' }), 'bad.sums');
  const { status, findings } = packed(folder, '--since', bad);
  expect([status, findings[0]!.rule, findings[0]!.message]).toEqual([
    2,
    'bad-list',
    'line 1 is none of a list of sums',
  ]);
  expect(rulesOf(packed(folder, '--since', 'nowhere.sums'))).toEqual(['bad-list']);
});

test.each(['../mine.txt', 'a/../../mine.txt', '/etc/hostname', 'C:/mine.txt'])(
  'does not go by a list that names what lies outside of its folder: %s',
  path => {
    const folder = built();
    packed(folder, '--to', 'upload');
    const mine = join(folder, 'mine.txt');
    writeFileSync(mine, 'mine');
    const list = join(folderWith({ 'bad.sums': `${sum(mine)}  ${path}\n` }), 'bad.sums');
    const told = packed(folder, '--to', 'upload', '--since', list, '--delete', '--despite-errors');
    expect([told.status, told.deleted, readFileSync(mine, 'utf8')]).toEqual([2, [], 'mine']);
    expect(rulesOf(told)).toContain('bad-list');
  },
);

it('writes into a folder only what differs, and deletes nothing unasked', () => {
  const folder = built();
  packed(folder, '--to', 'upload');
  expect(contents(join(folder, 'upload'))).toEqual(contents(join(folder, 'built')));
  const before = statSync(join(folder, 'upload/img/dome.svg')).mtimeMs;
  rmSync(join(folder, 'journal/owl.html'));
  put(folder, { 'journal/slit.html': page('A new slit') });
  expect(kamino(folder, 'build').out).not.toContain('upload');
  const told = packed(folder, '--to', 'upload');
  expect([told.created, told.gone, told.deleted]).toEqual([['journal/slit.html'], ['journal/owl.html'], []]);
  expect(existsSync(join(folder, 'upload/journal/owl.html'))).toBe(true);
  expect(statSync(join(folder, 'upload/img/dome.svg')).mtimeMs).toBe(before);
  const last = packed(folder, '--to', 'upload', '--delete');
  expect([last.changed, last.deleted]).toEqual([[], ['journal/owl.html']]);
  expect(contents(join(folder, 'upload'))).toEqual(contents(join(folder, 'built')));
  expect(packed(folder, '--to', 'upload', '--delete').gone).toEqual([]);
});

it('has packed the site though its list cannot be written, and says both', () => {
  const folder = built();
  const told = packed(folder, '--list', 'index.html/upload.txt');
  expect([told.status, rulesOf(told), told.list]).toEqual([1, ['cannot-write'], null]);
  expect(told.bytes).toBe(statSync(join(folder, 'packed.zip')).size);
  expect(packed(folder).created).toEqual([]);
});

it('leaves alone what someone else put or changed there', () => {
  const folder = built();
  const web = folderWith({ 'notes.txt': 'mine' });
  const foreign = packed(folder, '--to', web);
  expect([foreign.status, rulesOf(foreign), filesOf(web)]).toEqual([2, ['foreign-output'], ['notes.txt']]);
  packed(folder, '--to', 'upload');
  put(folder, { 'upload/journal/owl.html': 'edited' });
  rmSync(join(folder, 'journal/owl.html'));
  kamino(folder, 'build');
  const told = packed(folder, '--to', 'upload', '--delete');
  expect([told.deleted, rulesOf(told)]).toEqual([[], ['edited-output']]);
  expect(readFileSync(join(folder, 'upload/journal/owl.html'), 'utf8')).toBe('edited');
});

it('refuses what is wrong or out of date, unless it is told to', () => {
  const folder = built({ 'visit.html': page('Visit', '<p><a href="vist.html">Bus</a>') });
  const refused = packed(folder);
  expect([refused.status, rulesOf(refused)]).toEqual([1, ['dead-link', 'not-packed']]);
  expect(existsSync(join(folder, 'packed.zip'))).toBe(false);
  expect(packed(folder, '--despite-errors').created.length).toBe(6);
  put(folder, { 'visit.html': page('Visit') });
  expect(rulesOf(packed(folder))).toContain('stale-output');
  expect(packed(folder, '--dry-run', '--despite-errors').bytes).toBeNull();
});

test.each([
  [['--to', 'built'], 'same-folder'],
  [['--to', 'built/upload'], 'same-folder'],
  [['--to', 'built/site.zip'], 'same-folder'],
  [['--to', '.', '--despite-errors'], 'same-folder'],
  [['--delete'], 'wrong-value'],
  [['--sitemap'], 'no-host'],
])('%j stops it', (args, rule) => {
  const folder = built();
  const before = filesOf(folder);
  const { status, findings } = packed(folder, ...args);
  expect([status, findings.map(one => one.rule)]).toEqual([2, [rule]]);
  expect(filesOf(folder)).toEqual(before);
});

it('lists for search engines what menus lead to, with the days that pages name', () => {
  const dated = page('An owl').replace(
    '<title>',
    '<meta name="dcterms.modified" content="2026-03-01"><title>',
  );
  const hidden = page('Plans').replace('<title>', '<meta name="robots" content="noindex"><title>');
  const folder = built({
    'kamino.yaml': plan('links: { index: hidden, host: "https://brackenfold.example" }\n'),
    'index.html': page('Observatory', '<p><a href="left%20over.html">Old</a> <a href="plans.html">Plans</a>'),
    'journal/owl.html': dated,
    'left over.html': page('Left over'),
    'plans.html': hidden,
  });
  const told = packed(folder, '--to', 'upload', '--sitemap');
  expect([told.status, rulesOf(told)]).toEqual([0, ['not-listed']]);
  const at = (path: string): string => readFileSync(join(folder, 'upload', path), 'utf8');
  expect(at('robots.txt')).toContain('Sitemap: https://brackenfold.example/sitemap.xml');
  expect([...at('sitemap.xml').matchAll(/<url>(.*)<\/url>/g)].map(([, row]) => row)).toEqual([
    '<loc>https://brackenfold.example/</loc>',
    '<loc>https://brackenfold.example/journal/owl.html</loc><lastmod>2026-03-01</lastmod>',
    '<loc>https://brackenfold.example/visit.html</loc>',
  ]);
});

it('leaves the site’s own files for search engines, and says what to add below another folder', () => {
  const links = 'links: { from: root, base: /obs/, host: "https://brackenfold.example" }\n';
  const folder = built({ 'kamino.yaml': plan(links), 'sitemap.xml': '<urlset/>' });
  const told = packed(folder, '--to', 'upload', '--sitemap');
  expect(rulesOf(told)).toEqual(['own-list', 'own-list']);
  expect(JSON.stringify(told.findings)).toContain('Sitemap: https://brackenfold.example/obs/sitemap.xml');
  expect(filesOf(join(folder, 'upload'))).toEqual(filesOf(join(folder, 'built')));
});

it('packs pages that were built in place, and a folder without a plan', () => {
  const folder = folderWith({
    ...site,
    'kamino.yaml': plan('').replace('output: built', 'output: in-place'),
  });
  kamino(folder, 'build');
  const { created } = packed(folder);
  expect(created).toEqual([
    'img/dome.svg',
    'index.html',
    'journal/owl.html',
    'kamino/menu.css',
    'kamino/menu.js',
    'visit.html',
  ]);
  expect(packed(folder).same).toEqual(created);
  expect(kamino(folder, 'build').out).toContain('Nothing to do');
  const bare = folderWith({ 'pages/index.html': page('Observatory') });
  expect(packed(join(bare, 'pages'), '--to', '../out.zip').created).toEqual(['index.html']);
  expect(filesOf(bare)).toEqual(['out.sums', 'out.zip', 'pages/index.html']);
});
