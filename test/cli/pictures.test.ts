import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import sharp from 'sharp';
import { button, buttonFiles, buttonSvg, picturePage, picturePlan } from '../helpers/buttons.ts';
import { contents, filesOf, folderWith, kamino, put } from '../helpers/site.ts';

const names = ['tonight', 'visit', 'telescopes'];
const pages = Object.fromEntries(names.map(name => [`${name}.html`, picturePage(name)]));
const pattern = 'files: "buttons/{entry}-{state}.png"';

type Files = Record<string, string | Buffer>;
const site = (plan: string, files: Files): string => folderWith({ ...pages, ...files, 'kamino.yaml': plan });

/** The sprites of a finished site. */
const sprites = (folder: string): string[] =>
  filesOf(join(folder, 'built')).filter(file => /^kamino\/.*\.(png|webp|svg)$/.test(file));
const rules = (text: string): string[] =>
  [...text.matchAll(/: (error|warning|note) ([\w-]+): (.*)/g)].map(
    ([, severity, rule]) => `${severity} ${rule}`,
  );

describe('pictures of entries', () => {
  it('are packed into one, no larger than they are together, and named by its content', async () => {
    const files = await buttonFiles(names, { scales: [1, 2] });
    const folder = site(picturePlan(pattern), files);
    const first = kamino(folder, 'build');
    expect([first.status, rules(first.err)]).toEqual([0, []]);
    const made = sprites(folder);
    expect(made).toHaveLength(2);
    const bytes = made.map(file => readFileSync(join(folder, 'built', file)).length);
    expect(bytes[0]! + bytes[1]!).toBeLessThanOrEqual(
      Object.values(files).reduce((sum, one) => sum + one.length, 0),
    );
    expect(kamino(folder, 'build').out).toContain('Nothing to do');
    // Drawn anew, it has another name, and the old one is gone.
    put(folder, { 'buttons/visit-hover.png': await button(100, 40, ['#004400', '#ffffff']) });
    kamino(folder, 'build');
    expect(sprites(folder)).toHaveLength(2);
    expect(sprites(folder)).not.toEqual(made);
    expect(kamino(folder, 'build').out).toContain('Nothing to do');
    put(folder, { 'kamino.yaml': picturePlan(pattern).replace(/pictures:[^]*/, '') });
    kamino(folder, 'build');
    expect(sprites(folder)).toEqual([]);
  });

  it('go into the pages themselves and out again, byte for byte', async () => {
    const plan = picturePlan(pattern).replace('kamino: 1', 'kamino: 1\noutput: in-place');
    const folder = site(plan, await buttonFiles(names));
    const before = contents(folder);
    expect(kamino(folder, 'build').status).toBe(0);
    const once = contents(folder);
    expect(Object.keys(once).filter(file => file.startsWith('kamino/') && !/menu\./.test(file))).toHaveLength(
      1,
    );
    put(folder, { 'buttons/visit-hover.png': await button(100, 40, ['#004400', '#ffffff']) });
    kamino(folder, 'build');
    expect(Object.keys(contents(folder)).filter(file => file.startsWith('kamino/')).length).toBe(
      Object.keys(once).filter(file => file.startsWith('kamino/')).length,
    );
    put(folder, { 'buttons/visit-hover.png': Buffer.from(before['buttons/visit-hover.png']!, 'latin1') });
    kamino(folder, 'build');
    expect(contents(folder)).toEqual(once);
    expect(kamino(folder, 'build').out).toContain('Nothing to do');
    kamino(folder, 'lift');
    expect(contents(folder)).toEqual(before);
  });

  it('that somebody has made smaller in the pages’ own folder are told, and left', async () => {
    const plan = picturePlan(pattern).replace('kamino: 1', 'kamino: 1\noutput: in-place');
    const folder = site(plan, await buttonFiles(names));
    kamino(folder, 'build');
    const sprite = filesOf(folder).find(file => /^kamino\/masthead-/.test(file))!;
    const whole = readFileSync(join(folder, sprite));
    const smaller = await button(10, 10, ['#000000', '#ffffff']);
    put(folder, { [sprite]: smaller });
    const again = kamino(folder, 'build');
    expect(again.err).toContain(sprite);
    expect(readFileSync(join(folder, sprite))).toEqual(smaller);
    expect(kamino(folder, 'build', '--overwrite').status).toBe(0);
    expect(readFileSync(join(folder, sprite))).toEqual(whole);
  });

  it('are found as people name them', async () => {
    const files = await buttonFiles(['Tonight', 'VISIT US', 'tele scopes'], {
      name: (entry, state) =>
        `art/${entry}${{ base: '', hover: '_over', current: ' On', pressed: '-down' }[state]!}.png`,
    });
    const plan = picturePlan(
      'files: "art/{entry}_{state}.png"\nwords: { hover: over, current: [here, on], pressed: down }',
    ).replace(
      'visit.html, telescopes.html',
      '{ page: visit.html, label: Visit us }, { page: telescopes.html, label: Tele-scopes }',
    );
    const folder = site(plan, files);
    const listed = kamino(folder, 'pictures', '--list', '--json');
    const { menus } = JSON.parse(listed.out) as {
      menus: { entries: { label: string; pictures: Record<string, { file: string }> }[] }[];
    };
    expect(
      menus[0]!.entries.map(({ label, pictures }) => [
        label,
        ...Object.values(pictures).map(one => one.file),
      ]),
    ).toEqual(
      [
        ['tonight', 'Tonight'],
        ['Visit us', 'VISIT US'],
        ['Tele-scopes', 'tele scopes'],
      ].map(([label, file]) => [
        label,
        ...['', ' On', '_over', '-down'].map(word => `art/${file!}${word}.png`),
      ]),
    );
    const text = kamino(folder, 'pictures', '--list').out;
    expect(text).toMatch(/Visit us +VISIT US\.png/);
    expect(text).toMatch(/Packed into kamino\/masthead-\w+\.(webp|png): \d+ x \d+ px/);
  });

  it('are written one by one where their names follow no pattern', async () => {
    const folder = site(
      picturePlan('entries:\n  visit: { base: img/b7.png, hover: img/b8.png }\n  Telescopes: img/b9.png'),
      {
        'img/b7.png': await button(80, 30, ['#111111', '#eeeeee']),
        'img/b8.png': await button(80, 30, ['#441111', '#eeeeee']),
        'img/b9.png': await button(90, 30, ['#114411', '#eeeeee']),
      },
    );
    const built = kamino(folder, 'build');
    expect(built.status).toBe(0);
    const page = readFileSync(join(folder, 'built/visit.html'), 'utf8');
    expect(page.match(/<img /g)).toHaveLength(2);
    expect(page).toMatch(/>tonight<\/a>/);
  });

  it('are made as small as they are shown, and serve dense screens', async () => {
    const folder = site(
      picturePlan(`${pattern}\nheight: 40px`),
      await buttonFiles(names, { height: 160, states: ['base', 'hover', 'current', 'pressed'] }),
    );
    const built = kamino(folder, 'build');
    expect(rules(built.err)).toContain('warning picture-size');
    expect(built.err).toContain('Save it as 40 x 80 px');
    expect(sprites(folder).some(file => file.includes('@2x'))).toBe(true);
    expect(readFileSync(join(folder, 'built/visit.html'), 'utf8')).toContain('width="25" height="40"');
    const written = kamino(folder, 'pictures', '--resize', 'small').out;
    expect(written).toContain('Wrote small/');
    const { width, height } = await sharp(join(folder, 'small/visit-base@2x.png')).metadata();
    expect([width, height]).toEqual([50, 80]);
  });

  it('stay drawings where all of them are, and run nothing', async () => {
    const drawn = (ground: string): string =>
      `<?xml version="1.0"?><!-- drawn --><svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="90" height="30"><defs><style>.a{fill:${ground}}</style><linearGradient id="g"><stop stop-color="#fff"/></linearGradient></defs><rect class="a" width="90" height="30"/><circle cx="15" cy="15" r="6" fill="url(#g)"/></svg>`;
    const folder = site(picturePlan('files: "art/{entry}.svg"'), {
      'art/tonight.svg': drawn('#204060'),
      'art/visit.svg': drawn('#602040').replace('<rect', '<script>alert(1)</script><rect onclick="alert(2)"'),
      'art/telescopes.svg': drawn('#406020').replace(
        '<rect',
        '<image xlink:href="https://elsewhere.example/x.png"/><rect',
      ),
    });
    const built = kamino(folder, 'build');
    expect(built.status).toBe(0);
    expect(rules(built.err)).toContain('warning moving-picture');
    const [sprite] = sprites(folder);
    const text = readFileSync(join(folder, 'built', sprite!), 'utf8');
    expect(text).not.toMatch(/script|onclick|alert|elsewhere/);
    expect(new Set([...text.matchAll(/ id="([^"]*)"/g)].map(one => one[1])).size).toBe(
      text.match(/ id="/g)!.length,
    );
    // Each keeps its own colours.
    const { data, info } = await sharp(Buffer.from(text))
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const at = (x: number): number[] => [
      ...data.subarray((3 * info.width + x) * 3, (3 * info.width + x) * 3 + 3),
    ];
    expect([at(3), at(95), at(187)]).toEqual([
      [0x20, 0x40, 0x60],
      [0x60, 0x20, 0x40],
      [0x40, 0x60, 0x20],
    ]);
    expect(text.length).toBeLessThanOrEqual(3 * drawn('#204060').length + 100);
  });
});

describe('what is wrong with pictures', () => {
  const base = async (): Promise<Files> => buttonFiles(names);
  const cases: [string, string, (files: Files) => void | Promise<void>, string[], string][] = [
    [
      'a misspelt file',
      pattern,
      files => {
        files['buttons/vist-base.png'] = files['buttons/visit-base.png']!;
        Reflect.deleteProperty(files, 'buttons/visit-base.png');
        Reflect.deleteProperty(files, 'buttons/visit-hover.png');
        Reflect.deleteProperty(files, 'buttons/visit-current.png');
        Reflect.deleteProperty(files, 'buttons/visit-pressed.png');
      },
      ['warning no-picture'],
      'The nearest is `buttons/vist-base.png`',
    ],
    [
      'a state that is missing',
      pattern,
      files => {
        delete files['buttons/visit-current.png'];
      },
      ['note no-state-picture'],
      'visit has no picture of the state `current`',
    ],
    [
      'two files of one name',
      pattern,
      files => {
        files['buttons/Visit-base.png'] = files['buttons/visit-hover.png']!;
      },
      ['warning same-picture'],
      'are both the picture of `visit`',
    ],
    [
      'a copy that was never drawn over',
      pattern,
      files => {
        files['buttons/visit-base.png'] = files['buttons/tonight-base.png']!;
      },
      ['warning picture-size', 'warning same-picture'],
      'look alike',
    ],
    [
      'another size',
      pattern,
      async files => {
        files['buttons/visit-hover.png'] = await button(98, 40, ['#b23a48', '#ffffff']);
      },
      ['warning picture-size'],
      '`buttons/visit-hover.png` is 98 x 40 px, and `buttons/visit-base.png` 100 x 40 px',
    ],
    [
      'a file that is cut off',
      pattern,
      files => {
        files['buttons/visit-hover.png'] = Buffer.from(files['buttons/visit-hover.png']!).subarray(0, 90);
      },
      ['error bad-picture'],
      'it is damaged or cut off',
    ],
    [
      'text in place of a picture',
      pattern,
      files => {
        files['buttons/visit-hover.png'] = 'not a picture';
      },
      ['error bad-picture'],
      'of no kind of picture',
    ],
    [
      'a picture far too large',
      pattern,
      async files => {
        files['buttons/visit-hover.png'] = await sharp({
          create: { width: 20000, height: 2400, channels: 3, background: '#123' },
        })
          .png()
          .toBuffer();
      },
      ['error bad-picture'],
      'more than 40 million pixels',
    ],
    [
      'a file that the table names wrongly',
      'entries: { visit: { base: buttons/visit-bas.png } }',
      () => undefined,
      ['error missing-file'],
      'Did you mean `buttons/visit-base.png`?',
    ],
    [
      'an entry that the menu does not have',
      'entries: { vist: buttons/visit-base.png }',
      () => undefined,
      ['error unknown-entry'],
      'Did you mean `visit`?',
    ],
    [
      'a pattern without an entry',
      'files: "buttons/{state}.png"',
      () => undefined,
      ['error wrong-value'],
      'no entry is told from the others',
    ],
    [
      'nothing said of where they are',
      'height: 40px',
      () => undefined,
      ['error missing-key'],
      'it is not said where these pictures are',
    ],
    [
      'two sources',
      `${pattern}\nentries: { visit: a.png }`,
      () => undefined,
      ['error clashing-keys'],
      'only one of them can hold',
    ],
    [
      'words without a pattern',
      'entries: { visit: buttons/visit-base.png }\nwords: { hover: over }',
      () => undefined,
      ['warning no-effect'],
      'no pattern of names',
    ],
    [
      'a strip that is not sure',
      'strip: { file: buttons/visit-base.png, states: base }',
      () => undefined,
      ['error unsure-cells'],
      'widths: [33, 33, 33]',
    ],
    [
      'a strip without the buttons at rest',
      'strip: { file: buttons/visit-base.png, states: hover }',
      () => undefined,
      ['error missing-key'],
      'no row is `base`',
    ],
    [
      'a gap without measures',
      'strip: { file: buttons/visit-base.png, states: base, gap: 2 }',
      () => undefined,
      ['warning no-effect', 'error unsure-cells'],
      '`gap` lies between',
    ],
  ];
  it.each(cases)('tells %s', async (...[, pictures, change, wanted, words]) => {
    const files = await base();
    await change(files);
    const folder = site(picturePlan(pictures), files);
    const { err } = kamino(folder, 'build');
    expect(rules(err)).toEqual(expect.arrayContaining(wanted));
    expect(err).toContain(words);
  });

  it('tells nothing of states for which the plan says that the picture at rest is shown', async () => {
    const states = ['base', 'hover'] as const;
    const folder = site(picturePlan(pattern), await buttonFiles(names, { states: [...states] }));
    const { err } = kamino(folder, 'build');
    expect(rules(err)).toEqual(['note no-state-picture']);
    expect(err).toContain('no entry has a picture of the state `current`');
    put(folder, { 'kamino.yaml': picturePlan(`${pattern}\n${/words: .*/.exec(err)![0]}`) });
    expect([kamino(folder, 'build').err, kamino(folder, 'build').out]).toEqual([
      '',
      expect.stringContaining('Nothing to do'),
    ]);
    const file = (name: string): string =>
      `{ base: buttons/${name}-base.png, hover: buttons/${name}-hover.png, current: buttons/${name}-base.png }`;
    put(folder, {
      'kamino.yaml': picturePlan(`entries: { ${names.map(name => `${name}: ${file(name)}`).join(', ')} }`),
    });
    expect(kamino(folder, 'build').err).toBe('');
  });

  it('tells a picture that moves, and shows its first', async () => {
    const frames = await Promise.all(
      ['#aa0000', '#00aa00'].map(color => button(100, 40, [color, '#ffffff'])),
    );
    const moving = await sharp(frames, { join: { animated: true } })
      .gif({ delay: [100, 100] })
      .toBuffer();
    const folder = site(picturePlan('entries: { visit: img/moving.gif }'), { 'img/moving.gif': moving });
    const { err, status } = kamino(folder, 'build');
    expect([status, rules(err).includes('warning moving-picture')]).toEqual([0, true]);
    expect(readFileSync(join(folder, 'built/visit.html'), 'utf8')).toContain('width="100" height="40"');
  });

  it.each(['my buttons/{entry} {state}.png', 'Knöpfe/{entry}-{state}.png', '100%/{entry}-{state}.png'])(
    'takes names as in %s',
    async name => {
      const files = await buttonFiles(names, {
        name: (entry, state) => name.replace('{entry}', entry).replace('{state}', state),
      });
      const folder = site(picturePlan(`files: "${name}"`), files);
      const { err, status } = kamino(folder, 'build');
      expect([status, rules(err)]).toEqual([0, []]);
      expect(kamino(folder, 'check', 'built').status).toBe(0);
    },
  );

  it('refuses a menu that is not there, and one whose entries differ from page to page', async () => {
    const files = await base();
    const folder = site(
      picturePlan(pattern).replace('- menu: masthead\n    files', '- menu: mastead\n    files'),
      files,
    );
    expect(kamino(folder, 'build').err).toContain('Did you mean `masthead`?');
    const trail = `${picturePlan(pattern)}`.replace(
      'pictures:\n  - menu: masthead',
      '  - { menu: trail, form: breadcrumb, place: { first-in: main } }\npictures:\n  - menu: trail',
    );
    put(folder, { 'kamino.yaml': trail, 'index.html': picturePage('Home') });
    expect(rules(kamino(folder, 'build').err)).toContain('warning no-effect');
  });
});

describe('kamino pictures', () => {
  const look =
    'look: { background: "#14213a", color: "#f4efe3", accent: "#e9b44c", states: { hover: { background: "linear-gradient(to right, #243a66, #14213a)" } } }';

  it('draws the buttons of a menu, which come back as its pictures', async () => {
    const folder = folderWith({
      ...pages,
      'kamino.yaml': `${picturePlan('').replace(/pictures:[^]*/, '')}${look}\n`,
    });
    const drawn = kamino(folder, 'pictures', '--widths', 'equal');
    expect([drawn.status, drawn.err]).toEqual([0, '']);
    expect(drawn.out).toContain('files: "buttons/{entry}-{state}.png"');
    const made = filesOf(join(folder, 'buttons'));
    const states = ['base', 'current', 'hover', 'pressed'];
    expect(made).toEqual(
      names
        .flatMap(name =>
          states.flatMap(state => ['.png', '.svg', '@2x.png'].map(end => `${name}-${state}${end}`)),
        )
        .sort(),
    );
    const sizes = await Promise.all(
      made
        .filter(one => !one.includes('@') && one.endsWith('png'))
        .map(async one => {
          const { width, height } = await sharp(join(folder, 'buttons', one)).metadata();
          return `${width} x ${height}`;
        }),
    );
    expect(new Set(sizes).size).toBe(1);
    expect(kamino(folder, 'pictures', '--widths', 'equal').out).toContain('Nothing to do');
    put(folder, { 'kamino.yaml': `${picturePlan(pattern)}${look}\n` });
    const built = kamino(folder, 'build');
    expect([built.status, rules(built.err)]).toEqual([0, []]);
  });

  it('draws over nothing unasked', () => {
    const folder = folderWith({
      ...pages,
      'kamino.yaml': `${picturePlan('').replace(/pictures:[^]*/, '')}${look}\n`,
    });
    kamino(folder, 'pictures');
    put(folder, { 'buttons/visit-base.svg': buttonSvg(90, 40, ['#123456', '#ffffff']) });
    const before = contents(folder);
    const again = kamino(folder, 'pictures');
    expect([again.status, rules(again.err)]).toEqual([1, ['error drawn-over']]);
    expect(contents(folder)).toEqual(before);
    expect(kamino(folder, 'pictures', '--overwrite').status).toBe(0);
    expect(contents(folder)['buttons/visit-base.svg']).not.toBe(before['buttons/visit-base.svg']);
  });

  it('draws nothing outside of the site', () => {
    const folder = folderWith({
      'site/index.html': picturePage('Home'),
      'kamino.yaml': 'kamino: 1\nsite: site\nmenus: [{ menu: m, entries: [index.html] }]\n',
    });
    expect(rules(kamino(folder, 'pictures', '--into', '../out').err)).toEqual(['error outside-site']);
    expect(filesOf(folder)).toEqual(['kamino.yaml', 'site/index.html']);
  });

  it('shows the cells of a strip, and where each picture lies in what they are packed into', async () => {
    const row = await Promise.all(
      [80, 60, 90].map((width, at) => button(width, 30, [['#3d5a80', '#293241', '#b23a48'][at]!, '#ffffff'])),
    );
    const strip = await sharp({ create: { width: 250, height: 30, channels: 4, background: '#0000' } })
      .composite(row.map((input, at) => ({ input, left: [0, 90, 160][at]!, top: 0 })))
      .png()
      .toBuffer();
    const folder = site(picturePlan('strip: { file: img/strip.png, states: base, from: right }'), {
      'img/strip.png': strip,
    });
    const told = kamino(folder, 'pictures', '--cells', 'cells.svg', '--sprite', 'out');
    expect(told.out).toContain('Wrote cells.svg');
    expect(told.out).toMatch(/visit +base +82 +0 +60 +30/);
    const sheet = readFileSync(join(folder, 'cells.svg'), 'utf8');
    expect([...sheet.matchAll(/>(\w+)<\/text>/g)].map(one => one[1])).toEqual([
      'telescopes',
      'base',
      'visit',
      'tonight',
      '80',
      '60',
      '90',
    ]);
    const table = JSON.parse(readFileSync(join(folder, 'out/masthead.json'), 'utf8')) as {
      pictures: { entry: string; width: number }[];
    };
    expect(table.pictures.map(one => [one.entry, one.width])).toEqual([
      ['telescopes', 80],
      ['visit', 60],
      ['tonight', 90],
    ]);
    expect(readFileSync(join(folder, 'out/masthead.css'), 'utf8')).toContain('.masthead-visit {');
    expect(filesOf(join(folder, 'out'))).toHaveLength(3);
    // What was written lies in the site's folder, and is yours: it is copied with it.
    rmSync(join(folder, 'out'), { recursive: true });
  });

  it('says what to do where a plan has no pictures', () => {
    const folder = folderWith({ ...pages, 'kamino.yaml': picturePlan('').replace(/pictures:[^]*/, '') });
    const { status, err } = kamino(folder, 'pictures', '--list');
    expect([status, err.includes('Draw them first:  kamino pictures')]).toEqual([2, true]);
  });
});
