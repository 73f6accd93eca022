import { join } from 'node:path';
import { type DrawnButton, drawnButtons } from '../core/draw/buttons.ts';
import { normalizePath } from '../core/address/path.ts';
import { drawnOutside, drawnOver, menuToDraw, plainFolder } from '../core/draw/button-findings.ts';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { buttonFiles, differing } from '../files/picture-files.ts';
import { openSharp } from '../files/rasters.ts';
import { shownPath } from '../files/paths.ts';
import { writeParts } from '../files/write.ts';
import { openHere, partsOf, resolved } from '../opening/open.ts';
import { planFile } from './given.ts';

export interface DrawOptions {
  /** A plan, or the folder of one. */
  plan?: string;
  /** The menu whose entries are drawn; the first of the plan. */
  menu?: string;
  /** The folder that they go into, seen from the site's. */
  into?: string;
  widths?: 'natural' | 'equal';
  /** Draw over what is there. */
  overwrite?: boolean;
}

export interface DrawResult {
  status: 0 | 1 | 2;
  findings: Finding[];
  menu: string | null;
  /** Buttons, and the files that were written for them, as the user sees them; those that are there already so. */
  entries: number;
  states: string[];
  folder: string;
  written: string[];
  same: number;
  /** The lines of the plan that show them. */
  lines: string[];
}

/** Draws the entries of a menu as buttons, in every state that its look has. */
export async function drawPictures(options: DrawOptions = {}): Promise<DrawResult> {
  const here = openHere(planFile(options.plan));
  if ('stop' in here) return failed(here.stop);
  const bare = { ...here, plan: { ...here.plan, pictures: [] } };
  const opened = resolved(bare, await partsOf(bare));
  const { looks, findings: ofLooks } = await opened.styled();
  const told = [...opened.findings, ...ofLooks];
  const menu = menuToDraw(opened.resolution.menus, options.menu, here.open.source.file);
  if ('rule' in menu) return failed([...told, menu]);
  if (hasErrors(told)) return failed(told);
  const { colorTools: tools } = await import('../core/look/color.ts');
  const fit = (await opened.fonts()).fit(menu);
  const buttons = drawnButtons({ menu, looks, fit, tools, widths: options.widths ?? menu.widths });
  return write(buttons, here.site.root, { menu: menu.name, told, ...options });
}

async function write(
  buttons: readonly DrawnButton[],
  site: string,
  {
    menu,
    told,
    into: folder = 'buttons',
    overwrite = false,
  }: DrawOptions & { menu: string; told: Finding[] },
): Promise<DrawResult> {
  const into = plainFolder(folder);
  if (normalizePath(into) === null) return failed([...told, drawnOutside(into)]);
  const root = join(site, into);
  const files = await buttonFiles(await openSharp(), buttons);
  const { news, changed, same } = differing(root, files);
  if (changed.length > 0 && !overwrite) return failed([...told, drawnOver(into, changed)], 1);
  writeParts(root, news);
  return {
    ...{ status: 0, findings: sortFindings(told), menu },
    entries: new Set(buttons.map(one => one.entry)).size,
    states: [...new Set(buttons.map(one => one.state))],
    folder: shownPath(root),
    written: news.map(({ path }) => shownPath(join(root, path))),
    same,
    lines: ['pictures:', `  - menu: ${menu}`, `    files: "${into}/{entry}-{state}.png"`],
  };
}

function failed(findings: readonly Finding[], status: 1 | 2 = 2): DrawResult {
  return {
    ...{ status, findings: sortFindings(findings), menu: null, entries: 0, states: [] },
    ...{ folder: '', written: [], same: 0, lines: [] },
  };
}
