// The demo’s finished pages with one mistake in each copy: whether check or walk names it by its rule, at its place.
import { spawnSync } from 'node:child_process';
import {
  appendFileSync,
  cpSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const program = join(import.meta.dirname, '../dist/kamino.cjs');
const work = mkdtempSync(join(tmpdir(), 'kamino-broken-'));
const kamino = (...args) => {
  const { stdout, stderr } = spawnSync(process.execPath, [program, ...args], {
    cwd: work,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  return { stdout, stderr };
};
kamino('demo', 'demo');
const built = join(work, 'demo/built');
const copy = join(work, 'copy');

const edit = (file, from, to) => {
  const before = readFileSync(join(copy, file), 'utf8');
  const after = before.replace(from, to);
  if (after === before) throw new Error(`nothing to change in ${file}: ${from}`);
  writeFileSync(join(copy, file), after);
};
const pages = () => readdirSync(copy, { recursive: true }).filter(name => name.endsWith('.html'));
const css = text => appendFileSync(join(copy, 'css/site.css'), text);
const js = text => edit('index.html', '</body>', `<script>${text}</script></body>`);
const put = text => edit('index.html', '</header>', `${text}</header>`);
const inMain = text => edit('schools.html', /<\/h1>/, `</h1>${text}`);
/** A menu by hand on every page. */
const everywhere = (menu, own = () => menu) => {
  for (const page of pages()) {
    const up = '../'.repeat(page.split('/').length - 1);
    edit(page, /<\/body>/i, `${own(page, up).replaceAll('href="', `href="${up}`)}</body>`);
  }
};
const hand =
  '<ul class="old"><li><a href="index.html">Home</a></li><li><a href="schools.html">Lessons</a></li><li><a href="book.html">Reserve</a></li></ul>';

const byCheck = [
  [
    'dead-link',
    'a link to a page that is not there',
    'schools.html',
    () => inMain('<a href="clases.html">Classes</a>'),
  ],
  [
    'dead-link',
    'a link to a section that is not there',
    'schools.html',
    () => inMain('<a href="book.html#prices">Prices</a>'),
  ],
  ['letter-case', 'a link in other letters', 'schools.html', () => inMain('<a href="Book.html">Book</a>')],
  [
    'missing-hash',
    'a forgotten #',
    'schools.html',
    () => inMain('<p id="lunch">Lunch</p><a href="lunch">Lunch</a>'),
  ],
  [
    'foreign-path',
    'a link into a folder of the designer’s machine',
    'schools.html',
    () => inMain('<a href="C:\\sites\\old\\a.html">Old</a>'),
  ],
  [
    'foreign-path',
    'a link out of the site',
    'schools.html',
    () => inMain('<a href="../other/a.html">Old</a>'),
  ],
  ['empty-link', 'a link without an address', 'schools.html', () => inMain('<a href="#">Later</a>')],
  [
    'untitled',
    'a page without a title',
    'schools.html',
    () => edit('schools.html', /<title>[^<]*/, '<title>'),
  ],
  [
    'same-title',
    'two pages with one title',
    'book.html',
    () =>
      edit(
        'schools.html',
        /<title>[^<]*/,
        `<title>${/<title>([^<]*)/.exec(readFileSync(join(copy, 'book.html'), 'utf8'))[1]}`,
      ),
  ],
  ['same-id', 'an id twice', 'schools.html', () => inMain('<p id="lunch">a</p><p id="lunch">b</p>')],
  ['bad-id', 'an id with a space', 'schools.html', () => inMain('<p id="the lunch">a</p>')],
  [
    'orphan',
    'a page that nothing leads to',
    'alone.html',
    () => cpSync(join(copy, 'schools.html'), join(copy, 'alone.html')),
  ],
  [
    'missing-file',
    'a picture that is not there',
    'schools.html',
    () => inMain('<img src="img/gull.jpg" alt="">'),
  ],
  ['surplus-end', 'an end tag too many', 'schools.html', () => inMain('</ul>')],
  [
    'menu-differs',
    'a menu by hand that differs on one page',
    'schools.html',
    () =>
      everywhere(hand, page =>
        page === 'schools.html'
          ? hand.replace(
              '<li><a href="book.html">Reserve</a></li>',
              '<li><a href="contact.html">Ask</a></li>',
            )
          : hand,
      ),
  ],
  [
    'unclosed-list',
    'a list that is never closed',
    'schools.html',
    () => everywhere(hand, page => (page === 'schools.html' ? hand.replace('</ul>', '') : hand)),
  ],
  [
    'wordless-entry',
    'an entry that is a picture without words',
    null,
    () =>
      everywhere(
        hand
          .replace('Home', '<img src="img/hill.svg" width="10" height="10">')
          .replace('src="img', 'src="/img'),
      ),
  ],
  [
    'unsized-picture',
    'a picture in a menu without a size',
    null,
    () => everywhere(hand.replace('Home', '<img src="/img/hill.svg" alt="Home">')),
  ],
  ['same-words', 'one label for two places', null, () => everywhere(hand.replace('Reserve', 'Lessons'))],
  [
    'other-words',
    'two labels for one place',
    null,
    () => everywhere(hand.replace('</ul>', '<li><a href="schools.html">Classes</a></li></ul>')),
  ],
  [
    'insecure-file',
    'a picture by http',
    'schools.html',
    () => inMain('<img src="http://pictures.example/a.png" alt="">'),
  ],
  [
    'sent-on',
    'a page that sends on',
    'schools.html',
    () => edit('schools.html', '<title>', '<meta http-equiv="refresh" content="5; url=book.html"><title>'),
  ],
  [
    'new-window',
    'a new window that nobody announces',
    'schools.html',
    () => inMain('<a href="book.html" target="_blank">Book</a>'),
  ],
  [
    'outranked',
    'a rule of the page that beats the menu',
    null,
    () => css('nav ul li a { color: red !important; padding: 0 !important }'),
  ],
];
const more =
  '<nav aria-label="More"><ul><li class="more"><span>More</span><ul class="below"><li><a href="book.html">Book a night</a></li></ul></li></ul></nav>';
const byWalk = [
  ['no-ring', 'keyboard', 'the ring of the focus is removed', () => css('* { outline: none !important }')],
  [
    'unreached',
    'keyboard',
    'a submenu opens under the pointer alone',
    () => (put(more), css('.below { display: none } .more:hover .below { display: block }')),
  ],
  [
    'hidden-focus',
    'keyboard',
    'a closed menu is moved out of the window',
    () =>
      put('<nav aria-label="Old" style="position:absolute;left:-999px"><a href="book.html">Book</a></nav>'),
  ],
  [
    'hidden-focus',
    'keyboard',
    'the entries lie under something',
    () =>
      css(
        'nav.kamino { position: relative; z-index: -1 !important } body::before { content: ""; position: fixed; inset: 0; z-index: 99999 }',
      ),
  ],
  [
    'focus-order',
    'keyboard',
    'an entry has a tabindex',
    () =>
      edit(
        'index.html',
        'class="kamino-link" href="schools.html"',
        'tabindex="3" class="kamino-link" href="schools.html"',
      ),
  ],
  [
    'focus-trap',
    'keyboard',
    'a script holds Tab',
    () =>
      js(
        'addEventListener("keydown", e => { if (e.key === "Tab" && document.activeElement.closest("footer")) e.preventDefault() })',
      ),
  ],
  [
    'unspoken',
    'keyboard',
    'an entry is called otherwise than it is read',
    () =>
      edit(
        'index.html',
        'class="kamino-link" href="schools.html"',
        'aria-label="Lessons" class="kamino-link" href="schools.html"',
      ),
  ],
  [
    'cannot-close',
    'keyboard',
    'the script is damaged',
    () => writeFileSync(join(copy, 'kamino/menu.js'), 'document.addEventListener('),
  ],
  [
    'cannot-close',
    'mouse',
    'a submenu opens again',
    () => js('document.addEventListener("toggle", e => { e.target.open = true }, true)'),
  ],
  [
    'wrong-arrival',
    'mouse',
    'a script holds clicks',
    () =>
      js('addEventListener("click", e => { if (e.target.closest("footer a")) e.preventDefault() }, true)'),
  ],
  [
    'lost-back',
    'mouse',
    'a script writes the address anew',
    () =>
      js(
        'addEventListener("click", e => { const a = e.target.closest("nav a"); if (a) { e.preventDefault(); location.replace(a.href) } })',
      ),
  ],
  [
    'stays-open',
    'mouse',
    'a submenu is opened when the visitor comes back',
    () =>
      js(
        'addEventListener("pageshow", e => { if (e.persisted || performance.getEntriesByType("navigation")[0].type === "back_forward") document.querySelector("nav .kamino-opener").open = true })',
      ),
  ],
  [
    'shifting',
    'mouse',
    'something is put above the page',
    () =>
      js(
        'setTimeout(() => document.body.prepend(Object.assign(document.createElement("p"), { style: "height: 200px" })), 150)',
      ),
  ],
  [
    'false-current',
    'mouse',
    'another entry is marked as current',
    () =>
      edit(
        'index.html',
        'class="kamino-link" href="schools.html"',
        'aria-current="page" class="kamino-link" href="schools.html"',
      ),
  ],
  [
    'false-current',
    'mouse',
    'the mark of the page is gone',
    () =>
      edit(
        'index.html',
        /(<li[^>]*>)<a class="kamino-link" href="tonight.html"/,
        '$1<a class="kamino-link" href="index.html"',
      ),
  ],
  [
    'weak-contrast',
    'mouse',
    'labels are pale',
    () => css('footer .kamino-link { color: #4a5166 !important; background: #14213a !important }'),
  ],
  [
    'alike-state',
    'mouse',
    'nothing changes under the pointer',
    () => css('footer .kamino-link, footer .kamino-link * { all: unset !important }'),
  ],
  ['unasked-window', 'mouse', 'the page asks something', () => js('alert("Welcome")')],
  [
    'no-answer',
    'calm',
    'the page hangs',
    () => js('addEventListener("load", () => setTimeout(() => { for (;;); }, 30))'),
  ],
  [
    'unwished-motion',
    'calm',
    'a submenu moves',
    () => css('.kamino-submenu { animation: come 900ms !important } @keyframes come { from { opacity: 0 } }'),
  ],
  ['sideways', 'zoomed', 'something is too wide', () => css('footer { width: 700px }')],
  [
    'crowded-text',
    'zoomed',
    'labels have a height',
    () => css('nav .kamino-link { height: 1em !important; overflow: hidden !important }'),
  ],
  [
    'lost-by-resize',
    'touch',
    'a script hides the menu when the window grows',
    () =>
      js(
        'addEventListener("resize", () => { if (innerWidth > 700) document.querySelector("nav.kamino").style.display = "none" })',
      ),
  ],
  [
    'locked',
    'touch',
    'a script keeps the page from scrolling',
    () =>
      js(
        'document.addEventListener("toggle", () => { document.documentElement.style.overflow = "hidden" }, true)',
      ),
  ],
  [
    'under-bar',
    'mouse',
    'a bar of the page lies over what is followed',
    () => (
      put('<nav aria-label="Page"><a href="#low">Low</a></nav>'),
      edit('index.html', '</main>', '<h2 id="low">Low</h2><div style="height:2000px"></div></main>'),
      edit('index.html', '<main', '<div class="strip"></div><main'),
      css(
        'html { scroll-padding: 0 !important } .strip { position: fixed; inset: 0 0 auto; height: 90px; z-index: 9999; background: #fff } header { position: relative; z-index: 99999 }',
      )
    ),
  ],
  [
    'small-target',
    'touch',
    'targets are tiny and close',
    () =>
      css(
        'footer .kamino-link { padding: 0 !important; font-size: 6px !important; line-height: 1 !important; display: block !important; min-height: 0 !important; width: 20px !important; overflow: hidden } footer li { display: block !important; margin: 0 !important; min-height: 0 !important; height: 7px !important }',
      ),
  ],
  [
    'fills-paper',
    'paper',
    'menus are printed',
    () => css('@media print { nav.kamino.kamino.kamino { display: block !important; height: 500px } }'),
  ],
];

const rows = [];
const run = (kind, rule, what, args, place, plant) => {
  rmSync(copy, { recursive: true, force: true });
  cpSync(built, copy, { recursive: true });
  plant();
  const begun = performance.now();
  const { stdout, stderr } = kamino(kind, 'copy', '--json', ...args);
  const { findings } = stdout ? JSON.parse(stdout) : { findings: [{ rule: stderr }] };
  const named = findings.find(
    one => one.rule === rule && (place === null || one.place?.file === `copy/${place}`),
  );
  const others = [...new Set(findings.map(one => one.rule))].filter(one => one !== rule);
  rows.push([
    rule,
    what,
    kind,
    named ? 'found' : 'MISSED',
    others.join(', '),
    `${((performance.now() - begun) / 1000).toFixed(1)} s`,
  ]);
  console.log(`| ${rows.at(-1).join(' | ')} |`);
};
console.log('| rule | mistake | by | | told beside | |\n|---|---|---|---|---|---|');
const only = process.argv[2];
for (const [rule, what, place, plant] of byCheck)
  if (!only || only === 'check' || only === rule) run('check', rule, what, [], place, plant);
for (const [rule, visitor, what, plant] of byWalk)
  if (!only || only === 'walk' || only === rule)
    run(
      'walk',
      rule,
      `${what} (${visitor})`,
      ['--page', 'index.html', '--visitor', visitor],
      'index.html',
      plant,
    );
const missed = rows.filter(one => one[3] !== 'found');
console.log(`\n${rows.length - missed.length} of ${rows.length} mistakes are named.`);
rmSync(work, { recursive: true, force: true });
