import type { Look } from '../plan/look-types.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';

/** Tells what is wrong with looks, each at its place in the plan and once. */
export class LookTeller {
  readonly findings: Finding[] = [];
  readonly source: Source;
  readonly #told = new Set<string>();

  constructor(source: Source) {
    this.source = source;
  }

  /** The same value is told once for each colour of labels, whatever else would be said of it. @param color empty for none */
  tellOnce(color: string, ...[rule, look, path, words]: Parameters<LookTeller['tell']>): void {
    const key = `${rule} ${markOf(look, path)?.start ?? ''} ${color}`;
    if (this.#told.has(key)) return;
    this.#told.add(key);
    this.tell(rule, look, path, words);
  }

  /** @param path of the value in the look; the nearest that the plan has counts */
  tell(
    rule: Parameters<typeof finding>[0],
    look: Look,
    path: string,
    words: [message: string, remedy: string],
  ): void {
    const [message, remedy] = words;
    const mark = markOf(look, path);
    const key = `${rule} ${mark?.start ?? ''} ${message}`;
    if (this.#told.has(key)) return;
    this.#told.add(key);
    const place = mark ? this.source.place(mark.start, mark.end) : { file: this.source.file };
    this.findings.push(finding(rule, place, message, remedy));
  }
}

function markOf({ marks }: Look, path: string): { start: number; end: number } | undefined {
  for (let steps = path.split('.'); steps.length > 0; steps = steps.slice(0, -1)) {
    const mark = marks[steps.join('.')];
    if (mark) return mark;
  }
  return marks['color'] ?? marks['background'] ?? marks['picture'] ?? marks['accent'];
}
