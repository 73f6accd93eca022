import {
  type Node,
  type Pair,
  type Scalar,
  type YAMLMap,
  type YAMLSeq,
  isMap,
  isScalar,
  isSeq,
  parseDocument,
} from 'yaml';
import { type Block, blockOf } from './block.ts';
import { emptied, pairOf, reindent, scalarText } from './lines.ts';
import { type EditEntry, EditError, type EditList, type Spot, readList } from './list.ts';

/** The entries of one menu in the text of a plan, for edits that leave all else as it is, byte for byte. */
export class PlanEditor {
  readonly text: string;
  readonly list: EditList;

  /** @throws EditError where the plan has no such menu with entries of its own */
  constructor(text: string, menu: string | null, shownLabel: (target: string) => string | null) {
    this.text = text;
    const document = parseDocument(text, { schema: 'failsafe', keepSourceTokens: true });
    const menus = document.get('menus');
    const all = isSeq(menus) ? menus.items.filter(isMap) : [];
    const withEntries = all.filter(one => isSeq(one.get('entries')));
    const names = withEntries.map(one => String(one.get('menu')));
    const found = menu === null ? withEntries[0] : withEntries[names.indexOf(menu)];
    if (!found || (menu === null && withEntries.length > 1))
      throw new EditError(
        found ? 'the plan has several menus' : `no menu with entries of its own is called \`${menu ?? ''}\``,
        `Name one of them:  ${names.map(name => `--menu ${name}`).join('  or  ')}`,
      );
    this.list = readList(found.get('entries') as YAMLSeq, null, shownLabel);
  }

  /** All entries, in order. */
  all(list = this.list): EditEntry[] {
    return list.entries.flatMap(one => [one, ...(one.below ? this.all(one.below) : [])]);
  }

  /** Entries of this name: labels joined by `/`, or a target. */
  find(name: string): EditEntry[] {
    const wanted = name.toLowerCase();
    const paths = (entry: EditEntry): string[] => {
      const { owner } = entry.parent;
      return owner ? paths(owner).flatMap(above => entry.names.map(one => `${above}/${one}`)) : entry.names;
    };
    const matches = (names: readonly string[]): boolean => names.some(one => one.toLowerCase() === wanted);
    const byPath = this.all().filter(one => matches(paths(one)));
    return byPath.length > 0 ? byPath : this.all().filter(one => matches(one.names));
  }

  /** The line of an entry, from 1. */
  lineOf({ node }: EditEntry): number {
    return this.text.slice(0, node.range![0]).split('\n').length;
  }

  /** The plan with other entries, one a line, in place of one that stands for them. */
  spellOut(entry: EditEntry, items: readonly string[]): string {
    const { line, end, indent } = this.#block(entry);
    const lines = items.map(item => `${indent}- ${scalarText(item, false)}\n`).join('');
    return this.text.slice(0, line) + lines + this.text.slice(end);
  }

  rename(entry: EditEntry, label: string, keyOf: (target: string) => string): string {
    return this.#set(entry, 'label', label, keyOf);
  }

  highlight(entry: EditEntry, isOn: boolean, keyOf: (target: string) => string): string {
    if (isOn) return this.#set(entry, 'highlight', 'background', keyOf);
    return this.#unset(entry, 'highlight');
  }

  remove(entry: EditEntry): string {
    const { start, end } = this.#block(entry);
    if (entry.parent.entries.length > 1) return this.#cut(start, end);
    const { owner } = entry.parent;
    if (!owner)
      throw new EditError(
        'a menu has at least one entry',
        'Add another one first, or take the menu out of the plan.',
      );
    return this.#withoutEntries(owner);
  }

  /** @param item one line: a target or a map in braces */
  add(item: string, spot: Spot, keyOf: (target: string) => string): string {
    const { at, indent, before } = this.#insertion(spot, keyOf);
    return before.slice(0, at) + `${indent}- ${item}\n` + before.slice(at);
  }

  move(entry: EditEntry, spot: Spot, keyOf: (target: string) => string): string {
    if ('of' in spot) {
      for (let one: EditEntry | null = spot.of; one; one = one.parent.owner)
        if (one === entry)
          throw new EditError(
            'an entry cannot stand under or beside itself',
            'Name another entry as the place.',
          );
    }
    // It stands there already.
    if (spot.side === 'under' && spot.of.below === entry.parent && entry.parent.entries.at(-1) === entry)
      return this.text;
    const { start, end, indent } = this.#block(entry);
    const block = this.text.slice(start, end);
    if (entry.parent.entries.length === 1 && !entry.parent.owner)
      throw new EditError('a menu has at least one entry', 'Add another one first.');
    const place = this.#insertion(spot, keyOf);
    const moved = reindent(block, place.indent.length - indent.length);
    const inserted = place.before.slice(0, place.at) + moved + place.before.slice(place.at);
    // What stood before the place stands there still; what stood behind it has moved on.
    const grown = place.before.length - this.text.length;
    const shift = place.at - grown <= start ? inserted.length - this.text.length : 0;
    const from = start + shift;
    const rest = inserted.slice(0, from) + inserted.slice(from + block.length);
    if (entry.parent.entries.length > 1) return rest;
    // The list that it leaves is empty now.
    return emptied(rest, from);
  }

