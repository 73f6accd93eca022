import { existsSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { pathMatcher } from '../core/address/glob.ts';
import { lift } from '../core/inlay/lift.ts';
import { frontPage, pagesToName } from '../core/menu/resolve.ts';
import type { PageWords, SiteFacts } from '../core/menu/types.ts';
import { type PlanReading, readPlan } from '../core/plan/read.ts';
import type { Entry, Plan } from '../core/plan/types.ts';
import { readFrame } from '../core/site/frame.ts';
import { nothingWanted } from '../core/site/wanted.ts';
import { type FullPage, readFull, sectionHeadings, sectionLabels } from '../core/site/full.ts';
import { rawOf } from '../core/text/bytes.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { Source } from '../core/text/source.ts';
import { pictureSize } from '../files/picture.ts';
import { SiteRecord } from '../files/record.ts';
import { type SiteFile, walkFolder } from '../files/walk.ts';
import { isOwnText, ownPaths } from './own.ts';
import { findPlan, isPartOfSite, shownPath } from './paths.ts';

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
  const shown = shownPath(file);
  const failed = (message: string, remedy: string): OpenPlan => ({
    file,
    folder: dirname(file),
    source: new Source(shown, ''),
    plan: null,
    findings: [finding('no-plan', { file: shown }, message, remedy)],
  });
  let bytes: Buffer;
  try {
    bytes = readFileSync(file);
  } catch (error) {
    const isMissing = (error as NodeJS.ErrnoException).code === 'ENOENT';
    return isMissing
      ? failed(
          'there is no plan here',
          'Write one into the folder of your pages:\nkamino: 1\nmenus:\n  - menu: masthead\n    entries:\n      - index.html',
        )
      : failed(`the plan cannot be read (${(error as Error).message})`, 'Check the file’s permissions.');
  }
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    const source = new Source(shown, text);
    return { file, folder: dirname(file), source, ...readPlan(source) };
  } catch (error) {
    if (!(error instanceof TypeError)) throw error;
    return failed('the plan is not in UTF-8', 'Save it as UTF-8 text.');
  }
}

/** The files of a site, and what the menus must know of them. */
export interface OpenSite {
  root: string;
  files: SiteFile[];
  /** Those of the files that are pages. */
  pageFiles: ReadonlySet<string>;
  facts: SiteFacts;
  /** Paths whose names are not in Unicode’s composed form on the disk. */
  onDisk: ReadonlyMap<string, string>;
  record: SiteRecord;
  findings: Finding[];
}

/** Lists the site that a plan names; null, with the reason among the findings, where there is none. */
export function openSite(
  open: OpenPlan,
  plan: Plan,
  isDry = false,
): { site: OpenSite | null; findings: Finding[] } {
  const root = resolve(open.folder, plan.site);
  if (!existsSync(root) || !statSync(root).isDirectory()) {
    const missing = finding(
      'cannot-read',
      { file: open.source.file },
      `the site’s folder \`${plan.site}\` is not there`,
      '`site` is a folder, seen from the plan.',
    );
    return { site: null, findings: [missing] };
  }
  const record = new SiteRecord(open.folder, isDry);
  const outputs = [plan.output, ...record.folders]
    .filter(name => name !== 'in-place')
    .map(name => resolve(open.folder, name));
  const inSite = isPartOfSite(root, open.file, outputs, pathMatcher(plan.leaveOut));
  const { files: all, findings } = walkFolder(root, path => !inSite(path));
  const pieces = new Set(piecesOf(plan.menus.flatMap(menu => menu.entries)));
  const known = all.filter(({ path }) => !isOwnFile(root, path));
  // A piece of HTML that a menu holds is no page, and stays out of the finished site.
  const files = known.filter(({ path }) => !pieces.has(path));
  const isPage = pathMatcher([plan.read], true);
  const pageFiles = new Set(files.map(file => file.path).filter(isPage));
  const pages = new Set([...pageFiles].map(path => path.normalize('NFC')));
  const onDisk = new Map(
    known
      .map(({ path }) => [path.normalize('NFC'), path] as const)
      .filter(([composed, path]) => composed !== path),
  );
  const facts: SiteFacts = {
    pages,
    files: new Set(known.map(file => file.path.normalize('NFC'))),
    words: new Map(),
    ...contentsOf(root, onDisk),
    parts: () => [],
    front: frontPage(pages),
  };
  return { site: { root, files, pageFiles, facts, onDisk, record, findings }, findings: [] };
}

