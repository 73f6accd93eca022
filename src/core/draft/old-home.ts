import { readAddress } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import { readColor } from '../look/color.ts';
import type { WholeSite } from '../site/whole.ts';
import type { OldHome } from './computed-look.ts';
import { type Row, map, row } from './nodes.ts';
import type { DraftHome, DraftLook, DraftMenu } from './types.ts';

/** What a name in a row becomes. */
export function homeFrom(
  { home, color }: { home: OldHome | null; color: string },
  rem: (px: string) => string,
): DraftLook['home'] {
  if (!home) return null;
  const { at, of, words, image, fontSize, fontWeight } = home;
  const spacing = Number.parseFloat(home.letterSpacing) / Number.parseFloat(fontSize);
  return {
    place: { at, of },
    isMiddle: at > 0,
    label: words,
    image,
    color: image === null && home.color !== color ? readColor(home.color) : null,
    fontSize: rem(fontSize),
    fontWeight,
    spacing: spacing > 0 ? `${Math.round(spacing * 100) / 100}em` : null,
  };
}

/** A look without a name that is not the site's, or has a picture that is not there. @param page whose menu it is the look of */
export function ownHome<Look extends Pick<DraftLook, 'home'>>(
  look: Look,
  page: SitePath,
  { front, files }: Pick<WholeSite, 'front' | 'files'>,
): Look {
  if (!look.home) return look;
  const { image: written } = look.home;
  const address = written === null ? null : readAddress(written, folderOf(page));
  const image = address?.kind === 'inside' ? address.path : null;
  const isThere = written === null || (image !== null && files.has(image));
  return { ...look, home: page === front && isThere ? { ...look.home, image } : null };
}

/** A menu whose name of the site is none of its entries any more; the menu as it is where they do not agree. */
export function withHome<Menu extends DraftMenu>(menu: Menu, home: DraftLook['home']): Menu {
  const entry = home?.place.of === menu.entries.length ? menu.entries[home.place.at] : undefined;
  if (!home || menu.form !== 'bar' || entry?.target?.key !== 'page' || entry.entries.length > 0) return menu;
  return { ...menu, home, entries: menu.entries.filter(one => one !== entry) };
}

/** In a plan: of the menu, and of its look. */
export const homeRows = ({ label, image, isMiddle }: DraftHome): Row[] => [
  [
    'home',
    map(
      [
        ['label', label],
        ...row('image', image),
        ...(image === null ? [] : [['show', 'image'] as Row]),
        ...(isMiddle ? [['at', 'middle'] as Row] : []),
      ],
      true,
    ),
  ],
];

/** A name has no mark below it. */
export function homeLook({ image, color, fontSize, fontWeight, spacing }: DraftHome): Row[] {
  const letters = image === null ? [...row('weight', fontWeight), ...row('spacing', spacing)] : [];
  const font = map([...row('size', fontSize), ...letters], true);
  const states: Row = ['states', map([['current', map([['marker', 'none']], true)]], true)];
  return [['parts', map([['home', map([...row('color', color), ['font', font], states], true)]])]];
}
