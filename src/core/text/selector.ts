import { type Selector as Part, isTraversal, parse } from 'css-what';
import { type Raw, lowerAscii } from './bytes.ts';

/** A selector of CSS. Compound ones (`header`, `#top`, `.masthead`, `[role=main]`, `div.wrap#top`) are matched while reading. */
export interface Selector {
  text: string;
  /** It looks at no more than one element; if not, `name` and `tests` say nothing. */
  isCompound: boolean;
  name: string | null;
  tests: AttributeTest[];
}

interface AttributeTest {
  attribute: string;
  /** `has`: it is there; `is`: its whole value; `word`: one of its words. */
  test: 'has' | 'is' | 'word';
  value: Raw;
}

const part =
  /^(?:\*|([a-z][a-z0-9-]*)|#([\w\u0080-\u{10ffff}-]+)|\.([\w\u0080-\u{10ffff}-]+)|\[\s*([\w-]+)\s*(?:(~?=)\s*(?:"([^"]*)"|'([^']*)'|([^\s\]"']+))\s*)?\])/iu;

/** Pseudo-classes that depend on the page alone. */
export const lastingPseudoClasses: ReadonlySet<string> = new Set(
  'not is where has first-child last-child only-child first-of-type last-of-type only-of-type nth-child nth-last-child nth-of-type nth-last-of-type empty root'.split(
    ' ',
  ),
);

/** Reads a selector; null where it is none, or depends on more than the page (`:hover`, `::before`). */
export function readSelector(text: string): Selector | null {
  const compound = readCompound(text);
  if (compound) return compound;
  try {
    const selectors = parse(text);
    const isFixed = selectors.length > 0 && selectors.every(isLasting);
    return isFixed ? { text, isCompound: false, name: null, tests: [] } : null;
  } catch {
    return null;
  }
}

function isLasting(selector: readonly Part[]): boolean {
  // `a >` names no element.
  if (selector.length === 0 || isTraversal(selector.at(-1)!)) return false;
  return selector.every(one => {
    if (one.type === 'pseudo-element') return false;
    if (one.type !== 'pseudo') return true;
    return (
      lastingPseudoClasses.has(one.name) &&
      (typeof one.data === 'string' || (one.data ?? []).every(isLasting))
    );
  });
}

function readCompound(text: string): Selector | null {
  const selector: Selector = { text, isCompound: true, name: null, tests: [] };
  let rest = text.trim();
  if (rest === '') return null;
  for (let first = true; rest !== ''; first = false) {
    const match = part.exec(rest);
    if (!match) return null;
    const [whole, name, id, className, attribute, operator, double, single, bare] = match;
    if ((name !== undefined || whole === '*') && !first) return null;
    if (name !== undefined) selector.name = lowerAscii(name);
    else if (id !== undefined) selector.tests.push({ attribute: 'id', test: 'is', value: id });
    else if (className !== undefined)
      selector.tests.push({ attribute: 'class', test: 'word', value: className });
    else if (attribute !== undefined) {
      const test = operator === undefined ? 'has' : operator === '=' ? 'is' : 'word';
      selector.tests.push({ attribute: lowerAscii(attribute), test, value: double ?? single ?? bare ?? '' });
    }
    rest = rest.slice(whole.length);
  }
  return selector;
}

/** @param read decodes an attribute's raw value */
export function matches(
  selector: Selector,
  name: string,
  attributes: () => readonly { name: string; value: Raw }[],
  read: (value: Raw) => string,
): boolean {
  if (selector.name !== null && selector.name !== name) return false;
  return selector.tests.every(test => {
    const attribute = attributes().find(one => one.name === test.attribute);
    if (!attribute || test.test === 'has') return attribute !== undefined;
    const value = read(attribute.value);
    return test.test === 'is' ? value === test.value : value.split(/[\t\n\f\r ]+/).includes(test.value);
  });
}
