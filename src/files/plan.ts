import { readFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { type PlanReading, readPlan } from '../core/plan/read.ts';
import { finding } from '../core/text/finding.ts';
import { Source } from '../core/text/source.ts';
import { findPlan, shownPath } from './paths.ts';

/** A plan file with what it says. */
export interface OpenPlan extends PlanReading {
  file: string;
  folder: string;
  source: Source;
}

/**
 * Reads the plan.
 * @param given a plan file, or a folder with a plan; the folder where the user stands by default
 */
export function openPlan(given?: string): OpenPlan {
  const file = findPlan(given);
  let bytes: Buffer;
  try {
    bytes = readFileSync(file);
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'ENOENT'
      ? noPlan(file, 'there is no plan here', firstPlan)
      : noPlan(
          file,
          `the plan cannot be read (${(error as Error).message})`,
          'Check the file’s permissions.',
        );
  }
  try {
    return planOf(file, new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch (error) {
    if (!(error instanceof TypeError)) throw error;
    return noPlan(file, 'the plan is not in UTF-8', 'Save it as UTF-8 text.');
  }
}

/** The plan that a text is, as if it stood in this file. */
export function planOf(file: string, text: string): OpenPlan {
  const source = new Source(shownPath(file), text);
  return { file, folder: dirname(file), source, ...readPlan(source) };
}

const firstPlan =
  'Write one into the folder of your pages:\nkamino: 1\nmenus:\n  - menu: masthead\n    entries:\n      - index.html';

function noPlan(file: string, message: string, remedy: string): OpenPlan {
  const shown = shownPath(file);
  return {
    file,
    folder: dirname(file),
    source: new Source(shown, ''),
    plan: null,
    findings: [finding('no-plan', { file: shown }, message, remedy)],
  };
}
