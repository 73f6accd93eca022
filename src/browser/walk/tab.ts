import type { Point, SeenBox } from '../../core/walk/seen.ts';
import type { Visitor } from '../../core/walk/visitors.ts';

/** Keys that are pressed, by their names in `KeyboardEvent.key`. */
export type Key = 'Tab' | 'Enter' | 'Escape';

/** A window of a browser, as a visitor has it. Everything has a bound of time, and fails behind it. */
export interface Tab {
  /** So many times as fast as written things move in it. */
  readonly pace: number;
  /** Whether it draws parts of a page larger than they are. */
  readonly enlarges: boolean;
  /** Opens an address. @throws where the page does not come */
  load: (address: string) => Promise<void>;
  /** Asks the script in the page; it is put there where it is not yet. */
  ask: <Told>(name: string, ...given: unknown[]) => Promise<Told>;
  resize: (width: number, height: number) => Promise<void>;
  move: (to: Point) => Promise<void>;
  click: (at: Point) => Promise<void>;
  tap: (at: Point) => Promise<void>;
  press: (key: Key) => Promise<void>;
  back: () => Promise<void>;
  /** A picture (PNG) of what the window shows, or of a part of it, drawn so many times as large. */
  picture: (box?: SeenBox, scale?: number) => Promise<Uint8Array>;
  /** What has happened since it was asked last: windows that opened, questions, errors of scripts. */
  events: () => TabEvents;
  /** Names and roles as screen readers get them; null where the browser does not say. */
  spoken: () => Promise<SpokenNode[] | null>;
  close: () => Promise<void>;
}

export interface TabEvents {
  windows: string[];
  questions: string[];
}

/** A node of the accessibility tree. */
export interface SpokenNode {
  role: string;
  name: string;
  isExpanded: boolean | null;
}

/** A real browser. */
export interface Engine {
  /** Its name and version. */
  called: string;
  /** Names of visitors whom it cannot be. */
  lacks: readonly string[];
  /** @param window in CSS px */
  open: (visitor: Visitor, window: readonly [number, number]) => Promise<Tab>;
  close: () => Promise<void>;
}

/** How an engine may be started. */
export interface EngineStart {
  program: string;
  /** The script that is put into pages; see `client/own/walk`. */
  probe: string;
}
