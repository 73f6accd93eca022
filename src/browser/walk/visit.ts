import type { SeenControl, SeenLink, SeenState } from '../../core/walk/seen.ts';
import type { Visitor } from '../../core/walk/visitors.ts';
import { type Hand, hands } from './hand.ts';
import type { WalkServer } from './server.ts';
import type { Tab } from './tab.ts';

const step = 25;
const longest = 1500;

export const pause = (time: number): Promise<void> => new Promise(done => void setTimeout(done, time));

/** One visitor in one window, and what they do in a page. */
export class Visit {
  readonly tab: Tab;
  readonly server: WalkServer;
  readonly visitor: Visitor;
  readonly hand: Hand;
  /** In CSS px. */
  readonly window: readonly [number, number];

  /** Labels whose colours have been looked at: they are the same on every page. */
  readonly sampled = new Set<string>();
  /** The page that is shown; null where nothing is known of it. */
  #page: string | null = null;

  constructor(
    tab: Tab,
    server: WalkServer,
    { visitor, window }: { visitor: Visitor; window: readonly [number, number] },
  ) {
    [this.tab, this.server, this.visitor, this.window] = [tab, server, visitor, window];
    this.hand = hands[visitor.moves](tab);
  }

  /** Opens a page of the site as the visitor has it; from then on whoever follows a link stays on it. */
  async load(page: string, hash = ''): Promise<void> {
    this.server.stays = false;
    this.#page = null;
    // What a link of the page before has opened is not of this one.
    this.tab.events();
    // An address that differs by its `#` alone would not open the page anew.
    if (hash !== '') await this.tab.load('about:blank');
    await this.tab.load(this.server.address(page, hash));
    if (this.visitor.root !== null) await this.tab.ask('dress', this.visitor.root);
    this.server.stays = true;
    this.server.asked();
    this.#page = hash === '' ? page : null;
  }

  /** Waits until what began to move has come to its end. */
  async settle(): Promise<void> {
    await pause(step);
    for (let waited = 0; waited < longest;) {
      const { isMoving, moves } = await this.state();
      if (!isMoving) return;
      const time = moves / this.tab.pace + step;
      waited += time;
      await pause(time);
    }
  }

  state(): Promise<SeenState> {
    return this.tab.ask<SeenState>('state');
  }

  links(only?: readonly number[]): Promise<SeenLink[]> {
    return this.tab.ask<SeenLink[]>('links', ...(only ? [only] : []));
  }

  controls(): Promise<SeenControl[]> {
    return this.tab.ask<SeenControl[]>('controls');
  }

  /** Whether what each control opens is open, by its number. */
  openNow(): Promise<(boolean | null)[]> {
    return this.tab.ask('openNow');
  }

  /** What comes once a page has been scrolled is there afterwards. */
  async scrollThrough(): Promise<void> {
    await this.tab.ask('scrollToEnd');
    await pause(80);
    await this.settle();
  }

  /** Opens what is not open yet of what has to be. */
  async reopen(way: readonly number[]): Promise<boolean> {
    for (const control of way) {
      const isOpen = (await this.openNow())[control];
      if (isOpen === true) continue;
      if (isOpen !== false || !(await this.hand.control(control))) return false;
      await this.settle();
    }
    return true;
  }

  /** The pointer rests on nothing, as far as a page has a corner without anything. */
  async pointAway(): Promise<void> {
    await this.tab.move({ x: 0, y: this.window[1] - 1 });
    await this.settle();
  }

  /** The page with nothing opened in it, at its beginning. */
  async fresh(page: string): Promise<void> {
    const isOther = this.#page !== page || (await this.anyOpen());
    if (isOther) await this.load(page);
    else await this.tab.ask('scrollToStart');
  }

  /** Something is open whose control can be pressed. */
  async anyOpen(): Promise<boolean> {
    if (!(await this.openNow()).includes(true)) return false;
    return (await this.controls()).some(one => one.isOpen === true && one.at !== null);
  }

  /** As `again`, from what the page is now where that is possible. */
  async open(page: string, way: readonly number[]): Promise<boolean> {
    return (this.#page === page && (await this.reopen(way))) || this.again(page, way);
  }

  /** Opens the page, and what has to be opened in it, one control after the other. */
  async again(page: string, way: readonly number[]): Promise<boolean> {
    await this.load(page);
    for (const control of way) {
      if (!(await this.hand.control(control))) return false;
      await this.settle();
    }
    return true;
  }
}
