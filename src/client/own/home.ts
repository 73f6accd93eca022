// The name of a site among the entries of an old menu.
import type { OldHome } from '../../core/draft/computed-look.ts';
import { styleOf } from '../shared.ts';
import { isHere, wordsIn } from './grounds.ts';
import { areBeside } from './rows.ts';

/** A picture beside a name is so high, in em. */
const imageHeight = 2;
/** How much larger letters are that are a name. */
const larger = 1.2;

/** On the front page, what leads there at the start of a row or within it, and is a picture or has larger letters; null for none. */
export function homeOf(links: readonly Element[], usual: Element): OldHome | null {
  const at = links.findIndex(isHere);
  const link = links[at];
  const boxes = links.map(one => one.getBoundingClientRect());
  if (!link || at > links.length - 2 || !areBeside(boxes)) return null;
  const text = wordsIn(link);
  // Among entries that are pictures it is one of them.
  const pictured = links.filter(one => one.querySelector('img') !== null);
  const picture = pictured.length === 1 ? link.querySelector('img') : null;
  const size = (one: Element): number => parseFloat(styleOf(one, 'font-size'));
  if (!picture && size(text) < larger * size(wordsIn(usual))) return null;
  const words = (link.textContent.trim() || picture?.alt.trim() || '').replace(/\s+/g, ' ');
  if (words === '') return null;
  return {
    ...{ at, of: links.length, words, image: picture?.getAttribute('src') ?? null },
    color: styleOf(text, 'color'),
    fontSize: picture
      ? `${picture.getBoundingClientRect().height / imageHeight}px`
      : styleOf(text, 'font-size'),
    fontWeight: styleOf(text, 'font-weight'),
    letterSpacing: styleOf(text, 'letter-spacing'),
  };
}
