import { type Command, InvalidArgumentError, Option } from 'commander';
import { counted, listed, shortened } from '../core/text/nearest.ts';
import type { ListedMenu, PicturesOptions } from '../jobs/pictures.ts';
import type { DrawOptions } from '../jobs/draw-pictures.ts';
import { type Act, type Voice, tellFindings, tellJson } from './io.ts';
import type { plainTable } from './table.ts';

const examples = `
Examples:
  $ kamino pictures                        draws the first menu's entries from its look, in every state, into ./buttons
  $ kamino pictures --into art --widths equal
  $ kamino pictures --list                 which file was found for which entry and state
  $ kamino pictures --cells cells.png      a strip with its cells drawn in
  $ kamino pictures --sprite out           all pictures in one, and where each lies in it: CSS, JSON
  $ kamino pictures --resize small         the pictures in the size in which they are shown

Drawings (SVG) and pictures (PNG, for dense screens too) are yours to go on with in any drawing program: what is
saved under the same name is taken up. What is there is not drawn over unasked.

Exit status: 0 fine, 1 errors in pictures, 2 a bad plan or a failure.`;

interface Options extends Omit<PicturesOptions, 'plan'>, Omit<DrawOptions, 'plan'> {
  list?: true;
  json?: true;
}

export function addPictures(program: Command, act: Act): void {
  program
    .command('pictures')
    .description('draw the buttons of a menu, or look at the pictures that stand for its entries')
    .argument('[plan]', 'a plan, or the folder of one', '.')
    .option('--menu <name>', 'this menu only')
    .option('--into <folder>', 'where drawn buttons go, seen from the site (buttons)')
    .addOption(
      new Option('--widths <widths>', 'of drawn buttons; as the menu has them').choices(['natural', 'equal']),
    )
    .option('--overwrite', 'draw over what is there')
    .option('--list', 'the file that was found for each entry and state')
    .option('--cells <file>', 'draw the cells into a strip: a PNG or an SVG', drawingFile)
    .option('--sprite <folder>', 'write the packed pictures, and where each lies in them')
    .option('--resize <folder>', 'write the pictures in the size in which they are shown')
    .option('--json', 'print the result as one JSON document')
    .addHelpText('after', examples)
    .action((plan: string, options: Options) => act(voice => work(plan, options, voice))());
}

function drawingFile(name: string): string {
  if (!/\.(?:png|svg)$/i.test(name)) throw new InvalidArgumentError('Its name ends with .png or .svg.');
  return name;
}

function work(plan: string, options: Options, voice: Voice): Promise<number> {
  const isLooked = options.list ?? options.cells ?? options.sprite ?? options.resize;
  return isLooked === undefined ? draw(plan, options, voice) : look(plan, options, voice);
}

async function draw(plan: string, { json, ...options }: Options, voice: Voice): Promise<number> {
  const { drawPictures } = await import('../jobs/draw-pictures.ts');
  const result = await drawPictures({ plan, ...options });
  if (json) return tellJson('pictures', result, voice);
  tellFindings(result.findings, voice);
  const { menu, entries, states, folder, written, same, lines, status } = result;
  if (menu === null) return status;
  const { out, io } = voice;
  const drawn = `${counted(entries, 'button')} of ${menu} in ${counted(states.length, 'state')} (${states.join(', ')})`;
  io.out(
    written.length === 0
      ? `${out.strong('Nothing to do')}: ${drawn} ${entries === 1 ? 'is' : 'are'} in ${folder} already.\n`
      : `${out.strong(`Drew ${drawn}`)}\n  into      ${folder}: ${counted(written.length, 'file')} new or changed, ${same} the same\n`,
  );
  io.out(
    `\nGo on drawing on them in any program. These lines of the plan show them:\n\n${lines.map(line => `  ${line}`).join('\n')}\n`,
  );
  return status;
}

