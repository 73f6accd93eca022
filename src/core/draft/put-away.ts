import { type OldElement, inAnyWindow, styleOf } from './laid-out.ts';

/** Values by which an element is not seen until a script says otherwise. */
const unseen: readonly [property: string, value: RegExp][] = [
  ['display', /^none$/],
  ['visibility', /^hidden$/],
  ['width', /^0(?:px|em|rem|%)?$/],
  ['max-width', /^0(?:px|em|rem|%)?$/],
  ['height', /^0(?:px|em|rem|%)?$/],
  ['max-height', /^0(?:px|em|rem|%)?$/],
  ['left', /^-(?:\d{3,}px|\d{2,}(?:em|rem|vw|%))/],
  ['right', /^-(?:\d{3,}px|\d{2,}(?:em|rem|vw|%))/],
  ['transform', /translate(?:x|3d)?\(\s*-?(?:100|1\d\d)%/i],
];

/** Whether an old menu is not seen in any window until a script brings it: a drawer. */
export function isPutAway({ node, tree, rules }: OldElement): boolean {
  const always = rules.filter(one => one.condition === null);
  const anywhere = inAnyWindow(rules);
  return unseen.some(([property, value]) =>
    [always, anywhere].every(some => value.test(styleOf(node, property, tree, some))),
  );
}
