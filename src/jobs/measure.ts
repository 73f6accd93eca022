import { resolve } from 'node:path';
import { findBrowser } from '../browser/find.ts';
import { seeMenus } from '../browser/rooms.ts';
import { type SeenPage, pagesToSee, seenFindings } from '../core/check/seen.ts';
import { type MeasuredMenu, measuredMenu } from '../core/look/measured.ts';
import { foldsNowhere } from '../core/inlay/findings.ts';
import { isSingle } from '../core/menu/folds.ts';
import type { ResolvedMenu } from '../core/menu/types.ts';
import { unknownMenu } from '../core/menu/unknown-menu.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { inPlace, ownScriptOf } from '../files/own.ts';
import { fromUser } from '../files/paths.ts';
import { bytesIn, lookIn } from '../files/look-files.ts';
import { openAll } from '../opening/open.ts';
import type { Opened } from '../opening/opened.ts';
import { planFile } from './given.ts';

export type { FitAt, MeasuredMenu } from '../core/look/measured.ts';

export interface MeasureOptions {
  /** A plan, or the folder of one. */
  plan?: string;
  /** This menu only. */
  menu?: string;
  /** Widths beside the usual ones, in px. */
  at?: readonly number[];
  /** Look at the finished pages in a real browser too. */
  browser?: boolean;
}

export interface MeasureResult {
  status: 0 | 2;
  findings: Finding[];
  menus: MeasuredMenu[];
  /** What the browser shows; null where it was not asked. */
  seen: SeenPage[] | null;
}

const usual = [320, 390, 768, 1024, 1280, 1440];
const mostPages = 8;

/** How wide menus are, and where they fit. */
export async function measure(options: MeasureOptions = {}): Promise<MeasureResult> {
  const opened = await openAll(planFile(options.plan));
  if ('stop' in opened) return failed(opened.stop);
  const menus = opened.resolution.menus.filter(menu => !isSingle(menu));
  const fonts = await opened.fonts();
  const widths = [...new Set([...usual, ...(options.at ?? [])])].sort((one, other) => one - other);
  const measured = menus
    .filter(menu => menu.shows === 'entries' && menu.entries.length > 0)
    .filter(menu => options.menu === undefined || menu.name === options.menu)
    .map(menu => measuredMenu(menu, fonts, widths));
  const { contents, facts, root } = opened.site;
  const phones = opened.plan.addsViewport ? [] : foldsNowhere(menus, facts.pages, contents.hasViewport);
  const told = [
    ...opened.findings,
    ...fonts.findings,
    ...wrongMenu(options.menu, opened, menus),
    ...fromUser(phones, root),
  ];
  if (hasErrors(told)) return failed(told);
  const seen = options.browser ? await seenBy(opened, menus, widths) : null;
  if (seen && 'rule' in seen)
    return { status: 2, findings: sortFindings([...told, seen]), menus: measured, seen: null };
  const differences = seen ? seenFindings(measured, seen) : [];
  return { status: 0, findings: sortFindings([...told, ...differences]), menus: measured, seen };
}

function failed(findings: readonly Finding[]): MeasureResult {
  return { status: 2, findings: sortFindings(findings), menus: [], seen: null };
}

function wrongMenu(name: string | undefined, { open }: Opened, menus: readonly ResolvedMenu[]): Finding[] {
  const names = [...new Set(menus.map(menu => menu.name))];
  return name === undefined || names.includes(name)
    ? []
    : [unknownMenu(name, names, { file: open.source.file })];
}

/** The finished pages in a browser, or the reason why there is nothing to see. */
async function seenBy(
  { open, plan, site }: Opened,
  menus: readonly ResolvedMenu[],
  widths: readonly number[],
): Promise<SeenPage[] | Finding> {
  const fail = (message: string, remedy: string): Finding =>
    finding('cannot-read', { file: open.source.file }, message, remedy);
  const browser = findBrowser();
  if (browser === null)
    return fail('no browser was found', 'Install Chromium, Chrome or Edge, or name one in KAMINO_BROWSER.');
  const root = resolve(open.folder, plan.output === inPlace ? plan.site : plan.output);
  const pages = pagesToSee(site.facts.pages, site.facts.front, menus, mostPages);
  const bytes = bytesIn(root, pages);
  if (bytes === null) return fail('the finished pages are not there yet', 'Build them first:  kamino build');
  const shown = { pages: bytes, file: lookIn(root) };
  const seen = await seeMenus({ browser, script: ownScriptOf('rooms') }, shown, widths);
  return seen ?? fail('the browser gave nothing', 'Try it again, or name another one in KAMINO_BROWSER.');
}
