import { covers, folds, hasSubmenus } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { isUsual } from '../look/markers.ts';
import type { ResolvedLooks, Scope } from '../look/types.ts';
import { entryAttribute, menuClass, parts } from '../markup/names.ts';
import { forms } from '../plan/forms.ts';
import { type Marker, type StateName, passingStates } from '../plan/look-types.ts';
import { type MarkPlace, markEndOfPair, markGeometry, markMotion } from './mark-geometry.ts';
import { when } from './room.ts';
import { scopeOf } from './around.ts';
import type { Narrow } from './scopes.ts';
import { openFold, withGround } from './selectors.ts';

type Marks = NonNullable<Scope['markers']>;
type Uses = ResolvedLooks['uses'];

/** What carries a mark: how its selector goes on behind each state. */
interface Carrier {
  /** Of the element, but for what is within. */
  element: string;
  /** The element in the branch of this page; null where that cannot be. */
  within: string | null;
  hasCurrent: boolean;
}

const link = `a.${parts.link}.${parts.link}`;
const linkIn = (list: string): Carrier => ({
  element: `${list}.${parts.entry}.${parts.entry}>${link}`,
  within: `${list}.${parts.entry}.${parts.within}>${link}.${parts.link}`,
  hasCurrent: true,
});
const control = (element: string, hasCurrent: boolean): Carrier => ({ element, within: null, hasCurrent });

const pseudo: Record<Exclude<StateName, 'within'>, string> = {
  current: '[aria-current]',
  hover: `:is(:hover,:where(:has(+.${parts.opener}:hover)))`,
  focus: ':focus-visible',
  pressed: ':active',
};

/** How the marks of a carrier are drawn: those that are its own, and those of the line it is in. */
interface Drawn {
  uses: Uses;
  place: MarkPlace;
  own?: MarkPlace;
  /** What is the same wherever entries stand is said by other rules. */
  isShared?: boolean;
}

/** Rules for the marks of one carrier: what they have alike, then what each has for itself. */
function rules(
  carrier: Carrier,
  marks: Marks,
  { uses, place, own = place, isShared = false }: Drawn,
): string {
  const all = [...marks]
    .filter(([name]) =>
      name === 'within' ? carrier.within !== null : name !== 'current' || carrier.hasCurrent,
    )
    .map(([name, { marker, isOwn }]) => ({ name, marker, place: isOwn ? own : place }));
  const coming = all.find(({ name, marker }) => isComing(name, marker));
  // The usual marks have their rules already; one that comes hides what is there at rest.
  const states = coming ? all : all.filter(({ marker }) => !isUsual(marker));
  const first = coming ?? states.find(({ marker }) => marker.at !== 'none');
  const selectorOf = (name: StateName): string =>
    `${name === 'within' ? carrier.within! : carrier.element + pseudo[name]}::after`;
  const alike = first ? markGeometry(first.marker, first.place, first.name) : [];
  const motion = coming ? markMotion(coming.marker, coming.place) : { before: '', there: '' };
  const drawn = states.flatMap(state => {
    const lines = markGeometry(state.marker, state.place, state.name).filter(line => !alike.includes(line));
    const there = isShared || state.marker.at === 'none' ? '' : groundOf(state.name, uses) + motion.there;
    const body = lines.join('') + there;
    return body === '' ? [] : [{ name: state.name, body }];
  });
  const each = drawn.flatMap(({ name, body }, at) => {
    // The last two are alike more often than not.
    if (name === 'focus' && drawn[at + 1]?.body === body) return [];
    const isBoth = name === 'pressed' && drawn[at - 1]?.name === 'focus' && drawn[at - 1]?.body === body;
    const selectors = isBoth ? [selectorOf('focus'), selectorOf(name)] : [selectorOf(name)];
    const text = `${selectors.join(',')} {\n${body}}\n`;
    return [name === 'hover' ? `@media (hover: hover) {\n${text}}\n` : text];
  });
  if (!first) return each.join('');
  const isDrawn = (coming || place === 'flat') && !isShared;
  const marked = coming ? `${carrier.element}::after` : states.map(({ name }) => selectorOf(name)).join(',');
  const end = markEndOfPair(first.marker, first.place);
  return `${marked} {
${isDrawn ? shared : ''}${alike.join('')}${motion.before}${coming?.marker.comes === 'at-once' ? '  transition: none;\n' : ''}}
${each.join('')}${
    end === null || carrier.within === null
      ? ''
      : `${carrier.element}.${parts.link}:has(+.${parts.opener})::after {\n  inset-inline-end: ${end};\n}\n`
  }`;
}

const groundOf = (name: StateName, { markerColors }: Uses): string =>
  markerColors.has(name) ? `  background: var(--kamino-${name}-marker);\n` : '';

const passing: ReadonlySet<StateName> = new Set(passingStates);
const isComing = (name: StateName, marker: Marker): boolean => passing.has(name) && marker.at !== 'none';

/** Some state that passes brings a mark: then all of them are drawn by rules of their menu's own. */
const haveComing = (marks: Marks | null): marks is Marks =>
  marks !== null && [...marks].some(([name, { marker }]) => isComing(name, marker));
const shared = `  content: "";
  position: absolute;
  border-radius: 1em;
  background: var(--kamino-marker);
  pointer-events: none;
`;

