import type { ResolvedLooks } from '../look/types.ts';
import type { ResolvedPanels } from '../target/facts.ts';
import { panelAttribute, parts } from '../markup/names.ts';
import { hairline } from './arrange.ts';

/**
 * Panels are shown one at a time by the style sheet alone: the one that the address names, or that holds what it names;
 * else the first. Once the script has said which one is shown, that one is. On paper all are there.
 */
export function panelRules(
  { name, panels, first, height }: ResolvedPanels,
  { states }: ResolvedLooks['uses'],
): string {
  const switches = `[${panelAttribute}=${name}]`;
  const page = `:root:has(${switches})`;
  // The script marks a link as soon as it is there.
  const said = `:has(${switches}[aria-current])`;
  const all = `:is(${panels.map(one => `#${escaped(one.id)}`).join(',')})`;
  const aimed = `:has(${all}:target,${all} :target)`;
  const hidden = [
    `${page}:not(${said},${aimed}) ${all}:not(#${escaped(first)})`,
    `${page}${aimed}:not(${said}) ${all}:not(:target,:has(:target))`,
    `${page}${said} ${all}:not(.${parts.shown})`,
  ];
  const overlaid = `${page} :has(>${all}) {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
}
${page} ${all} {
  grid-area: 2 / 1;
}
`;
  const marked = (panel: string): string[] =>
    panels.flatMap(({ id }) => {
      const own = `#${escaped(id)}`;
      const link = panel.replace('&', `a${switches}[href$="${own.replaceAll('\\', '\\\\')}"]`);
      const here = `:where(:root:has(${own}:target,${own} :target):not(${said})) ${link}`;
      return id === first ? [`:where(:root:not(${said},${aimed})) ${link}`, here] : [here];
    });
  return `@media screen {
${height === 'tallest' ? overlaid : ''}${hidden.join(',')} {
  ${height === 'tallest' ? 'visibility: hidden' : 'display: none'};
}
}
${
  states.has('current')
    ? `${marked(`&.${parts.link}`).join(',')} {
  color: var(--kamino-current-color);
  background: var(--kamino-current-background);
}
`
    : ''
}${marked(`&.${parts.link}::after`).join(',')} {
  content: "";
  position: absolute;
  inset-inline: var(--kamino-mark-inline);
  inset-block-end: var(--kamino-mark-block);
  block-size: 0.15em;
  border-radius: 1em;
  background: var(--kamino-marker);
}
${marked(`.${parts.tabs} .${parts.entry}:has(>&)`).join(',')} {
  border: 1px solid ${hairline};
  border-block-end: 0;
  border-start-start-radius: var(--kamino-radius);
  border-start-end-radius: var(--kamino-radius);
  margin: -1px -1px 0;
  box-shadow: none;
}
`;
}

/** https://www.w3.org/TR/cssom-1/#serialize-an-identifier */
function escaped(id: string): string {
  return id
    .replace(/[^\w\u0080-\uffff-]/g, letter => `\\${letter}`)
    .replace(/^(-?)(\d)/, (_, dash: string, digit: string) => `${dash}\\3${digit} `);
}
