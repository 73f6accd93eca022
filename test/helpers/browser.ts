import { afterAll, beforeAll } from '@jest/globals';
import type { Browser, BrowserContextOptions, Page } from 'playwright-core';
import { findBrowser } from '../../src/browser/find.ts';

/** So long is waited for what will come: a machine may stand still for a while, as where its disk does. */
const patience = 60_000;

let browser: Browser | null = null;

/** The browser of this process, for the tests of a file. @param bars scroll bars that take room, as with a mouse on many machines */
export function useBrowser({ bars = false } = {}): void {
  beforeAll(async () => {
    browser = await lasting.browserWith({
      executablePath: findBrowser()!,
      ignoreDefaultArgs: bars ? ['--hide-scrollbars'] : [],
      args: '--font-render-hinting=none --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync'.split(
        ' ',
      ),
    });
  });
  afterAll(async () => {
    spare.clear();
    await Promise.all((browser?.contexts() ?? []).map(one => one.close()));
  });
}

/** Windows that were closed as they came, by what they were opened with: a new one takes a process of its own. */
const spare = new Map<string, Page[]>();
const size = { width: 1280, height: 800 };

/** A page in a window of its own, 1280 by 800 where nothing else is said. */
export async function open(address: string, options: BrowserContextOptions = {}): Promise<Page> {
  const kind = JSON.stringify(options);
  const page = spare.get(kind)?.pop() ?? (await fresh(options, kind));
  await page.goto(address);
  return page;
}

async function fresh(options: BrowserContextOptions, kind: string): Promise<Page> {
  const context = await browser!.newContext({ viewport: size, ...options });
  const page = await context.newPage();
  page.setDefaultTimeout(patience);
  const close = context.close.bind(context);
  let isChanged = false;
  const lasting = [
    'addInitScript',
    'exposeFunction',
    'route',
    'on',
    'newCDPSession',
    'addCookies',
    'emulateMedia',
  ];
  for (const one of [context, page] as unknown as Record<string, (...given: unknown[]) => unknown>[])
    for (const name of lasting) {
      const own = one[name]?.bind(one);
      if (own)
        one[name] = (...given) => {
          isChanged = true;
          return own(...given);
        };
    }
  context.close = async () => {
    if (isChanged || context.pages().length !== 1 || page.isClosed()) return close();
    await tidy(page, options);
    spare.set(kind, [...(spare.get(kind) ?? []), page]);
  };
  return page;
}

/** As it was when it was new: nothing is pressed, the pointer is nowhere. */
async function tidy(page: Page, { viewport, hasTouch }: BrowserContextOptions): Promise<void> {
  // A page of a string, or one that did not come, keeps nothing.
  await page.evaluate(() => void sessionStorage.clear()).catch(() => undefined);
  await page.goto('about:blank');
  if (hasTouch !== true) {
    await page.mouse.up();
    await page.mouse.move(-10, -10);
  }
  await page.setViewportSize(viewport ?? size);
}

/** Reads until what was read holds, as long as a busy machine may take; then tells what does not hold. */
export async function eventually<Read>(
  read: () => Promise<Read>,
  holds: (found: Read) => void,
): Promise<Read> {
  for (const until = Date.now() + patience; ; await new Promise(done => setTimeout(done, 40))) {
    try {
      const found = await read();
      holds(found);
      return found;
    } catch (error) {
      if (Date.now() > until) throw error;
    }
  }
}

/**
 * Walks through many cells, a few at a time, so that they wait for the browser together; the test of a cell takes the end
 * of its own walk.
 */
export function together<Cell>(
  cells: readonly Cell[],
  walk: (cell: Cell) => Promise<void>,
  atOnce = 4,
): (cell: Cell) => Promise<void> {
  let ends: Map<Cell, Promise<void>> | null = null;
  const start = (): Map<Cell, Promise<void>> => {
    const lanes = Array.from({ length: atOnce }, () => Promise.resolve());
    return new Map(
      cells.map((cell, at) => {
        const own = lanes[at % atOnce]!.then(() => walk(cell));
        lanes[at % atOnce] = own.catch(() => undefined);
        return [cell, own];
      }),
    );
  };
  return async cell => {
    ends ??= start();
    await ends.get(cell);
  };
}
