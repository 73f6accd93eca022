import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { type GrownSite, grownSite } from '../helpers/grown-sites.ts';
import { type Followed, follow, followInPlan } from '../helpers/remedies.ts';
import { contents, folderWith, kamino, plainly, toldPlaces } from '../helpers/site.ts';

plainly['KAMINO_BROWSER'] = 'none';

interface Json {
  findings: (Parameters<typeof toldPlaces>[0][number] & Followed)[];
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

const inMenus = ['menu-differs', 'menu-missing'];

/** What a person does who follows all remedies: the site, and what only one plan for all pages mends. */
function followed(files: Record<string, string>, findings: Json['findings']): Record<string, string> {
  const made = { ...files };
  // From the end of each page to its start, so that no place moves before it is reached.
  const inPlace = findings.toSorted(
    (a, b) =>
      (b.place.position?.line ?? 0) - (a.place.position?.line ?? 0) ||
      (b.place.position?.column ?? 0) - (a.place.position?.column ?? 0),
  );
  for (const one of inPlace) follow(made, one);
  return made;
}

/** The words of a page, and its forms and pictures. */
function heldBy(page: string): string {
  return page.replace(/\s+/g, ' ');
}

const rest = ({ rule, place, message, remedy }: Json['findings'][number]): string =>
  `${place?.file ?? ''}:${place?.position?.line ?? ''} ${rule} ${message} ${remedy}`;

/** What a command tells but notes. */
const grave = (folder: string, ...command: string[]): Json['findings'] =>
  (JSON.parse(kamino(folder, ...command, '--json').out) as Json).findings.filter(
    ({ severity }) => severity !== 'note',
  );

/** A plan by the line that an inventory suggests. */
function drafted(folder: string, { next }: Json): void {
  const options = [...next.command.matchAll(/--from (?:[\w-]+=)?("(?:[^"\\]|\\.)*")/g)].map(
    match => JSON.parse(match[1]!) as string,
  );
  expect(options.length).toBeGreaterThan(0);
  const { status, err } = kamino(folder, 'draft', ...options.flatMap(one => ['--from', one]));
  expect([status, err]).toEqual([0, expect.not.stringMatching(/: (?:error|warning) /)]);
}

describe.each(sites.map(site => [site.name, site] as const))('%s', (_, site) => {
  let known: Json | null = null;
  const first = (): Json => (known ??= inventory(folderWith(site.files)));

  it('is right as it was made', () => {
    expect(toldPlaces(first().findings)).toEqual([]);
  });

  it('has every planted mistake named at its place, and no other; with all remedies followed nothing is left', () => {
    const { files, told } = planted(site);
    const { findings } = inventory(folderWith(files));
    expect(toldPlaces(findings).sort()).toEqual(told.sort());
    const mended = folderWith(followed(files, findings));
    const left = inventory(mended);
    expect(left.findings.filter(({ rule }) => !inMenus.includes(rule)).map(rest)).toEqual([]);
    drafted(mended, left);
    const plan = join(mended, 'kamino.yaml');
    const asked = grave(mended, 'build', '--dry-run');
    writeFileSync(plan, asked.reduce(followInPlan, readFileSync(plan, 'utf8')));
    expect(grave(mended, 'build').map(rest)).toEqual([]);
    expect(grave(mended, 'check').map(rest)).toEqual([]);
  });

  it('gets a plan by the suggested line that replaces its menu, and nothing else', () => {
    const folder = folderWith(site.files);
    drafted(folder, first());
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
