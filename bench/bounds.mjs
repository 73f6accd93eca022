// Times every command on inputs that are made to be too much, with the memory that it takes: none over 5 s or 500 MB.
// npm run bench:bounds [-- name of an input]
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const [only] = process.argv.slice(2);
const program = fileURLToPath(new URL('../dist/kamino.cjs', import.meta.url));
const most = { seconds: 5, megabytes: 500 };
const memory =
  'data:text/javascript,process.on("exit",()=>process.stderr.write(`\\n${process.resourceUsage().maxRSS}\\n`))';

const html = (body, head = '') =>
  `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>T</title>${head}</head><body><main><h1>H</h1>${body}</main></body></html>\n`;
const planOf = ({ keys = '', entries = '[index.html]' } = {}) =>
  `kamino: 1\n${keys}menus:\n  - menu: m\n    place: { first-in: body }\n    entries: ${entries}\n`;
const list = (count, make) => Array.from({ length: count }, (_, at) => make(at)).join('');
const index = (body, head) => ({ 'index.html': html(body, head) });
const sheet = '<link rel="stylesheet" href="s.css">';

/** What each input is: the files, and the plan where it is another than the usual one. */
const inputs = {
  'a pattern of 40 stars': [index(''), planOf({ keys: `leave-out: ["${'*a'.repeat(40)}b"]\n` })],
  'a pattern of many folders': [index(''), planOf({ keys: `leave-out: ["${'**/'.repeat(60)}b"]\n` })],
  'a pattern of 70,000 letters': [index(''), planOf({ keys: `leave-out: ["${'a'.repeat(70_000)}"]\n` })],
  'pages by a pattern of 60 stars': [index(''), planOf({ entries: `[{ pages: "${'*a'.repeat(60)}b" }]` })],
  '19,000 entries': [
    index(''),
    planOf({
      entries: `\n${list(19_000, at => `      - { url: "https://a.example/${at}", label: L${at} }\n`)}`,
    }),
  ],
  '100,000 quotes': [index(''), planOf({ entries: `["${'\\"'.repeat(100_000)}"]` })],
  '100,000 quotes, none closed': [index(''), `kamino: 1\nmenus: ${'"'.repeat(100_000)}\n`],
  'aliases of aliases': [
    index(''),
    `a: &a [x,x,x,x,x,x,x,x,x]\n${list(9, at => `${'bcdefghij'[at]}: &${'bcdefghij'[at]} [${Array(9).fill(`*${'abcdefghij'[at]}`).join(',')}]\n`)}kamino: 1\n`,
  ],
  'YAML nested 20,000 deep': [index(''), `kamino: 1\nmenus: ${'['.repeat(20_000)}\n`],
  'entries nested 3,000 deep': [
    index(''),
    planOf({ entries: `${'[{label: a, entries: '.repeat(3000)}[]${'}]'.repeat(3000)}` }),
  ],
  '30,000 units of template code in an attribute': [index(`<p title="${'{{ x }}'.repeat(30_000)}">x</p>`)],
  '50,000 attributes': [index(`<p ${list(50_000, at => `a${at}="1" `)}>x</p>`)],
  '1 MB of {{': [index('{{ '.repeat(350_000))],
  '1 MB of <%': [index('<% '.repeat(350_000))],
  '1 MB of <?php': [index('<?php '.repeat(180_000))],
  '200,000 nested elements': [index('<div>'.repeat(200_000))],
  '200,000 nested elements of formatting': [index('<b>'.repeat(200_000))],
  '50,000 lists never closed': [index('<ul><li><a href="x">y</a>'.repeat(50_000))],
  '60,000 tables in one another': [index('<table><tr><td>'.repeat(60_000))],
  '300,000 comments': [index('<!--'.repeat(300_000))],
  '100,000 pieces of CDATA': [index(`<svg>${'<![CDATA['.repeat(100_000)}`)],
  '1 MB of <': [index('<'.repeat(1_000_000))],
  '300,000 tags never closed': [index('<a '.repeat(300_000))],
  '100,000 scripts in comments': [index('<script><!--<script>'.repeat(100_000))],
  '20,000 sections and links': [
    index(list(20_000, at => `<h2 id=s${at}>S ${at}</h2><a href="#s${at}">x</a>`)),
  ],
  '20,000 links to nothing': [index(list(20_000, at => `<a href="nope${at}.html">x</a>`))],
  '50,000 times one id': [index('<p id=x>'.repeat(50_000))],
  'a line of 5 MB': [index(`${'x'.repeat(5_000_000)}<a href="nope">y</a>`)],
  'a name of 255 bytes': [{ ...index(''), [`${'n'.repeat(250)}.html`]: html('') }],
  'a menu of 200 entries on 100 pages': [
    Object.fromEntries(
      Array.from({ length: 100 }, (_, at) => [
        `p${at}.html`,
        html(`<ul class=nav>${list(200, to => `<li><a href="p${to % 100}.html">P ${to}</a></li>`)}</ul>`),
      ]),
    ),
    planOf({ entries: '[p0.html]' }),
  ],
  '3,000 selectors and 3,000 elements': [
    {
      ...index('<div class=a>'.repeat(3000), sheet),
      's.css': list(3000, at => `.a .b${at} .c > *, nav :is(a,b) ~ * {color:red}\n`),
    },
  ],
  '100,000 brackets of CSS': [{ ...index('', sheet), 's.css': `a{b:${'('.repeat(100_000)}}` }],
  '50,000 rules in one another': [{ ...index('', sheet), 's.css': 'a{'.repeat(50_000) }],
};
const commands = ['build', 'build', 'check', 'inventory', 'draft --dry-run --force', 'map', 'lift'];

