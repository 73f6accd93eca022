import type { HandSite } from '../hand/types.ts';
import { choicesOf } from './sources.ts';
import { saidText } from './targets.ts';
import type { DraftEntry, DraftMenu, DraftSite } from './types.ts';

/** One question with its answers, the default first. Gives the answer that was chosen. */
export type Ask = (question: string, answers: readonly Answer[]) => Promise<string>;

export interface Answer {
  value: string;
  about: string;
}

/** What a draft asks; where nobody answers, the default of each question holds. */
export class Questions {
  readonly #given: Ask | undefined;

  constructor(ask: Ask | undefined) {
    this.#given = ask;
  }

  /** What may be changed. @param inPlace the word of the plan for the pages themselves */
  output(replaces: boolean, inPlace: string): Promise<string> {
    const copy = { value: 'built', about: 'a copy in the folder built, the pages stay as they are' };
    const pages = { value: inPlace, about: 'the pages themselves; kamino lift takes the menu out again' };
    return this.#ask('What may Kamino change?', replaces ? [pages, copy] : [copy, pages]);
  }

  /** Where on the page a new menu goes. */
  async placed(menus: readonly DraftMenu[]): Promise<readonly DraftMenu[]> {
    const answers = [
      { value: '', about: 'first in the header of each page, else at its start' },
      { value: 'body', about: 'at the very start of each page' },
      { value: 'slot', about: 'where the pages say data-kamino-slot="masthead"' },
    ];
    const answer = await this.#ask('Where on the page shall the menu stand?', answers);
    if (answer !== 'body') return menus;
    return menus.map(menu => ({ ...menu, place: [{ side: 'first-in', selectors: ['body'], drop: false }] }));
  }

  /** One entry of the first menu may be set apart as a button. */
  async setApart(menus: readonly DraftMenu[], site: DraftSite): Promise<readonly DraftMenu[]> {
    const [first, ...others] = menus;
    if (!first || first.entries.some(one => one.highlight)) return menus;
    const answers = first.entries.map((one, at) => ({ value: String(at), about: labelOf(one, site) }));
    const none = { value: '', about: 'none' };
    const answer = await this.#ask('Which entry shall be set apart as a button?', [none, ...answers]);
    const entries = first.entries.map((one, at) =>
      String(at) === answer ? { ...one, highlight: true } : one,
    );
    return [{ ...first, entries }, ...others];
  }

  /** Which menu to take over, where nobody has said it: the main one, where most pages carry it. */
  async chosen(site: HandSite): Promise<string[]> {
    const choices = choicesOf(site);
    const answers = choices.slice(0, 4).map(({ selector, about }) => ({ value: selector, about }));
    const none = { value: '', about: 'none: a new menu from folders and titles' };
    const all = choices[0]?.isUsual === true ? [...answers, none] : [none, ...answers];
    const answer = all.length > 1 ? await this.#ask('Which menu shall the new one replace?', all) : '';
    return answer === '' ? [] : [answer];
  }

  async #ask(question: string, answers: readonly Answer[]): Promise<string> {
    return this.#given ? this.#given(question, answers) : answers[0]!.value;
  }
}

function labelOf({ label, target }: DraftEntry, site: DraftSite): string {
  const value = target ? saidText(target.value) : '';
  return label === null ? (site.pages.get(value)?.label ?? value) : saidText(label);
}
