import { AttributeTable } from './simple-tag.ts';

/** So much is kept from one page to the next; in the table of a larger one it is the exception. */
const mostKept = 1 << 20;

/** The memory of a table, for pages that are looked at one after another: the table of one is gone when the next begins. */
export class TableRoom {
  readonly attributes = new AttributeTable();
  rows: Int32Array = new Int32Array(0);
  texts: Int32Array = new Int32Array(0);
  #used = { rows: () => 0, texts: () => 0 };

  /** Room for so many numbers, all 0. */
  begin(rows: number, texts: number, used: { rows: () => number; texts: () => number }): void {
    this.rows = cleared(this.rows, this.#used.rows(), rows);
    this.texts = cleared(this.texts, this.#used.texts(), texts);
    this.attributes.clear();
    this.#used = used;
  }
}

function cleared(table: Int32Array, used: number, size: number): Int32Array {
  if (table.length < size || table.length > Math.max(mostKept, size)) return new Int32Array(size);
  return table.fill(0, 0, used);
}

/** The same numbers, with room for as many more. */
export function larger(table: Int32Array): Int32Array {
  const made = new Int32Array(table.length * 2);
  made.set(table);
  return made;
}
