import type { Reach, ReachedPage } from '../check/reach.ts';
import { compare } from '../text/finding.ts';
import { counted } from '../text/nearest.ts';
import { escapeMarkup } from '../text/references.ts';

const width = 1280;
const [edge, gap, line, pad] = [40, 20, 24, 16];
const columns = 4;
const cardWidth = (width - 2 * edge - (columns - 1) * gap) / columns;

/** Pages that are reached in one way: by one menu, or by links in the text. */
interface Card {
  title: string;
  pages: ReachedPage[];
}

/** The site as links lead through it, drawn as SVG: a band for each number of links, a card for each menu in it. */
export function reachSvg({ pages, front }: Reach): string {
  const home = pages.find(one => one.page === front);
  const bands = bandsOf(pages);
  let y = 128;
  const drawn = bands.map(({ title, cards, isLost }) => {
    const { markup, height } = band(cards, y + 46, isLost);
    const head = `<text class="band${isLost ? ' lost' : ''}" x="${edge}" y="${y + 24}">${escapeMarkup(title)}</text>`;
    const rule = `<line class="rule" x1="${edge}" x2="${width - edge}" y1="${y}" y2="${y}"/>`;
    y += 46 + height + 28;
    return rule + head + markup;
  });
  const sections = pages.reduce((sum, one) => sum + one.sections.length, 0);
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${y + 12}" width="${width}" height="${y + 12}" role="img" aria-label="How links lead through the site">
<style>${style}</style>
<rect class="paper" width="100%" height="100%"/>
<text class="title" x="${edge}" y="64">${escapeMarkup(shortened(home?.title ?? 'No front page', 60))}</text>
<text class="about" x="${edge}" y="92">${counted(pages.length, 'page')}, ${counted(sections, 'section')}; the links that have to be followed from the front page</text>
${drawn.join('\n')}
</svg>
`;
}

interface Band {
  title: string;
  cards: Card[];
  isLost: boolean;
}

function bandsOf(pages: readonly ReachedPage[]): Band[] {
  const depths = new Map<number | null, ReachedPage[]>();
  for (const one of pages)
    if (one.depth !== 0) depths.set(one.depth, [...(depths.get(one.depth) ?? []), one]);
  return [...depths].map(([depth, own]) => ({
    title: depth === null ? 'No link leads here' : `${counted(depth, 'link')} away`,
    cards: depth === null ? [{ title: counted(own.length, 'page'), pages: own }] : cardsOf(own),
    isLost: depth === null,
  }));
}

/** The largest first. */
function cardsOf(pages: readonly ReachedPage[]): Card[] {
  const ways = new Map<string, ReachedPage[]>();
  for (const one of pages) {
    const title = one.menu ?? 'Links in the text';
    ways.set(title, [...(ways.get(title) ?? []), one]);
  }
  return [...ways]
    .map(([title, own]) => ({ title, pages: own }))
    .sort((one, other) => other.pages.length - one.pages.length || compare(one.title, other.title));
}

/** Cards side by side, each over as many columns as it needs to be no higher than the others. */
function band(cards: readonly Card[], top: number, isLost: boolean): { markup: string; height: number } {
  const spans = spansOf(cards.map(one => one.pages.length));
  let [x, y, row, height] = [0, top, 0, 0];
  const parts = cards.map((card, at) => {
    const span = spans[at]!;
    if (x + span > columns) [x, y, row] = [0, y + row + gap, 0];
    const own = cardOf(card, { x: edge + x * (cardWidth + gap), y, span, isLost });
    x += span;
    row = Math.max(row, own.height);
    height = y + row - top;
    return own.markup;
  });
  return { markup: parts.join(''), height };
}

/** What room is left goes to the cards that would be highest. */
function spansOf(counts: readonly number[]): number[] {
  const spans = counts.map(() => 1);
  for (let left = columns - counts.length; left > 0; left -= 1) {
    const rows = counts.map((count, at) => Math.ceil(count / spans[at]!));
    const most = Math.max(...rows);
    if (most > 1) spans[rows.indexOf(most)]! += 1;
  }
  return spans;
}

interface Spot {
  x: number;
  y: number;
  span: number;
  isLost: boolean;
}

function cardOf({ title, pages }: Card, { x, y, span, isLost }: Spot): { markup: string; height: number } {
  const wide = span * cardWidth + (span - 1) * gap;
  const rows = Math.ceil(pages.length / span);
  const height = pad + 26 + rows * line + pad - 6;
  const items = pages.map((one, at) => {
    const left = x + pad + Math.floor(at / rows) * (cardWidth + gap);
    const base = y + pad + 44 + (at % rows) * line;
    const count = one.sections.length;
    const figure =
      count === 0
        ? ''
        : `<text class="count" x="${left + cardWidth - 2 * pad}" y="${base}" text-anchor="end">${count}</text>`;
    return `<text class="page" x="${left}" y="${base}">${escapeMarkup(shortened(shortTitle(one.title), 34))}<title>${escapeMarkup(`${one.title}, ${one.page}`)}</title></text>${figure}`;
  });
  const frame = `<rect class="card${isLost ? ' lost' : ''}" x="${x}" y="${y}" width="${wide}" height="${height}" rx="8"/>`;
  const head = `<text class="by" x="${x + pad}" y="${y + pad + 13}">${escapeMarkup(shortened(title, 40))}</text>`;
  return { markup: `<g>${frame}${head}${items.join('')}</g>`, height };
}

/** The part before what most titles of a site end with. */
const shortTitle = (title: string): string => title.split(/ [|–—·] /)[0]!;

function shortened(text: string, most: number): string {
  const signs = [...text];
  return signs.length <= most
    ? text
    : `${signs
        .slice(0, most - 1)
        .join('')
        .trimEnd()}…`;
}

const style = `
.paper { fill: #f7f6f2; }
text { font-family: system-ui, sans-serif; fill: #1f2937; }
.title { font-size: 30px; font-weight: 650; letter-spacing: -0.4px; }
.about { font-size: 15px; fill: #566170; }
.rule { stroke: #dcd8cc; }
.band { font-size: 15px; font-weight: 600; }
.card { fill: #fff; stroke: #e2dfd6; }
.by { font-size: 12.5px; font-weight: 600; fill: #285b86; }
.page { font-size: 14px; }
.count { font-size: 12px; fill: #7a8390; }
.lost { stroke: #b3261e; }
text.lost { fill: #b3261e; stroke: none; }
`;
