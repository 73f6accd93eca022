import { ranges, widths } from './fallback-widths.ts';

/** The width of a text in em, at least and at most: they differ where the font is not known. */
export interface TextWidth {
  least: number;
  most: number;
}

/** What system fonts people see where a plan names none that is known: each stands for those of the same widths. */
const families: Readonly<Record<string, readonly string[]>> = {
  arial: ['arial', 'helvetica', 'helvetica neue', 'liberation sans', 'nimbus sans', 'arimo'],
  times: ['times', 'times new roman', 'liberation serif', 'tinos'],
  calibri: ['calibri', 'carlito', 'candara'],
  roboto: [
    'roboto',
    'segoe ui',
    'system-ui',
    '-apple-system',
    'ui-sans-serif',
    'inter',
    'noto sans',
    'ubuntu',
  ],
  dejavu: ['verdana', 'dejavu sans', 'tahoma', 'bitstream vera sans'],
  dejavuSerif: ['dejavu serif', 'bitstream vera serif'],
  mono: [
    'courier',
    'courier new',
    'liberation mono',
    'dejavu sans mono',
    'menlo',
    'monaco',
    'consolas',
    'ui-monospace',
  ],
};
const generic: Readonly<Record<string, readonly string[]>> = {
  'sans-serif': ['arial', 'roboto', 'dejavu'],
  'ui-sans-serif': ['arial', 'roboto', 'dejavu'],
  'system-ui': ['arial', 'roboto', 'dejavu'],
  serif: ['times', 'dejavu', 'dejavuSerif'],
  'ui-serif': ['times', 'dejavu', 'dejavuSerif'],
  monospace: ['mono'],
};

const offsets = ((): readonly (readonly [from: number, to: number, start: number])[] => {
  let start = 0;
  return ranges.map(([from, to]) => {
    const here = [from, to, start] as const;
    start += to - from + 1;
    return here;
  });
})();

const tables = new Map<string, readonly number[]>();

function tableOf(name: string, isBold: boolean): readonly number[] {
  const key = `${name} ${isBold}`;
  const known = tables.get(key) ?? widths[name]![isBold ? 1 : 0].split(' ').map(Number);
  tables.set(key, known);
  return known;
}

/** The tables that a list of families may stand for: all, where it says nothing. */
function tablesFor(list: string | null): string[] {
  const names = (list ?? 'sans-serif, serif').split(',').map(one =>
    one
      .trim()
      .replace(/^["']|["']$/g, '')
      .toLowerCase(),
  );
  const found = names.flatMap(name => {
    const own = Object.keys(families).filter(table => families[table]!.includes(name));
    return own.length > 0 ? own : [...(generic[name] ?? [])];
  });
  return found.length > 0 ? [...new Set(found)] : ['arial', 'roboto', 'dejavu', 'dejavuSerif', 'times'];
}

/** How wide a text is in any of the fonts that may show it. */
export function fallbackWidth(text: string, family: string | null, weight: number): TextWidth {
  const all = tablesFor(family).map(name => widthIn(text, tableOf(name, weight >= 600)));
  return { least: Math.min(...all), most: Math.max(...all) };
}

function widthIn(text: string, table: readonly number[]): number {
  let sum = 0;
  for (const letter of text) sum += letterWidth(letter.codePointAt(0)!, table);
  return sum / 1000;
}

function letterWidth(code: number, table: readonly number[]): number {
  const range = offsets.find(([from, to]) => code >= from && code <= to);
  if (range) return table[range[2] + code - range[0]]!;
  if (/\p{M}|\p{Cf}/u.test(String.fromCodePoint(code))) return 0;
  // Ideographs and pictures fill a square; other letters are about as wide as an o.
  if (code >= 0x2e80) return 1000;
  return table[offsets[0]![2] + 0x6f - 0x20]! * 1.1;
}
