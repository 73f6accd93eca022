import { folds, hasSheets, hasSubmenus } from '../menu/folds.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { forms } from '../plan/forms.ts';
import { type Look, type LookPart, type StateName, stateNames } from '../plan/look-types.ts';
import type { Draft } from './drafts.ts';
import type { ColorTools } from './hex.ts';
import { groundIn } from './merge.ts';
import type { LookTeller } from './teller.ts';

/** Tells of values that change nothing where they stand, with the reason. */
export function tellIdle(
  { look, own, address }: Draft,
  menus: readonly ResolvedMenu[],
  { tools, teller }: { tools: ColorTools | null; teller: LookTeller },
): void {
  if (own === null) return;
  const tell: Tell = (path, message, remedy) => {
    if (own.marks[path]) teller.tell('no-effect', own, path, [message, remedy]);
  };
  for (const name of stateNames)
    if (mixesNothing(look, own, name))
      tell(
        `states.${name}.accent`,
        `\`accent\` is what \`tint\` mixes in, and \`${name}\` has no tint`,
        'Add one:  tint: 12%',
      );
  const named = menus.filter(menu => address.menu === null || menu.name === address.menu);
  const isSheet = named.some(hasSheets);
  for (const key of ['border', 'shadow'] as const)
    if (address.part === 'submenu' && own[key] !== null && !isSheet)
      tell(key, 'a submenu in the flow of its menu is no sheet with an edge', 'Take this out.');
  for (const part of Object.keys(own.parts) as LookPart[])
    if (!named.some(menu => partsOf[part].isIn(menu) && !(address.menu === null && isGroundless(menu)))) {
      const { marks } = own.parts[part]!;
      teller.tell('no-effect', own.parts[part]!, Object.keys(marks)[0] ?? '', partsOf[part].told);
    }
  for (const path of iconPaths(own))
    if (address.part === 'home')
      tell(path, 'the home has a picture, whose colours and size are its own', 'Take this out.');
    else if (!hasIcons(menus, address.menu, address.part === 'toggle'))
      tell(path, 'no entry has an icon here', 'Give one an icon, or take this out.');
  tellIdleFrame({ look, own }, { tools, tell });
}

/** What is said of all menus has no colours for it. */
const isGroundless = ({ form }: ResolvedMenu): boolean => forms[form].isGroundless;

/** Where a part is seen, and what is told of one that is seen nowhere. */
const partsOf: Readonly<
  Record<LookPart, { isIn: (menu: ResolvedMenu) => boolean; told: [message: string, remedy: string] }>
> = {
  submenu: {
    isIn: hasSubmenus,
    told: ['`submenu` is for what lies below an entry, and no entry here has any', 'Take this out.'],
  },
  fold: {
    isIn: folds,
    told: [
      '`fold` is for a menu that folds away',
      'Let it:  fold: { when: crowded }  for the menu, or take this out.',
    ],
  },
  toggle: {
    isIn: folds,
    told: [
      '`toggle` is for a menu that folds away',
      'Let it:  fold: { when: crowded }  for the menu, or take this out.',
    ],
  },
  home: {
    isIn: menu => menu.home !== null,
    told: [
      '`home` is for the site’s name in a menu, and none is here',
      'Write  home: { label: … }  for the menu, or take this out.',
    ],
  },
  scrolled: {
    isIn: menu => menu.over && menu.stays !== null,
    told: [
      '`scrolled` is for a menu that lies over the page and stays',
      'Write  over: true  and  stays: top  for the menu, or take this out.',
    ],
  },
};

type Tell = (path: string, message: string, remedy: string) => void;

/** A blur that nothing is seen through, and edges without a border. */
function tellIdleFrame(
  { look, own }: { look: Look; own: Look },
  { tools, tell }: { tools: ColorTools | null; tell: Tell },
): void {
  const css = groundIn(look);
  const isSeenThrough = css !== null && tools !== null && tools.solid(css) !== css;
  if (own.frame.blur !== null && !isSeenThrough)
    tell(
      'frame.blur',
      'nothing is seen through this ground, so nothing is blurred',
      'Let it show through:  background: "rgb(255 255 255 / 0.7)"',
    );
  if (own.frame.edges !== null && (look.frame.border ?? 'none') === 'none')
    tell(
      'frame.edges',
      'the box has no border that these edges could have',
      'Give it one:  border: 1px solid currentcolor',
    );
}

/** An accent of a state that no tint takes. */
function mixesNothing(look: Look, own: Look, name: StateName): boolean {
  return own.states[name]?.accent != null && look.states[name]?.tint == null;
}

function iconPaths(look: Look): string[] {
  const ofStates = Object.entries(look.states).flatMap(([name, state]) =>
    state.iconColor === null ? [] : [`states.${name}.icon-color`],
  );
  return [
    ...(look.iconColor === null ? [] : ['icon-color']),
    ...(look.iconSize === null ? [] : ['icon-size']),
    ...ofStates,
  ];
}

function hasIcons(menus: readonly ResolvedMenu[], name: string | null, isToggle: boolean): boolean {
  const inside = (entries: readonly ResolvedEntry[]): boolean =>
    entries.some(one => (one.icon !== null && one.icon.show !== 'label') || inside(one.entries));
  return menus.some(menu => (name === null || menu.name === name) && (isToggle || inside(menu.entries)));
}
