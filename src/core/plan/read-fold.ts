import { unfolded } from './bare-menu.ts';
import { forms } from './forms.ts';
import type { PlanPath, PlanPlaces } from './places.ts';
import type { EntryReader } from './read-entry.ts';
import type { WrittenFold, WrittenToggle } from './parts/fold.ts';
import type { WrittenMenu } from './parts/menu.ts';
import type { DrawingFile, Fold, Opens, Toggle } from './types.ts';

interface Readers {
  places: PlanPlaces;
  entries: EntryReader;
}

const usual = { ...unfolded, when: 'crowded', isUsual: true } as const;
/** A bar does, unless it turns out to fit everywhere; what it shows is the same on all pages. */
const foldsByItself = ({ form, branch, set }: WrittenMenu): boolean =>
  forms[form].isRow && branch === undefined && set === undefined;

export function readFold(menu: WrittenMenu, path: PlanPath, { places, entries }: Readers): Fold {
  const { fold } = menu;
  const mark = places.mark([...path, fold ? 'fold' : 'menu']);
  if (!fold) return { ...(foldsByItself(menu) ? usual : unfolded), mark };
  const here = [...path, 'fold'];
  const when = fold.when.startsWith('below') ? 'below' : (fold.when as 'crowded' | 'any-width' | 'never');
  tellFold(menu, when, here, places);
  return {
    when,
    isUsual: false,
    belowEm: widthOf(fold.when),
    as: fold.joins === undefined ? (fold.as ?? 'stack') : 'none',
    side: fold.side,
    behind: fold.behind,
    by: fold.by,
    joins: fold.joins === undefined ? null : { menu: fold.joins, mark: places.mark([...here, 'joins']) },
    toggle: readToggle(fold.toggle, [...here, 'toggle'], { places, entries }),
    mark,
  };
}

/** Tells of what a menu of this form cannot do. */
function tellFold(menu: WrittenMenu, when: Fold['when'], here: PlanPath, places: PlanPlaces): void {
  const fold = menu.fold!;
  const { isRow, canFold } = forms[menu.form];
  if (when === 'crowded' && !isRow && canFold)
    places.tell(
      'wrong-value',
      [...here, 'when'],
      `\`crowded\` asks whether a bar fits, and this menu is a ${menu.form}`,
      'Fold it below a width of the window:  when: below 48em',
    );
  if (!canFold && when !== 'never')
    places.tell(
      'wrong-value',
      [...here, 'when'],
      `a menu of the form ${menu.form} has no fold`,
      'Take `fold` out: it takes as many lines as it needs.',
    );
  if (fold.joins !== undefined && fold.as !== undefined && fold.as !== 'none')
    places.tell(
      'wrong-value',
      [...here, 'as'],
      `what joins another menu’s fold has none of its own`,
      'Write  as: none  or leave it out.',
    );
}

function readToggle(written: WrittenToggle, path: PlanPath, { places, entries }: Readers): Toggle {
  const { value, by } = entries.said(written.label, [...path, 'label']);
  const file = (key: 'icon' | 'open-icon'): DrawingFile => ({
    written: places.slashes(written[key]!, [...path, key]),
    mark: places.mark([...path, key]),
  });
  const { icon } = written;
  return {
    show: written.show,
    label: value,
    labels: by,
    at: written.at,
    icon: icon === 'lines' || icon === 'dots' ? icon : file('icon'),
    openIcon: written['open-icon'] === undefined ? null : file('open-icon'),
  };
}

/** In a column submenus lie in the flow: under the pointer they would move what it is about to reach. */
export function readOpens({ opens, form }: WrittenMenu): Opens {
  return {
    by: opens.by ?? (forms[form].opensInFlow ? 'click' : 'hover'),
    after: opens.after,
    ease: opens.ease,
    width: opens.width ?? null,
    columns: Number(opens.columns),
  };
}

/** `below 48em` in em; a px counts as a sixteenth, as browsers have it. */
function widthOf(when: WrittenFold['when']): number | null {
  const match = /^below ([\d.]+)(em|rem|px)$/.exec(when);
  return match ? Number(match[1]) / (match[2] === 'px' ? 16 : 1) : null;
}
