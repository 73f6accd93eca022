import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { frontPage } from '../core/address/front.ts';
import { pathMatcher } from '../core/address/glob.ts';
import type { SiteFacts } from '../core/target/facts.ts';
import type { Entry, Plan } from '../core/plan/types.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { sumOf } from '../core/text/sum.ts';
import { SiteContents } from './contents.ts';
import { Moves } from './moves.ts';
import { inPlace, isOwnContent, isOwnPath } from './own.ts';
import { decomposed } from './on-disk.ts';
import { isFolder } from './paths.ts';
import type { OpenPlan } from './plan.ts';
import { type Seen, listedBy } from './reading.ts';
import { SiteRecord } from './record.ts';
import { listSite } from './site.ts';
import type { SiteFile } from './walk.ts';

/** The files of a site, and what the menus must know of them. */
export interface OpenSite {
  root: string;
  planFolder: string;
  files: SiteFile[];
  /** The same with what is in its folder and goes into no finished site: pieces of HTML, Kamino's own. */
  listed: readonly SiteFile[];
  /** Pieces of HTML that menus hold. */
  pieces: ReadonlySet<string>;
  /** Those of the files that are pages. */
  pageFiles: ReadonlySet<string>;
  facts: SiteFacts;
  contents: SiteContents;
  /** Paths whose names are not in Unicode’s composed form on the disk. */
  onDisk: ReadonlyMap<string, string>;
  record: SiteRecord;
  findings: Finding[];
}

/**
 * Lists the site that a plan names; the finding that says why where there is none.
 * @param seen of the same plan and its site a moment ago
 */
export function openSite(open: OpenPlan, plan: Plan, seen: Seen | null = null): OpenSite | Finding {
  const root = resolve(open.folder, plan.site);
  if (!isFolder(root)) return noFolder(plan.site, open);
  const record = new SiteRecord(open.folder, seen?.reading);
  const { output, leaveOut } = plan;
  const by = listedBy(sumOf(Buffer.from(open.source.text)), root, output, leaveOut);
  const isSeen = record.reading === seen?.reading && seen.site?.by === by;
  const { files: listed, findings } = isSeen
    ? seen.site!.listed
    : listSite({ root, plan: open.file, record, output, leaveOut });
  const known = withoutOwn(root, listed);
  // A piece of HTML that a menu holds is no page, and stays out of the finished site.
  const pieces = piecesIn(plan);
  const files = known.filter(({ path }) => !pieces.has(path));
  const pageFiles = new Set(files.map(file => file.path).filter(pathMatcher([plan.read], true)));
  const onDisk = decomposed(known);
  const contents = new SiteContents(root, { onDisk, files: known, taken: hash => record.taken(hash) });
  const moves = new Moves({
    pages: () => facts.pages,
    raw: contents.raw,
    earlier: [...(output === inPlace ? [] : [resolve(open.folder, output)]), record.aside],
    taken: hash => record.taken(hash),
  });
  const facts = { ...factsOf(contents, { known, pageFiles, onDisk }), movedTo: moves.to };
  const lists = { files, listed, pieces, pageFiles };
  return { root, planFolder: open.folder, ...lists, facts, contents, onDisk, record, findings };
}

function noFolder(site: string, { source }: OpenPlan): Finding {
  return finding(
    'cannot-read',
    { file: source.file },
    `the site’s folder \`${site}\` is not there`,
    '`site` is a folder, seen from the plan.',
  );
}

interface Paths {
  known: readonly SiteFile[];
  pageFiles: ReadonlySet<string>;
  onDisk: ReadonlyMap<string, string>;
}

function factsOf(contents: SiteContents, { known, pageFiles, onDisk }: Paths): Omit<SiteFacts, 'movedTo'> {
  const composed = (paths: ReadonlySet<string>): ReadonlySet<string> =>
    onDisk.size === 0 ? paths : new Set([...paths].map(path => path.normalize('NFC')));
  const pages = composed(pageFiles);
  const { sections, headings, language, date, picture, size, text } = contents;
  return {
    pages,
    files: composed(new Set(known.map(file => file.path))),
    words: new Map(),
    ...{ sections, headings, language, date, picture, size, text },
    parts: () => [],
    front: frontPage(pages),
  };
}

/** The pieces of HTML that the menus of a plan hold: no pages of the site. */
export function piecesIn(plan: Plan): ReadonlySet<string> {
  return new Set(piecesOf(plan.menus.flatMap(menu => menu.entries)));
}

/** Those of entries, in any language. */
function piecesOf(entries: readonly Entry[]): string[] {
  return entries.flatMap(({ target, versions, entries: below }) => [
    ...[target, ...[...versions.values()].flatMap(one => one?.target ?? [])].flatMap(one =>
      one.kind === 'insert' ? [one.written.replace(/^\.\//, '')] : [],
    ),
    ...piecesOf(below),
  ]);
}

/** The files but for those that Kamino itself put beside the pages. */
function withoutOwn(root: string, files: readonly SiteFile[]): SiteFile[] {
  return files.filter(({ path }) => !isOwnPath(path) || !isOwnContent(path, readFileSync(join(root, path))));
}