/** What marks that come have alike in all lists of a menu: how they are drawn, and when they are there. */
function sharedMarks(own: string, marks: Marks, uses: Uses): string {
  // Stronger than what each list says of its marks before they come.
  const { element, within } = linkIn(`${own} `);
  const [coming] = [...marks].flatMap(([name, { marker }]) => (isComing(name, marker) ? [marker] : []));
  const { there } = markMotion(coming!, 'line');
  // In the order of the states: a later one wins.
  const each = [...marks].map(([name, { marker }]) => {
    if (marker.at === 'none') return '';
    const selector =
      name === 'within' ? `${within!}.${parts.link}` : `${element}.${parts.link}${pseudo[name]}`;
    const text = `${selector}::after {\n${groundOf(name, uses)}${there}}\n`;
    return name === 'hover' ? when('@media (hover: hover)', text) : text;
  });
  return `${element}::after {\n${shared}}\n${each.join('')}`;
}

/** The marks of a menu, where it has some of its own. */
const marksOf = (name: string, { scopes }: ResolvedLooks): Marks | null =>
  scopeOf(scopes, name)?.markers ?? scopes[0]?.markers ?? null;

/** The usual marks are seen in none of these menus. */
export const hideUsual = (menus: readonly ResolvedMenu[], looks: ResolvedLooks): boolean =>
  menus.every(
    ({ name, form }) => forms[form].canFold && !forms[form].isGroundless && haveComing(marksOf(name, looks)),
  );

/** The marks of one menu: where its entries stand in a line, where it is folded, and what holds in both. */
export function menuMarks(
  menu: ResolvedMenu,
  looks: ResolvedLooks,
): { wide: string; narrow: string; always: string } {
  const own = `.${parts.menu}.${menuClass(menu.name)}`;
  const marks = marksOf(menu.name, looks);
  const { uses } = looks;
  const { isRow, isGroundless } = forms[menu.form];
  const entries = looks.scopes
    .filter(
      ({ address, markers }) =>
        address.entry !== null && address.part === null && address.menu === menu.name && markers,
    )
    .map(({ address, markers }) => ({
      carrier: linkIn(`${own} [${entryAttribute}="${address.entry!}"].${parts.entry}`),
      marks: markers!,
    }));
  const each = (place: MarkPlace): string =>
    entries
      .map(one =>
        rules(one.carrier, one.marks, { uses, place, own: place === 'stack' ? 'own-stack' : place }),
      )
      .join('');
  const line: MarkPlace = isGroundless ? 'flat' : 'line';
  const isShared = entries.length === 0 && marks !== null && hideUsual([menu], looks);
  const list = (inside: string, place: MarkPlace): string =>
    marks ? rules(linkIn(`${own} ${inside}>`), marks, { uses, place, isShared }) : '';
  const before = isShared ? sharedMarks(own, marks, uses) : '';
  const place = isRow || isGroundless ? line : 'own-stack';
  // What stands at the side of its label does so wherever that is.
  const turns = entries
    .concat(marks ? { carrier: linkIn(''), marks } : [])
    .some(one => turnsAside(one.marks));
  if (isRow && !turns)
    return { wide: '', narrow: '', always: before + list(`.${parts.list}`, 'stack') + each('stack') };
  return {
    wide: list(`:not(li)>.${parts.list}`, place) + each(place),
    narrow: folds(menu) ? list(`.${parts.list}`, 'stack') + each('stack') : '',
    always: before + (hasSubmenus(menu) ? list(`.${parts.submenu}`, isRow ? 'stack' : place) : ''),
  };
}

/** Some of these marks lie below or above their labels, and stand aside where entries lie below each other. */
function turnsAside(marks: Marks): boolean {
  const all = [...marks];
  const comes = all.some(([name, { marker }]) => passing.has(name) && marker.at !== 'none');
  return all.some(
    ([, { marker }]) => (comes || !isUsual(marker)) && (marker.at === 'below' || marker.at === 'above'),
  );
}

/** The marks of parts: the home, the toggle, what lies below entries, and what is folded. */
export function partMarks(looks: ResolvedLooks, menus: readonly ResolvedMenu[], narrow: Narrow): string {
  const { uses } = looks;
  return looks.scopes
    .flatMap(({ address, markers }) => {
      if (markers === null || address.part === null || address.entry !== null) return [];
      const own =
        address.menu === null
          ? `.${parts.menu}.${parts.menu}${withGround(menus)}`
          : `.${parts.menu}.${menuClass(address.menu)}`;
      const part = address.part;
      const twice = (name: 'home' | 'toggle' | 'submenu'): string => `${own} .${parts[name]}.${parts[name]}`;
      const ruled = (carrier: Carrier, place: MarkPlace): string =>
        rules(carrier, markers, { uses, place, own: place === 'stack' ? 'own-stack' : place });
      if (part === 'home') return [ruled(control(twice('home'), true), 'line')];
      if (part === 'toggle') return [ruled(control(`${twice('toggle')}>*`, false), 'line')];
      if (part === 'submenu') return [ruled(linkIn(`${twice('submenu')}>`), 'stack')];
      const below = part === 'fold-submenu' ? ` .${parts.submenu}>` : ' ';
      return menus
        .filter(one => one.name === address.menu)
        .map(one => when(narrow(one), ruled(linkIn(openFold(one, covers(one)) + below), 'stack')));
    })
    .join('');
}
