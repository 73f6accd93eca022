import { partsFor } from './parts-for.ts';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { findBrowser } from '../browser/find.ts';
import { type SeenMenu, seeMenus } from '../browser/rooms.ts';
import { carrier } from '../core/menu/carried.ts';
import { isSingle } from '../core/menu/folds.ts';
import { resolveMenus } from '../core/menu/resolve.ts';
import type { ResolvedMenu } from '../core/menu/types.ts';
import type { EntryFit } from '../core/look/fit.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { nearest } from '../core/text/nearest.ts';
import { MenuFonts } from './fonts.ts';
import { inPlace } from './own.ts';
import { type OpenPlan, type OpenSite, openPlan, openSite, readWords } from './project.ts';

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

export interface MeasuredMenu {
  menu: string;
  /** Where the plan names languages: that of these labels. */
  language: string | null;
  /** The width of the bar, with home and gaps: it fits from here on, in px at a root size of 16. */
  fitsFromPx: number;
  /** The least of common fonts, where only system fonts are named; else the same. */
  fitsFromLeastPx: number;
  /** The same in em of the menu: what `fold: { when: crowded }` asks for. */
  fitsFromEm: number;
  home: number;
  font: { family: string | null; sizePx: number; weight: number; files: string[]; isKnown: boolean };
  entries: EntryFit[];
  /** Height of an entry’s box. */
  height: number;
  widths: FitAt[];
}

export interface FitAt {
  width: number;
  fits: boolean;
  /** How much room is left, or lacking where it is negative. */
  left: number;
  /** Where it does not fit: how many letters less would make it fit, and in which label. */
  letters: { label: string; less: number } | null;
}

export interface MeasureResult {
  status: 0 | 2;
  findings: Finding[];
  menus: MeasuredMenu[];
  /** What the browser shows; null where it was not asked. */
  seen: { page: string; width: number; menus: SeenMenu[] }[] | null;
}

const usual = [320, 390, 768, 1024, 1280, 1440];
const mostPages = 8;

/** How wide menus are, and where they fit. */
export async function measure(options: MeasureOptions = {}): Promise<MeasureResult> {
  const open = openPlan(options.plan);
  const failed = (findings: readonly Finding[]): MeasureResult => ({
    status: 2,
    findings: sortFindings(findings),
    menus: [],
    seen: null,
  });
  if (!open.plan) return failed(open.findings);
  const { site, findings } = openSite(open, open.plan, true);
  if (!site) return failed([...open.findings, ...findings]);
  const facts = {
    ...site.facts,
    parts: await partsFor(open.plan, site),
    words: readWords(open, open.plan, site),
  };
  const { menus: all, look, findings: ofMenus } = resolveMenus(open.plan, facts, open.source);
  const menus = all.filter(menu => !isSingle(menu));
  const fonts = await MenuFonts.open(site, look, open.source);
  const widths = [...new Set([...usual, ...(options.at ?? [])])].sort((one, other) => one - other);
  const measured = menus
    .filter(menu => menu.shows === 'entries' && menu.entries.length > 0)
    .filter(menu => options.menu === undefined || menu.name === options.menu)
    .map(menu => measuredMenu(menu, fonts, widths));
  const told = [...open.findings, ...ofMenus, ...fonts.findings, ...unknownMenu(options.menu, open, menus)];
  if (hasErrors(told)) return failed(told);
  const browser = options.browser ? seenBy(open, site, menus, widths) : { seen: null, findings: [] };
  const differences = browser.seen
    ? [...widthFindings(measured, browser.seen), ...clipFindings(browser.seen)]
    : [];
  return {
    status: hasErrors(browser.findings) ? 2 : 0,
    findings: sortFindings([...told, ...browser.findings, ...differences]),
    menus: measured,
    seen: browser.seen,
  };
}

function unknownMenu(name: string | undefined, open: OpenPlan, menus: readonly ResolvedMenu[]): Finding[] {
  const names = [...new Set(menus.map(menu => menu.name))];
  if (name === undefined || names.includes(name)) return [];
  const near = nearest(name, names);
  const remedy = near ? `Did you mean \`${near}\`?` : `Menus of the plan: ${names.join(', ')}.`;
  return [finding('unknown-menu', { file: open.source.file }, `no menu is called \`${name}\``, remedy)];
}

function measuredMenu(menu: ResolvedMenu, fonts: MenuFonts, widths: readonly number[]): MeasuredMenu {
  const { entries, home, width, leastWidth, type, font, height } = fonts.fit(menu);
  const round = (value: number): number => Math.round(value * 100) / 100;
  return {
    menu: menu.name,
    language: menu.language?.tag ?? null,
    fitsFromPx: Math.ceil(width * 100) / 100,
    fitsFromLeastPx: Math.ceil(leastWidth * 100) / 100,
    fitsFromEm: Math.ceil((width / type.size) * 1000) / 1000,
    home: round(home),
    font: {
      family: font.family,
      sizePx: type.size,
      weight: type.weight,
      files: font.files,
      isKnown: font.files.length > 0,
    },
    entries: entries.map(one => ({
      label: one.label,
      textWidth: round(one.textWidth),
      leastTextWidth: round(one.leastTextWidth),
      width: round(one.width),
      offset: round(one.offset),
    })),
    height: round(height),
    widths:
      menu.form !== 'bar' && menu.form !== 'tabs'
        ? []
        : widths.map(at =>
            fitAt(at, {
              width,
              entries,
              widthOf: label => font.measure(label, type.boldest).most * type.size,
            }),
          ),
  };
}

