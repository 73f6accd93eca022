import type { MenuSprite, ResolvedMenu } from '../menu/types.ts';
import type { PictureState } from '../plan/picture-types.ts';
import { stateNames } from '../plan/look-types.ts';
import { forms } from '../plan/forms.ts';
import { entryAttribute, menuClass, parts } from '../markup/names.ts';
import { topEntry, topList } from './parts.ts';
import { roomOf, when } from './room.ts';

/** Where pictures are seen; in colours that the visitor has chosen words are better. */
const condition = '@media screen and (forced-colors: none)';

const pseudo: Record<Exclude<PictureState, 'base' | 'within'>, string> = {
  current: '[aria-current]',
  hover: ':hover',
  focus: ':focus-visible',
  pressed: ':active',
};
/** What a state shows that has no picture of its own. */
const instead: Partial<Record<PictureState, PictureState>> = { within: 'current', focus: 'hover' };

type Pictured = ResolvedMenu & { sprite: MenuSprite };
type Column = MenuSprite['columns'][number];

/** The entries of menus as pictures: where they have room, unless a folded menu is to show them too. */
export function pictureRules(menus: readonly ResolvedMenu[], fits: ReadonlyMap<string, number>): string {
  return menus
    .filter((menu): menu is Pictured => menu.sprite !== null)
    .map(menu => {
      const room = menu.pictures!.inFold ? null : roomOf(menu, fits.get(menu.name));
      const isNever = menu.fold.when === 'any-width' && !menu.pictures!.inFold;
      return isNever ? '' : when(room?.wide ?? null, `${condition} {\n${rulesOf(menu)}}\n`);
    })
    .join('');
}

function rulesOf(menu: Pictured): string {
  const own = `.${parts.menu}.${menuClass(menu.name)}`;
  const kind = menu.language === null ? '' : `.${parts.picture}-${menu.language.tag.toLowerCase()}`;
  const picture = `.${parts.picture}${kind}`;
  const { columns, rows } = menu.sprite;
  const place = ({
    hook,
    x,
    width,
    height,
  }: Column): string => `${own} [${entryAttribute}="${hook}"] ${picture} {
  inline-size: ${width}px;
  block-size: ${height}px;
${x === 0 ? '' : `  --kamino-picture-x: -${x}px;\n`}}
`;
  const isDrawn = columns.length === menu.entries.length;
  const drawn = (state: PictureState): Column[] => columns.filter(one => one.states.includes(state));
  const marked = drawn('current');
  const isEqual = menu.widths === 'equal' && !forms[menu.form].opensInFlow;
  const widest = Math.max(...columns.map(one => one.width));
  return `${isEqual ? equal(own, widest) : ''}${own} ${picture} {
  all: revert;
  display: block;
  flex: none;
  max-inline-size: none;
  object-fit: none;
  object-position: var(--kamino-picture-x, 0) var(--kamino-picture-y, 0);
}
${own} .${parts.pictured}>.${parts.link},${own} .${parts.pictured}>.${parts.opener}>.${parts.link} {
  flex: none;
  gap: 0;
  margin: 0;
  padding: 0;
  border: 0;
  background: none;
  box-shadow: none;
  outline-offset: 2px;
}
${own} .${parts.pictured}>.${parts.opener}>.${parts.link} {
  gap: 0.5em;
  padding-inline-end: 0.6em;
}
${own} ${picture}+.${parts.words} {
  display: none;
}
${columns.map(place).join('')}${stateNames.map(state => stateRule(menu, state, { own, picture, drawn, rows })).join('')}${
    marked.length > 0
      ? `${own} ${anyOf(marked, columns)}.${parts.pictured}>a.${parts.link}::after {
  display: none;
}
`
      : ''
  }${
    forms[menu.form].classes.includes('tabs') && isDrawn
      ? `${own} .${parts.list} {
  align-items: flex-end;
}
`
      : ''
  }`;
}

/** Pictures do not shrink: where a line has no room for all, they go into a second one. */
const equal = (own: string, width: number): string => `${own} ${topList} {
  display: flex;
}
${own} ${topEntry} {
  flex: 0 0 auto;
  min-inline-size: ${width}px;
  justify-content: center;
}
`;

/** Entries by their names; all of them where it is all. */
const anyOf = (some: readonly Column[], all: readonly Column[]): string =>
  some.length === all.length
    ? `.${parts.entry}`
    : some.length === 1
      ? `[${entryAttribute}="${some[0]!.hook}"]`
      : `:is(${some.map(({ hook }) => `[${entryAttribute}="${hook}"]`).join(',')})`;

/** A later state wins over an earlier one, as everywhere. */
function stateRule(
  { pictures, sprite }: Pictured,
  state: Exclude<PictureState, 'base'>,
  {
    own,
    picture,
    drawn,
    rows,
  }: {
    own: string;
    picture: string;
    drawn: (state: PictureState) => Column[];
    rows: MenuSprite['rows'];
  },
): string {
  const rule = (shown: PictureState, columns: readonly Column[]): string => {
    if (columns.length === 0) return '';
    const entries = anyOf(columns, sprite.columns);
    const isKept = !pictures!.currentChanges && (state === 'hover' || state === 'focus');
    const link = `.${parts.link}${state === 'within' ? '' : pseudo[state]}${isKept ? ':not([aria-current])' : ''}`;
    const within = state === 'within' ? `.${parts.within}` : '';
    const y = rows.find(one => one.state === shown)!.y;
    const text = `${own} ${entries}${within} ${link}>${picture} {
  --kamino-picture-y: ${y === 0 ? 0 : `-${y}px`};
}
`;
    return state === 'hover' ? `@media (hover: hover) {\n${text}}\n` : text;
  };
  const ownColumns = drawn(state);
  const other = instead[state];
  const rest = other ? drawn(other).filter(one => !ownColumns.includes(one)) : [];
  return rule(state, ownColumns) + (other ? rule(other, rest) : '');
}
