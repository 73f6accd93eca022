// Compares the inventory with a count from a real browser's DOM, on the documentation of Debian packages: pages, titles,
// ids, links, ids used twice, links to nowhere inside. Fetches the packages into a temporary folder (Debian, apt) and
// keeps nothing. By hand only: npm run compare [-- package …]
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { chromium } from 'playwright-core';

const program = fileURLToPath(new URL('../dist/kamino.cjs', import.meta.url));
const sources = {
  'debian-handbook': 'usr/share/doc/debian-handbook/html/en-US',
  'git-doc': 'usr/share/doc/git-doc',
  'sqlite3-doc': 'usr/share/doc/sqlite3',
};
const wanted = process.argv.length > 2 ? process.argv.slice(2) : Object.keys(sources);
const scratch = mkdtempSync(join(tmpdir(), 'kamino-docs-'));
let differences = 0;
try {
  for (const name of wanted) await compare(name);
} finally {
  rmSync(scratch, { recursive: true, force: true });
}
process.exitCode = differences === 0 ? 0 : 1;

async function compare(name) {
  const root = fetchPackage(name);
  const begin = performance.now();
  const { stdout } = spawnSync(process.execPath, [program, 'inventory', '--json', root], {
    encoding: 'utf8',
    maxBuffer: 1 << 30,
  });
  const seconds = ((performance.now() - begin) / 1000).toFixed(1);
  const ours = oursOf(JSON.parse(stdout), root);
  const theirs = await fromBrowser(root);
  const kinds = ['titles', 'ids', 'links', 'twice', 'dead'];
  const paths = [...new Set([...Object.keys(ours), ...Object.keys(theirs)])].sort();
  const found = paths.flatMap(path =>
    kinds.flatMap(kind => {
      const [one, other] = [ours[path]?.[kind], theirs[path]?.[kind]].map(list =>
        JSON.stringify(list ?? 'no such page'),
      );
      return one === other ? [] : [`  ${path} ${kind}: inventory ${short(one)}, browser ${short(other)}`];
    }),
  );
  const sum = kind => Object.values(theirs).reduce((all, page) => all + page[kind].length, 0);
  console.log(
    `${name}: ${paths.length} pages, ${sum('titles')} titles, ${sum('ids')} ids, ${sum('links')} links, ${sum('twice')} ids used twice, ${sum('dead')} dead links inside; inventory in ${seconds} s; ${found.length} differences`,
  );
  for (const line of found.slice(0, 40)) console.log(line);
  differences += found.length;
}

/** The documentation of a package, unpacked. */
function fetchPackage(name) {
  execFileSync('apt-get', ['download', '-q', name], { cwd: scratch, stdio: 'ignore' });
  const archive = readdirSync(scratch).find(file => file.startsWith(`${name}_`));
  execFileSync('dpkg-deb', ['-x', archive, name], { cwd: scratch });
  const folder = join(scratch, name, sources[name] ?? 'usr/share/doc');
  if (!existsSync(folder)) throw new Error(`${name} has no ${sources[name]}`);
  return folder;
}

function oursOf({ pages, findings }, root) {
  const made = {};
  for (const page of pages)
    made[page.path] = {
      titles: page.title === null ? [] : [page.title],
      ids: [...page.ids].sort(),
      links: [page.links.page + page.links.file + page.links.away + page.links.nowhere],
      twice: [],
      dead: [],
    };
  for (const { rule, place } of findings) {
    const path = relative(root, join(process.cwd(), place?.file ?? '')).replaceAll('\\', '/');
    if (rule === 'same-id') made[path].twice.push(`${place.position.line}`);
    if (rule === 'dead-link' || rule === 'letter-case' || rule === 'missing-hash' || rule === 'wrong-folder')
      made[path].dead.push(`${place.position.line}`);
  }
  for (const page of Object.values(made)) {
    page.links = Array.from({ length: page.links[0] }, () => 0);
    for (const kind of ['twice', 'dead']) page[kind] = page[kind].map(() => 0);
  }
  return made;
}

/** The same from a browser with scripts off. */
async function fromBrowser(root) {
  const browser = await chromium.launch({
    executablePath: process.env.KAMINO_BROWSER || '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  // A page that sends on to another one is kept from it; nothing else about it changes.
  await page.route('**', route => {
    const url = route.request().url();
    if (route.request().resourceType() !== 'document') return route.abort();
    const body = readFileSync(fileURLToPath(url), 'latin1').replace(
      /http-equiv(=["']?refresh)/gi,
      'http-equix$1',
    );
    return route.fulfill({ body: Buffer.from(body, 'latin1'), contentType: 'text/html' });
  });
  const files = readdirSync(root, { recursive: true })
    .map(file => String(file).replaceAll('\\', '/'))
    .filter(file => /\.html?$/i.test(file) && statSync(join(root, file)).isFile());
  const read = {};
  for (const file of files) {
    await page.goto(pathToFileURL(join(root, file)).href, { waitUntil: 'domcontentloaded' });
    read[file] = await page.evaluate(() => ({
      title: document.querySelector('title') ? document.title : '',
      ids: [...document.querySelectorAll('[id]')].map(one => one.id).filter(Boolean),
      names: [...document.querySelectorAll('a[name]')]
        .filter(one => one.name && one.name !== one.id)
        .map(one => one.name),
      links: [...document.querySelectorAll('a[href], area[href]')].map(one => ({
        written: one.getAttribute('href').trim(),
        href: one.href,
      })),
    }));
  }
  await browser.close();
  const made = {};
  for (const [file, { title, ids, names, links }] of Object.entries(read)) {
    const all = [...ids, ...names];
    made[file] = {
      titles: title === '' ? [] : [title],
      ids: [...all].sort(),
      links: links.map(() => 0),
      twice: all.filter((id, at) => all.indexOf(id) !== at).map(() => 0),
      dead: links.filter(link => isDead(link, root, read)).map(() => 0),
    };
  }
  return made;
}

function isDead({ written, href }, root, read) {
  if (written === '' || written === '#') return false;
  let url;
  try {
    url = new URL(href);
  } catch {
    return false;
  }
  if (url.protocol !== 'file:') return false;
  const path = relative(root, fileURLToPath(new URL(url.pathname, 'file:///'))).replaceAll('\\', '/');
  // Out of the folder: told by another rule.
  if (path.startsWith('..') || /^(?:[a-z]:|\/)/i.test(written)) return false;
  const file = [path, join(path, 'index.html'), join(path, 'index.htm')].find(
    one => existsSync(join(root, one)) && statSync(join(root, one)).isFile(),
  );
  if (file === undefined) return true;
  const hash = decodeURIComponent(url.hash.slice(1));
  if (hash === '' || hash.toLowerCase() === 'top' || !read[file]) return false;
  return ![...read[file].ids, ...read[file].names].includes(hash);
}

function short(text) {
  return text.length > 160 ? `${text.slice(0, 160)}…` : text;
}
