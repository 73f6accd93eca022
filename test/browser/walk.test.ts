import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { appendFileSync, cpSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, expect, it, test } from '@jest/globals';
import type { WalkResult } from '../../src/jobs/walk.ts';
import { eventually, together } from '../helpers/browser.ts';
import { folderWith, kamino, kaminoBeside } from '../helpers/site.ts';
import { styledPage, styledPlan } from '../helpers/styled.ts';

const plan = styledPlan(
  '{ when: below 48em }',
  `    entries:
      - index.html
      - page: visit.html
        entries: [{ section: "visit.html#hours" }, { section: "visit.html#way" }]
      - book.html
`,
);
let clean = '';
beforeAll(() => {
  const folder = folderWith({
    'kamino.yaml': plan,
    'site.css': 'body { margin: 0; font: 16px sans-serif }',
    'index.html': styledPage('Observatory', '<p><a href="book.html">Book</a></p>'),
    'visit.html': styledPage(
      'Visit',
      `<h2 id="hours">Hours</h2>${'<p>Open.</p>'.repeat(40)}<h2 id="way">The way</h2>`,
    ),
    // What moves the page aside when it opens need not close by Escape.
    'book.html': styledPage(
      'Book',
      '<nav aria-label="Hours"><details><summary>More</summary><ul><li><a href="visit.html#hours">Hours</a></li></ul></details></nav><p>Write to us.</p>',
    ),
  });
  expect(kamino(folder, 'build').status).toBe(0);
  clean = join(folder, 'built');
});

async function walked(folder: string, ...args: string[]): Promise<WalkResult> {
  const { out, err } = await kaminoBeside(folder, 'walk', '.', '--json', ...args);
  try {
    return JSON.parse(out) as WalkResult;
  } catch {
    throw new Error(out + err);
  }
}

/** A copy of the finished site with one mistake in it. */
function broken(plant: (site: Site) => void): string {
  const folder = folderWith({});
  cpSync(clean, folder, { recursive: true });
  plant({
    css: text => {
      appendFileSync(join(folder, 'site.css'), text);
    },
    js: text => {
      for (const name of ['index.html', 'visit.html', 'book.html'])
        edit(folder, name, '</body>', `<script>${text}</script></body>`);
    },
    put: text => {
      edit(folder, 'index.html', '</header>', `${text}</header>`);
    },
    edit: (from, to) => {
      edit(folder, 'index.html', from, to);
    },
  });
  return folder;
}

interface Site {
  css: (text: string) => void;
  js: (text: string) => void;
  put: (text: string) => void;
  edit: (from: string | RegExp, to: string) => void;
}

function edit(folder: string, name: string, from: string | RegExp, to: string): void {
  const before = readFileSync(join(folder, name), 'utf8');
  const after = before.replace(from, to);
  expect(after).not.toBe(before);
  writeFileSync(join(folder, name), after);
}

it('proves that every visitor reaches every entry, page and section of a site', async () => {
  const { status, findings, said, summary, matrix } = await walked(clean);
  expect([status, findings, said]).toEqual([0, [], 'All 13 visitors reach all 3 pages and all 5 sections']);
  expect(summary.map(one => [one.visitor, one.presses])).toEqual([
    ['mouse', 1],
    ['keyboard', 1],
    ['touch', 2],
    ['narrow-keyboard', 2],
    ['zoomed', 2],
    ['large-text', 1],
    ['calm', 1],
    ['forced-colors', 1],
    ['right-to-left', 1],
    ['no-script', 2],
    ['lost-script', 2],
    ['lost-style', 1],
    ['paper', null],
  ]);
  const [visit] = matrix!.rows.filter(one => one.target.page === 'visit.html' && one.target.id === null);
  expect(visit!.actions).toEqual([1, 1, 2, 2, 2, 1, 1, 1, 1, 2, 2, 1, 0]);
});

const more =
  '<nav aria-label="More"><ul><li class="more"><span>More</span><ul class="below"><li><a href="book.html">Book a night</a></li></ul></li></ul></nav>';
