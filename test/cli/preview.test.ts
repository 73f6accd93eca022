import { type ChildProcess, spawn } from 'node:child_process';
import { request } from 'node:http';
import { createServer } from 'node:net';
import { readFileSync, symlinkSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, expect, it, test } from '@jest/globals';
import { eventually, open, useBrowser } from '../helpers/browser.ts';
import { contents, folderWith, page, put } from '../helpers/site.ts';

const program = join(import.meta.dirname, '../../dist/kamino.cjs');
const running: ChildProcess[] = [];
afterEach(() => {
  for (const one of running.splice(0)) one.kill('SIGTERM');
});

const plan = `kamino: 1
look: { accent: "#3d5a80", background: "#ffffff" }
menus:
  - menu: m
    home: { label: Fold }
    fold: { when: crowded }
    entries: [index.html, { page: sub/a.html, entries: [index.html] }]
`;
const site = (): string =>
  folderWith({
    'index.html': page('Home', '<div style="height:3000px"></div>'),
    'sub/a.html': page('Sub', ''),
    'sub/index.html': page('Sub index'),
    'b ä.txt': 'text',
    'kamino.yaml': plan,
  });

interface Started {
  address: string;
  said: () => string;
}

/** Starts the program, and waits until it says where the site is. */
async function start(folder: string, ...args: string[]): Promise<Started> {
  const child = spawn(process.execPath, [program, 'preview', ...args], {
    cwd: folder,
    env: { ...process.env, NO_COLOR: '1' },
  });
  running.push(child);
  let said = '';
  return new Promise((resolve, reject) => {
    const onData = (data: Buffer): void => {
      said += data.toString();
      const match = /(http:\/\/localhost:\d+)\//.exec(said);
      if (match && said.includes('Ctrl-C')) resolve({ address: match[1]!, said: () => said });
    };
    child.stdout.on('data', onData);
    child.stderr.on('data', onData);
    child.on('exit', code => {
      reject(new Error(`ended with ${code}: ${said}`));
    });
  });
}

/** A request as it is written, without anything tidied up. */
function get(
  address: string,
  path: string,
  host?: string,
): Promise<{ status: number; type: string; body: string; location: string }> {
  const { hostname, port, host: own } = new URL(address);
  return new Promise((resolve, reject) => {
    const sent = request({ hostname, port, path, headers: { Host: host ?? own } }, answer => {
      let body = '';
      answer.on('data', (data: Buffer) => (body += data.toString()));
      answer.on('end', () => {
        const { 'content-type': type = '', location = '' } = answer.headers;
        resolve({ status: answer.statusCode!, type, body, location });
      });
    });
    sent.on('error', reject);
    sent.end();
  });
}

it('serves the finished site, and nothing else', async () => {
  const folder = site();
  const outside = folderWith({ 'secret.html': page('Secret') });
  symlinkSync(join(outside, 'secret.html'), join(folder, 'link.html'));
  const before = contents(folder);
  const { address } = await start(folder, '--port', '4720');
  const front = await get(address, '/');
  expect([front.status, front.type]).toEqual([200, 'text/html']);
  expect(front.body).toContain('data-kamino="m"');
  expect((await get(address, '/kamino/menu.css')).type).toContain('text/css');
  expect((await get(address, '/b%20%C3%A4.txt')).body).toBe('text');
  expect(await get(address, '/sub')).toMatchObject({ status: 301, location: '/sub/' });
  expect((await get(address, '/sub/')).body).toContain('<title>Sub index</title>');
  for (const path of [
    '/../secret.html',
    '/..%2fsecret.html',
    '/%2e%2e/secret.html',
    '/link.html',
    '/kamino.yaml',
    '/.kamino/record.json',
    '//etc/passwd',
    '/lost.html',
  ])
    expect([path, (await get(address, path)).status]).toEqual([path, 404]);
  expect((await get(address, '/%ff')).status).toBe(400);
  for (const host of ['evil.example', 'localhost.evil.example', '192.168.0.1'])
    expect([host, (await get(address, '/', host)).status]).toEqual([host, 403]);
  // Nothing is written.
  expect(contents(folder)).toEqual(before);
});

