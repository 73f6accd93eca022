import type { Point } from '../../core/walk/seen.ts';
import type { Key } from './tab.ts';

/** Keys that have no sign, by the table of WebDriver (https://www.w3.org/TR/webdriver2/#keyboard-actions). */
const keys: Readonly<Record<Key, string>> = { Tab: '\ue004', Enter: '\ue007', Escape: '\ue00c' };

const down = { type: 'pointerDown', button: 0 };
const up = { type: 'pointerUp', button: 0 };
const moved = ({ x, y }: Point): object => ({
  type: 'pointerMove',
  x: Math.round(x),
  y: Math.round(y),
  duration: 0,
});

/** A window that is pointed at and typed into by actions, as both protocols of WebDriver have them. */
export abstract class ActingTab {
  /** @param otherwise what is wrong where nothing comes */
  protected abstract act(actions: readonly object[], otherwise: string): Promise<void>;

  async move(at: Point): Promise<void> {
    await this.#point('mouse', [moved(at)], 'the page does not take the pointer');
  }

  async click(at: Point): Promise<void> {
    await this.#point('mouse', [moved(at), down, up], 'the page does not take a click');
  }

  async tap(at: Point): Promise<void> {
    await this.#point('touch', [moved(at), down, up], 'the page does not take a tap');
  }

  async #point(pointerType: 'mouse' | 'touch', actions: readonly object[], otherwise: string): Promise<void> {
    await this.act([{ type: 'pointer', id: pointerType, parameters: { pointerType }, actions }], otherwise);
  }

  async press(key: Key): Promise<void> {
    const actions = (['keyDown', 'keyUp'] as const).map(type => ({ type, value: keys[key] }));
    await this.act([{ type: 'key', id: 'keys', actions }], 'the page does not take a key');
  }
}
