import { type Raw, lowerAscii } from './bytes.ts';

/** A compound selector: `header`, `#top`, `.masthead`, `[role=main]`, `div.wrap#top`. */
export interface Selector {
  text: string;
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

/** Reads one compound selector; null where it is something else (combinators and pseudo-classes among them). */
export function readSelector(text: string): Selector | null {
  const selector: Selector = { text, name: null, tests: [] };
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
