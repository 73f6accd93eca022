import { dirname, isAbsolute, relative, resolve, sep } from 'node:path';
import type { Plan } from '../core/plan/types.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { counted, shortened } from '../core/text/nearest.ts';
import { inPlace } from './own.ts';
import { realPlace, shownPath } from './paths.ts';
import type { OpenPlan, OpenSite } from './project.ts';

/** What is wrong with the folders of a plan. The output may lie in a site that is the plan's own folder. */
export function folderFindings(open: OpenPlan, plan: Plan, site: OpenSite): Finding[] {
  if (plan.output === inPlace) return [];
  const root = realPlace(site.root);
  const output = realPlace(resolve(open.folder, plan.output));
  const told = (message: string): Finding[] => [
    finding(
      'same-folder',
      { file: open.source.file },
      message,
      'Name another folder, for example  output: built',
    ),
  ];
  if (root === output) return told(`the output \`${plan.output}\` is the site itself`);
  if (contains(output, root)) return told(`the site lies in the output \`${plan.output}\``);
  if (contains(output, realPlace(open.file))) return told(`the plan lies in the output \`${plan.output}\``);
  if (contains(root, output) && root !== realPlace(dirname(open.file)))
    return told(`the output \`${plan.output}\` lies in the site`);
  return [];
}

export function editedOutput(file: string): Finding {
  return finding(
    'edited-output',
    { file },
    'someone has edited this finished file; nothing was written',
    'Take the edit over into the source page, or build with --overwrite to lose it.',
  );
}

/** Kamino's own style sheet in the site, changed by hand. */
export function editedStyle(file: string): Finding {
  return finding(
    'edited-output',
    { file },
    'someone has edited this file of Kamino’s; it was left alone',
    'Put own rules into a sheet of their own, named by `style`, or go on with --overwrite to lose them.',
  );
}

export function nameTaken(path: string): Finding {
  return finding(
    'name-taken',
    { file: path },
    'the site has a file where one of Kamino’s own goes',
    'Rename the folder `kamino` of the site.',
  );
}

export function unusedMenu(name: string): Finding {
  return finding(
    'carried-by-none',
    null,
    `no page carries the menu \`${name}\``,
    'Look at its `carried-by` and `except`.',
  );
}

const mostNamed = 5;

/** One finding for all pages whose main content is not known. */
export function lacksMain(pages: readonly string[]): Finding {
  const named = pages.slice(0, mostNamed).join(', ');
  const more = pages.length > mostNamed ? ` and ${pages.length - mostNamed} more` : '';
  return finding(
    'no-main',
    pages.length === 1 ? { file: pages[0]! } : null,
    `${counted(pages.length, 'page')} without a \`main\` got no skip link: ${named}${more}`,
    'Name the element that holds the content, in the plan:\n  skip-to: ["#content"]',
  );
}

/**
 * One finding for all pages that say they are in a language.
 * @param words Kamino's own words that menus need, where the plan names no languages
 * @param all how many pages the site has
 */
export function otherLanguage(
  tag: string,
  pages: readonly string[],
  { words, all }: { words: readonly string[] | null; all: number },
): Finding {
  const place = pages.length === 1 ? { file: pages[0]! } : null;
  const [say, they] = pages.length === 1 ? ['says', 'it is'] : ['say', 'they are'];
  const named = `${counted(pages.length, 'page')} ${say} that ${they} in \`${tag}\``;
  const which = pages.length === 1 ? '' : `: ${shortened(pages, mostNamed)}`;
  if (words === null)
    return finding(
      'page-language',
      place,
      `${named}, which is not the language of the plan for ${pages.length === 1 ? 'it' : 'them'}${which}`,
      'Write the page’s own language into its `html` tag, or look at `languages`.',
    );
  const others = pages.length < all ? '\n  en: { name: English }' : '';
  return finding(
    'missing-word',
    place,
    `${named}, and Kamino’s own words there are English${which}`,
    `Name its language, with these words in it:\nlanguages:${others}\n  ${tag}: { name: …, words: { ${words.map(word => `${word}: …`).join(', ')} } }`,
  );
}

/** One finding for all pages on which a menu cannot stay as long as it should. */
export function staysShort([menu, holder]: [string, string], pages: readonly string[]): Finding {
  const element = holder === 'slot' ? 'slot' : `\`${holder}\``;
  return finding(
    'stays-short',
    pages.length === 1 ? { file: pages[0]! } : null,
    `\`${menu}\` stays only as long as the ${element} that it stands in, on ${counted(pages.length, 'page')}: ${shortened(pages, mostNamed)}`,
    holder === 'slot'
      ? 'Move the slot directly into the body, or let the element around it stay:  stays: { top: SELECTOR }'
      : `Let that element stay:  stays: { top: ${holder} }`,
  );
}

export function cannotWrite(error: NodeJS.ErrnoException): Finding {
  const file = shownPath(error.path ?? '.');
  const reasons: Record<string, string> = {
    EACCES: 'permission is denied',
    EPERM: 'permission is denied',
    EROFS: 'the disk is read-only',
    ENOSPC: 'the disk is full',
    EEXIST: 'there is a file where a folder should be',
    ENOTDIR: 'there is a file where a folder should be',
    EISDIR: 'there is a folder where a file should be',
  };
  const reason = reasons[error.code ?? ''] ?? error.message;
  return finding(
    'cannot-write',
    { file },
    `this cannot be written: ${reason}`,
    'What was there before is still whole. Make room or permission for it, or name another `output`.',
  );
}

export function cannotRead(path: string, error: NodeJS.ErrnoException): Finding {
  const reason = error.code === 'ENOENT' ? 'it has gone away' : error.message;
  return finding(
    'cannot-read',
    { file: path },
    `this file could not be read: ${reason}`,
    'Change its permissions, or name it in `leave-out`.',
  );
}

export function isFileError(error: unknown): error is NodeJS.ErrnoException {
  return error instanceof Error && typeof (error as NodeJS.ErrnoException).syscall === 'string';
}

function contains(folder: string, path: string): boolean {
  const inside = relative(folder, path);
  return inside !== '' && inside !== '..' && !inside.startsWith(`..${sep}`) && !isAbsolute(inside);
}
