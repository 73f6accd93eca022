import { partsFor } from './parts-for.ts';
import { readFileSync } from 'node:fs';
import { extname, join, resolve } from 'node:path';
import { findBrowser } from '../browser/find.ts';
import { pictureOf } from '../browser/picture.ts';
import { normalizePath } from '../core/address/path.ts';
import { specimenPage } from '../core/draw/specimen.ts';
import { menuMarkup } from '../core/inlay/markup.ts';
import { resolveMenus } from '../core/menu/resolve.ts';
import type { SiteFacts } from '../core/menu/types.ts';
import type { Entry, Plan } from '../core/plan/types.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { writeWhole } from '../files/write.ts';
import { type MenuFont, MenuFonts } from './fonts.ts';
import { shownPath } from './paths.ts';
import { looksOf } from './prepare.ts';
import { type OpenPlan, type OpenSite, openPlan, openSite, readWords } from './project.ts';

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

const widths = [320, 390, 768, 1024, 1280];

/** One sheet of every entry in every state, for comparing by eye; pages need not be there yet. */
export async function specimen(options: SpecimenOptions = {}): Promise<SpecimenResult> {
  const { html, findings, menus, entries } = await specimenOf(openPlan(options.plan));
  if (html === null)
    return { status: 2, findings: sortFindings(findings), written: [], menus: 0, entries: 0 };
  const out = resolve(options.out ?? 'specimen.html');
  writeWhole(out, Buffer.from(html));
  const written = [shownPath(out)];
  const told = [...findings];
  const picture = options.png === undefined ? null : writePicture(html, resolve(options.png));
  if (picture && 'finding' in picture) told.push(picture.finding);
  else if (picture) written.push(shownPath(picture.file));
  return { status: hasErrors(told) ? 2 : 0, findings: sortFindings(told), written, menus, entries };
}

/** The sheet as a page; null, with the reasons among the findings, where the plan is wrong. */
export async function specimenOf(
  open: OpenPlan,
): Promise<{ html: string | null; findings: Finding[]; menus: number; entries: number }> {
  const failed = (
    findings: Finding[],
  ): { html: null; findings: Finding[]; menus: number; entries: number } => ({
    html: null,
    findings,
    menus: 0,
    entries: 0,
  });
  if (!open.plan || hasErrors(open.findings)) return failed(open.findings);
  const { site, findings } = openSite(open, open.plan, true);
  if (!site) return failed(findings);
  const facts = withPlanned(
    {
      ...site.facts,
      parts: await partsFor(open.plan, site),
      words: readWords(open, open.plan, site),
    },
    open.plan,
  );
  const resolution = resolveMenus(open.plan, facts, open.source);
  const menus = resolution.menus.filter(
    menu => menu.shows === 'entries' && menu.entries.length > 0 && menu.form !== 'top',
  );
  const looked = await looksOf(open.plan, { resolution, site, source: open.source });
  const told = [...resolution.findings.filter(one => one.rule !== 'no-title'), ...looked.findings];
  if (hasErrors(told)) return failed(told);
  const { looks, style } = looked;
  const fonts = await MenuFonts.open(site, resolution.look, open.source);
  const links = { ...open.plan.links, onDisk: site.onDisk };
  const from = {
    page: facts.front ?? '',
    folder: '',
    links,
    reserves: looks.uses.weight,
    carried: new Set(menus.map(one => one.name)),
  };
  const line = { indent: '', lineBreak: '\n', was: null, cell: null };
  const shown = menus.map(menu => {
    const { font, ...fit } = fonts.fit(menu);
    return { menu, markup: menuMarkup(menu, from, line, new Map()), fit, family: font.family, font };
  });
  const html = specimenPage({
    title: `Specimen of ${open.source.file}`,
    menus: shown,
    looks,
    style,
    fonts: fontRules(
      shown.map(one => one.font),
      site,
    ),
    widths,
  });
  const entries = shown.reduce((sum, { menu }) => sum + menu.entries.length, 0);
  return { html, findings: told, menus: shown.length, entries };
}

function writePicture(html: string, file: string): { file: string } | { finding: Finding } {
  const failed = (message: string, remedy: string): { finding: Finding } => ({
    finding: finding('cannot-write', { file: shownPath(file) }, message, remedy),
  });
  const browser = findBrowser();
  if (browser === null)
    return failed(
      'a picture needs a browser, and none was found',
      'Install Chromium, Chrome or Edge, or name one in KAMINO_BROWSER.',
    );
  const png = pictureOf(browser, html, 1600);
  if (png === null)
    return failed('the browser gave no picture', 'Try it again, or name another one in KAMINO_BROWSER.');
  writeWhole(file, Buffer.from(png));
  return { file };
}

/** Pages that the plan names and the site does not have yet count as there. */
function withPlanned(facts: SiteFacts, plan: Plan): SiteFacts {
  const planned = new Set<string>();
  const visit = (entries: readonly Entry[]): void => {
    for (const { target, versions, entries: below } of entries) {
      visit(below);
      for (const one of [target, ...[...versions.values()].flatMap(version => version?.target ?? [])]) {
        const written = 'written' in one && one.kind !== 'insert' && one.kind !== 'file' ? one.written : null;
        const path =
          written === null || /^[a-z]+:|^#/i.test(written) ? null : normalizePath(written.replace(/#.*/, ''));
        if (path && !facts.files.has(path)) planned.add(path);
      }
    }
  };
  for (const menu of plan.menus) visit(menu.entries);
  const any = { has: () => true, get: () => undefined } as unknown as ReadonlyMap<string, string>;
  return {
    ...facts,
    pages: new Set([...facts.pages, ...planned]),
    files: new Set([...facts.files, ...planned]),
    sections: page => (planned.has(page) ? any : facts.sections(page)),
    headings: page => (planned.has(page) ? [] : facts.headings(page)),
    front: facts.front ?? 'index.html',
  };
}

const types: Readonly<Record<string, string>> = {
  '.woff2': 'font/woff2',
  '.woff': 'font/woff',
  '.ttf': 'font/ttf',
  '.otf': 'font/otf',
};

/** The fonts of menus with their files inside, so that the sheet stands alone. */
function fontRules(fonts: readonly MenuFont[], site: OpenSite): string {
  const rules = new Set<string>();
  for (const { faces } of fonts)
    for (const { family, weight, file } of faces) {
      const type = types[extname(file).toLowerCase()] ?? 'font/ttf';
      const data = readFileSync(join(site.root, file)).toString('base64');
      rules.add(
        `@font-face{font-family:"${family}";font-weight:${weight.join(' ')};src:url(data:${type};base64,${data})}`,
      );
    }
  return [...rules].join('\n');
}
