import { type OutlineEntry, OutlineError, type OutlineFormat, entry } from './types.ts';

const shape =
  '{ "menus": [{ "menu": "masthead", "entries": [{ "label": "Visit", "target": "visit.html" }] }] }';

/** A document with `menus`, or a bare list of entries. */
export const json: OutlineFormat = {
  endings: ['json'],
  isMeant: null,
  read: text => {
    const value = parse(text);
    const menus = Array.isArray(value) ? null : (value as Fields).menus;
    if (menus === undefined)
      throw new OutlineError('there are no `menus` in it', null, `For example  ${shape}`);
    if (menus === null) return [{ name: null, title: null, entries: entriesIn(value) }];
    return listOf(menus).map(one => {
      const { menu, title, entries } = one as Fields;
      return { name: textOf(menu), title: textOf(title), entries: entriesIn(entries ?? []) };
    });
  },
  write: menus =>
    `${JSON.stringify({ kamino: 1, menus: menus.map(({ name, title, entries }) => ({ menu: name, title, entries: entries.map(written) })) }, null, 2)}\n`,
};

type Fields = Record<string, unknown>;

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new OutlineError(`this is no JSON: ${(error as Error).message}`, null, `For example  ${shape}`);
  }
}

function entriesIn(value: unknown): OutlineEntry[] {
  return listOf(value).map(one => {
    if (typeof one === 'string') return entry(null, one);
    const { label, target, highlight, entries } = one as Fields;
    const made = entry(textOf(label), textOf(target), highlight === true);
    if (made.label === null && made.target === null)
      throw new OutlineError('an entry has neither a label nor a target', null, `For example  ${shape}`);
    made.entries.push(...entriesIn(entries ?? []));
    return made;
  });
}

function listOf(value: unknown): unknown[] {
  if (
    Array.isArray(value) &&
    value.every(one => typeof one === 'string' || (typeof one === 'object' && one !== null))
  )
    return value;
  throw new OutlineError('menus and entries are lists', null, `For example  ${shape}`);
}

function textOf(value: unknown): string | null {
  return typeof value === 'string' && value.trim() !== '' ? value : null;
}

function written({ label, target, highlight, entries }: OutlineEntry): Fields {
  return {
    ...(label === null ? {} : { label }),
    ...(target === null ? {} : { target }),
    ...(highlight ? { highlight } : {}),
    ...(entries.length > 0 ? { entries: entries.map(written) } : {}),
  };
}
