/** A place in a file: lines and columns count from 1, a column is a UTF-16 unit. */
export interface Position {
  line: number;
  column: number;
}

/** The line in which a problem lies, with the part of it to underline: [from, to) in UTF-16 units. */
export interface Excerpt {
  text: string;
  from: number;
  to: number;
}

export interface Place {
  file: string;
  position?: Position;
  excerpt?: Excerpt;
}

/** One text file. It makes the place of every problem in it from offsets. */
export class Source {
  readonly file: string;
  readonly text: string;
  #starts: number[] | null = null;

  constructor(file: string, text: string) {
    this.file = file;
    this.text = text;
  }

  place(start: number, end = start + 1): Place {
    const position = this.position(start);
    const from = this.#lines()[position.line - 1]!;
    const text = /^[^\r\n]*/.exec(this.text.slice(from))![0];
    const to = Math.max(position.column, Math.min(end - from, text.length));
    return { file: this.file, position, excerpt: { text, from: position.column - 1, to } };
  }

  position(offset: number): Position {
    const starts = this.#lines();
    let low = 0;
    for (let high = starts.length; high - low > 1;) {
      const middle = (low + high) >> 1;
      if (starts[middle]! <= offset) low = middle;
      else high = middle;
    }
    return { line: low + 1, column: offset - starts[low]! + 1 };
  }

  #lines(): number[] {
    if (this.#starts) return this.#starts;
    this.#starts = [0];
    for (const match of this.text.matchAll(/\r\n|\r|\n/g)) this.#starts.push(match.index + match[0].length);
    return this.#starts;
  }
}
