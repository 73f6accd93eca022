import { covers } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { menuClass, parts } from '../markup/names.ts';
import type { FoldKind } from '../plan/fold-kinds.ts';
import { topList } from './parts.ts';
import { when } from './room.ts';

/** In the flow, pushing the page down; a bar that stays scrolls inside itself. */
const stack = (
  own: string,
  { stays }: ResolvedMenu,
): string => `${own} .${parts.toggle}:not([open])~.${parts.list} {
  display: none;
}
${own} ${topList} {
  flex-basis: 100%;
  padding-block: 0.3em 0.6em;
}
${
  stays
    ? `${own} .${parts.room} {
  max-block-size: 100vh;
  overflow-y: auto;
}
`
    : ''
}`;

/** Over the page, in the top layer. */
const cover = (own: string): string => `${own} .${parts.fold} {
  inset-block: 0;
  block-size: 100%;
  max-block-size: none;
  margin: 0;
  padding: 0.6em;
  border: 0;
  color: var(--kamino-color);
  background: var(--kamino-background);
  overflow-y: auto;
  overscroll-behavior: contain;
}
${own} .${parts.close} {
  margin-inline-start: auto;
}
`;

const drawer = (own: string, { fold }: ResolvedMenu): string => `${own} .${parts.fold} {
  --kamino-away: ${fold.side === 'start' ? '-100%' : '100%'};
  inset-inline: ${fold.side === 'start' ? '0 auto' : 'auto 0'};
  inline-size: var(--kamino-drawer, min(20rem, 86vw));
  box-shadow: 0 0 2em rgb(0 0 0 / 0.25);
}
${own} .${parts.fold}:dir(rtl) {
  --kamino-away: ${fold.side === 'start' ? '100%' : '-100%'};
}
`;

const fullScreen = (own: string): string => `${own} .${parts.fold} {
  inset-inline: 0;
  inline-size: 100%;
  max-inline-size: none;
}
${own} .${parts.fold}>.${parts.list} {
  inline-size: min(24em, 100%);
  margin: 8vh auto;
  font-size: 1.25em;
}
`;

/** How each kind of fold is drawn. */
interface FoldStyle {
  /** Of the folded menu, beside what all have alike. */
  rules: (own: string, menu: ResolvedMenu) => string;
  /** It may move the page aside. */
  isMoved: boolean;
  /** What changes while it comes and goes, and what it is while it is away. */
  leaves: 'translate' | 'opacity';
  away: string;
}

const fades = { leaves: 'opacity', away: 'opacity: 0' } as const;

/** Every kind of fold. */
export const foldStyles: Readonly<Record<FoldKind, FoldStyle>> = {
  stack: { rules: stack, isMoved: false, ...fades },
  drawer: {
    rules: (own, menu) => cover(own) + drawer(own, menu),
    isMoved: true,
    leaves: 'translate',
    away: 'translate: var(--kamino-away)',
  },
  'full-screen': { rules: own => cover(own) + fullScreen(own), isMoved: false, ...fades },
  none: { rules: () => '', isMoved: false, ...fades },
};

/** What an open cover does to the page behind it, and how it comes and goes. */
export function pageRules(menu: ResolvedMenu): string {
  if (!covers(menu)) return '';
  const { as, side, behind } = menu.fold;
  const { isMoved, leaves, away } = foldStyles[as];
  const own = `.${menuClass(menu.name)}`;
  const open = `html:has(${own} .${parts.fold}:popover-open)`;
  const shut = `${open} {
  overflow: hidden;
}
${own} .${parts.fold}::backdrop {
  background: rgb(0 0 0 / 0.45);
}
`;
  const shifted = `${open} {
  padding-inline-${side}: var(--kamino-drawer, min(20rem, 86vw));
}
${own} .${parts.fold} {
  --kamino-behind: shifted;
}
`;
  const isCover = !isMoved || behind === 'covered';
  const page = isCover
    ? shut
    : behind === 'shifted'
      ? shifted
      : `${when('@media (width >= 64em)', shifted)}${when('@media (width < 64em)', shut)}`;
  return `${page}@media (prefers-reduced-motion: no-preference) {
  ${own} :is(.${parts.fold}:popover-open,.${parts.closing}) {
    transition: ${leaves} 0.22s ease-out, display 0.22s allow-discrete, overlay 0.22s allow-discrete;
  }
  ${own} .${parts.fold}::backdrop {
    transition: opacity 0.22s ease-out;
  }
  ${own} .${parts.closing}:not(:popover-open) {
    ${away};
  }
  @starting-style {
    ${own} .${parts.fold}:popover-open {
      ${away};
    }
    ${own} .${parts.fold}:popover-open::backdrop {
      opacity: 0;
    }
  }
}
`;
}