test('a port that is taken is passed over, and told', async () => {
  const other = createServer().listen(4740, '127.0.0.1');
  await new Promise(resolve => other.once('listening', resolve));
  const { address, said } = await start(site(), '--port', '4740');
  expect(address).not.toContain('4740');
  expect(said()).toContain('That port is taken');
  expect((await get(address, '/')).status).toBe(200);
  other.close();
});

useBrowser();

it('follows changes of the plan, of pages and of files, and keeps the place in the page', async () => {
  const folder = site();
  const { address } = await start(folder, '--port', '4760');
  const tab = await open(`${address}/`);
  await tab.evaluate(() => {
    scrollTo(0, 700);
  });
  // A menu alone is put in place of the old one.
  await tab.evaluate(() => ((window as unknown as { mine: number }).mine = 1));
  put(folder, { 'kamino.yaml': plan.replace('label: Fold', 'label: Press').replace('#3d5a80', '#aa3311') });
  await tab.waitForFunction(() => document.querySelector('.kamino-home')?.textContent === 'Press');
  await tab.waitForFunction(() =>
    getComputedStyle(document.querySelector('.kamino')!)
      .getPropertyValue('--kamino-accent')
      .includes('#aa3311'),
  );
  expect(await tab.evaluate(() => [scrollY, (window as unknown as { mine?: number }).mine])).toEqual([
    700, 1,
  ]);
  // What the designer changed in the page is loaded again, at the same place.
  put(folder, { 'index.html': page('Changed', '<div style="height:3000px"></div>') });
  await tab.waitForFunction(() => document.title === 'Changed' && scrollY === 700);
  put(folder, { 'own.css': 'h1 { color: rgb(1 2 3) }' });
  put(folder, {
    'index.html': page('Styled').replace('</head>', '<link rel="stylesheet" href="own.css"></head>'),
  });
  const color = (wanted: string) =>
    tab.waitForFunction(wanted => getComputedStyle(document.querySelector('h1')!).color === wanted, wanted);
  await color('rgb(1, 2, 3)');
  put(folder, { 'own.css': 'h1 { color: rgb(4 5 6) }' });
  await color('rgb(4, 5, 6)');
  await tab.context().close();
});

it('shows what is wrong with the plan, in the page and on the terminal, and keeps the last good build', async () => {
  const folder = site();
  const { address, said } = await start(folder, '--port', '4780');
  const tab = await open(`${address}/`);
  put(folder, { 'kamino.yaml': plan.replace('menus:', 'menuz:') });
  await tab.waitForSelector('#kamino-problems');
  expect(await tab.textContent('#kamino-problems')).toContain('Did you mean `menus`?');
  expect(said()).toContain('The last good build stays.');
  expect((await get(address, '/')).body).toContain('data-kamino="m"');
  put(folder, { 'kamino.yaml': plan });
  await tab.waitForSelector('#kamino-problems', { state: 'detached' });
  await tab.context().close();
});