const plants: [rule: string, visitor: string, what: string, plant: (site: Site) => void][] = [
  [
    'no-ring',
    'keyboard',
    'the ring of the focus is taken out',
    ({ css }) => {
      css('* { outline: none !important }');
    },
  ],
  [
    'unreached',
    'keyboard',
    'a submenu opens under the pointer alone',
    ({ css, put }) => {
      put(more);
      css('.below { display: none } .more:hover .below { display: block }');
    },
  ],
  [
    'hidden-focus',
    'keyboard',
    'a closed menu is moved out of the window',
    ({ put }) => {
      put(
        '<nav aria-label="Old" style="position: absolute; left: -999px"><a href="book.html">Book</a></nav>',
      );
    },
  ],
  [
    'focus-order',
    'keyboard',
    'an entry has a tabindex',
    ({ edit: by }) => {
      by('class="kamino-link" href="book.html"', 'tabindex="3" class="kamino-link" href="book.html"');
    },
  ],
  [
    'focus-trap',
    'keyboard',
    'a script holds Tab',
    ({ js }) => {
      js(
        'addEventListener("keydown", e => { if (e.key === "Tab" && document.activeElement.closest("main")) e.preventDefault() })',
      );
    },
  ],
  [
    'unspoken',
    'keyboard',
    'an entry is called otherwise than it is read',
    ({ edit: by }) => {
      by('class="kamino-link" href="book.html"', 'aria-label="Order" class="kamino-link" href="book.html"');
    },
  ],
  [
    'wrong-arrival',
    'mouse',
    'a script holds clicks',
    ({ js }) => {
      js('addEventListener("click", e => { if (e.target.closest("nav a")) e.preventDefault() }, true)');
    },
  ],
  [
    'cannot-close',
    'mouse',
    'a submenu opens again',
    ({ js }) => {
      js('document.addEventListener("toggle", e => { e.target.open = true }, true)');
    },
  ],
  [
    'lost-back',
    'mouse',
    'a script writes the address anew',
    ({ js }) => {
      js(
        'addEventListener("click", e => { const a = e.target.closest("nav a"); if (a) { e.preventDefault(); location.replace(a.href) } })',
      );
    },
  ],
  [
    'false-current',
    'mouse',
    'another entry is marked',
    ({ edit: by }) => {
      by('class="kamino-link" href="book.html"', 'aria-current="page" class="kamino-link" href="book.html"');
    },
  ],
  [
    'weak-contrast',
    'mouse',
    'labels are pale, far down the page',
    ({ css }) => {
      css(
        'header { margin-top: 1500px } nav .kamino-link { color: #999 !important; background: #fff !important }',
      );
    },
  ],
  [
    'shifting',
    'mouse',
    'something is put above the page',
    ({ js }) => {
      // What comes before a page is shown at all moves nothing, however long that takes.
      js(
        'new PerformanceObserver((shown, seen) => { seen.disconnect(); setTimeout(() => document.body.prepend(Object.assign(document.createElement("p"), { style: "height: 200px" })), 50) }).observe({ type: "paint", buffered: true })',
      );
    },
  ],
  [
    'unasked-window',
    'mouse',
    'the page asks something',
    ({ js }) => {
      js('alert("Welcome")');
    },
  ],
  [
    'no-answer',
    'calm',
    'the page hangs',
    ({ js }) => {
      js('addEventListener("load", () => setTimeout(() => { for (;;); }, 30))');
    },
  ],
  [
    'unwished-motion',
    'calm',
    'a submenu moves',
    ({ css }) => {
      css('.kamino-submenu { animation: come 900ms !important } @keyframes come { from { opacity: 0 } }');
    },
  ],
  [
    'sideways',
    'zoomed',
    'something is too wide',
    ({ css }) => {
      css('main { width: 700px }');
    },
  ],
  [
    'crowded-text',
    'zoomed',
    'labels have a height',
    ({ css }) => {
      css('nav .kamino-link { height: 1em !important; overflow: hidden !important }');
    },
  ],
  [
    'lost-by-resize',
    'touch',
    'a script hides the menu',
    ({ js }) => {
      js(
        'addEventListener("resize", () => { if (innerWidth > 700) document.querySelector("nav").style.display = "none" })',
      );
    },
  ],
  [
    'locked',
    'touch',
    'a script keeps the page from scrolling',
    ({ js, css }) => {
      css('main { min-height: 2000px }');
      js(
        'document.addEventListener("toggle", () => { document.documentElement.style.overflow = "hidden" }, true)',
      );
    },
  ],
];

const found = together(plants, async ([rule, visitor, , plant]) => {
  const { status, findings } = await walked(broken(plant), '--page', 'index.html', '--visitor', visitor);
  expect(findings.map(one => one.rule)).toContain(rule);
  expect(status).toBe(findings.some(one => one.severity === 'error') ? 1 : 0);
  for (const one of findings) expect([one.place?.file, one.remedy !== null]).toEqual(['index.html', true]);
});

