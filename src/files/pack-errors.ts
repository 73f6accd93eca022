import { resolve } from 'node:path';
import { type Finding, finding } from '../core/text/finding.ts';
import type { PackedSite } from './pack-places.ts';
import { contains, realPlace, shownPath } from './paths.ts';

export function withErrors(): Finding {
  return finding(
    'not-packed',
    null,
    'this site has errors, and was not packed',
    'Mend them; or pack it as it is:  kamino pack --despite-errors',
  );
}

/** @param line null where there is no such file */
export function badList(file: string, line: number | null): Finding {
  const shown = shownPath(file);
  return finding(
    'bad-list',
    { file: shown },
    line === null ? 'there is no such list' : `line ${line} is none of a list of sums`,
    'Name a list that  kamino pack  wrote beside its archive or folder: its name ends with .sums',
  );
}

export function nothingToDelete(target: string): Finding {
  return finding(
    'wrong-value',
    null,
    `\`--delete\` takes files out of a folder; an archive such as ${target} is written anew each time`,
    'Leave it out, or name a folder:  --to upload',
  );
}

/** A pack may not lie where it would become part of what is packed. */
export function targetInside(target: string, { root, opened }: PackedSite): Finding[] {
  const [there, pages] = [realPlace(target), realPlace(root)];
  const plan = opened?.plan;
  const isSite =
    plan !== undefined && plan !== null && realPlace(resolve(opened!.folder, plan.site)) === pages;
  const isInside = contains(pages, there) && !isSite;
  if (there !== pages && !isInside && !contains(there, pages)) return [];
  return [
    finding(
      'same-folder',
      { file: shownPath(target) },
      'the pack would lie where the finished pages are',
      'Name another place:  kamino pack --to ../upload',
    ),
  ];
}

export function foreignTarget(folder: string, some: readonly string[]): Finding {
  return finding(
    'foreign-output',
    { file: folder },
    `this folder holds files that are not of this site (${some.map(one => `\`${one}\``).join(', ')}); nothing was written`,
    'Name a folder that is empty or not there yet:  kamino pack --to upload',
  );
}

export function changedThere(file: string): Finding {
  return finding(
    'edited-output',
    { file },
    'the site no longer has this file, and someone has changed it since it was packed: it stays',
    'Look at it, and delete it yourself.',
  );
}

export function noHost(plan: string): Finding {
  return finding(
    'no-host',
    { file: plan },
    'a list of pages for search engines needs the address of the server',
    'Say it in the plan:  links: { host: "https://brackenfold.example" }',
  );
}

export function ownFile(file: string, remedy: string): Finding {
  return finding('own-list', { file }, 'the site has this file itself: it stays as it is', remedy);
}

export function unreachedPages(pages: readonly string[], shown: string): Finding {
  return finding(
    'not-listed',
    null,
    `no menu leads to ${shown}: ${pages.length === 1 ? 'it is' : 'they are'} not listed for search engines`,
    'Give each an entry, or let it be.',
  );
}

/** The site does not begin at the root of its server. */
export function robotsElsewhere(line: string): Finding {
  return finding(
    'own-list',
    null,
    'search engines look for robots.txt at the root of the server, and this site lies in a folder of it',
    `Add this line there:  ${line}`,
  );
}