it('shows a page at several widths, and holds states and menus open, also when it is loaded again', async () => {
  const folder = site();
  const { address } = await start(folder, '--port', '4800');
  const tab = await open(`${address}/_widths?page=sub/a.html`, { viewport: { width: 1600, height: 900 } });
  const frames = () => tab.frames().filter(one => one.url().endsWith('/sub/a.html'));
  const grounds = (): Promise<string[]> =>
    Promise.all(
      frames().map(one =>
        one
          .locator('.kamino-link')
          .first()
          .evaluate(async link => {
            await Promise.allSettled(document.getAnimations().map(motion => motion.finished));
            return getComputedStyle(link).backgroundColor;
          }),
      ),
    );
  await tab.waitForFunction(() => document.querySelectorAll('main iframe').length === 6);
  const atRest = await grounds();
  await tab.locator('input[value=hover]').check();
  const held = await eventually(grounds, now =>
    expect(now.map((one, at) => one !== atRest[at])).toEqual(now.map(() => true)),
  );
  await tab.reload();
  await eventually(grounds, now => expect(now).toEqual(held));
  await tab.locator('input[value=submenu]').check();
  for (const frame of frames()) expect(await frame.locator('.kamino-submenu').isVisible()).toBe(true);
  expect(await tab.locator('#page option').allTextContents()).toEqual([
    'index.html',
    'sub/a.html',
    'sub/index.html',
  ]);
  await tab.locator('#page').selectOption('index.html');
  await tab.waitForURL(/page=index\.html/);
  expect((await get(address, '/_specimen')).body).toContain('class="states"');
  await tab.context().close();
});

test('a plan that is wrong from the start is told, and nothing is served', async () => {
  const folder = site();
  put(folder, { 'kamino.yaml': 'kamino: 2\n' });
  await expect(start(folder, '--port', '4820')).rejects.toThrow(/ended with 2: [^]*wrong-value/);
  expect(readFileSync(join(folder, 'kamino.yaml'), 'utf8')).toBe('kamino: 2\n');
});

test('a look is tried in every width at once, shown as lines, written, and undone', async () => {
  const folder = site();
  const { address } = await start(folder, '--port', '4790');
  const tab = await open(`${address}/_widths`);
  const grounds = (): Promise<string[]> =>
    tab.evaluate(() =>
      [...document.querySelectorAll<HTMLIFrameElement>('main iframe')].map(
        frame => getComputedStyle(frame.contentDocument!.querySelector('nav')!).backgroundColor,
      ),
    );
  const text = (): string => readFileSync(join(folder, 'kamino.yaml'), 'utf8');
  await tab.getByLabel('Ground', { exact: true }).fill('#fff0dd');
  const wears = (color: string) => (found: string[]) => {
    expect(found).toEqual(Array(6).fill(color));
  };
  await eventually(grounds, wears('rgb(255, 240, 221)'));
  expect(text()).toBe(plan);
  await tab.locator('.lines summary').click();
  // The colour is drawn before the server has answered.
  await eventually(
    () => tab.locator('.lines pre').textContent(),
    found => expect(found).toContain('background: "#fff0dd"'),
  );
  // A length goes up and down by the arrow keys; what cannot be read is told beside.
  const padding = tab.getByLabel('Room inside', { exact: true });
  await padding.fill('1rem 2rem');
  await padding.press('ArrowUp');
  expect(await padding.inputValue()).toBe('1.05rem 2rem');
  await tab.getByLabel('Label', { exact: true }).fill('#ffeecc');
  await eventually(
    () => tab.locator('.figures .low').first().textContent(),
    found => expect(found).toContain('label'),
  );
  await tab.getByLabel('Label', { exact: true }).fill('');
  await tab.getByRole('button', { name: 'Write it' }).click();
  await eventually(
    () => Promise.resolve(text()),
    found => expect(found).toContain('background: "#fff0dd", padding: 1.05rem 2rem }'),
  );
  await tab.getByRole('button', { name: 'Undo' }).click();
  await eventually(
    () => Promise.resolve(text()),
    found => expect(found).toBe(plan),
  );
  await tab.context().close();
});

test('nothing is tried or written without the token of the page', async () => {
  const folder = site();
  const { address } = await start(folder, '--port', '4794');
  const scope = { menu: null, part: null, keys: [] };
  const edits = [{ path: ['look', 'color'], value: 'red' }];
  for (const token of [undefined, '', 'x', null]) {
    const answer = await fetch(`${address}/_kamino/trial`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ act: 'write', edits, scope, token }),
    });
    expect(answer.status).toBe(403);
  }
  expect(readFileSync(join(folder, 'kamino.yaml'), 'utf8')).toBe(plan);
});
