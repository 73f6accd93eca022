import { readFileSync, readdirSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { type PlanReading, readPlan } from '../core/plan/read.ts';
import { finding } from '../core/text/finding.ts';
import { Source } from '../core/text/source.ts';
import { wayTo } from './folder-errors.ts';
import { inPlace } from './own.ts';
import { contains, isFolder, isThere, planAbove, planIn, shownPath } from './paths.ts';

/** A plan file with what it says. */
export interface OpenPlan extends PlanReading {
  file: string;
  folder: string;
  source: Source;
}

/** Reads a plan. @param file its whole path, whether it is there or not */
export function openPlan(file: string): OpenPlan {
  let bytes: Buffer;
  try {
    bytes = readFileSync(file);
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'ENOENT'
      ? notHere(file)
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
  'Go to the folder of your pages, and let one be drafted:  kamino draft\nOr write one there:\nkamino: 1\nmenus:\n  - menu: masthead\n    entries:\n      - index.html';

/** No plan, with what to do in a folder like this one. */
function notHere(file: string): OpenPlan {
  const folder = dirname(file);
  const here = planIn(folder);
  if (isThere(here))
    return noPlan(
      file,
      `there is no such plan, and ${shownPath(here)} is one`,
      'Name that one, or none for the plan here.',
    );
  const above = planAbove(folder);
  if (above !== null && placeIn(openPlan(above), folder) !== null)
    return noPlan(file, `there is no plan here, and one above: ${shownPath(above)}`, wayTo(above));
  const hasPages = isFolder(folder) && readdirSync(folder).some(name => /\.html?$/i.test(name));
  return noPlan(file, 'there is no plan here', hasPages ? draftOne : firstPlan);
}

const draftOne = 'Let one be drafted from your pages:  kamino draft';

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

/** The plan in a folder above whose site these pages are a part of, and not its output; or null. */
export function sitePlanAbove(folder: string): string | null {
  const above = planAbove(folder);
  return above !== null && placeIn(openPlan(above), folder) === 'site' ? above : null;
}

/** What a folder is to a plan: its output or in it, a part of its site, or nothing. */
export function placeIn({ plan, folder: home }: OpenPlan, folder: string): 'output' | 'site' | null {
  if (!plan) return null;
  const isIn = (place: string): boolean => place === folder || contains(place, folder);
  if (plan.output !== inPlace && isIn(resolve(home, plan.output))) return 'output';
  return isIn(resolve(home, plan.site)) ? 'site' : null;
}
