import { crc32 } from 'node:zlib';
import type { ColorTools } from '../core/look/hex.ts';
import { type FontSource, type MenuFonts, foldWidths } from '../core/look/fonts.ts';
import { hasLooks } from '../core/look/merge.ts';
import { resolveLooks } from '../core/look/scopes.ts';
import type { ResolvedLooks } from '../core/look/types.ts';
import { hasSheets } from '../core/menu/folds.ts';
import { pagesToName } from '../core/menu/names.ts';
import { type Resolution, resolveMenus } from '../core/menu/resolve.ts';
import type { PageWords, SiteFacts } from '../core/target/facts.ts';
import { behavioursOf } from '../core/markup/script.ts';
import { missingWords } from '../core/markup/words.ts';
import type { Seek } from '../core/page/types.ts';
import type { Plan } from '../core/plan/types.ts';
import { styleSheet } from '../core/style/sheet.ts';
import { type Finding, hasErrors } from '../core/text/finding.ts';
import { readSelector } from '../core/text/selector.ts';
import { nameTaken } from '../files/errors.ts';
import { folderFindings } from '../files/folders.ts';
import { type OpenSite, openSite } from '../files/open-site.ts';
import { ownPaths, ownScript, ownStyle, scriptOf } from '../files/own.ts';
import { fromUser } from '../files/paths.ts';
import { type OpenPlan, openPlan } from '../files/plan.ts';
import { Run } from '../files/run.ts';
import { version } from '../files/version.ts';

/** What stops a job before it begins. */
export interface Stop {
  stop: Finding[];
}

/** A plan with the site that it names. */
export interface Here {
  open: OpenPlan;
  plan: Plan;
  site: OpenSite;
}

/** The same with every target known. */
export interface Opened extends Here {
  facts: SiteFacts;
  resolution: Resolution;
  /** What is wrong in the plan, and in what it says of the site. */
  findings: Finding[];
}

/** Opens a plan and lists its site. @param given a plan, its folder, or one that has been read */
export function openHere(given: string | OpenPlan | undefined, isDry = true): Here | Stop {
  const open = typeof given === 'object' ? given : openPlan(given);
  const { plan } = open;
  if (!plan) return { stop: open.findings };
  const site = openSite(open, plan, isDry);
  return 'rule' in site ? { stop: [...open.findings, site] } : { open, plan, site };
}

/** What counts as there beside what the site has. */
type Change = (facts: SiteFacts, plan: Plan) => SiteFacts;

/** Opens a plan, lists its site, and makes every target known. */
export async function openAll(
  given: string | OpenPlan | undefined,
  { isDry = true, change }: { isDry?: boolean; change?: Change } = {},
): Promise<Opened | Stop> {
  const here = openHere(given, isDry);
  return 'stop' in here ? here : resolved(here, await partsOf(here), change);
}

/** Makes every target of an open plan known. @param parts what finds panels in pages */
export function resolved(here: Here, parts: SiteFacts['parts'], change: Change = facts => facts): Opened {
  const { open, plan, site } = here;
  const facts = change({ ...site.facts, parts, words: wordsIn(here) }, plan);
  const resolution = resolveMenus(plan, facts, open.source);
  return { ...here, facts, resolution, findings: [...open.findings, ...resolution.findings] };
}

/** At most this many pages tell which part most titles share. */
const mostSampled = 200;

/** The words of the pages that lend an entry its label, and the titles of some others for what most share. */
export function wordsIn({ open, plan, site }: Here): Map<string, PageWords> {
  const words = new Map<string, PageWords>();
  const named = pagesToName(plan, site.facts, open.source);
  if (named.length === 0) return words;
  const all = [...site.facts.pages];
  const step = Math.max(1, Math.ceil(all.length / mostSampled));
  const sampled = all.filter((_, at) => at % step === 0);
  for (const path of new Set([...named, ...sampled])) {
    const found = site.contents.words(path, plan.labels.from === 'heading');
    if (found) words.set(path, found);
  }
  return words;
}

/** What finds panels in pages; loaded only where the plan has any. */
export async function partsOf({ plan, site }: Here): Promise<SiteFacts['parts']> {
  if (plan.panels.length === 0) return () => [];
  const [{ PageReader }, { partsIn }] = await Promise.all([
    import('../core/page/reader.ts'),
    import('../core/menu/parts.ts'),
  ]);
  return partsIn(new PageReader(site.contents));
}

