// Pages that were moved or renamed, and what takes the place of what.
import { mkdirSync, readFileSync, renameSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import { contents, folderWith, kamino, page, plan, put, toldFiles } from '../helpers/site.ts';

const own = `<p><a HREF='visit.html?day=1#tea'>Visit us</a> or <a href="visit.html">come by</a></p>`;
const site = (text: string): string =>
  folderWith({
    'kamino.yaml': text,
    'index.html': page('Home', own),
    'visit.html': page('Visit', '<h2 id="tea">Tea</h2><p>From four.</p>'),
    'about.html': page('About'),
  });
const entries =
  '      - index.html\n      - { page: visit.html, label: Come } # ours\n      - section: visit.html#tea\n';
const planFor = (output: string): string =>
  `kamino: 1\noutput: ${output}\nmenus:\n  - menu: masthead\n    carried-by: "*.html"\n    entries:\n${entries}`;

/** Renames a page and changes it, and gives the line of the remedy. */
function remedyAfter(folder: string, to: string, edit: (text: string) => string): string {
  const text = edit(readFileSync(join(folder, 'visit.html'), 'utf8'));
  mkdirSync(dirname(join(folder, to)), { recursive: true });
  renameSync(join(folder, 'visit.html'), join(folder, to));
  put(folder, { [to]: text });
  const { status, err } = kamino(folder, 'build');
  expect(status).toBe(2);
  return /Let the plan follow: {2}kamino (.*)/.exec(err)?.[1] ?? err;
}

describe('a page that was moved', () => {
  test.each([
    ['in a folder, as it was', 'built', (text: string) => text],
    ['in a folder, with other words', 'built', (text: string) => text.replace('four', 'five')],
    [
      'in place, by what Kamino put into it',
      'in-place',
      (text: string) => text.replace('<title>Visit', '<title>Come'),
    ],
  ])('is known %s, and the plan follows', (_, output, edit) => {
    const folder = site(planFor(output));
    expect(kamino(folder, 'build').status).toBe(0);
    const remedy = remedyAfter(folder, 'plan/visiting.html', edit);
    expect(remedy).toBe('entry retarget visit.html plan/visiting.html');
    const shown = kamino(folder, ...remedy.split(' '), '--dry-run');
    expect(shown.out).toContain('2 links in the pages lead there too');
    expect(shown.out).toContain('visit.html?day=1#tea  →  plan/visiting.html?day=1#tea');
    expect(readFileSync(join(folder, 'kamino.yaml'), 'utf8')).toBe(planFor(output));
    const before = readFileSync(join(folder, 'index.html'), 'utf8');
    expect(kamino(folder, ...remedy.split(' '), '--links').status).toBe(0);
    expect(readFileSync(join(folder, 'kamino.yaml'), 'utf8')).toBe(
      planFor(output).replaceAll('visit.html', 'plan/visiting.html'),
    );
    expect(readFileSync(join(folder, 'index.html'), 'utf8')).toBe(
      before
        .replace(`HREF='visit.html?`, `HREF='plan/visiting.html?`)
        .replace('<a href="visit.html">come', '<a href="plan/visiting.html">come'),
    );
    expect(kamino(folder, 'build').status).toBe(0);
    expect(kamino(folder, 'check').err).not.toContain('dead-link');
  });

  it('is told by a check too, and its links follow where the plan has none', () => {
    const folder = site(planFor('built').replace(entries, '      - index.html\n      - about.html\n'));
    kamino(folder, 'build');
    renameSync(join(folder, 'visit.html'), join(folder, 'come.html'));
    kamino(folder, 'build');
    const { err } = kamino(folder, 'check');
    expect(err).toContain('`visit.html` is `come.html` now');
    const remedy = /kamino (entry retarget .*)/.exec(err)![1]!;
    expect(kamino(folder, ...remedy.split(' ')).status).toBe(0);
    kamino(folder, 'build');
    expect(kamino(folder, 'check').err).not.toContain('dead-link');
  });

  test.each([
    [['visit.html', 'nowhere.html'], 'the site has no `nowhere.html`'],
    [['other.html', 'about.html'], 'nothing in the plan leads to `other.html`'],
  ])('is followed nowhere by %s', (args, message) => {
    const folder = site(planFor('built'));
    const before = contents(folder);
    const { status, err } = kamino(folder, 'entry', 'retarget', ...args);
    expect([status, err]).toEqual([2, expect.stringContaining(message)]);
    expect(contents(folder)).toEqual(before);
  });
});

describe('a place', () => {
  const old = (inside: string): string => `<div class="nav">${inside}</div>`;
  const links = '<ul><li><a href="index.html">Home</a><li>About</ul>';
  const pages = {
    'index.html': page('Home', old(links)),
    'about.html': page('About', `<div id="top">x</div>`),
    'bare.html': page('Bare'),
  };
  const menusIn = (folder: string): string[] =>
    Object.entries(contents(join(folder, 'built')))
      .filter(([path, text]) => path.endsWith('.html') && text.includes('<nav class="kamino'))
      .map(([path]) => path)
      .sort();

  it('may be one of several kinds, tried in order; menus are counted on pages that carry them', () => {
    const some = '    place: [ { instead-of: .nav }, { after: "#top" } ]\n';
    const folder = folderWith({ ...pages, 'kamino.yaml': plan(some) });
    const { status, out, err } = kamino(folder, 'build');
    expect([status, toldFiles(err, 'no-place')]).toEqual([0, ['bare.html']]);
    expect(out).toMatch(/masthead \(2 pages\)/);
    expect(menusIn(folder)).toEqual(['about.html', 'index.html']);
    // As its remedy says.
    const more = /place: (\[.*\])/.exec(err)![1]!;
    put(folder, { 'kamino.yaml': plan(`    place: ${more}\n`) });
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    expect(menusIn(folder)).toEqual(['about.html', 'bare.html', 'index.html']);
  });

  test.each([
    ['a form', `${links}<form action="x"><input name="q"></form>`, 'a form'],
    ['a field of its own', `${links}<input name="q">`, 'a form'],
    ['a picture', `<img src="a.png" alt="Flag">${links}`, 'a picture (a.png)'],
    ['a script', `${links}<script>x()</script>`, 'a script or styles'],
    ['words', `${links}<p>Open from nine.</p>`, 'the words “Open from nine.”'],
    [
      'all of them',
      `<h3>Here</h3>${links}<form></form><img src="b.png">`,
      'a form, a picture (b.png) and the words “Here”',
    ],
  ])('is not emptied of %s without a word', (_, inside, told) => {
    const folder = folderWith({
      ...pages,
      'index.html': page('Home', old(inside)),
      'a.png': 'x',
      'kamino.yaml': plan('    place: { instead-of: .nav }\n'),
    });
    const { status, err } = kamino(folder, 'build');
    expect([status, err]).toEqual([
      1,
      expect.stringContaining(`holds more than links, and would go with them: ${told}`),
    ]);
    expect(contents(folder)['built/index.html']).toContain(inside);
    put(folder, { 'kamino.yaml': plan('    place: { instead-of: .nav, drop: true }\n') });
    expect(kamino(folder, 'build').err).not.toContain('holds-more');
    expect(contents(folder)['built/index.html']).not.toContain(inside);
    put(folder, { 'kamino.yaml': plan('    place: { instead-of: .nav ul }\n') });
    kamino(folder, 'build');
    expect(contents(folder)['built/index.html']).toContain(inside.replace(links, '').slice(0, 12));
  });

  test.each([
    [
      'spacers, bullets, ornaments and what opens an old menu',
      '<img src="dot.gif" width="1" height="9"><img src="b.gif">',
      '<img src="b.gif"><img src="x.png" alt=""><button>Menu</button><input type="checkbox">',
    ],
    ['the words that the menu shows', 'About | ', ' | HOME »'],
  ])('may be emptied of %s', (_, before, behind) => {
    const folder = folderWith({
      ...pages,
      'index.html': page('Home', old(before + links + behind)),
      'kamino.yaml': plan('    place: { instead-of: .nav }\n    except: [about.html, bare.html]\n'),
    });
    expect(kamino(folder, 'build').err).not.toContain('holds-more');
    expect(contents(folder)['built/index.html']).not.toContain('class="nav"');
  });

  test.each([
    ['{ drop: true, before: .nav }', /`instead-of`|instead-of/],
    ['{ instead-of: .nav, before: p }', /only one of them can hold/],
    ['[ { instead-of: .nav, drop: perhaps } ]', /drop.*takes true or false/],
    ['[ { insteadof: .nav } ]', /Did you mean `instead-of`/],
  ])('that is %s is refused', (place, message) => {
    const folder = folderWith({ ...pages, 'kamino.yaml': plan(`    place: ${place}\n`) });
    expect(kamino(folder, 'build')).toMatchObject({ status: 2, err: expect.stringMatching(message) });
  });
});
