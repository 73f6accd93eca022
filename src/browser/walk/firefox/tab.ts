import type { SeenBox } from '../../../core/walk/seen.ts';
import { after, patience, within } from '../bounds.ts';
import { ActingTab } from '../actions.ts';
import type { Key, SpokenNode, Tab, TabEvents } from '../tab.ts';
import type { BrowserEvent, BrowserSession } from '../session.ts';

type Evaluated =
  | { type: 'success'; result: { value?: string | null } }
  | { type: 'exception'; exceptionDetails: { text: string } };

/** A window of Firefox. */
export class FirefoxTab extends ActingTab implements Tab {
  readonly pace = 1;
  readonly enlarges = true;
  readonly #session: BrowserSession;
  readonly #context: string;
  readonly #user: string;
  readonly #probe: string;
  readonly #unhear: () => void;
  #size: readonly [number, number];
  /** A tab is being opened by us. */
  #isAside = false;
  #happened: TabEvents = { windows: [], questions: [] };
  /** Ends the browser, where this is its only window. */
  onClose: (() => Promise<void>) | null = null;

  private constructor(
    session: BrowserSession,
    { context, user, size }: { context: string; user: string; size: readonly [number, number] },
    probe: string,
  ) {
    super();
    [this.#session, this.#context, this.#user, this.#size, this.#probe] = [
      session,
      context,
      user,
      size,
      probe,
    ];
    this.#unhear = session.on(event => {
      this.#hear(event);
    });
  }

  /** A window beside others. @param size in CSS px */
  static async open(
    session: BrowserSession,
    size: readonly [number, number],
    probe: string,
  ): Promise<FirefoxTab> {
    const { userContext: user } = await session.send<{ userContext: string }>('browser.createUserContext');
    const made = session.send<{ context: string }>('browsingContext.create', {
      type: 'window',
      userContext: user,
    });
    // A browser that has just started has much to do.
    const { context } = await within(made, 'no window opens', 6 * patience);
    const tab = new FirefoxTab(session, { context, user, size }, probe);
    await tab.resize(...size);
    return tab;
  }

  #hear({ method, params }: BrowserEvent): void {
    if (method === 'browsingContext.userPromptOpened' && params['context'] === this.#context) {
      const isLeaving = params['type'] === 'beforeunload';
      if (!isLeaving) this.#happened.questions.push(String(params['message']));
      this.#quietly('browsingContext.handleUserPrompt', { context: this.#context, accept: isLeaving });
    }
    const isOther =
      method === 'browsingContext.contextCreated' &&
      params['parent'] === null &&
      params['userContext'] === this.#user &&
      params['context'] !== this.#context &&
      !this.#isAside;
    if (!isOther) return;
    this.#happened.windows.push(String(params['url']));
    // It asks for its page first: that is what was followed.
    void after(600).then(() => {
      this.#quietly('browsingContext.close', { context: params['context'] });
    });
  }

  #quietly(method: string, params: object): void {
    this.#session.send(method, params).catch(() => undefined);
  }

  #send<Result>(method: string, params: object, otherwise: string): Promise<Result> {
    return within(this.#session.send<Result>(method, { context: this.#context, ...params }), otherwise);
  }

  async load(address: string): Promise<void> {
    await this.#send(
      'browsingContext.navigate',
      { url: address, wait: 'complete' },
      'the page does not come',
    );
  }

  async ask<Told>(name: string, ...given: unknown[]): Promise<Told> {
    const call = `window.kaminoWalk ? kaminoWalk(${JSON.stringify(name)}, ${JSON.stringify(given)}) : null`;
    if (name.startsWith('focus')) await this.#front();
    const first = await this.#evaluate(call, name);
    if (first !== null) return JSON.parse(first) as Told;
    await this.#evaluate(`${this.#probe};null`, name);
    return JSON.parse((await this.#evaluate(call, name)) ?? 'null') as Told;
  }

  async #evaluate(expression: string, what: string): Promise<string | null> {
    const sent = this.#session.send<Evaluated>('script.evaluate', {
      expression,
      target: { context: this.#context },
      awaitPromise: false,
    });
    const answer = await within(sent, `the page does not answer (${what})`);
    if (answer.type === 'exception') throw new Error(answer.exceptionDetails.text);
    return answer.result.value ?? null;
  }

  async resize(width: number, height: number): Promise<void> {
    this.#size = [width, height];
    await this.#view(1);
  }

  async #view(scale: number): Promise<void> {
    const [width, height] = this.#size;
    const view = { viewport: { width, height }, devicePixelRatio: scale === 1 ? null : scale };
    await this.#send('browsingContext.setViewport', view, 'the window cannot be resized');
  }

  protected async act(actions: readonly object[], otherwise: string): Promise<void> {
    await this.#send('input.performActions', { actions }, otherwise);
  }

  override async press(key: Key): Promise<void> {
    await this.#front();
    await super.press(key);
  }

  /** Where keys go: behind the last stop of a page it is the browser itself that has them, until another tab was looked at. */
  async #front(): Promise<void> {
    if ((await this.#evaluate('String(document.hasFocus())', 'focus')) === 'true') return;
    const otherwise = 'the page does not get the focus';
    this.#isAside = true;
    const made = this.#session.send<{ context: string }>('browsingContext.create', {
      type: 'tab',
      referenceContext: this.#context,
    });
    const { context } = await within(made, otherwise).finally(() => {
      this.#isAside = false;
    });
    await this.#send('browsingContext.activate', {}, otherwise);
    await within(this.#session.send('browsingContext.close', { context }), otherwise);
  }

  async back(): Promise<void> {
    await this.#send('browsingContext.traverseHistory', { delta: -1 }, 'the page does not go back');
  }

  async picture(box?: SeenBox, scale = 1): Promise<Uint8Array> {
    const clip = box && {
      type: 'box',
      x: box.left,
      y: box.top,
      width: Math.max(1, box.width),
      height: Math.max(1, box.height),
    };
    if (scale !== 1) await this.#view(scale);
    try {
      const given = clip ? { clip } : {};
      const otherwise = 'the page gives no picture';
      const { data } = await this.#send<{ data: string }>(
        'browsingContext.captureScreenshot',
        given,
        otherwise,
      );
      return Buffer.from(data, 'base64');
    } finally {
      if (scale !== 1) await this.#view(1);
    }
  }

  events(): TabEvents {
    const happened = this.#happened;
    this.#happened = { windows: [], questions: [] };
    return happened;
  }

  /** The protocol has no tree for screen readers. */
  spoken(): Promise<SpokenNode[] | null> {
    return Promise.resolve(null);
  }

  async close(): Promise<void> {
    this.#unhear();
    if (this.onClose) return this.onClose();
    const closed = this.#session.send('browser.removeUserContext', { userContext: this.#user });
    await Promise.race([closed.catch(() => undefined), after(2000)]);
  }
}
