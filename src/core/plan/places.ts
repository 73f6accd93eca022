import { type Finding, finding } from '../text/finding.ts';
import type { RuleName } from '../text/rules.ts';
import type { Source } from '../text/source.ts';
import type { Mark } from './types.ts';
import { type PlanText, pathKey } from './yaml.ts';

/** The way to a value in the plan: keys, and numbers of lines. */
export type PlanPath = readonly (string | number)[];

/** Where the values of a plan stand in its text, and what is found wrong with them while they are converted. */
export class PlanPlaces {
  readonly findings: Finding[] = [];
  readonly #text: PlanText;
  readonly #source: Source;

  constructor(text: PlanText, source: Source) {
    this.#text = text;
    this.#source = source;
  }

  /** Of the value, else of the nearest thing around it. */
  mark(path: PlanPath): Mark {
    for (let length = path.length; length >= 0; length -= 1) {
      const mark = this.#text.values.get(pathKey(path.slice(0, length)));
      if (mark) return mark;
    }
    return { start: 0, end: 1 };
  }

  /** Of the key of a value, else as `mark`. */
  markKey(path: PlanPath): Mark {
    return this.#text.keys.get(pathKey(path)) ?? this.mark(path);
  }

  /** Whether the plan itself has the key. */
  isWritten(path: PlanPath): boolean {
    return this.#text.values.has(pathKey(path));
  }

  /** A path with `/` for `\`, told. */
  slashes(path: string, at: PlanPath): string {
    if (!path.includes('\\') || /^[a-z][a-z0-9+.-]*:/i.test(path)) return path;
    const right = path.replaceAll('\\', '/');
    this.tell('backslash-path', at, 'a path is written with \\ here', `Read as  ${right}`);
    return right;
  }

  tell(rule: RuleName, path: PlanPath, message: string, remedy: string): void {
    this.#tell(rule, this.mark(path), message, remedy);
  }

  /** The same at the key of the value. */
  tellKey(rule: RuleName, path: PlanPath, message: string, remedy: string): void {
    this.#tell(rule, this.markKey(path), message, remedy);
  }

  #tell(rule: RuleName, { start, end }: Mark, message: string, remedy: string): void {
    this.findings.push(finding(rule, this.#source.place(start, end), message, remedy));
  }
}
