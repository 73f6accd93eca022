import type { DrawingFile, Menu } from '../plan/types.ts';
import { nearest } from '../text/nearest.ts';
import type { Destination } from '../target/destination.ts';
import { carrier } from './carried.ts';
import { folds } from './folds.ts';
import type { Ground } from './ground.ts';
import type { ResolvedEntry, ResolvedFold, ResolvedMenu } from './types.ts';

/** @param tag of the language that the menu is in, or null */
export function foldOf({ name, fold }: Menu, tag: string | null, ground: Ground): ResolvedFold {
  const { when, isUsual, belowEm, as, side, behind, by, joins, toggle } = fold;
  const draw = (file: DrawingFile, prefix: string): string | null =>
    ground.drawing(file, `${name}-${prefix}`);
  const closed = typeof toggle.icon === 'string' ? null : draw(toggle.icon, 'toggle');
  const open = toggle.openIcon && draw(toggle.openIcon, 'open');
  return {
    when,
    isUsual,
    belowEm,
    as,
    side,
    behind,
    by,
    joins: joins?.menu ?? null,
    toggle: {
      show: toggle.show,
      at: toggle.at,
      label: (tag === null ? undefined : toggle.labels.get(tag)) ?? toggle.label,
      icon:
        typeof toggle.icon === 'string'
          ? toggle.icon
          : closed === null
            ? 'lines'
            : { closed, open: open ?? closed },
    },
  };
}

/** Menus with those that go into their folds; what cannot join another, or would be out of reach, is told. */
export function joinFolds(menus: readonly ResolvedMenu[], ground: Ground): ResolvedMenu[] {
  for (const menu of ground.plan.menus) {
    const { when, as, joins } = menu.fold;
    if (joins) tellJoining(menu, ground);
    else if (when !== 'never' && as === 'none') tellHidden(menu, menus, ground);
  }
  return menus.map(menu => ({
    ...menu,
    joined: menus.filter(
      one =>
        one.fold.joins === menu.name &&
        one !== menu &&
        one.language?.tag === menu.language?.tag &&
        folds(menu),
    ),
  }));
}

function tellJoining(menu: Menu, ground: Ground): void {
  const { when, belowEm, joins } = menu.fold;
  const others = ground.plan.menus.filter(one => one !== menu && folds(one));
  const other = others.find(one => one.name === joins!.menu);
  if (!other) {
    const near = nearest(
      joins!.menu,
      others.map(one => one.name),
    );
    ground.tell(
      'cannot-join',
      joins!.mark,
      `no menu that folds behind a toggle is called \`${joins!.menu}\``,
      near ? `Did you mean \`${near}\`?` : `Give \`${joins!.menu}\` a fold:  fold: { when: below 48em }`,
    );
  } else if (other.fold.when !== when || other.fold.belowEm !== belowEm || when === 'crowded')
    ground.tell(
      'cannot-join',
      menu.fold.mark,
      `\`${menu.name}\` joins the fold of \`${other.name}\`, and the two do not fold at the same width`,
      'Give both the same  when: below 48em  (a crowded menu knows its own room alone), or  any-width.',
    );
}

/** A menu that is gone where it has no room leads nowhere that another menu of its pages does not. */
function tellHidden({ name, fold }: Menu, menus: readonly ResolvedMenu[], ground: Ground): void {
  const carries = carrier(menus);
  const pages = [...ground.site.pages];
  for (const menu of menus.filter(one => one.name === name)) {
    const carriers = pages.filter(page => carries(menu, page));
    const others = menus.filter(
      one => one.name !== name && (one.fold.when === 'never' || one.fold.as !== 'none' || one.fold.joins),
    );
    const lost = targetsOf(menu.entries).find(([, key]) =>
      carriers.some(
        page =>
          !others.some(one => carries(one, page) && targetsOf(one.entries).some(([, has]) => has === key)),
      ),
    );
    if (lost)
      ground.tell(
        'hidden-menu',
        fold.mark,
        `where \`${name}\` is not shown, “${lost[0].label}” is in no other menu`,
        'Let it fold into another one,  joins: …  , or give it a fold of its own,  as: stack.',
      );
  }
}

function targetsOf(entries: readonly ResolvedEntry[]): [ResolvedEntry, string][] {
  return entries.flatMap(one => [
    ...(one.leadsTo.kind === 'none' ? [] : [[one, keyOf(one.leadsTo)] as [ResolvedEntry, string]]),
    ...targetsOf(one.entries),
  ]);
}

function keyOf(leadsTo: Destination): string {
  return JSON.stringify(leadsTo);
}
