import type { WrittenMenu } from './parts/menu.ts';

/** `button` and `top` are what `buttons` and `to-top` of a plan make: a single entry on its own. */
export type Form = WrittenMenu['form'] | 'button' | 'top';

/** What follows from the form of a menu, wherever it is asked. */
export interface FormTraits {
  /** Its entries stand side by side and must fit a line. */
  isRow: boolean;
  canFold: boolean;
  /** It lies on the page’s own ground, whatever the look of all menus is. */
  isGroundless: boolean;
  /** It is one link on its own. */
  isSingle: boolean;
  /** The order of its entries means something. */
  isOrdered: boolean;
  /** What lies below its entries is always in view. */
  showsAll: boolean;
  /** What lies below its entries comes in the flow of the page, not over it, unless the pointer opens it. */
  opensInFlow: boolean;
  /** The forms whose rules it has. */
  classes: readonly Form[];
}

const plainTraits = {
  isRow: false,
  canFold: false,
  isGroundless: false,
  isSingle: false,
  isOrdered: false,
  showsAll: false,
  opensInFlow: false,
};

/** Every form of a menu. */
export const forms: Readonly<Record<Form, FormTraits>> = {
  bar: { ...plainTraits, isRow: true, canFold: true, classes: ['bar'] },
  // Tabs are a bar that is joined to what lies below it.
  tabs: { ...plainTraits, isRow: true, canFold: true, classes: ['bar', 'tabs'] },
  column: { ...plainTraits, canFold: true, opensInFlow: true, classes: ['column'] },
  plain: { ...plainTraits, canFold: true, isGroundless: true, showsAll: true, classes: ['plain'] },
  breadcrumb: { ...plainTraits, isGroundless: true, isOrdered: true, classes: ['breadcrumb'] },
  contents: {
    ...plainTraits,
    isGroundless: true,
    showsAll: true,
    classes: ['plain', 'contents'],
  },
  'previous-next': { ...plainTraits, isGroundless: true, classes: ['previous-next'] },
  button: { ...plainTraits, isGroundless: true, isSingle: true, classes: ['button'] },
  top: { ...plainTraits, isGroundless: true, isSingle: true, classes: ['top'] },
};