function fitAt(
  at: number,
  {
    width,
    entries,
    widthOf,
  }: { width: number; entries: readonly EntryFit[]; widthOf: (label: string) => number },
): FitAt {
  const left = Math.floor((at - width) * 100) / 100;
  if (left >= 0) return { width: at, fits: true, left, letters: null };
  const longest = [...entries].sort((one, other) => other.textWidth - one.textWidth)[0];
  const letters = [...(longest?.label ?? '')];
  const whole = longest ? widthOf(longest.label) : 0;
  let less = 1;
  while (less < letters.length && whole - widthOf(letters.slice(0, -less).join('').trimEnd()) < -left)
    less += 1;
  // Shortening one label helps only as long as something of it is left.
  const isWorthIt = longest !== undefined && less <= letters.length - 3;
  return { width: at, fits: false, left, letters: isWorthIt ? { label: longest.label, less } : null };
}

function seenBy(
  open: OpenPlan,
  site: OpenSite,
  menus: readonly ResolvedMenu[],
  widths: readonly number[],
): { seen: MeasureResult['seen']; findings: Finding[] } {
  const failed = (message: string, remedy: string): { seen: null; findings: Finding[] } => ({
    seen: null,
    findings: [finding('cannot-read', { file: open.source.file }, message, remedy)],
  });
  const browser = findBrowser();
  if (browser === null)
    return failed('no browser was found', 'Install Chromium, Chrome or Edge, or name one in KAMINO_BROWSER.');
  const { output } = open.plan!;
  const root = resolve(open.folder, output === inPlace ? open.plan!.site : output);
  const pages = kindsOfPages(site, menus);
  if (!pages.every(page => existsSync(join(root, page))))
    return failed('the finished pages are not there yet', 'Build them first:  kamino build');
  const seen = seeMenus(
    browser,
    pages.map(page => join(root, page)),
    widths,
  );
  if (seen === null)
    return failed('the browser gave nothing', 'Try it again, or name another one in KAMINO_BROWSER.');
  return {
    seen: seen.map(({ file, width, menus: all }) => ({
      page: pages.find(page => join(root, page) === file)!,
      width,
      menus: all,
    })),
    findings: [],
  };
}

/** One page of each folder and set of menus. */
function kindsOfPages(site: OpenSite, menus: readonly ResolvedMenu[]): string[] {
  const carries = carrier(menus);
  const kinds = new Map<string, string>();
  for (const page of [...site.facts.pages].sort()) {
    const own = menus.filter(menu => carries(menu, page)).map(menu => menu.name);
    const key = `${page.includes('/') ? page.slice(0, page.lastIndexOf('/')) : ''} ${own.join()}`;
    if (own.length > 0 && !kinds.has(key)) kinds.set(key, page);
  }
  const front = site.facts.front;
  const all = [...kinds.values()];
  return [...(front !== null && !all.includes(front) ? [front] : []), ...all].slice(0, mostPages);
}

/** Menus that cannot stay in view, as the browser has it. */
function clipFindings(seen: NonNullable<MeasureResult['seen']>): Finding[] {
  const told = new Map<string, Finding>();
  for (const { page, menus } of seen)
    for (const { menu, clippedBy, hiddenBy } of menus) {
      if (hiddenBy !== null)
        told.set(
          `${menu} sheet`,
          finding(
            'submenu-hidden',
            { file: page },
            `a submenu of \`${menu}\` is not seen whole: where it should be, there is \`${hiddenBy}\``,
            'An element around the menu clips (overflow), or keeps it in a lower layer (z-index): take that out, or raise it.',
          ),
        );
      if (clippedBy !== null)
        told.set(
          `${menu} ${clippedBy}`,
          finding(
            'stays-clipped',
            { file: page },
            `\`${menu}\` cannot stay: \`${clippedBy}\` around it clips what it holds`,
            'Take that overflow out, or write  overflow: clip,  which does not keep a menu from staying.',
          ),
        );
    }
  return [...told.values()];
}

/** Where own rules, or another font, make a bar wider than what was computed. */
function widthFindings(menus: readonly MeasuredMenu[], seen: NonNullable<MeasureResult['seen']>): Finding[] {
  // Of the languages of a menu the widest counts.
  const widest = new Map<string, MeasuredMenu>();
  for (const one of menus)
    if ((widest.get(one.menu)?.fitsFromEm ?? 0) < one.fitsFromEm) widest.set(one.menu, one);
  return [...widest.values()].flatMap(menu => {
    const used = seen.flatMap(({ page, menus: all }) =>
      all.flatMap(one => (one.menu === menu.menu && one.used !== null && !one.wraps ? [{ page, one }] : [])),
    );
    const wider = used.find(({ one }) => one.used! / one.fontSize > menu.fitsFromEm + 0.15);
    if (!wider) return [];
    const px = Math.round(wider.one.used! * 10) / 10;
    return [
      finding(
        'width-differs',
        { file: wider.page },
        `\`${menu.menu}\` is ${px} px wide in the browser, and ${menu.fitsFromPx} px were computed`,
        'Rules of your own, or another font, make it wider. Say in the plan what they do (`padding`, `gap`, `font`), so that it folds in time.',
      ),
    ];
  });
}
