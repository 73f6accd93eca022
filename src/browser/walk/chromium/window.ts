import type { Visitor } from '../../../core/walk/visitors.ts';
import { after, patience, within } from '../bounds.ts';
import type { BrowserEvent, BrowserSession } from '../session.ts';
import type { TabEvents } from '../tab.ts';

/** Most of what a browser does is to draw what moves: only who asked for calm has to see how long it takes. */
const paceOf = ({ media }: Visitor): number => (media.reducedMotion ? 1 : 20);

const loaded = 'loaded';

export interface Opening {
  visitor: Visitor;
  /** In CSS px. */
  size: readonly [number, number];
}

/** How a window is known to its browser. */
interface Ids {
  browserContextId: string;
  targetId: string;
  sessionId: string;
}

/** A window of Chromium as the browser knows it, with nothing of what other windows keep. */
export class ChromiumWindow {
  readonly pace: number;
  readonly #session: BrowserSession;
  readonly #ids: Ids;
  readonly #visitor: Visitor;
  readonly #unhear: () => void;
  #happened: TabEvents = { windows: [], questions: [] };
  /** What has come since a page was asked for: documents by their numbers, and that all of the last one is there. */
  #come: string[] = [];
  #onCome: (() => void) | null = null;

  private constructor(session: BrowserSession, ids: Ids, { visitor }: Opening) {
    [this.#session, this.#ids, this.#visitor] = [session, ids, visitor];
    this.pace = paceOf(visitor);
    this.#unhear = session.on(event => {
      this.#hear(event);
    });
  }

  static async open(session: BrowserSession, opening: Opening): Promise<ChromiumWindow> {
    const ids = (async (): Promise<Ids> => {
      const { browserContextId } = await session.send<Ids>('Target.createBrowserContext');
      const target = { url: 'about:blank', browserContextId };
      const { targetId } = await session.send<Ids>('Target.createTarget', target);
      const attached = session.send<Ids>('Target.attachToTarget', { targetId, flatten: true });
      return { browserContextId, targetId, sessionId: (await attached).sessionId };
    })();
    // A browser that has just started has much to do.
    const made = new ChromiumWindow(session, await within(ids, 'no window opens', 6 * patience), opening);
    await made.#prepare(opening);
    return made;
  }

  async #prepare({ visitor, size }: Opening): Promise<void> {
    const isTouched = visitor.moves === 'touch';
    const { browserContextId } = this.#ids;
    const isCalm = this.pace === 1;
    const asked = [
      this.send('Page.enable'),
      this.send('Emulation.setFocusEmulationEnabled', { enabled: true }),
      this.#session.send('Browser.setDownloadBehavior', { behavior: 'deny', browserContextId }),
      ...(isTouched ? [this.send('Emulation.setTouchEmulationEnabled', { enabled: true })] : []),
      ...(visitor.hasScript ? [] : [this.send('Emulation.setScriptExecutionDisabled', { value: true })]),
      ...(isCalm ? [] : [this.send('Animation.enable')]),
      ...(isCalm ? [] : [this.send('Animation.setPlaybackRate', { playbackRate: this.pace })]),
      this.#dress(),
      this.resize(...size),
    ];
    await within(Promise.all(asked), 'no window opens', 6 * patience);
  }

  /** What the page is told of the visitor. */
  #dress(): Promise<unknown> {
    const { media, moves } = this.#visitor;
    const wishes = {
      'prefers-color-scheme': 'light',
      'prefers-reduced-motion': media.reducedMotion ?? 'no-preference',
      'forced-colors': media.forcedColors ?? 'none',
      'prefers-contrast': 'no-preference',
    };
    return this.send('Emulation.setEmulatedMedia', {
      media: moves === 'paper' ? 'print' : '',
      features: Object.entries(wishes).map(([name, value]) => ({ name, value })),
    });
  }

  /** A command to this window. */
  send<Result = unknown>(method: string, params: object = {}): Promise<Result> {
    return this.#session.send<Result>(method, params, this.#ids.sessionId);
  }

  #hear({ method, params, sessionId }: BrowserEvent): void {
    if (method === 'Target.targetCreated') this.#opened(params['targetInfo'] as OtherTarget);
    if (sessionId !== this.#ids.sessionId) return;
    if (method === 'Page.frameNavigated') {
      const { parentId, loaderId } = params['frame'] as { parentId?: string; loaderId: string };
      if (parentId === undefined) this.#come.push(loaderId);
    } else if (method === 'Page.loadEventFired') {
      this.#come.push(loaded);
      this.#onCome?.();
    } else if (method === 'Page.javascriptDialogOpening') {
      const isLeaving = params['type'] === 'beforeunload';
      if (!isLeaving) this.#happened.questions.push(String(params['message']));
      this.send('Page.handleJavaScriptDialog', { accept: isLeaving }).catch(() => undefined);
    }
  }

  /** A window that a page of this one opens. */
  #opened({ type, url, targetId, browserContextId }: OtherTarget): void {
    const isOther = browserContextId === this.#ids.browserContextId && targetId !== this.#ids.targetId;
    if (!isOther || type !== 'page') return;
    this.#happened.windows.push(url);
    // It asks for its page first: that is what was followed.
    void after(600).then(() => this.#session.send('Target.closeTarget', { targetId }).catch(() => undefined));
  }

  async load(address: string): Promise<void> {
    await within(this.#navigate(address), `it does not come within ${patience / 1000} s`);
    // A page in a process of its own may have come without it.
    if (this.#visitor.moves === 'paper') await this.#dress();
  }

  /** A page that sends on at once is there with the one that it leads to. */
  async #navigate(url: string): Promise<void> {
    this.#come = [];
    const { loaderId, errorText } = await this.send<{ loaderId?: string; errorText?: string }>(
      'Page.navigate',
      { url },
    );
    if (errorText) throw new Error(errorText);
    if (loaderId === undefined) return;
    const isThere = (): boolean => {
      const at = this.#come.indexOf(loaderId);
      return at >= 0 && this.#come.includes(loaded, at);
    };
    while (!isThere())
      await new Promise<void>(done => {
        this.#onCome = done;
      });
  }

  async resize(width: number, height: number): Promise<void> {
    const isWide = width > height;
    const sent = this.send('Emulation.setDeviceMetricsOverride', {
      width,
      height,
      screenWidth: width,
      screenHeight: height,
      deviceScaleFactor: 1,
      mobile: this.#visitor.moves === 'touch',
      screenOrientation: isWide
        ? { angle: 90, type: 'landscapePrimary' }
        : { angle: 0, type: 'portraitPrimary' },
    });
    await within(sent, 'the window cannot be resized');
  }

  events(): TabEvents {
    const happened = this.#happened;
    this.#happened = { windows: [], questions: [] };
    return happened;
  }

  async close(): Promise<void> {
    this.#unhear();
    const { browserContextId } = this.#ids;
    const closed = this.#session.send('Target.disposeBrowserContext', { browserContextId });
    await Promise.race([closed.catch(() => undefined), after(2000)]);
  }
}

interface OtherTarget {
  type: string;
  url: string;
  targetId: string;
  browserContextId?: string;
}
