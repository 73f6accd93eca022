import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type SpecimenMenu, fontRule, specimenPage } from '../core/draw/specimen.ts';
import type { MenuFont } from '../core/look/fonts.ts';
import { homeContent } from '../core/markup/home.ts';
import { menuMarkup } from '../core/markup/markup.ts';
import { pictureRules } from '../core/style/pictures.ts';
import { withPlanned } from '../core/menu/planned.ts';
import { type Finding, hasErrors } from '../core/text/finding.ts';
import { HeldFiles, dataAddress } from '../files/held.ts';
import { ownStyle } from '../files/own.ts';
import type { OpenPlan } from '../files/plan.ts';
import { openAll } from './open.ts';
import type { Opened } from './opened.ts';

export interface Sheet {
  /** The sheet as a page; null, with the reasons among the findings, where the plan is wrong. */
  html: string | null;
  findings: Finding[];
  menus: number;
  entries: number;
}

const widths = [320, 390, 768, 1024, 1280];

/** One sheet of every entry in every state, for comparing by eye; pages need not be there yet. */
export async function sheetOf(plan: string | OpenPlan): Promise<Sheet> {
  const opened = await openAll(plan, { change: withPlanned });
  if ('stop' in opened) return { html: null, findings: opened.stop, menus: 0, entries: 0 };
  const { looks, style, findings: ofLooks } = await opened.styled();
  const told = [...opened.findings.filter(one => one.rule !== 'no-title'), ...ofLooks];
  if (hasErrors(told)) return { html: null, findings: told, menus: 0, entries: 0 };
  const held = new HeldFiles(opened.site, opened.sprites);
  const shown = await menusOf(opened, held, looks.uses.weight);
  const page = specimenPage({
    title: `Specimen of ${opened.open.source.file}`,
    menus: shown,
    looks,
    style: held.inside(style, ownStyle) + (opened.plan.style ? held.style(opened.plan.style.path) : ''),
    pictures: pictureRules(opened.resolution.menus, new Map()),
    fonts: fontRules(shown, opened.site.root),
    widths,
  });
  const html = held.sprited(page);
  const entries = shown.reduce((sum, { menu }) => sum + menu.entries.length, 0);
  return { html, findings: told, menus: shown.length, entries };
}

async function menusOf(
  opened: Opened,
  held: HeldFiles,
  reserves: boolean,
): Promise<(SpecimenMenu & { font: MenuFont })[]> {
  const { plan, site, facts, resolution } = opened;
  const menus = resolution.menus.filter(
    menu => menu.shows === 'entries' && menu.entries.length > 0 && menu.form !== 'top',
  );
  const fonts = await opened.fonts();
  const links = { ...plan.links, onDisk: site.onDisk };
  const carried = new Set(menus.map(one => one.name));
  const from = { page: facts.front ?? '', folder: '', links, reserves, carried };
  const line = { indent: '', lineBreak: '\n', cell: null };
  return menus.map(menu => {
    const { font, ...fit } = fonts.fit(menu);
    return {
      menu,
      markup: held.markup(menuMarkup(menu, from, line, new Map())),
      home: menu.home && held.markup(homeContent(menu.home, from)),
      ...{ fit, family: font.family, font, from },
    };
  });
}

/** The fonts of menus with their files inside, so that the sheet stands alone. */
function fontRules(shown: readonly { font: MenuFont }[], root: string): string {
  const rules = new Set<string>();
  for (const { font } of shown)
    for (const { family, weight, file } of font.faces)
      rules.add(fontRule({ family, weight, data: dataAddress(file, readFileSync(join(root, file))) }));
  return [...rules].join('\n');
}
