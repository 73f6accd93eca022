import { type Finding, sortFindings } from '../text/finding.ts';
import { badId } from './rules/bad-id.ts';
import { deadLink } from './rules/dead-link.ts';
import { emptyLink } from './rules/empty-link.ts';
import { foreignPath } from './rules/foreign-path.ts';
import { letterCase } from './rules/letter-case.ts';
import { menuDiffers } from './rules/menu-differs.ts';
import { menuMissing } from './rules/menu-missing.ts';
import { missingHash } from './rules/missing-hash.ts';
import { missingFile } from './rules/missing-file.ts';
import { orphan } from './rules/orphan.ts';
import { outranked } from './rules/outranked.ts';
import { sameId } from './rules/same-id.ts';
import { sameTitle } from './rules/same-title.ts';
import { stretchedPicture } from './rules/stretched-picture.ts';
import { surplusEnd } from './rules/surplus-end.ts';
import { unclosedList } from './rules/unclosed-list.ts';
import { untitled } from './rules/untitled.ts';
import { wordlessEntry } from './rules/wordless-entry.ts';
import { wrongCurrent } from './rules/wrong-current.ts';
import { wrongFolder } from './rules/wrong-folder.ts';
import { sameWords } from './rules/same-words.ts';
import { otherWords } from './rules/other-words.ts';
import { insecureFile } from './rules/insecure-file.ts';
import { sentOn } from './rules/sent-on.ts';
import { newWindow } from './rules/new-window.ts';
import { copiedPage } from './rules/copied-page.ts';
import { tooDeep } from './rules/too-deep.ts';
import { unsizedPicture } from './rules/unsized-picture.ts';
import type { CheckRule, CheckedSite } from './types.ts';

/** Every rule, in the order of the manual. */
export const checkRules: readonly CheckRule[] = [
  deadLink,
  letterCase,
  missingHash,
  foreignPath,
  emptyLink,
  untitled,
  sameTitle,
  badId,
  sameId,
  orphan,
  menuDiffers,
  menuMissing,
  wrongCurrent,
  wrongFolder,
  unclosedList,
  surplusEnd,
  missingFile,
  wordlessEntry,
  stretchedPicture,
  outranked,
  sameWords,
  otherWords,
  insecureFile,
  sentOn,
  newWindow,
  unsizedPicture,
  tooDeep,
  copiedPage,
];

/** What is wrong in finished pages, sorted by place. */
export function checkSite(site: CheckedSite): Finding[] {
  return foundBy(checkRules, site);
}

/** The same in pages whose menus are still to be made. */
export function checkUnfinished(site: CheckedSite): Finding[] {
  return foundBy(
    checkRules.filter(rule => !rule.isOfFinished),
    site,
  );
}

/** What a rule finds a thousand times for one reason is one finding before the next rule is asked. */
function foundBy(asked: readonly CheckRule[], site: CheckedSite): Finding[] {
  return sortFindings(asked.flatMap(rule => sortFindings(found(rule, site))));
}

/** What one rule finds. */
export function found({ name, severity, find }: CheckRule, site: CheckedSite): Finding[] {
  return find(site, (place, message, remedy) => ({ rule: name, severity, message, place, remedy }));
}
