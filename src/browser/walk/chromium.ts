import type { Browser, BrowserContext, BrowserContextOptions, CDPSession, Page } from 'playwright-core';
import type { Point, SeenBox } from '../../core/walk/seen.ts';
import type { Visitor } from '../../core/walk/visitors.ts';
import { quiet } from '../find.ts';
import { after, patience, within } from './bounds.ts';
import type { Engine, EngineStart, Key, SpokenNode, Tab, TabEvents } from './tab.ts';

/** The numbers that browsers have for keys, and what they write. */
const keys: Readonly<Record<Key, { code: number; text?: string }>> = {
  Tab: { code: 9 },
  Enter: { code: 13, text: '\r' },
  Escape: { code: 27 },
};

/** A Chromium, Chrome or Edge of this machine, which knows no host but this machine. */
export async function startChromium({ program, probe }: EngineStart): Promise<Engine> {
  const { chromium } = await import('playwright-core');
  const browser = await chromium.launch({
    executablePath: program,
    chromiumSandbox: process.getuid?.() !== 0,
    ignoreDefaultArgs: ['--disable-back-forward-cache'],
    // A page is where it scrolls to at once: what is drawn on the way is most of the work.
    args: [...quiet, '--disable-smooth-scrolling'],
  });
  return {
    called: `Chromium ${browser.version()}`,
    lacks: [],
    open: (visitor, size) => open(browser, visitor, { size, probe }),
    close: () => browser.close(),
  };
}

async function open(
  browser: Browser,
  visitor: Visitor,
  { size: [width, height], probe }: { size: readonly [number, number]; probe: string },
): Promise<Tab> {
  const context = await browser.newContext({
    viewport: { width, height },
    hasTouch: visitor.moves === 'touch',
    isMobile: visitor.moves === 'touch',
    javaScriptEnabled: visitor.hasScript,
    acceptDownloads: false,
    ...wishes(visitor),
  });
  context.setDefaultTimeout(patience);
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  const tab = new ChromiumTab(context, { page, session, visitor }, probe);
  if (tab.pace !== 1) {
    await session.send('Animation.enable');
    await session.send('Animation.setPlaybackRate', { playbackRate: tab.pace });
  }
  return tab;
}

/** Most of what a browser does is to draw what moves: only who asked for calm has to see how long it takes. */
const paceOf = ({ media }: Visitor): number => (media.reducedMotion ? 1 : 20);

function wishes({ media }: Visitor): BrowserContextOptions {
  return {
    ...(media.reducedMotion ? { reducedMotion: 'reduce' } : {}),
    ...(media.forcedColors ? { forcedColors: 'active' } : {}),
  };
}

class ChromiumTab implements Tab {
  readonly pace: number;
  readonly enlarges = true;
  readonly #context: BrowserContext;
  readonly #page: Page;
  readonly #session: CDPSession;
  readonly #isPaper: boolean;
  readonly #probe: string;
  #happened: TabEvents = { windows: [], questions: [] };

  constructor(
    context: BrowserContext,
    { page, session, visitor }: { page: Page; session: CDPSession; visitor: Visitor },
    probe: string,
  ) {
    this.pace = paceOf(visitor);
    this.#context = context;
    this.#page = page;
    this.#session = session;
    this.#isPaper = visitor.moves === 'paper';
    this.#probe = probe;
    context.on('page', other => {
      if (other === page) return;
      this.#happened.windows.push(other.url());
      // It asks for its page first: that is what was followed.
      void after(600)
        .then(() => other.close())
        .catch(() => undefined);
    });
    page.on('dialog', dialog => {
      if (dialog.type() !== 'beforeunload') this.#happened.questions.push(dialog.message());
      void (dialog.type() === 'beforeunload' ? dialog.accept() : dialog.dismiss()).catch(() => undefined);
    });
  }

