// The name of a site among the entries of an old menu.
import type { OldHome } from '../../core/draft/computed-look.ts';
import { styleOf } from '../shared.ts';
import { isHere, wordsIn } from './grounds.ts';

/** A picture beside a name is so high, in em. */
const imageHeight = 2;
/** How much larger letters are that are a name. */
const larger = 1.2;

/** Whether they stand in one row, on its middle or on one line. */
function areBeside(links: readonly Element[]): boolean {
  const boxes = links.map(one => one.getBoundingClientRect());
  const top = Math.max(...boxes.map(box => box.top));
  return boxes.every(box => box.bottom > top);
}

/** On the front page, what leads there from the middle of a row, and is a picture or has larger letters; null for none. */
export function homeOf(links: readonly Element[], usual: Element): OldHome | null {
  const at = links.findIndex(isHere);
  const link = links[at];
  if (!link || at < 1 || at > links.length - 2 || !areBeside(links)) return null;
  const text = wordsIn(link);
  const picture = link.querySelector('img');
  const size = (one: Element): number => parseFloat(styleOf(one, 'font-size'));
  if (!picture && size(text) < larger * size(wordsIn(usual))) return null;
  const words = (link.textContent.trim() || picture?.alt.trim() || '').replace(/\s+/g, ' ');
  if (words === '') return null;
  return {
    ...{ at, of: links.length, words, image: picture?.getAttribute('src') ?? null },
    fontSize: picture
      ? `${picture.getBoundingClientRect().height / imageHeight}px`
      : styleOf(text, 'font-size'),
    fontWeight: styleOf(text, 'font-weight'),
    letterSpacing: styleOf(text, 'letter-spacing'),
  };
}
