import { parts } from '../markup/names.ts';

/**
 * What is drawn before and after elements begins from nothing, whatever the page says of it. Only what some rule gives
 * content is named: each element that is not need not be styled for it.
 * @param rules those that draw, compacted
 */
export function besideReset(rules: string): string {
  const [before, after] = ['before', 'after'].map(side => carriersOf(rules, side));
  return [drawn(before!, 'before'), drawn(after!, 'after')].join('');
}

const drawn = (carriers: readonly string[], side: string): string =>
  carriers.length === 0
    ? ''
    : `.${parts.menu}.${parts.menu} :where(${carriers.join(',')})::${side}{all:revert}`;

/** The elements that rules draw something beside, each by the end of its selector. */
function carriersOf(rules: string, side: string): string[] {
  const found = new Set<string>();
  for (const [, selectors, body] of rules.matchAll(/([^{};]+)\{([^{}]*)\}/g))
    if (/(?:^|;)content:(?!none)/.test(body!))
      for (const selector of split(selectors!, ','))
        if (selector.endsWith(`::${side}`)) found.add(endOf(selector.slice(0, -side.length - 2)));
  return [...found];
}

/** The element itself, with its parent where that says which of them it is, and its menu where it is any link. */
function endOf(selector: string): string {
  const last = split(selector.replace(/ ([+~]) /g, '$1'), ' ').at(-1)!;
  const end = split(last, '>')
    .slice(-2)
    .join('>')
    // Said twice for their strength, and by the names of panels.
    .replace(/(\.[\w-]+)\1+/g, '$1')
    .replace(`.${parts.entry}>`, '')
    .replace(/\[data-kamino-panel[^\]]*\]\[href[^\]]*\]/, '[data-kamino-panel]');
  const menu = end === `a.${parts.link}` ? /\.kamino-menu-[\w-]+/.exec(selector) : null;
  return menu ? `${menu[0]} ${end}` : end;
}

/** Parts of a selector between signs that stand in no brackets. */
function split(selector: string, sign: string): string[] {
  const found = [''];
  let depth = 0;
  for (const letter of selector) {
    if (letter === '(' || letter === '[') depth += 1;
    if (letter === ')' || letter === ']') depth -= 1;
    if (letter === sign && depth === 0) found.push('');
    else found[found.length - 1] += letter;
  }
  return found;
}
