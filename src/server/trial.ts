import { type Change, changesOf } from '../core/edit/changes.ts';
import { EditError } from '../core/edit/list.ts';
import { type ValuePath, valueAt, valuesAt, withValueAt } from '../core/edit/value.ts';
import { heldStates } from '../core/draw/specimen.ts';
import type { Figure } from '../core/look/types.ts';
import { hasErrors, sortFindings } from '../core/text/finding.ts';
import { renderFindings } from '../core/text/render.ts';
import { planOf } from '../files/plan.ts';
import { writeWhole } from '../files/write.ts';
import type { Opened } from '../opening/opened.ts';
import type { Trial, TrialAnswer, TrialAsk } from './types.ts';

/** Looks that are tried on a plan that has been opened: its site is not read again. */
export class Trials implements Trial {
  /** The plan as it was opened last. */
  readonly #opened: () => Opened;
  /** What was written over, the last one last. */
  readonly #before: string[] = [];

  constructor(opened: () => Opened) {
    this.#opened = opened;
  }

  async answer({ act, edits, scope }: TrialAsk): Promise<TrialAnswer> {
    const { open } = this.#opened();
    const text = open.source.text;
    if (act === 'undo') {
      const before = this.#before.pop();
      if (before !== undefined) writeWhole(open.file, Buffer.from(before));
      return this.#tried(before ?? text, text, scope);
    }
    let wanted = text;
    try {
      for (const { path, value } of edits) wanted = withValueAt(wanted, path, value);
    } catch (error) {
      if (!(error instanceof EditError)) throw error;
      return { ...nothing, problems: `${error.message}\n${error.remedy}` };
    }
    const answer = await this.#tried(wanted, text, scope);
    if (act === 'write' && answer.style !== null && wanted !== text) {
      this.#before.push(text);
      writeWhole(open.file, Buffer.from(wanted));
      return { ...answer, isUndoable: true };
    }
    return answer;
  }

  /** The menus of the plan, with the path of the look of each; a look that has a name is changed where it stands. */
  menus(): { name: string; path: ValuePath }[] {
    const { open, plan } = this.#opened();
    const { text } = open.source;
    return plan.menus.flatMap(({ name }, at) => {
      if (valueAt(text, ['menus', at, 'menu']) !== name) return [];
      const named = valueAt(text, ['menus', at, 'look']);
      return [{ name, path: named === null ? ['menus', at, 'look'] : ['looks', named] }];
    });
  }

  /** The style sheet of a text, with what is told of it. */
  async #tried(text: string, before: string, scope: TrialAsk['scope']): Promise<TrialAnswer> {
    const opened = this.#opened();
    const open = planOf(opened.open.file, text);
    const { plan } = open;
    const lines = changesOf(before, text).flatMap((change: Change) => change.lines);
    const said = valuesAt(text, scope.keys);
    const isUndoable = this.#before.length > 0;
    if (!plan || hasErrors(open.findings))
      return { ...nothing, lines, said, isUndoable, problems: renderFindings(sortFindings(open.findings)) };
    const { style, looks, findings } = await opened.relooked(open, plan).styled();
    const wrong = sortFindings(findings).filter(one => one.severity !== 'note');
    const own = looks.scopes.filter(
      ({ address }) => address.entry === null && address.highlight === null && address.part === scope.part,
    );
    const inScope =
      own.find(one => one.address.menu === scope.menu) ?? own.find(one => one.address.menu === null);
    const figures = (inScope?.figures ?? []).map(shown);
    return {
      style: hasErrors(wrong) ? null : heldStates(fromRoot(style)),
      problems: wrong.length === 0 ? null : renderFindings(wrong),
      lines,
      figures,
      said,
      isUndoable,
    };
  }
}

/** In a page of the server, wherever it lies, pictures are seen from the root of the site. */
const fromRoot = (style: string): string => style.replaceAll('url("../', 'url("/');

const nothing: TrialAnswer = {
  style: null,
  problems: null,
  lines: [],
  figures: [],
  said: [],
  isUndoable: false,
};

const shown = ({ state, of, ratio, level }: Figure): TrialAnswer['figures'][number] => ({
  state,
  of,
  ratio: Math.round(ratio * 100) / 100,
  isEnough: ratio >= level,
});
