import type { ResolvedMenu } from '../menu/types.ts';
import { menuClass, parts } from '../markup/names.ts';
import { conditionOfStaying } from './arrange.ts';
import { changes } from './marks.ts';

/**
 * A menu over what follows it. It takes no room; the script says when the page has been scrolled to it, and from there
 * on it stays with the window, at the same place.
 */
export function overRules({ name, stays }: ResolvedMenu): string {
  const own = `.${parts.menu}.${menuClass(name)}`;
  const holder = stays?.selector ?? own;
  const live = stays?.selector
    ? `${stays.selector}:has(.${menuClass(name)}.${parts.live})`
    : `${own}.${parts.live}`;
  const follows = stays
    ? `${conditionOfStaying} {
  ${live} {
    position: fixed;
    inset-block-start: 0;
  }
}
@media (prefers-reduced-motion: no-preference) {
  ${own} {
    ${changes(['color', 'background-color'], 'var(--kamino-motion, 0.14s ease-out)')}  }
}
`
    : '';
  return `${holder} {
  position: absolute;
  inset-inline: 0;
  z-index: var(--kamino-layer-stays, 30);
}
${follows}`;
}
