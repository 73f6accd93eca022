/** A way of using a site: device, input and abilities together. */
export interface Visitor {
  /** By which it is asked for. */
  name: string;
  /** As people call it. */
  called: string;
  moves: 'pointer' | 'keys' | 'touch' | 'paper';
  /** Windows in which all is tried, in CSS px: what counts is the one where it is hardest. */
  windows: readonly (readonly [width: number, height: number])[];
  /** What a file server does not give. */
  lost: 'script' | 'sheet' | null;
  hasScript: boolean;
  /** What the page is told of the visitor’s wishes. */
  media: Readonly<Partial<Record<'reducedMotion' | 'forcedColors', string>>>;
  /** Every entry is followed; otherwise one of each way to entries: a link is pressed like the one beside it. */
  followsAll: boolean;
  /** What is set on the root of each page. */
  root: 'rtl' | 'text-200' | null;
}

const usual: Omit<Visitor, 'name' | 'called'> = {
  moves: 'pointer',
  windows: [[1280, 800]],
  lost: null,
  hasScript: true,
  media: {},
  followsAll: false,
  root: null,
};
const phone = [390, 844] as const;
const wide = [1280, 800] as const;

/** Whoever comes, however they come, in the order of the matrix. */
export const visitors: readonly Visitor[] = [
  { ...usual, followsAll: true, name: 'mouse', called: 'mouse, wide window' },
  { ...usual, followsAll: true, name: 'keyboard', called: 'keyboard, wide window', moves: 'keys' },
  { ...usual, followsAll: true, name: 'touch', called: 'touch, 390 px', moves: 'touch', windows: [phone] },
  { ...usual, name: 'narrow-keyboard', called: 'keyboard, 390 px', moves: 'keys', windows: [phone] },
  { ...usual, name: 'zoomed', called: 'zoomed to 320 px', windows: [[320, 256]] },
  { ...usual, name: 'large-text', called: 'text at 200 %', root: 'text-200' },
  { ...usual, name: 'calm', called: 'reduced motion', media: { reducedMotion: 'reduce' } },
  { ...usual, name: 'forced-colors', called: 'forced colours', media: { forcedColors: 'active' } },
  { ...usual, name: 'right-to-left', called: 'right to left', root: 'rtl' },
  {
    ...usual,
    followsAll: true,
    name: 'no-script',
    called: 'scripts switched off',
    hasScript: false,
    windows: [wide, phone],
  },
  { ...usual, name: 'lost-script', called: 'script file lost', lost: 'script', windows: [wide, phone] },
  { ...usual, name: 'lost-style', called: 'style sheet lost', lost: 'sheet', windows: [wide, phone] },
  { ...usual, name: 'paper', called: 'on paper', moves: 'paper', windows: [[794, 1123]] },
];

export function visitorOf(name: string): Visitor | null {
  return visitors.find(one => one.name === name) ?? null;
}
