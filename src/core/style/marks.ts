import type { ResolvedLooks } from '../look/types.ts';
import { parts } from '../markup/names.ts';
import { besideLabel } from './mark-geometry.ts';
import { type StyleParts, pick } from './parts.ts';

const inside = `.${parts.menu} .${parts.within}>a.${parts.link}::after`;
const marked = (has: StyleParts): string =>
  `.${parts.menu} ${has.home ? `:is(.${parts.link},.${parts.home})` : `.${parts.link}`}[aria-current]::after,${inside}`;

const usual = (selectors: string): string => `${selectors} {
  content: "";
  position: absolute;
  inset-inline: var(--kamino-mark-inline);
  inset-block-end: var(--kamino-mark-block);
  block-size: 0.15em;
  border-radius: 1em;
  background: var(--kamino-marker);
}
`;

/** @param hasUsual some entries show the usual marks; the home does so in any case */
export function marks(has: StyleParts, hasUsual: boolean): string {
  if (!hasUsual) return has.home ? usual(`.${parts.menu} .${parts.home}[aria-current]::after`) : '';
  return `${usual(marked(has))}${inside} {
  inline-size: 1.2em;
  margin-inline: auto;
}
`;
}

/** In a line of entries the mark lies below the label; where entries stand below each other, beside it. */
export const markBeside = (
  scope: string,
): string => `${scope} .${parts.entry} a.${parts.link}.${parts.link}::after {
  inset-block: 0.6em;
  inset-inline: ${besideLabel('0.15em')} auto;
  inline-size: 0.15em;
  block-size: auto;
}
${scope} .${parts.within}.${parts.within}>a.${parts.link}.${parts.link}::after {
  inset-block: 0;
  block-size: 0.5em;
  margin-block: auto;
}
`;

/** Without a ground of its own an entry's mark is as wide as its label. */
export const markPlain = `.${parts.plain} .${parts.entry} a.${parts.link}.${parts.link}::after {
  inset-inline: 0;
  inset-block-end: 0.1em;
}
`;

/** What changes in a state, and in what time. */
export const changes = (properties: readonly string[], time: string): string =>
  `transition: ${time};\n    transition-property: ${properties.join(', ')};\n`;

const ofState = ({ ofStates }: ResolvedLooks['uses']): string[] => [
  'color',
  'background-color',
  ...(ofStates.border ? ['border-color'] : []),
  ...(ofStates.shadow ? ['box-shadow'] : []),
];

/** Whatever may carry a mark that comes. */
const coming = `.${parts.menu} :is(a.${parts.link},.${parts.home},.${parts.toggle}>*)::after`;

export function conditions(has: StyleParts, uses: ResolvedLooks['uses']): string {
  const time = uses.motion ? 'var(--kamino-motion)' : '0.14s ease-out';
  const comes = `  ${coming} {
    ${changes(['opacity', 'scale'], time)}  }
`;
  return `@media (prefers-reduced-motion: no-preference) {
  ${pick(has)} {
    ${changes(ofState(uses), time)}  }
${uses.comes ? comes : ''}}
@media (pointer: coarse) {
  ${pick(has)} {
    min-block-size: 44px;
  }
}
@media (forced-colors: active) {
  ${uses.comes ? coming : marked(has)} {
    forced-color-adjust: none;
    background: Highlight${uses.comes || uses.markerColors.size > 0 ? ' !important' : ''};
  }
}
@media print {
  .${parts.menu}.${parts.menu},.${parts.skip}.${parts.skip} {
    display: none;
  }
}
`;
}