test.each(plants.map(plant => ({ rule: plant[0], visitor: plant[1], what: plant[2], plant })))(
  '$rule: for $visitor, where $what',
  ({ plant }) => found(plant),
);

it('opens a menu again where another one stands beside it, which may lie over what it opens', async () => {
  const folder = folderWith({});
  cpSync(join(clean, '..'), folder, { recursive: true });
  appendFileSync(
    join(folder, 'kamino.yaml'),
    '  - { menu: rooms, carried-by: book.html, place: { after: header }, fold: { when: never }, entries: [index.html, visit.html] }\n',
  );
  appendFileSync(
    join(folder, 'site.css'),
    'nav.kamino.kamino-menu-rooms { position: relative; z-index: 99; min-block-size: 300px }',
  );
  expect(kamino(folder, 'build')).toMatchObject({ err: '', status: 0 });
  const { findings } = await walked(join(folder, 'built'), '--visitor', 'no-script');
  expect(findings.map(({ rule, place }) => [rule, place?.file])).toContainEqual(['unreached', 'book.html']);
});

it('keeps the time that it is given, and says what it left out', async () => {
  const { findings, took, said, walked: pages } = await walked(clean, '--time', '0.001');
  expect(findings.map(one => one.rule)).toContain('not-walked');
  expect(took).toBeLessThan(60_000);
  expect([pages, said]).toEqual([
    [],
    'All 13 visitors reach all 3 pages and all 5 sections; 0 of 3 pages were walked, the others are known by their links',
  ]);
});

it('takes nobody to a page that does not answer, nor on from it', async () => {
  const folder = broken(({ edit: by }) => {
    by(
      '</body>',
      '<script>addEventListener("load", () => setTimeout(() => { for (;;); }, 30))</script></body>',
    );
  });
  const { status, matrix, said } = await walked(folder, '--visitor', 'calm');
  expect(matrix!.rows.map(one => one.actions[0])).toEqual(matrix!.rows.map(() => null));
  expect([status, said]).toEqual([1, expect.stringMatching(/^0 of 3 pages and 0 of 5 sections are reached/)]);
});

it('follows an entry that opens a window', async () => {
  const folder = broken(({ edit: by }) => {
    by('class="kamino-link" href="book.html"', 'target="_blank" class="kamino-link" href="book.html"');
  });
  const { findings } = await walked(folder, '--visitor', 'mouse', '--page', 'index.html');
  expect(findings.map(one => one.rule)).toEqual([]);
});

it('tells what it found though its report cannot be written', () => {
  const { status, out, err } = kamino(
    clean,
    'walk',
    '.',
    '--visitor',
    'calm',
    '--report',
    'index.html/x.html',
  );
  expect([status, err]).toEqual([2, expect.stringContaining('cannot-write')]);
  expect(out).toContain('All 3 pages and all 5 sections are reached');
  const empty = kamino(folderWith({ 'a.txt': '' }), 'walk');
  expect([empty.status, empty.err, empty.out]).toEqual([2, expect.stringContaining('no-pages'), '']);
});

it('says what to do without a browser, and for a visitor or page that it does not know', () => {
  const none = kamino(clean, 'walk', '.', '--browser', 'no-such-program');
  expect([none.status, none.err]).toEqual([2, expect.stringContaining('--browser PATH')]);
  const visitor = kamino(clean, 'walk', '.', '--visitor', 'keybord');
  expect([visitor.status, visitor.err]).toEqual([2, expect.stringContaining('Did you mean `keyboard`?')]);
  const page = kamino(clean, 'walk', '.', '--page', 'visitt.html');
  expect([page.status, page.err]).toEqual([2, expect.stringContaining('there is no page `visitt.html`')]);
});

it('leaves no browser and no profile behind when somebody ends it', async () => {
  const folder = folderWith({});
  const program = join(import.meta.dirname, '../../dist/kamino.cjs');
  const walk = spawn(process.execPath, [program, 'walk', clean], {
    stdio: 'ignore',
    env: { ...process.env, TMPDIR: folder },
  });
  const ended = once(walk, 'exit');
  // Once it has a profile the browser writes into it.
  await eventually(
    () => Promise.resolve(readdirSync(folder, { recursive: true }).length),
    count => {
      expect(count).toBeGreaterThan(5);
    },
  );
  walk.kill('SIGTERM');
  expect(await ended).toEqual([null, 'SIGTERM']);
  expect(readdirSync(folder)).toEqual([]);
});
