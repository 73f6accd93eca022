import { describe, expect, it } from '@jest/globals';
import { folderWith, kamino, toldPlaces } from '../helpers/site.ts';
import { type OldSite, oldSites, plant } from '../helpers/old-sites.ts';

interface Json {
  findings: Parameters<typeof toldPlaces>[0];
}

const bytes = (files: Record<string, string>): Record<string, Uint8Array> =>
  Object.fromEntries(Object.entries(files).map(([path, text]) => [path, Buffer.from(text, 'latin1')]));

/** The site with all its mistakes, and what is to be told: `file:line rule`. */
function planted({ files, mistakes }: OldSite): { files: Record<string, string>; told: string[] } {
  const made = { ...files };
  for (const mistake of mistakes) made[mistake.file] = plant(made[mistake.file]!, mistake);
  const told = mistakes.map(({ file, tells = file, is, told: line = is.split('\n').at(-1)!, rule }) => {
    if (line === null) return `${tells}:- ${rule}`;
    const at = made[file]!.indexOf(line);
    if (at < 0) throw new Error(`${file}: ${line} is not there`);
    return `${tells}:${made[file]!.slice(0, at).split('\n').length} ${rule}`;
  });
  return { files: made, told };
}

/** What is told of a site but that phones lay its pages out as wide as a desk, as they do with all old ones. */
function found(folder: string): string[] {
  const { findings } = JSON.parse(kamino(folder, 'inventory', '--json').out) as Json;
  const others = findings.filter(({ rule }) => rule !== 'no-viewport');
  expect(findings.length - others.length).toBe(1);
  return toldPlaces(others);
}

describe.each(oldSites.map(site => [site.name, site] as const))('%s', (_, site) => {
  it('is right as it was made', () => {
    expect(found(folderWith(bytes(site.files)))).toEqual([]);
  });

  it('has every planted mistake named with its place, and no other', () => {
    const { files, told } = planted(site);
    expect(site.mistakes.length).toBeGreaterThanOrEqual(14);
    expect(found(folderWith(bytes(files))).sort()).toEqual(told.sort());
  });
});