/** What menus are measured with; the font reader is loaded here, and only here. */
export async function fontsOf({ open, site, resolution }: Opened): Promise<MenuFonts> {
  const [{ MenuFonts: Fonts, pageFonts }, { fontIn }, { PageReader }] = await Promise.all([
    import('../core/look/fonts.ts'),
    import('../files/font.ts'),
    import('../core/page/reader.ts'),
  ]);
  const page = site.facts.front ?? [...site.facts.pages].sort()[0] ?? null;
  const given: FontSource = {
    look: resolution.look,
    source: open.source,
    open: file => fontIn(site.root, file),
    files: site.facts.files,
    page: pageFonts(page, new PageReader(site.contents)),
  };
  return new Fonts(given);
}

export interface Styled {
  looks: ResolvedLooks;
  style: string;
  findings: Finding[];
}

/** The looks of menus, and their style sheet. What measures text is loaded only where a menu folds by its own room. */
export async function styled(opened: Opened): Promise<Styled> {
  const { menus, look, panels } = opened.resolution;
  const tools = await toolsFor(opened.plan);
  const { looks, findings } = resolveLooks(look, menus, { tools, source: opened.open.source });
  const isCrowded = menus.some(menu => menu.fold.when === 'crowded');
  const fonts = isCrowded ? await fontsOf(opened) : null;
  const fits = fonts ? foldWidths(menus, fonts) : new Map<string, number>();
  const style = styleSheet(menus, looks, { fits, panels });
  return { looks, style, findings: [...findings, ...(fonts?.findings ?? [])] };
}

/** The library of colours is loaded only where the plan has any. */
async function toolsFor(plan: Plan): Promise<ColorTools | null> {
  return hasLooks(plan) ? (await import('../core/look/color.ts')).colorTools : null;
}

/** All that can be known, and can be wrong, before a page is touched; null for no run where something is wrong. */
export async function prepared(
  opened: Opened,
): Promise<{ run: Run | null; style: string; findings: Finding[] }> {
  const { open, plan, site, facts, resolution } = opened;
  const { looks, style, findings: ofLooks } = await styled(opened);
  const script = scriptOf(behavioursOf(resolution.menus));
  const taken = [...facts.files].find(path => ownPaths.includes(path.toLowerCase()));
  const seek = await seekerOf(plan);
  const findings = [
    ...opened.findings,
    ...missingWords(plan.languages, resolution.menus, open.source),
    ...ofLooks,
    ...(await around(opened, seek)),
    ...folderFindings(open, plan.output, site.root),
    ...(taken ? [nameTaken(taken)] : []),
  ];
  if (hasErrors(findings)) return { run: null, style, findings };
  const own = new Map([[ownStyle, style], ...(script === null ? [] : [[ownScript, script] as const])]);
  const basis = basisOf(opened, { script, style });
  const reserves = looks.uses.weight;
  return { run: new Run({ plan, site, resolution, reserves, own, seek, basis }), style, findings };
}

/** Stands for all that finished files depend on beside their sources. */
function basisOf(
  { open, resolution: { menus, ids } }: Opened,
  { script, style }: { script: string | null; style: string },
): string {
  const resolved = JSON.stringify([menus.map(({ pages, ...menu }) => [menu, [...(pages ?? [])]]), [...ids]]);
  return [version, script ?? '', open.source.text, resolved, style].map(part => crc32(part)).join(' ');
}

/** The library of selectors is loaded only where a plan needs it. */
async function seekerOf({ menus, skipTo }: Plan): Promise<Seek | null> {
  const isComplex = (text: string): boolean => readSelector(text)?.isCompound === false;
  const isNeeded =
    menus.some(({ place }) => place?.side === 'instead-of' || place?.selectors.some(isComplex) === true) ||
    skipTo.some(isComplex);
  return isNeeded ? (await import('../core/page/select.ts')).seekIn : null;
}

/** What reads style sheets is loaded only where a menu is to stay, or has submenus that lie over the page. */
async function around({ plan, site, resolution }: Opened, seek: Seek | null): Promise<Finding[]> {
  const { menus } = resolution;
  if (!menus.some(menu => menu.stays !== null || hasSheets(menu))) return [];
  const { aroundMenus } = await import('../core/check/around.ts');
  const source = { menus, skipTo: plan.skipTo, seek };
  return fromUser(aroundMenus(source, { pages: site.facts.pages, files: site.contents }), site.root);
}