  async load(address: string): Promise<void> {
    await this.#page.goto(address, { waitUntil: 'load' });
    // A page in a process of its own may have come without it.
    if (this.#isPaper) await this.#session.send('Emulation.setEmulatedMedia', { media: 'print' });
  }

  async ask<Told>(name: string, ...given: unknown[]): Promise<Told> {
    const call = `window.kaminoWalk ? kaminoWalk(${JSON.stringify(name)}, ${JSON.stringify(given)}) : null`;
    const first = await this.#evaluate(call, name);
    if (first !== null) return JSON.parse(first) as Told;
    await this.#evaluate(this.#probe, name);
    return JSON.parse((await this.#evaluate(call, name)) ?? 'null') as Told;
  }

  /** Straight to the page: it is asked thousands of times. */
  async #evaluate(expression: string, what: string): Promise<string | null> {
    const sent = this.#session.send('Runtime.evaluate', { expression, returnByValue: true });
    const { result, exceptionDetails } = await within(sent, `the page does not answer (${what})`);
    if (exceptionDetails) throw new Error(exceptionDetails.exception?.description ?? exceptionDetails.text);
    return (result.value ?? null) as string | null;
  }

  async resize(width: number, height: number): Promise<void> {
    await within(this.#page.setViewportSize({ width, height }), 'the window cannot be resized');
  }

  async move({ x, y }: Point): Promise<void> {
    const sent = this.#session.send('Input.dispatchMouseEvent', { x, y, type: 'mouseMoved' });
    await within(sent, 'the page does not take the pointer');
  }

  /** All of it is sent at once, as with taps and keys: the browser takes it in order. */
  async click({ x, y }: Point): Promise<void> {
    const send = (type: 'mouseMoved' | 'mousePressed' | 'mouseReleased'): Promise<unknown> =>
      this.#session.send('Input.dispatchMouseEvent', {
        x,
        y,
        type,
        button: type === 'mouseMoved' ? 'none' : 'left',
        clickCount: type === 'mouseMoved' ? 0 : 1,
      });
    const sent = Promise.all([send('mouseMoved'), send('mousePressed'), send('mouseReleased')]);
    await within(sent, 'the page does not take a click');
  }

  async tap({ x, y }: Point): Promise<void> {
    const send = (type: 'touchStart' | 'touchEnd', touchPoints: Point[]): Promise<unknown> =>
      this.#session.send('Input.dispatchTouchEvent', { type, touchPoints });
    const sent = Promise.all([send('touchStart', [{ x, y }]), send('touchEnd', [])]);
    await within(sent, 'the page does not take a tap');
  }

  async press(key: Key): Promise<void> {
    const { code, text } = keys[key];
    const named = { key, code: key, windowsVirtualKeyCode: code };
    const sent = Promise.all([
      this.#session.send('Input.dispatchKeyEvent', {
        ...named,
        ...(text ? { type: 'keyDown', text } : { type: 'rawKeyDown' }),
      }),
      this.#session.send('Input.dispatchKeyEvent', { ...named, type: 'keyUp' }),
    ]);
    await within(sent, 'the page does not take a key');
  }

  /** As the button of a browser: the page may be one that it kept. */
  async back(): Promise<void> {
    const history = this.#session.send('Page.getNavigationHistory');
    const { currentIndex, entries } = await within(history, 'the page has no history');
    const entry = entries[currentIndex - 1];
    const sent = entry && this.#session.send('Page.navigateToHistoryEntry', { entryId: entry.id });
    if (sent) await within(sent, 'the page does not go back');
  }

  async picture(box?: SeenBox, scale = 1): Promise<Uint8Array> {
    const [left, top] = scale === 1 ? [0, 0] : await this.#scrolled();
    const clip = box && {
      x: box.left + left,
      y: box.top + top,
      width: Math.max(1, box.width),
      height: Math.max(1, box.height),
    };
    if (!clip || scale === 1)
      return this.#page.screenshot({ ...(clip ? { clip } : {}), animations: 'allow', caret: 'initial' });
    const shot = this.#session.send('Page.captureScreenshot', { format: 'png', clip: { ...clip, scale } });
    return Buffer.from((await within(shot, 'the page gives no picture')).data, 'base64');
  }

  /** How far the page is scrolled: parts of a picture are counted from its beginning. */
  async #scrolled(): Promise<readonly [number, number]> {
    const metrics = this.#session.send('Page.getLayoutMetrics');
    const { cssVisualViewport } = await within(metrics, 'the page has no size');
    return [cssVisualViewport.pageX, cssVisualViewport.pageY];
  }

  events(): TabEvents {
    const happened = this.#happened;
    this.#happened = { windows: [], questions: [] };
    return happened;
  }

  async spoken(): Promise<SpokenNode[] | null> {
    const tree = this.#session.send('Accessibility.getFullAXTree');
    const { nodes } = await within(tree, 'the page has no names for screen readers');
    return nodes
      .filter(one => !one.ignored)
      .map(({ role, name, properties }) => {
        const expanded = properties?.find(one => one.name === 'expanded')?.value.value as boolean | undefined;
        return {
          role: String(role?.value ?? ''),
          name: String(name?.value ?? ''),
          isExpanded: expanded ?? null,
        };
      });
  }

  async close(): Promise<void> {
    await Promise.race([this.#context.close(), after(2000)]);
  }
}
