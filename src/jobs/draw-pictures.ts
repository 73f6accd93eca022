import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type DrawnButton, drawnButtons } from '../core/draw/buttons.ts';
import { isSingle } from '../core/menu/folds.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { nearest, shortened } from '../core/text/nearest.ts';
import { fromSvg, openSharp } from '../files/rasters.ts';
import { shownPath } from '../files/paths.ts';
import { writeParts } from '../files/write.ts';
import { openHere, partsOf, resolved } from './open.ts';

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
  const here = openHere(options.plan);
  if ('stop' in here) return failed(here.stop);
  const bare = { ...here, plan: { ...here.plan, pictures: [] } };
  const opened = resolved(bare, await partsOf(bare));
  const { looks, findings: ofLooks } = await opened.styled();
  const menus = opened.resolution.menus.filter(one => one.shows === 'entries' && one.form !== 'top');
  const menu = menus.find(one => (options.menu === undefined ? !isSingle(one) : one.name === options.menu));
  const told = [...opened.findings, ...ofLooks];
  if (!menu)
    told.push(
      noMenu(
        options.menu,
        menus.map(one => one.name),
        here.open.source.file,
      ),
    );
  if (hasErrors(told) || !menu) return failed(told);
  const { colorTools: tools } = await import('../core/look/color.ts');
  const fit = (await opened.fonts()).fit(menu);
  const widths = options.widths ?? menu.widths;
  const buttons = drawnButtons({ menu, looks, fit, tools, widths });
  const into = (options.into ?? 'buttons').replace(/\/+$/, '');
  const files = await filesOf(buttons);
  const root = join(here.site.root, into);
  const isThere = ({ path, bytes }: (typeof files)[number]): boolean =>
    existsSync(join(root, path)) && readFileSync(join(root, path)).equals(bytes);
  const news = files.filter(one => !isThere(one));
  const changed = news.filter(({ path }) => existsSync(join(root, path)));
  if (changed.length > 0 && !options.overwrite)
    return failed(
      [
        ...told,
        drawnOver(
          into,
          changed.map(one => one.path),
        ),
      ],
      1,
    );
  writeParts(root, news);
  return {
    status: 0,
    findings: sortFindings(told),
    menu: menu.name,
    entries: new Set(buttons.map(one => one.entry)).size,
    states: [...new Set(buttons.map(one => one.state))],
    folder: shownPath(root),
    written: news.map(({ path }) => shownPath(join(root, path))),
    same: files.length - news.length,
    lines: ['pictures:', `  - menu: ${menu.name}`, `    files: "${into}/{entry}-{state}.png"`],
  };
}

function failed(findings: readonly Finding[], status: 1 | 2 = 2): DrawResult {
  return {
    ...{ status, findings: sortFindings(findings), menu: null, entries: 0, states: [] },
    ...{ folder: '', written: [], same: 0, lines: [] },
  };
}

function noMenu(name: string | undefined, names: readonly string[], file: string): Finding {
  const near = name === undefined ? null : nearest(name, names);
  const remedy = near ? `Did you mean \`${near}\`?` : `Menus of the plan: ${names.join(', ')}.`;
  const message =
    name === undefined
      ? 'the plan has no menu whose entries could be drawn'
      : `no menu is called \`${name}\``;
  return finding('unknown-menu', { file }, message, remedy);
}

function drawnOver(into: string, paths: readonly string[]): Finding {
  return finding(
    'drawn-over',
    { file: into },
    `${shortened(paths, 3)} ${paths.length === 1 ? 'is' : 'are'} there already, and drawn otherwise; nothing was written`,
    'Draw into another folder:  --into buttons-2   or over what is there:  --overwrite',
  );
}

/** Each button as a drawing, and as a picture for usual and for dense screens. */
async function filesOf(buttons: readonly DrawnButton[]): Promise<{ path: string; bytes: Buffer }[]> {
  const sharp = await openSharp();
  const files: { path: string; bytes: Buffer }[] = [];
  for (const { entry, state, svg } of buttons) {
    const name = `${entry.hook}-${state}`;
    files.push({ path: `${name}.svg`, bytes: Buffer.from(svg) });
    if (sharp === null) continue;
    files.push({ path: `${name}.png`, bytes: await fromSvg(sharp, svg, 1) });
    files.push({ path: `${name}@2x.png`, bytes: await fromSvg(sharp, svg, 2) });
  }
  return files;
}
