import { lstatSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { deserialize, serialize } from 'node:v8';
import { crc32 } from 'node:zlib';
import type { SitePath } from '../core/address/path.ts';
import type { GivenId, ResolvedMenu } from '../core/menu/types.ts';
import type { Finding } from '../core/text/finding.ts';
import type { Answers } from './contents.ts';
import { resolvedFile } from './reading.ts';
import type { LanguagesOfPages, PlanOfPages, Run, SiteCounts } from './run.ts';

/**
 * A plan and its site as the last build understood them, in the form of `node:v8`. It holds for the next one where the plan is
 * the same, no file has come or gone, and what was asked of the pages that are others now has the same answers.
 */
export interface Resolved {
  /** Those of the build that it is of. */
  mark: string;
  basis: string;
  plan: PlanOfPages;
  menus: ResolvedMenu[];
  ids: ReadonlyMap<SitePath, readonly GivenId[]>;
  languages: LanguagesOfPages | null;
  reserves: boolean;
  /** A selector needs the whole page. */
  isComplex: boolean;
  /** What was told beside what was found in pages. */
  findings: readonly Finding[];
  counts: SiteCounts;
  /** Pieces of HTML that menus hold: no pages. */
  pieces: ReadonlySet<string>;
  /** What was asked of files. */
  asked: ReadonlyMap<SitePath, Answers>;
}

/** What of a run is kept, as it lies on the disk. */
export function bytesOfResolved({ source, site, told, counts }: Run): Buffer {
  const { plan, resolution, reserves, seek, basis, mark } = source;
  const { menus, ids, languages } = resolution;
  const { pieces } = site;
  const resolved: Resolved = {
    ...{ mark, basis, menus, ids, reserves, findings: told, counts, pieces, asked: site.contents.asked },
    languages: languages && { all: languages.all, tags: languages.tags },
    isComplex: seek !== null,
    plan: planOfPages(plan),
  };
  return serialize(resolved);
}

function planOfPages(plan: PlanOfPages): PlanOfPages {
  const { site, output, leaveOut, read, skipTo, addsViewport, links, style, menus, hashesOwnFiles } = plan;
  const bare = menus.map(menu => ({ ...menu, entries: [] }));
  const files = { site, output, leaveOut, read, style, hashesOwnFiles };
  return { ...files, skipTo, addsViewport, links, menus: bare };
}

/**
 * What was kept under this checksum in the folder of a record; null for nothing.
 * @throws {Error} where what is there has been made up
 */
export function resolvedIn(folder: string, sum: number): Resolved | null {
  const file = join(folder, resolvedFile);
  if (lstatSync(file, { throwIfNoEntry: false })?.isFile() !== true) return null;
  const bytes = readFileSync(file);
  return crc32(bytes) === sum ? (deserialize(bytes) as Resolved) : null;
}
