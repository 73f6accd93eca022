import { describe, expect, it } from '@jest/globals';
import { type GrownSite, grownSite } from '../helpers/grown-sites.ts';
import { contents, folderWith, kamino, toldPlaces } from '../helpers/site.ts';

process.env['KAMINO_BROWSER'] = 'none';

interface Json {
  findings: Parameters<typeof toldPlaces>[0];
  next: { command: string };
}

const sites = Array.from({ length: 12 }, (_, at) => grownSite(at));
const inventory = (folder: string): Json => JSON.parse(kamino(folder, 'inventory', '--json').out) as Json;

/** The site with all its mistakes, and what is to be told: `file:line rule`. */
function planted({ files, mistakes }: GrownSite): { files: Record<string, string>; told: string[] } {
  const made = { ...files };
  for (const { file, edit } of mistakes) made[file] = edit(made[file]!);
  const told = mistakes.map(({ file, rule, told: line, kind }) => {
    if (rule === 'orphan') return 'tide.html:- orphan';
    if (rule === 'same-title') return 'contact.html:- same-title';
    if (line === null) return `${file}:- ${rule}`;
    const at = made[file]!.indexOf(line);
    if (at < 0) throw new Error(`${kind}: ${file}: ${line} is not there`);
    return `${file}:${made[file]!.slice(0, at).split('\n').length} ${rule}`;
  });
  return { files: made, told };
}

/** The words of a page, and its forms and pictures. */
function heldBy(page: string): string {
  return page.replace(/\s+/g, ' ');
}

describe.each(sites.map(site => [site.name, site] as const))('%s', (_, site) => {
  it('is right as it was made', () => {
    expect(toldPlaces(inventory(folderWith(site.files)).findings)).toEqual([]);
  });

  it('has every planted mistake named with its place, and no other', () => {
    const { files, told } = planted(site);
    expect(toldPlaces(inventory(folderWith(files)).findings).sort()).toEqual(told.sort());
  });

  it('gets a plan by the suggested line that replaces its menu, and nothing else', () => {
    const folder = folderWith(site.files);
    const { command } = inventory(folder).next;
    const options = [...command.matchAll(/--from (?:[\w-]+=)?("(?:[^"\\]|\\.)*")/g)].map(
      match => JSON.parse(match[1]!) as string,
    );
    expect(options.length).toBeGreaterThan(0);
    const drafted = kamino(folder, 'draft', ...options.flatMap(one => ['--from', one]));
    expect([drafted.status, drafted.err]).toEqual([0, expect.not.stringMatching(/: (?:error|warning) /)]);
    const built = kamino(folder, 'build');
    expect([built.status, built.err]).toEqual([0, expect.not.stringContaining(': error ')]);
    const after = contents(folder);
    const root = after['built/index.html'] === undefined ? '' : 'built/';
    for (const path of Object.keys(site.files).filter(one => one.endsWith('.html'))) {
      const page = heldBy(after[root + path]!);
      expect([path, site.kept.filter(one => !page.includes(one))]).toEqual([path, []]);
      expect([path, page.match(/<nav class="kamino /g)?.length ?? 0]).toEqual([path, 1]);
      if (path.startsWith(site.second.pages) && !page.includes('class="nav"'))
        expect([path, site.second.labels.filter(one => !page.includes(one))]).toEqual([path, []]);
    }
  });
});
