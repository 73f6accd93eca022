import type { SeenBox } from '../../../core/walk/seen.ts';
import { after, within } from '../bounds.ts';
import { ActingTab } from '../actions.ts';
import type { SpokenNode, Tab, TabEvents } from '../tab.ts';
import { type WebkitProcess, screen } from './process.ts';

/** So long a window takes at the most to have its new size, in ms. */
const settling = 400;

/** The only window of a WebKit. */
export class WebkitTab extends ActingTab implements Tab {
  readonly pace = 1;
  readonly enlarges = false;
  readonly #process: WebkitProcess;
  readonly #probe: string;
  #windows: string[] = [];
  /** What the browser draws around a page, in px. */
  #around: readonly [number, number] = [0, 0];

  constructor(process: WebkitProcess, probe: string) {
    super();
    [this.#process, this.#probe] = [process, probe];
  }

  #send<Value>(path: string, body: object, otherwise: string): Promise<Value> {
    return within(this.#process.send<Value>('POST', path, body), otherwise);
  }

  async load(address: string): Promise<void> {
    await this.#send('/url', { url: address }, 'the page does not come');
    await this.#closeOthers();
  }

  /** Windows that a page has opened. */
  async #closeOthers(): Promise<void> {
    const [own, ...others] = await within(
      this.#process.send<string[]>('GET', '/window/handles'),
      'the browser has no windows',
    );
    for (const handle of others) {
      await this.#send('/window', { handle }, 'a window does not answer');
      this.#windows.push(await within(this.#process.send<string>('GET', '/url'), 'a window does not answer'));
      await within(this.#process.send('DELETE', '/window'), 'a window does not close');
    }
    if (others.length > 0) await this.#send('/window', { handle: own }, 'the window does not answer');
  }

  async ask<Told>(name: string, ...given: unknown[]): Promise<Told> {
    const call = `return window.kaminoWalk ? kaminoWalk(${JSON.stringify(name)}, ${JSON.stringify(given)}) : null`;
    const first = await this.#evaluate<string | null>(call, name);
    if (first !== null) return JSON.parse(first) as Told;
    await this.#evaluate(`${this.#probe};return null`, name);
    return JSON.parse((await this.#evaluate<string | null>(call, name)) ?? 'null') as Told;
  }

  #evaluate<Value>(script: string, what: string): Promise<Value> {
    return this.#send('/execute/sync', { script, args: [] }, `the page does not answer (${what})`);
  }

  /** As near as the browser can: its own parts need some width. */
  async resize(width: number, height: number): Promise<void> {
    const inner = (): Promise<[number, number]> => this.#evaluate('return [innerWidth, innerHeight]', 'size');
    for (let waited = 0; waited <= settling; waited += 50) {
      const [wide, high] = [width + this.#around[0], height + this.#around[1]];
      // In the middle of the screen lies its pointer, and a window without it has not the focus.
      const [x, y] = [(screen[0] - wide) / 2, (screen[1] - high) / 2].map(one =>
        Math.max(0, Math.floor(one)),
      );
      const rect = { x, y, width: wide, height: high };
      const now = await this.#send<{ width: number; height: number }>(
        '/window/rect',
        rect,
        'the window cannot be resized',
      );
      const [has, stands] = await inner();
      if (has === width && stands === height) return;
      this.#around = [now.width === wide ? now.width - has : 0, now.height - stands];
      await after(50);
    }
  }

  protected async act(actions: readonly object[], otherwise: string): Promise<void> {
    await this.#send('/actions', { actions }, otherwise);
  }

  async back(): Promise<void> {
    await this.#send('/back', {}, 'the page does not go back');
  }

  /** Of the whole window, where what cuts pictures is not installed. */
  async picture(box?: SeenBox): Promise<Uint8Array> {
    const shot = within(this.#process.send<string>('GET', '/screenshot'), 'the page gives no picture');
    const whole = Buffer.from(await shot, 'base64');
    if (!box) return whole;
    const sharp = await import('sharp').then(
      one => one.default,
      () => null,
    );
    if (!sharp) return whole;
    const [left, top] = [Math.max(0, Math.floor(box.left)), Math.max(0, Math.floor(box.top))];
    const [width, height] = [Math.max(1, Math.ceil(box.width)), Math.max(1, Math.ceil(box.height))];
    return sharp(whole).extract({ left, top, width, height }).png().toBuffer();
  }

  events(): TabEvents {
    const happened = { windows: this.#windows, questions: this.#process.questions };
    this.#windows = [];
    this.#process.questions = [];
    return happened;
  }

  /** The protocol has no tree for screen readers. */
  spoken(): Promise<SpokenNode[] | null> {
    return Promise.resolve(null);
  }

  close(): Promise<void> {
    return this.#process.close();
  }
}
