import { AttributeTable } from './simple-tag.ts';

/** So much is kept from one page to the next; in the table of a larger one it is the exception. */
const mostKept = 1 << 20;

/** The memory of a table, for pages that are looked at one after another: the table of one is gone when the next begins. */
export class TableRoom {
  readonly attributes = new AttributeTable();
  rows: Int32Array = new Int32Array(0);
  texts: Int32Array = new Int32Array(0);

  /** Room for so many numbers, with whatever stood there. */
  begin(rows: number, texts: number): void {
    this.rows = fitting(this.rows, rows);
    this.texts = fitting(this.texts, texts);
    this.attributes.clear();
  }
}

function fitting(table: Int32Array, size: number): Int32Array {
  const fits = table.length >= size && table.length <= Math.max(mostKept, size);
  return fits ? table : new Int32Array(size);
}
