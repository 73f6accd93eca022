import { SaxesParser } from 'saxes';
import { escapeMarkup } from '../../text/references.ts';
import { type OutlineEntry, OutlineError, type OutlineFormat, type OutlineMenu, entry } from './types.ts';

/** http://opml.org/spec2.opml: outlines of type `link`; several menus each in an outline of type `menu`. */
export const opml: OutlineFormat = {
  endings: ['opml', 'xml'],
  isMeant: text => /<opml[\s>]/i.test(text),
  read: text => {
    const menus: OutlineMenu[] = [];
    const open: { entries: OutlineEntry[] }[] = [];
    const loose: OutlineMenu = { name: null, title: null, entries: [] };
    const parser = new SaxesParser({ position: true });
    parser.on('error', error => {
      throw new OutlineError(
        `this is no XML: ${error.message}`,
        parser.line,
        'Save the outline again as OPML.',
      );
    });
    parser.on('opentag', ({ name, attributes }) => {
      if (name !== 'outline') return;
      const value = (key: string): string | null => String(attributes[key] ?? '').trim() || null;
      const label = value('text') ?? value('title');
      if (value('type') === 'menu' && open.length === 0) {
        const menu: OutlineMenu = { name: value('name'), title: label, entries: [] };
        menus.push(menu);
        open.push(menu);
        return;
      }
      const target = value('url') ?? value('htmlUrl');
      if (label === null && target === null)
        throw new OutlineError('an outline has neither a text nor a url', parser.line, 'Give it a text.');
      const made = entry(label, target, value('highlight') !== null);
      (open.at(-1) ?? loose).entries.push(made);
      open.push(made);
    });
    parser.on('closetag', ({ name }) => {
      if (name === 'outline') open.pop();
    });
    parser.write(text).close();
    return loose.entries.length > 0 ? [loose, ...menus] : menus;
  },
  write: menus => {
    const isOne = menus.length === 1 && menus[0]!.name === null;
    const body = isOne
      ? linesOf(menus[0]!.entries, 2)
      : menus.flatMap(({ name, title, entries }) => [
          `    <outline type="menu" name="${escapeMarkup(name ?? 'menu')}" text="${escapeMarkup(title ?? name ?? '')}">`,
          ...linesOf(entries, 3),
          '    </outline>',
        ]);
    return [
      '<?xml version="1.0" encoding="UTF-8"?>',
      '<opml version="2.0">',
      '  <head><title>Navigation</title></head>',
      '  <body>',
      ...body,
      '  </body>',
      '</opml>',
      '',
    ].join('\n');
  },
};

function linesOf(entries: readonly OutlineEntry[], depth: number): string[] {
  const indent = '  '.repeat(depth);
  return entries.flatMap(one => {
    const link = one.target === null ? '' : ` type="link" url="${escapeMarkup(one.target)}"`;
    // A text is needed: an entry that takes its label from its page is called by its target.
    const text = ` text="${escapeMarkup(one.label ?? '')}"`;
    const start = `${indent}<outline${text}${link}${one.highlight ? ' highlight="yes"' : ''}`;
    return one.entries.length === 0
      ? [`${start}/>`]
      : [`${start}>`, ...linesOf(one.entries, depth + 1), `${indent}</outline>`];
  });
}
