import { forms } from './forms.ts';
import type { WrittenMenu } from './parts/menu.ts';
import type { PlanPath, PlanPlaces } from './places.ts';

interface Idle {
  key: readonly string[];
  /** In such a menu the key changes nothing. */
  isIn: (menu: WrittenMenu) => boolean;
  reason: string;
  remedy: (menu: WrittenMenu) => string;
}

const takeOut =
  (key: string, else_: string): (() => string) =>
  () =>
    `Take \`${key}\` out, or write  ${else_}`;
const isRow = ({ form }: WrittenMenu): boolean => forms[form].isRow;
const isBeside = ({ form, opens }: WrittenMenu): boolean => form === 'column' && opens.by === 'hover';
const opensOver = (menu: WrittenMenu): boolean => isRow(menu) || isBeside(menu);
const isDrawer = ({ fold }: WrittenMenu): boolean => fold?.as === 'drawer';
/** Windows of this width and more have the page moved aside. */
const aside = 64;

const ofFold = (key: string): Idle => ({
  key: ['fold', key],
  isIn: ({ fold }) => fold?.when === 'never',
  reason: 'this menu never folds',
  remedy: takeOut(key, 'when: crowded'),
});

/** Keys of a menu that have an effect in some menus only. */
const all: readonly Idle[] = [
  {
    key: ['widths'],
    isIn: ({ form, widths }) => forms[form].opensInFlow && widths !== 'natural',
    reason: 'only entries side by side are made equally wide',
    remedy: takeOut('widths', 'form: bar'),
  },
  {
    key: ['align'],
    isIn: ({ form, align }) => (form === 'previous-next' || form === 'contents') && align !== 'start',
    reason: 'the entries of this form have places of their own',
    remedy: takeOut('align', 'form: plain'),
  },
  {
    key: ['align'],
    isIn: ({ form, align }) => form === 'column' && align === 'spread',
    reason: 'entries below each other have nothing to be spread over',
    remedy: takeOut('align', 'align: center'),
  },
  {
    key: ['separators'],
    isIn: ({ form, separators }) => form === 'previous-next' && separators !== 'none',
    reason: 'the two entries of this form stand at both ends of a line',
    remedy: takeOut('separators', 'form: plain'),
  },
  {
    key: ['current-entry'],
    isIn: menu => ['previous-next', 'contents'].includes(menu.form) && menu['current-entry'] !== 'link',
    reason: 'no entry of this form leads to the page that it stands on',
    remedy: takeOut('current-entry', 'form: plain'),
  },
  {
    key: ['opens', 'by'],
    isIn: ({ form }) => forms[form].showsAll || form === 'breadcrumb' || form === 'previous-next',
    reason: 'all entries of this form are in view',
    remedy: takeOut('by', 'form: bar'),
  },
  {
    key: ['home', 'at'],
    isIn: menu => !isRow(menu) && menu.home?.at !== 'start',
    reason: 'where entries stand below each other the home stands before them',
    remedy: takeOut('at', 'form: bar'),
  },
  {
    key: ['opens', 'width'],
    isIn: menu => !isRow(menu) && !(isBeside(menu) && menu.opens.width !== 'menu'),
    reason: 'submenus of this form do not lie over the page below their menu',
    remedy: takeOut('width', 'form: bar'),
  },
  {
    key: ['opens', 'columns'],
    isIn: menu => !opensOver(menu) && menu.opens.columns !== '1',
    reason: 'submenus of this form do not lie over the page',
    remedy: takeOut('columns', 'form: bar'),
  },
  {
    key: ['opens', 'after'],
    isIn: menu => !isBeside(menu) && (menu.opens.by === 'click' || !isRow(menu)),
    reason: 'the submenus of this menu wait for a click',
    remedy: takeOut('after', 'by: hover'),
  },
  {
    key: ['opens', 'ease'],
    isIn: menu => !opensOver(menu),
    reason: 'submenus of this form lie in the flow of the page, and come at once',
    remedy: takeOut('ease', 'by: hover'),
  },
  {
    key: ['depth'],
    isIn: menu => menu['entries-of'] === undefined && menu.branch === undefined,
    reason: '`depth` is for entries that are taken over from another menu',
    remedy: takeOut('depth', 'entries-of: …'),
  },
  {
    key: ['levels'],
    isIn: ({ form }) => form !== 'contents',
    reason: '`levels` is for the headings of the page that one is on',
    remedy: takeOut('levels', 'form: contents'),
  },
  ...['entries', 'branch', 'entries-of', 'set'].map((key): Idle => ({
    key: [key],
    isIn: ({ form }) => form === 'contents',
    reason: 'the entries of `contents` are the headings of each page',
    remedy: takeOut(key, 'form: plain'),
  })),
  {
    key: ['order'],
    isIn: ({ set }) => set === undefined,
    reason: '`order` is that of the pages of a `set`',
    remedy: () => 'Give it to the entry whose pages are to be in that order, or take it out.',
  },
  {
    key: ['data'],
    isIn: ({ form }) => form !== 'breadcrumb',
    reason: 'only a breadcrumb is put into the page as data too',
    remedy: takeOut('data', 'form: breadcrumb'),
  },
  {
    key: ['fold', 'side'],
    isIn: menu => !isDrawer(menu),
    reason: 'only a drawer comes from a side',
    remedy: takeOut('side', 'as: drawer'),
  },
  {
    key: ['fold', 'behind'],
    isIn: menu => !isDrawer(menu),
    reason: 'only a drawer leaves the page behind it in view',
    remedy: takeOut('behind', 'as: drawer'),
  },
  {
    key: ['fold', 'behind'],
    isIn: ({ fold }) => fold?.behind === 'as-fits' && emOf(fold.when) <= aside,
    reason: `windows in which this menu folds are narrower than ${aside} em: the page is never moved aside there`,
    remedy: () => 'Write  behind: shifted  or take it out.',
  },
  ...['as', 'by', 'toggle'].map(ofFold),
];

/** `below 48em` in em; infinite for what does not ask the window. */
function emOf(when: string): number {
  const match = /^below ([\d.]+)(em|rem|px)$/.exec(when);
  return match ? Number(match[1]) / (match[2] === 'px' ? 16 : 1) : Infinity;
}

/** Tells of keys that are written and change nothing in this menu. */
export function tellIdleKeys(menu: WrittenMenu, path: PlanPath, places: PlanPlaces): void {
  const told = new Set<string>();
  for (const { key, isIn, reason, remedy } of all) {
    const name = key.join('.');
    if (told.has(name) || !places.isWritten([...path, ...key]) || !isIn(menu)) continue;
    told.add(name);
    places.tell('no-effect', [...path, ...key], reason, remedy(menu));
  }
}