  #block(entry: EditEntry): Block {
    return blockOf(this.text, entry);
  }

  /** Where a new line goes, how far it is indented, and the text that has room for it. */
  #insertion(spot: Spot, keyOf: (target: string) => string): { at: number; indent: string; before: string } {
    if (spot.side === 'before' || spot.side === 'after') {
      const { start, end, indent } = this.#block(spot.of);
      return { at: spot.side === 'before' ? start : end, indent, before: this.text };
    }
    const list = spot.side === 'under' ? spot.of.below : this.list;
    if (list) {
      const entry = spot.side === 'first' ? list.entries[0]! : list.entries.at(-1)!;
      const { start, end, indent } = this.#block(entry);
      return { at: spot.side === 'first' ? start : end, indent, before: this.text };
    }
    return this.#firstBelow((spot as { of: EditEntry }).of, keyOf);
  }

  /** Room for the first entry below another one. */
  #firstBelow(
    entry: EditEntry,
    keyOf: (target: string) => string,
  ): { at: number; indent: string; before: string } {
    const { indent } = this.#block(entry);
    const inner = `${indent}  `;
    const [from, to] = entry.node.range!;
    if (isMap(entry.node) && entry.node.flow)
      throw new EditError(
        'this entry stands in braces',
        'Write its keys on lines of their own to put entries under it.',
      );
    let before = this.text;
    let end = this.text.slice(0, to).trimEnd().length;
    if (isScalar(entry.node)) {
      const key = `${keyOf(String(entry.node.value))}: `;
      before = before.slice(0, from) + key + before.slice(from);
      end += key.length;
    }
    const newline = before.indexOf('\n', end);
    const at = newline < 0 ? before.length : newline + 1;
    const head = `${newline < 0 ? '\n' : ''}${inner}entries:\n`;
    return {
      at: at + head.length,
      indent: `${inner}  `,
      before: before.slice(0, at) + head + before.slice(at),
    };
  }

  #set(entry: EditEntry, key: string, value: string, keyOf: (target: string) => string): string {
    const { node } = entry;
    const written = scalarText(value, isMap(node) ? node.flow === true : true);
    const [from, to] = node.range!;
    if (isScalar(node)) {
      const target = this.text.slice(from, to);
      const quoted = /[,[\]{}]/.test(target) && !/^["']/.test(target) ? JSON.stringify(node.value) : target;
      return this.#replace(from, to, `{ ${keyOf(String(node.value))}: ${quoted}, ${key}: ${written} }`);
    }
    if (!isMap(node)) throw new EditError('this entry cannot be edited', 'Edit it in the plan itself.');
    const pair = pairOf(node, key);
    if (pair) {
      if (isMap(pair.value))
        throw new EditError(
          `the ${key} of this entry differs by language`,
          `Write it in the plan itself:  ${key}: { … }`,
        );
      const range = (pair.value as Scalar).range!;
      return this.#replace(range[0], range[1], written);
    }
    const [first] = node.items as Pair<Scalar, Node>[];
    const end = this.text.slice(0, first!.value!.range![1]).trimEnd().length;
    if (node.flow) return this.#replace(end, end, `, ${key}: ${written}`);
    const column = first!.key.range![0] - (this.text.lastIndexOf('\n', first!.key.range![0] - 1) + 1);
    const newline = this.text.indexOf('\n', end);
    const at = newline < 0 ? this.text.length : newline;
    return this.#replace(at, at, `\n${' '.repeat(column)}${key}: ${written}`);
  }

  #unset({ node }: EditEntry, key: string): string {
    const pair = isMap(node) ? pairOf(node, key) : null;
    if (!isMap(node) || !pair) return this.text;
    const from = pair.key.range![0];
    const to = (pair.value as Node).range![1];
    if (node.flow) {
      const rest = node.items.length > 1;
      const isFirst = node.items[0] === (pair as unknown);
      if (!rest) return this.text;
      if (isFirst) return this.#cut(from, to + (/^\s*,\s*/.exec(this.text.slice(to))?.[0].length ?? 0));
      const comma = /,\s*$/.exec(this.text.slice(0, from))!;
      return this.#cut(from - comma[0].length, to);
    }
    const line = this.text.lastIndexOf('\n', from - 1) + 1;
    if (this.text.slice(line, from).trim() !== '')
      throw new EditError('this key begins its entry', 'Put the target first, on a line of its own.');
    const newline = this.text.indexOf('\n', to);
    return this.#cut(line, newline < 0 ? this.text.length : newline + 1);
  }

  /** An entry whose last entry below has gone; alone with its page it is a bare target again. */
  #withoutEntries(entry: EditEntry): string {
    const node = entry.node as YAMLMap<Scalar, Node>;
    const pair = pairOf(node, 'entries')!;
    const line = this.text.lastIndexOf('\n', pair.key.range![0] - 1);
    const end = this.#block(entry).end;
    const cut = `${this.text.slice(0, line)}\n${this.text.slice(end)}`;
    const [only] = node.items;
    if (node.items.length > 2 || (only as Pair<Scalar, Node>).key.value !== 'page' || node.items.length < 2)
      return cut;
    const from = (only as Pair<Scalar, Node>).key.range![0];
    return cut.slice(0, from) + cut.slice((only as Pair<Scalar, Node>).value!.range![0]);
  }

  #cut(from: number, to: number): string {
    return this.text.slice(0, from) + this.text.slice(to);
  }

  #replace(from: number, to: number, text: string): string {
    return this.text.slice(0, from) + text + this.text.slice(to);
  }
}