let missed = 0;
for (const [name, [files, plan = planOf()]] of Object.entries(inputs)) {
  if (only !== undefined && !name.includes(only)) continue;
  const folder = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'kamino-bounds-'));
  try {
    for (const [path, text] of Object.entries(files)) {
      mkdirSync(dirname(join(folder, path)), { recursive: true });
      writeFileSync(join(folder, path), text);
    }
    writeFileSync(join(folder, 'kamino.yaml'), plan);
    const all = commands.map(command => measured(folder, command));
    const worst = all.reduce((one, other) => (other.seconds > one.seconds ? other : one));
    const megabytes = Math.max(...all.map(one => one.megabytes));
    const isFine =
      all.every(one => one.isTold) && worst.seconds <= most.seconds && megabytes <= most.megabytes;
    if (!isFine) missed += 1;
    const time = `${worst.seconds.toFixed(2)} s (${worst.command.split(' ')[0]})`;
    console.log(
      `${name.padEnd(46)} ${time.padEnd(20)} ${megabytes.toFixed(0).padStart(4)} MB  ${isFine ? 'holds' : 'MISSED'}`,
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
process.exitCode = missed > 0 ? 1 : 0;

/** A command's time and memory, and whether it ended as it should: no stack trace, and not by being stopped. */
function measured(folder, command) {
  const begin = performance.now();
  const { status, stderr } = spawnSync(
    process.execPath,
    ['--import', memory, program, ...command.split(' ')],
    {
      cwd: folder,
      encoding: 'utf8',
      timeout: 30_000,
      killSignal: 'SIGKILL',
      maxBuffer: 1 << 30,
      env: { ...process.env, KAMINO_BROWSER: 'none' },
    },
  );
  const seconds = (performance.now() - begin) / 1000;
  const megabytes = Number(/(\d+)\n$/.exec(stderr ?? '')?.[1] ?? 0) / 1024;
  return {
    command,
    seconds,
    megabytes,
    isTold: status !== null && status <= 2 && !/\n\s+at .*\(/.test(stderr),
  };
}