async function look(plan: string, options: Options, voice: Voice): Promise<number> {
  const { pictures } = await import('../jobs/pictures.ts');
  const { menu, cells, sprite, resize } = options;
  const given = Object.entries({ menu, cells, sprite, resize }).filter(([, value]) => value !== undefined);
  const result = await pictures({ plan, ...Object.fromEntries(given) });
  if (options.json) return tellJson('pictures', result, voice);
  tellFindings(result.findings, voice);
  const { plainTable: make } = await import('./table.ts');
  const { written, menus } = result;
  const parts = [
    ...(options.list || (written.length === 0 && cells === undefined)
      ? menus.map(one => menuText(one, voice, make))
      : []),
    ...(sprite === undefined ? [] : menus.map(one => spriteText(one, voice, make))),
    ...(written.length > 0
      ? [
          `${voice.out.strong(`Wrote ${written.length > 4 ? shortened(written, 3) : listed(written, 'and')}`)}.`,
        ]
      : []),
  ];
  if (parts.length > 0) voice.io.out(`${parts.join('\n\n')}\n`);
  return result.status;
}

function menuText(
  { menu, language, entries, sprite }: ListedMenu,
  { out }: Voice,
  make: typeof plainTable,
): string {
  const states = [...new Set(entries.flatMap(({ pictures }) => Object.keys(pictures ?? {})))];
  const all = entries.flatMap(({ pictures }) => Object.values(pictures ?? {}).map(one => one.file));
  const folder = sharedFolder(all);
  const table = make(
    ['entry', ...states, 'size', 'contrast'],
    ['left', ...states.map(() => 'left' as const), 'right', 'right'],
  );
  for (const { label, pictures } of entries) {
    if (pictures === null) {
      table.push([label, out.quiet('its text'), ...states.slice(1).map(() => ''), '', '']);
      continue;
    }
    const ofStates = states.map(state => {
      const one = pictures[state as keyof typeof pictures];
      return one ? one.file.slice(folder.length) + (one.isDense ? out.quiet(' 2x') : '') : out.quiet('–');
    });
    const { base } = pictures;
    const contrasts = Object.values(pictures).map(one => one.contrast);
    const least = contrasts.includes(null) ? null : Math.min(...(contrasts as number[]));
    const told =
      least === null
        ? out.quiet('not measured')
        : least < 4.5
          ? out.warning(least.toFixed(1))
          : least.toFixed(1);
    table.push([label, ...ofStates, `${base!.width} x ${base!.height}`, told]);
  }
  const name = language === null ? menu : `${menu}, ${language}`;
  const { file, dense, width, height, bytes, ofFiles } = sprite;
  return [
    `${out.strong(name)}${folder === '' ? '' : out.quiet(`  in ${folder}`)}`,
    table.toString().replace(/ +$/gm, ''),
    `  Packed into ${dense === null ? file : `${file} and one for dense screens`}: ${width} x ${height} px, ${kilobytes(bytes)} (${kilobytes(ofFiles)} in ${counted(new Set(all).size, 'file')})`,
  ].join('\n');
}

/** Where each picture lies in what they are packed into. */
function spriteText(
  { menu, language, entries }: ListedMenu,
  { out }: Voice,
  make: typeof plainTable,
): string {
  const table = make(
    ['entry', 'state', 'x', 'y', 'width', 'height'],
    ['left', 'left', 'right', 'right', 'right', 'right'],
  );
  for (const { label, pictures } of entries)
    for (const [state, { x, y, width, height }] of Object.entries(pictures ?? {}))
      table.push([label, state, ...[x, y, width, height].map(String)]);
  const name = language === null ? menu : `${menu}, ${language}`;
  return `${out.strong(name)}\n${table.toString().replace(/ +$/gm, '')}`;
}

const kilobytes = (bytes: number): string =>
  bytes < 1000 ? `${bytes} B` : `${(bytes / 1000).toFixed(1)} kB`;

/** The folder that all files lie in, with its `/`. */
function sharedFolder(files: readonly string[]): string {
  const [first = ''] = files;
  const folder = first.slice(0, first.lastIndexOf('/') + 1);
  return files.every(one => one.startsWith(folder)) ? folder : '';
}