/** The pieces of HTML that menus hold, in any language. */
function piecesOf(entries: readonly Entry[]): string[] {
  return entries.flatMap(({ target, versions, entries: below }) => [
    ...[target, ...[...versions.values()].flatMap(one => one?.target ?? [])].flatMap(one =>
      one.kind === 'insert' ? [one.written.replace(/^\.\//, '')] : [],
    ),
    ...piecesOf(below),
  ]);
}

/** What Kamino itself put beside the pages. */
function isOwnFile(root: string, path: string): boolean {
  return ownPaths.includes(path) && isOwnText(path, readFileSync(join(root, path), 'latin1'));
}

/** What is in pages and files, read when it is asked for. */
function contentsOf(
  root: string,
  onDisk: ReadonlyMap<string, string>,
): Pick<SiteFacts, 'sections' | 'headings' | 'language' | 'date' | 'picture' | 'size' | 'text'> {
  const pages = new Map<string, { page: FullPage; sections: ReadonlyMap<string, string> } | null>();
  const at = (path: string): string => join(root, onDisk.get(path) ?? path);
  const read = (path: string): { page: FullPage; sections: ReadonlyMap<string, string> } | null => {
    const kept = pages.get(path);
    if (kept !== undefined) return kept;
    const raw = readStart(at(path), Infinity);
    const page =
      raw === null
        ? null
        : readFull(
            path,
            lift(raw, () => ''),
          );
    const made = page && { page, sections: sectionLabels(page) };
    pages.set(path, made);
    return made;
  };
  return {
    sections: path => read(path)?.sections ?? new Map<string, string>(),
    headings: path => {
      const found = read(path);
      return found ? sectionHeadings(found.page) : [];
    },
    language: path => {
      const raw = readStart(at(path), headBytes);
      return raw === null ? null : readFrame(path, raw, nothingWanted).language;
    },
    date: path => read(path)?.page.date ?? null,
    picture: file => pictureSize(at(file)),
    size: file => statSync(at(file)).size,
    text: file => {
      try {
        return new TextDecoder('utf-8', { fatal: true }).decode(readFileSync(at(file)));
      } catch {
        return null;
      }
    },
  };
}

/** At most this many pages tell which part most titles share. */
const mostSampled = 200;
/** A title stands near the start of a page. */
const headBytes = 64 * 1024;

/** Reads the words of the pages that lend an entry its label, and the titles of some others for what most share. */
export function readWords(open: OpenPlan, plan: Plan, site: OpenSite): Map<string, PageWords> {
  const words = new Map<string, PageWords>();
  const named = pagesToName(plan, site.facts, open.source);
  if (named.length === 0) return words;
  const all = [...site.facts.pages];
  const step = Math.max(1, Math.ceil(all.length / mostSampled));
  const sampled = all.filter((_, at) => at % step === 0);
  const wanted = { ...nothingWanted, heading: plan.labels.from === 'heading' };
  for (const path of new Set([...named, ...sampled])) {
    const raw = readStart(join(site.root, path), wanted.heading ? Infinity : headBytes);
    if (raw === null) continue;
    const { title, heading } = readFrame(path, raw, wanted);
    words.set(path, { title, heading });
  }
  return words;
}

function readStart(file: string, most: number): string | null {
  try {
    const bytes = readFileSync(file);
    return rawOf(bytes.length > most ? bytes.subarray(0, most) : bytes);
  } catch {
    return null;
  }
}
