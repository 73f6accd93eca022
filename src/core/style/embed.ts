import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { atAttribute, entryAttribute } from '../markup/names.ts';

const current = '[aria-current]';

/**
 * A style sheet in which entries look current too where a template says so around the menu: without a script nothing
 * else knows which page it is. What is added weighs nothing.
 */
export function markedByTemplates(css: string, menus: readonly ResolvedMenu[]): string {
  const hooks = new Set(menus.flatMap(({ entries }) => hooksOf(entries)));
  if (hooks.size === 0) return css;
  const said = [...hooks].map(one => `[${atAttribute}~="${one}"] [${entryAttribute}="${one}"]>*`).join();
  const either = `:is(${current},:where(${said}))`;
  return css.replace(/[^{}]+(?=\{)/g, selectors =>
    // Panels are parts of a page that knows itself.
    selectors.includes('data-kamino-panel') ? selectors : selectors.replaceAll(current, either),
  );
}

const hooksOf = (entries: readonly ResolvedEntry[]): string[] =>
  entries.flatMap(({ hook, entries: below }) => [hook, ...hooksOf(below)]);
