import { dirname } from 'node:path';
import { type Finding, finding } from '../core/text/finding.ts';
import { shownPath } from './paths.ts';

export function noFolder(path: string, remedy: string): Finding {
  return finding('cannot-read', { file: shownPath(path) }, 'there is no such folder', remedy);
}

/** What is odd in looking at this folder. @param above a plan in a folder above, whose pages these are */
export function oddFolder(
  folder: string,
  { hasPages, above }: { hasPages: boolean; above: string | null },
): Finding[] {
  return [...(hasPages ? [] : [noPages(folder)]), ...(above === null ? [] : [planIsAbove(folder, above)])];
}

/** A folder that is looked at on its own, though a plan above it is there. */
function planIsAbove(folder: string, plan: string): Finding {
  return finding(
    'plan-above',
    { file: shownPath(folder) },
    `there is a plan above this folder: ${shownPath(plan)}; it was not used`,
    wayTo(plan),
  );
}

/** Pages that are not to be lifted where they are. @param plan whose output they are; @param site where the pages as they were are */
export function liftOutput(folder: string, { plan, site }: { plan: string; site: string }): Finding {
  return finding(
    'lift-output',
    { file: shownPath(folder) },
    `this is the output of ${shownPath(plan)}: the pages as they were are in ${site === '.' ? 'this folder' : site}, and never had a menu`,
    'There is nothing to take out. For pages without menus copy those; to take the menus out of a copy, lift it elsewhere.',
  );
}

/** A part of a site whose plan is above it. */
export function liftPart(folder: string, plan: string): Finding {
  return finding(
    'lift-output',
    { file: shownPath(folder) },
    `these pages belong to the plan above, ${shownPath(plan)}: its record is there`,
    `Lift them from there:  kamino lift ${shownPath(dirname(plan))}`,
  );
}

export function noPages(folder: string): Finding {
  return finding(
    'no-pages',
    { file: shownPath(folder) },
    'there are no HTML pages in this folder',
    'Go to the folder of your pages, or name it.',
  );
}

/** How to get from where the user stands to where a plan is. */
export function wayTo(plan: string): string {
  const folder = shownPath(dirname(plan));
  return folder === '.' ? 'Name no folder: the plan is here.' : `Go to its folder:  cd ${folder}`;
}

/**
 * @param aside where it went, or that somebody has edited it
 * @param now the page that it is now, where somebody can tell
 */
export function goneFile(
  path: string,
  aside: { place: string | null } | 'edited',
  now: string | null = null,
): Finding {
  const where =
    aside === 'edited'
      ? 'someone has edited the finished one, so it stays'
      : aside.place === null
        ? 'it would be moved out of the output'
        : 'the finished one was moved to .kamino/gone/';
  const isNow = now === null ? '' : `: it is ${now} now`;
  return finding('gone-page', { file: path }, `the site no longer has this file${isNow}; ${where}`);
}
