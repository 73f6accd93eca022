import { usualAir } from '../look/edges.ts';
import { menuClass, parts } from '../markup/names.ts';

/** The labels of a bar keep away from the edges of the window, where what the bar lies in does not do so already. */
export const airRules = (name: string): string => `.${parts.menu}.${menuClass(name)} {
  padding-inline: max(0px, ${usualAir}rem - var(--kamino-mark-inline) - (100vw - 100%) / 2);
}
`;
