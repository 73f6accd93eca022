import type { Point, SeenBox } from '../../../core/walk/seen.ts';
import { within } from '../bounds.ts';
import type { Key, SpokenNode, Tab, TabEvents } from '../tab.ts';
import type { ChromiumWindow } from './window.ts';

/** The numbers that browsers have for keys, and what they write. */
const keys: Readonly<Record<Key, { code: number; text?: string }>> = {
  Tab: { code: 9 },
  Enter: { code: 13, text: '\r' },
  Escape: { code: 27 },
};

/** What is seen and done in a window of Chromium. */
export class ChromiumTab implements Tab {
  readonly pace: number;
  readonly enlarges = true;
  readonly #window: ChromiumWindow;
  readonly #probe: string;

  /** @param probe see `EngineStart` */
  constructor(window: ChromiumWindow, probe: string) {
    [this.#window, this.#probe, this.pace] = [window, probe, window.pace];
  }

  load(address: string): Promise<void> {
    return this.#window.load(address);
  }

  async ask<Told>(name: string, ...given: unknown[]): Promise<Told> {
    const call = `window.kaminoWalk ? kaminoWalk(${JSON.stringify(name)}, ${JSON.stringify(given)}) : null`;
    const first = await this.#evaluate(call, name);
    if (first !== null) return JSON.parse(first) as Told;
    await this.#evaluate(this.#probe, name);
    return JSON.parse((await this.#evaluate(call, name)) ?? 'null') as Told;
  }

  async #evaluate(expression: string, what: string): Promise<string | null> {
    const sent = this.#window.send<Evaluated>('Runtime.evaluate', { expression, returnByValue: true });
    const { result, exceptionDetails } = await within(sent, `the page does not answer (${what})`);
    if (exceptionDetails) throw new Error(exceptionDetails.exception?.description ?? exceptionDetails.text);
    return result.value ?? null;
  }

  resize(width: number, height: number): Promise<void> {
    return this.#window.resize(width, height);
  }

  async move({ x, y }: Point): Promise<void> {
    const sent = this.#window.send('Input.dispatchMouseEvent', { x, y, type: 'mouseMoved' });
    await within(sent, 'the page does not take the pointer');
  }

  /** All of it is sent at once, as with taps and keys: the browser takes it in order. */
  async click({ x, y }: Point): Promise<void> {
    const send = (type: 'mouseMoved' | 'mousePressed' | 'mouseReleased'): Promise<unknown> =>
      this.#window.send('Input.dispatchMouseEvent', {
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
      this.#window.send('Input.dispatchTouchEvent', { type, touchPoints });
    const sent = Promise.all([send('touchStart', [{ x, y }]), send('touchEnd', [])]);
    await within(sent, 'the page does not take a tap');
  }

  async press(key: Key): Promise<void> {
    const { code, text } = keys[key];
    const named = { key, code: key, windowsVirtualKeyCode: code };
    const down = text ? { type: 'keyDown', text } : { type: 'rawKeyDown' };
    const sent = Promise.all([
      this.#window.send('Input.dispatchKeyEvent', { ...named, ...down }),
      this.#window.send('Input.dispatchKeyEvent', { ...named, type: 'keyUp' }),
    ]);
    await within(sent, 'the page does not take a key');
  }

  /** As the button of a browser: the page may be one that it kept. */
  async back(): Promise<void> {
    const history = this.#window.send<{ currentIndex: number; entries: { id: number }[] }>(
      'Page.getNavigationHistory',
    );
    const { currentIndex, entries } = await within(history, 'the page has no history');
    const entry = entries[currentIndex - 1];
    const sent = entry && this.#window.send('Page.navigateToHistoryEntry', { entryId: entry.id });
    if (sent) await within(sent, 'the page does not go back');
  }

  async picture(box?: SeenBox, scale = 1): Promise<Uint8Array> {
    const [left, top] = box ? await this.#scrolled() : [0, 0];
    const clip = box && {
      x: box.left + left,
      y: box.top + top,
      width: Math.max(1, box.width),
      height: Math.max(1, box.height),
      scale,
    };
    const shot = this.#window.send<{ data: string }>('Page.captureScreenshot', {
      format: 'png',
      ...(clip ? { clip } : {}),
    });
    return Buffer.from((await within(shot, 'the page gives no picture')).data, 'base64');
  }

  /** How far the page is scrolled: parts of a picture are counted from its beginning. */
  async #scrolled(): Promise<readonly [number, number]> {
    const metrics = this.#window.send<{ cssVisualViewport: { pageX: number; pageY: number } }>(
      'Page.getLayoutMetrics',
    );
    const { cssVisualViewport } = await within(metrics, 'the page has no size');
    return [cssVisualViewport.pageX, cssVisualViewport.pageY];
  }

  events(): TabEvents {
    return this.#window.events();
  }

  async spoken(): Promise<SpokenNode[] | null> {
    const tree = this.#window.send<{ nodes: SpeakingNode[] }>('Accessibility.getFullAXTree');
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

  close(): Promise<void> {
    return this.#window.close();
  }
}

interface Evaluated {
  result: { value?: string | null };
  exceptionDetails?: { text: string; exception?: { description?: string } };
}

interface SpeakingNode {
  ignored: boolean;
  role?: { value?: unknown };
  name?: { value?: unknown };
  properties?: { name: string; value: { value?: unknown } }[];
}
