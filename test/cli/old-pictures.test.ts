import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { moved, scripted, swapped } from '../helpers/old-pictures.ts';
import { contents, folderWith, kamino, put } from '../helpers/site.ts';

/** The command that an inventory prints to go on with, as its words. */
function nextStep(out: string): string[] {
  const [, line] = /Go on with {2}kamino (.*?)(?: {3}|\n|$)/.exec(out)!;
  return [...line!.matchAll(/"([^"]*)"|(\S+)/g)].map(one => one[1] ?? one[2]!);
}

describe('an old menu of pictures', () => {
  const sites = [
    [
      'swapped in their tags',
      swapped,
      'files: img/{entry}_{state}.gif\n    words: { hover: over, current: on }',
    ],
    [
      'swapped by a script',
      scripted,
      'files: pics/{entry}_{state}.gif\n    words: { hover: over, current: on }',
    ],
    [
      'moved by a style sheet',
      moved,
      'file: img/nav.png\n      states: [ base, hover, current ]\n      widths: [ 80, 90, 100, 110 ]\n      heights: 28',
    ],
  ] as const;

  it.each(sites)('%s keeps them, with their states', async (_, files, lines) => {
    const folder = folderWith(await files());
    const before = contents(folder);
    const seen = kamino(folder, 'inventory');
    expect([seen.status, seen.err]).toEqual([0, '']);
    const drafted = kamino(folder, ...nextStep(seen.out));
    expect(drafted.status).toBe(0);
    const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
    expect(plan).toContain(lines);
    expect(plan).toContain('when: crowded');
    const built = kamino(folder, 'build');
    expect([built.status, /(?:error|warning) /.test(built.err)]).toEqual([0, false]);
    const page = readFileSync(join(folder, 'boats.html'), 'utf8');
    expect(page.match(/<img class="kamino-picture"[^>]* alt="[^"]+" hidden>/g)).toHaveLength(4);
    const checked = kamino(folder, 'check');
    expect([checked.status, /error|warning/.test(checked.err)]).toEqual([0, false]);
    kamino(folder, 'lift');
    const after = contents(folder);
    expect(Object.fromEntries(Object.keys(before).map(file => [file, after[file]]))).toEqual(before);
  });

  it('whose files follow no pattern has them one by one', async () => {
    const text = Object.entries(await swapped());
    const renamed = Object.fromEntries(
      text.map(([path, content]) => [
        path.replace('img/boats.gif', 'img/fleet.gif'),
        typeof content === 'string' ? content.replaceAll('img/boats.gif', 'img/fleet.gif') : content,
      ]),
    );
    const folder = folderWith(renamed);
    kamino(folder, ...nextStep(kamino(folder, 'inventory').out));
    const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
    expect(plan).toContain(
      'boats: { base: img/fleet.gif, hover: img/boats_over.gif, current: img/boats_on.gif }',
    );
    expect(kamino(folder, 'build').status).toBe(0);
  });

  const mistakes = [
    ['missing words', 'times.html', ' alt="Times"', '', 'wordless-entry', 'Give it some:  alt="Times"'],
    [
      'a picture that is not there',
      'boats.html',
      "'img/times_over.gif'",
      "'img/tims_over.gif'",
      'missing-file',
      'Did you mean `img/times_over.gif`?',
    ],
    [
      'a stretched one',
      'boats.html',
      'width="100"',
      'width="140"',
      'stretched-picture',
      'width="100" height="28"',
    ],
    ['the mark on another page', 'times.html', 'img/times_on.gif', 'img/times.gif', null, ''],
  ] as const;
  it.each(mistakes)('tells %s', async (...[, file, was, is, rule, remedy]) => {
    const files = await swapped();
    const folder = folderWith(files);
    const text = (files[file] as string).replace(was, is);
    put(folder, { [file]: rule === null ? text.replace('img/boats.gif" w', 'img/boats_on.gif" w') : text });
    const { err } = kamino(folder, 'inventory');
    expect([...err.matchAll(/: (?:error|warning|note) ([\w-]+):/g)].map(one => one[1])).toEqual([
      rule ?? 'wrong-current',
    ]);
    expect(err).toContain(file);
    expect(err).toContain(remedy);
  });
});
