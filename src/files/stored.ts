import { normalizePath } from '../core/address/path.ts';
import type { Finding } from '../core/text/finding.ts';

/** The record as it lies on the disk. It may come from anybody: nothing in it is believed that does not have this form. */
export interface Stored {
  kamino: 1;
  outputs: Record<string, StoredOutput>;
  /** Sheets and pictures that were asked for, seen from the plan's folder, with their size. */
  sheets?: [path: string, size: number][];
  /** Folders that the finished site was packed into, seen from the plan's folder. */
  packs?: string[];
}

export interface StoredOutput {
  basis: string;
  glance: Glance | null;
  files: Row[];
  /** Files of the site of which nothing is in the finished one, or all is as it was. */
  others?: Other[];
  /** How many pieces taken out of pages are kept, where they are nowhere else. */
  taken?: number;
  /** What was told of pages. */
  notes?: [path: string, notes: PageNotes][];
}

/** What tells whether a plan must be looked at again, and what a build says when it need not. */
export interface Glance {
  /** Stands for the plan's text and the version of the program. */
  plan: string;
  site: string;
  leaveOut: string[];
  /** Paths of Kamino's own files in the output. */
  own: string[];
  menus: { name: string; pages: number }[];
  pages: number;
  /** What was told, none of it an error; its paths are as somebody in this folder sees them, who is told again. */
  findings: readonly Finding[];
  seenFrom: string;
  /** The checksum of what was kept of the plan as it was understood; none where nothing was. */
  resolved?: number;
  /** How many files are as they are to be, where that is another number than that of the rows. */
  same?: number;
}

/** What is told of a page beside what is written into it. */
export interface PageNotes {
  findings: readonly Finding[];
  lacksMain: boolean;
  lacksViewport: boolean;
  otherLanguage: string | null;
  staysShort: readonly { menu: string; holder: string }[];
  /** Menus that have no place in it. */
  without: readonly string[];
}

/** A file of the site, by its size and time. */
export type Other = [path: string, size: number, time: number];

export type Row = [
  path: string,
  sourceSize: number,
  sourceTime: number,
  size: number,
  time: number,
  checksum: number | null,
];

/**
 * What a text holds as a record, as far as a glance goes by it: that does not look at what is told of single files. Null for
 * one that is damaged. By hand, since a library for this takes longer to load than a build in which nothing has changed.
 */
export function readStored(text: string): Stored | null {
  let stored: unknown;
  try {
    stored = JSON.parse(text);
  } catch {
    return null;
  }
  if (!isRecord(stored) || stored['kamino'] !== 1 || !isRecord(stored['outputs'])) return null;
  if (stored['sheets'] !== undefined && !isListOf(stored['sheets'], isSheetRow)) return null;
  if (stored['packs'] !== undefined && !isListOf(stored['packs'], isInside)) return null;
  return Object.values(stored['outputs']).every(isOutput) ? (stored as unknown as Stored) : null;
}

function isOutput(value: unknown): value is StoredOutput {
  if (!isRecord(value) || typeof value['basis'] !== 'string' || !isListOf(value['files'], Array.isArray))
    return false;
  if (value['others'] !== undefined && !isListOf(value['others'], Array.isArray)) return false;
  if (value['taken'] !== undefined && !isCount(value['taken'])) return false;
  return value['glance'] === null || isGlance(value['glance']);
}

/** Whether all that it tells of single files has its form too. */
export const isWhole = (stored: Stored): boolean =>
  Object.values(stored.outputs).every(({ files }) => files.every(isRow)) && areNotesWhole(stored);

/** Whether what it tells of pages has its form. */
export const areNotesWhole = ({ outputs }: Stored): boolean =>
  Object.values(outputs).every(({ notes }) => notes === undefined || isListOf(notes, isNoted));

function isGlance(value: unknown): value is Glance {
  if (!isRecord(value)) return false;
  const { plan, site, leaveOut, own, menus, pages, findings, seenFrom, resolved, same } = value;
  return (
    [plan, site, seenFrom].every(isText) &&
    isListOf(findings, isFinding) &&
    isListOf(leaveOut, isText) &&
    isListOf(own, isInside) &&
    isListOf(menus, one => isRecord(one) && isText(one['name']) && isCount(one['pages'])) &&
    isCount(pages) &&
    (same === undefined || isCount(same)) &&
    (resolved === undefined || isCount(resolved))
  );
}

function isRow(value: unknown): value is Row {
  return (
    Array.isArray(value) &&
    value.length === 6 &&
    isInside(value[0]) &&
    isCount(value[1]) &&
    isCount(value[2]) &&
    isCount(value[3]) &&
    isCount(value[4]) &&
    (value[5] === null || isCount(value[5]))
  );
}

const isSheetRow = (value: unknown): boolean =>
  Array.isArray(value) && value.length === 2 && isInside(value[0]) && isCount(value[1]);

function isNoted(value: unknown): boolean {
  if (!Array.isArray(value) || value.length !== 2 || !isInside(value[0]) || !isRecord(value[1])) return false;
  const { findings, lacksMain, lacksViewport, otherLanguage, staysShort, without } = value[1];
  return (
    isListOf(findings, isFinding) &&
    [lacksMain, lacksViewport].every(one => typeof one === 'boolean') &&
    (otherLanguage === null || isText(otherLanguage)) &&
    isListOf(staysShort, one => isRecord(one) && isText(one['menu']) && isText(one['holder'])) &&
    isListOf(without, isText)
  );
}

function isFinding(value: unknown): boolean {
  if (!isRecord(value)) return false;
  const { rule, severity, message, remedy, place, menu } = value;
  return (
    [rule, message].every(isText) &&
    ['error', 'warning', 'note'].includes(severity as string) &&
    (remedy === null || isText(remedy)) &&
    (menu === undefined || isText(menu)) &&
    (place === null || isPlace(place))
  );
}

/** Whether something is a list of what was told. */
export const areFindings = (value: unknown): boolean => isListOf(value, isFinding);

function isPlace(value: unknown): boolean {
  if (!isRecord(value) || !isText(value['file'])) return false;
  const { position, excerpt } = value;
  return (
    (position === undefined ||
      (isRecord(position) && isCount(position['line']) && isCount(position['column']))) &&
    (excerpt === undefined ||
      (isRecord(excerpt) && isText(excerpt['text']) && isCount(excerpt['from']) && isCount(excerpt['to'])))
  );
}

/** What most paths are like: no part of them begins with a dot, and none is empty. */
const plainPath = /^[\w-][\w. -]*(?:\/[\w-][\w. -]*)*$/;

/** A path that does not leave the folder which it is in. */
export function isInside(value: unknown): boolean {
  if (isText(value) && plainPath.test(value)) return true;
  if (!isText(value) || value === '' || /[\0\\]|^\/|^[a-z]:/i.test(value)) return false;
  return normalizePath(value) === value.normalize('NFC');
}

const isText = (value: unknown): value is string => typeof value === 'string';
const isCount = (value: unknown): value is number => typeof value === 'number' && value >= 0;
const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isListOf = (value: unknown, is: (one: unknown) => boolean): boolean =>
  Array.isArray(value) && value.every(is);
