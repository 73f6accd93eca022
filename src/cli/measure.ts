import { type Command, InvalidArgumentError } from 'commander';
import { shortened } from '../core/text/nearest.ts';
import type { MeasureResult, MeasuredMenu } from '../jobs/measure.ts';
import { type Act, type Voice, tellFindings, tellJson } from './io.ts';
import type { plainTable } from './table.ts';

type MakeTable = typeof plainTable;

const examples = `
Examples:
  $ kamino measure                     each entry's width, and where each bar fits
  $ kamino measure --at 900 --at 1100  at these widths too
  $ kamino measure --menu masthead     one menu only
  $ kamino measure --browser           and the real room that pages leave for it
  $ kamino measure --json              all of it, for other programs

Widths are in px, at a root size of 16. Exit status: 0 fine, 2 a bad plan or a failure.`;

interface Options {
  at?: number[];
  menu?: string;
  browser?: true;
  json?: true;
}

export function addMeasure(program: Command, act: Act): void {
  program
    .command('measure')
    .description('measure menus with their real font: widths, offsets, and what fits at which width')
    .argument('[plan]', 'a plan, or the folder of one', '.')
    .option('--at <px>', 'a width to look at, beside the usual ones', pixels)
    .option('--menu <name>', 'this menu only')
    .option('--browser', 'look at the finished pages in a real browser too')
    .option('--json', 'print the result as one JSON document')
    .addHelpText('after', examples)
    .action((plan: string, options: Options) => act(voice => work(plan, options, voice))());
}

function pixels(text: string, before: number[] = []): number[] {
  if (!/^\d{2,5}(?:px)?$/.test(text)) throw new InvalidArgumentError('A width is a number of px.');
  return [...before, parseInt(text, 10)];
}

async function work(plan: string, { at = [], menu, browser, json }: Options, voice: Voice): Promise<number> {
  const { measure } = await import('../jobs/measure.ts');
  const result = await measure({
    plan,
    at,
    browser: browser === true,
    ...(menu === undefined ? {} : { menu }),
  });
  if (json) return tellJson('measure', result, voice);
  tellFindings(result.findings, voice);
  if (result.status === 2) return 2;
  const { plainTable: make } = await import('./table.ts');
  const parts = result.menus.map(menu => menuText(menu, voice, make));
  voice.io.out(`${[...parts, ...(result.seen ? [seenText(result, voice, make)] : [])].join('\n\n')}\n`);
  return 0;
}

function menuText(menu: MeasuredMenu, { out }: Voice, make: MakeTable): string {
  const { font, entries, home, homeOffset, height, widths } = menu;
  const { family, files, sizePx, weight, isKnown } = font;
  const source = isKnown ? files.join(', ') : 'no font file of the site: the widest of common fonts';
  const range =
    menu.fitsFromLeastPx < menu.fitsFromPx
      ? ` (${menu.fitsFromLeastPx} in the narrowest of common fonts)`
      : '';
  const table = make(['entry', 'text', 'box', 'from the start'], ['left', 'right', 'right', 'right']);
  if (home > 0) table.push([out.quiet('(home)'), '', px(home), px(homeOffset)]);
  for (const one of entries) table.push([cut(one.label), px(one.textWidth), px(one.width), px(one.offset)]);
  const name = menu.language === null ? menu.menu : `${menu.menu}, ${menu.language}`;
  const low =
    height < 24
      ? `  ${out.warning('less than 24 px')}`
      : height < 44
        ? out.quiet('  less than the 44 px that a finger likes; 44 on touch screens')
        : '';
  return [
    `${out.strong(name)}  ${out.quiet(`${family?.split(',')[0] ?? 'the page’s own font'}, ${sizePx} px, weight ${weight} (${source})`)}`,
    table.toString().replace(/ +$/gm, ''),
    `  Side by side it is ${out.strong(`${px(menu.fitsFromPx)} px`)} wide, ${menu.fitsFromEm} em, and fits windows from ${menu.fitsFromWindowEm}em${range}.`,
    `  An entry is ${px(height)} px high.${low}`,
    ...widths.map(one => `  ${fitLine(one, out)}`),
  ].join('\n');
}

function fitLine({ width, fits, left, shorter }: MeasuredMenu['widths'][number], out: Voice['out']): string {
  const at = `${String(width).padStart(5)} px`;
  if (fits) return `${at}  fits, ${px(left)} px left`;
  const hint = shorter
    ? `: “${cut(shorter.label)}” is ${px(shorter.width)} px and may be ${px(shorter.atMost)}`
    : '';
  return `${at}  ${out.warning(`${px(-left)} px too wide`)}${hint}`;
}

function seenText({ menus: measuredMenus, seen }: MeasureResult, { out }: Voice, make: MakeTable): string {
  const table = make(
    ['page', 'window', 'menu', 'room', 'takes', ''],
    ['left', 'right', 'left', 'right', 'right', 'left'],
  );
  const families = new Map(
    measuredMenus.flatMap(({ menu, font }) => (font.family ? [[menu, firstOf(font.family)] as const] : [])),
  );
  let last = '';
  for (const { page, width, menus } of seen!)
    for (const one of menus) {
      if (one.menu !== menus[0]!.menu && one.used === null && !one.isFolded) continue;
      const state = one.isFolded ? 'folded' : one.wraps ? 'in several lines' : '';
      const small =
        one.under24.length > 0
          ? out.warning(`under 24 px: ${shortened(one.under24, 2)}`)
          : one.under44.length > 0
            ? out.quiet(`${one.under44.length} under 44 px`)
            : '';
      const measured = families.get(one.menu);
      const other = measured && firstOf(one.font) !== measured ? out.warning(`in ${firstOf(one.font)}`) : '';
      table.push([
        page === last ? '' : page,
        String(width),
        one.menu,
        px(one.room),
        one.used === null ? '' : px(one.used),
        [state, other, small].filter(Boolean).join(', '),
      ]);
      last = page;
    }
  return `${out.strong('In the browser')}\n${table.toString().replace(/ +$/gm, '')}`;
}

/** The first family of a list, without quotes. */
function firstOf(families: string): string {
  return families
    .split(',')[0]!
    .trim()
    .replace(/^["']|["']$/g, '');
}

function px(value: number): string {
  return value.toFixed(1);
}

function cut(text: string): string {
  return text.length > 40 ? `${text.slice(0, 39)}…` : text;
}
