import { dirname, resolve } from 'node:path';
import { findBrowser } from '../browser/find.ts';
import { pictureOf } from '../browser/picture.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { ownScriptOf, specimenFile } from '../files/own.ts';
import { shownPath } from '../files/paths.ts';
import { SiteRecord } from '../files/record.ts';
import { writeWhole } from '../files/write.ts';
import { sheetOf } from '../opening/sheet.ts';
import { planFile } from './given.ts';

export interface SpecimenOptions {
  /** A plan, or the folder of one. */
  plan?: string;
  /** The file that the sheet is written to; `specimen.html` by default. */
  out?: string;
  /** A picture of it too. */
  png?: string;
}

export interface SpecimenResult {
  status: 0 | 2;
  findings: Finding[];
  /** Files written, as the user sees them. */
  written: string[];
  menus: number;
  entries: number;
}

/** Writes a sheet of every entry in every state, and a picture of it where that is asked for. */
export async function specimen(options: SpecimenOptions = {}): Promise<SpecimenResult> {
  const plan = planFile(options.plan);
  const { html, findings, menus, entries } = await sheetOf(plan);
  if (html === null)
    return { status: 2, findings: sortFindings(findings), written: [], menus: 0, entries: 0 };
  const out = resolve(options.out ?? specimenFile);
  const sheet = Buffer.from(html);
  writeWhole(out, sheet);
  const made = [{ file: out, size: sheet.length }];
  const told = [...findings];
  const picture = options.png === undefined ? null : await writePicture(html, resolve(options.png));
  if (picture && 'size' in picture) made.push(picture);
  else if (picture) told.push(picture);
  // They are no part of the site, wherever they lie.
  new SiteRecord(dirname(plan)).toWrite().saveSheets(made);
  const written = made.map(({ file }) => shownPath(file));
  return { status: hasErrors(told) ? 2 : 0, findings: sortFindings(told), written, menus, entries };
}

/** The picture's file, or the reason why there is none. */
async function writePicture(html: string, file: string): Promise<{ file: string; size: number } | Finding> {
  const failed = (message: string, remedy: string): Finding =>
    finding('cannot-write', { file: shownPath(file) }, message, remedy);
  const browser = findBrowser();
  if (browser === null)
    return failed(
      'a picture needs a browser, and none was found',
      'Install Chromium, Chrome or Edge, or name one in KAMINO_BROWSER.',
    );
  const png = await pictureOf({ browser, script: ownScriptOf('height') }, html, 1600);
  if (png === null)
    return failed('the browser gave no picture', 'Try it again, or name another one in KAMINO_BROWSER.');
  writeWhole(file, Buffer.from(png));
  return { file, size: png.length };
}
