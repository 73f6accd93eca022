import type { Command } from 'commander';
import { counted } from '../core/text/nearest.ts';
import { visibleName } from '../core/text/visible.ts';
import type { Inventory, InventoryEntry, InventoryPage } from '../jobs/inventory.ts';
import { type Act, type Voice, tellFindings, tellJson } from './io.ts';
import { progressOn } from './progress.ts';
import type { PlainTable } from './table.ts';
import { withThreads } from './threads.ts';

const examples = `
Examples:
  $ kamino inventory               the site in this folder
  $ kamino inventory old-site      another folder
  $ kamino inventory --json        all of it, for other programs

Exit status: 0 fine, 1 links that lead nowhere, 2 a failure.`;

export function addInventory(program: Command, act: Act): void {
  const command = program
    .command('inventory')
    .description('what a site has: its pages, titles, sections and links, and what is wrong in them')
    .argument('[site]', 'a folder of pages', '.')
    .option('--json', 'print the result as one JSON document');
  withThreads(command)
    .addHelpText('after', examples)
    .action((folder: string, options: Options) => act(voice => work(folder, options, voice))());
}

interface Options {
  jobs?: number;
  json?: true;
}

async function work(folder: string, { jobs, json }: Options, voice: Voice): Promise<number> {
  const { inventory } = await import('../jobs/inventory.ts');
  const progress = await progressOn(voice.io, 'files');
  const result = inventory(folder, { threads: jobs, progress: progress.show });
  progress.end();
  const { plainTable } = await import('./table.ts');
  if (json) tellJson('inventory', result, voice);
  else {
    if (result.status !== 2)
      voice.io.out(`${report(result, plainTable(columns.map(voice.out.quiet), aligns), voice)}\n`);
    tellFindings(result.findings, voice, isLarge(result) ? mostFindingLines : Infinity);
    if (result.status !== 2)
      voice.io.out(`${result.findings.length > 0 ? '\n' : ''}${nextLine(result, voice)}`);
  }
  return result.status;
}

/** Of a large site, what a screen or two hold is shown. */
const isLarge = ({ pages }: Inventory): boolean => pages.length > mostRows;
const mostRows = 40;
const mostFindingLines = 34;
const mostMenus = 3;
const mostEntries = 8;
const mostOthers = 6;

const widths = { page: 38, title: 34 };
const columns = ['page', 'title', 'sections', 'words', 'in', 'out'];
const aligns = ['left', 'left', 'right', 'right', 'right', 'right'] as const;

function report(inventory: Inventory, table: PlainTable, voice: Voice): string {
  const { pages, otherFiles, site, findings } = inventory;
  const { out } = voice;
  const folders = foldersOf(pages);
  const most = isLarge(inventory) && !voice.tellsAll ? mostRows : Infinity;
  const shown = Math.floor(most / folders.size);
  let [left, rows] = [0, 0];
  for (const [own, inside] of folders) {
    rows += 1 + Math.min(shown, inside.length);
    if (rows > most * 1.2) {
      left += inside.length;
      continue;
    }
    const count = inside.length > shown ? `  ${out.quiet(counted(inside.length, 'page'))}` : '';
    if (own !== '') table.push([`${out.strong(visibleName(`${own}/`))}${count}`, '', '', '', '', '']);
    for (const page of inside.slice(0, shown))
      table.push(row(page, `${own === '' ? '' : '  '}${splitPath(page.path)[1]}`));
    left += Math.max(0, inside.length - shown);
  }
  const more = left === 0 ? '' : `\n${out.quiet(`and ${counted(left, 'page')} more;  --all  shows them`)}`;
  const head = `${counted(pages.length, 'page')} and ${counted(otherFiles, 'other file')} in ${site === '.' ? 'this folder' : `${site}/`}`;
  const ends = findings.length === 0 ? '\n\nNothing is wrong in them.' : '';
  return `${out.strong(head)}\n\n${table.toString().replace(/ +$/gm, '')}${more}${menuLines(inventory, voice)}${otherLines(inventory, voice)}${ends}\n`;
}

/** The menus written by hand, each with its entries and where they lead. */
function menuLines(inventory: Inventory, { out, tellsAll }: Voice): string {
  const { menus, pages } = inventory;
  const isCut = isLarge(inventory) && !tellsAll;
  const parts = menus.slice(0, isCut ? mostMenus : menus.length).map(menu => {
    const [first, ...others] = menu.selectors;
    const by = first ? `"${visibleName(first.selector)}"` : 'a menu that no selector finds';
    const also = others
      .map(({ selector, pages: count }) => `, "${visibleName(selector)}" (${count})`)
      .join('');
    const count = `on ${menu.carriedBy.length} of ${counted(pages.length, 'page')}`;
    const all = linesOf(menu.entries, 1);
    const rows = all.slice(0, isCut ? mostEntries : all.length);
    const left = all.length - rows.length;
    const width = Math.min(46, Math.max(...rows.map(([label]) => label.length)) + 3);
    const lines = rows.map(([label, target]) =>
      `${cut(label, width - 2).padEnd(width)}${out.quiet(cut(target, 98 - width))}`.trimEnd(),
    );
    const more = left > 0 ? [out.quiet(`  and ${counted(left, 'entry', 'entries')} more`)] : [];
    return [`${out.strong(by)}${also}  ${out.quiet(count)}`, ...lines, ...more].join('\n');
  });
  const left = menus.length - parts.length;
  if (left > 0) parts.push(out.quiet(`and ${counted(left, 'menu')} more;  --all  shows them`));
  return parts.length === 0
    ? ''
    : `\n\n${out.strong(`${counted(menus.length, 'menu')} written by hand`)}\n\n${parts.join('\n\n')}`;
}

const kindWords: Record<Inventory['navigations'][number]['kind'], string> = {
  'previous-next': 'the page before and behind',
  sections: 'a page’s own contents',
  breadcrumb: 'the way to the page',
  list: 'other lists of links',
};

/** What else leads through the site, and is no menu with mistakes. */
function otherLines({ navigations, pages }: Inventory, { out, tellsAll }: Voice): string {
  if (navigations.length === 0) return '';
  const shown = navigations.slice(0, tellsAll ? navigations.length : mostOthers);
  const width = Math.max(...shown.map(({ selector }) => visibleName(selector).length)) + 4;
  const lines = shown.map(
    ({ kind, selector, carriedBy }) =>
      `  ${`"${visibleName(selector)}"`.padEnd(width)}${out.quiet(`${kindWords[kind]}, on ${carriedBy.length} of ${counted(pages.length, 'page')}`)}`,
  );
  const left = navigations.length - shown.length;
  const more = left > 0 ? [out.quiet(`  and ${left} more;  --all  shows them`)] : [];
  return `\n\n${out.strong('Links that differ by design')}\n\n${[...lines, ...more].join('\n')}`;
}

function linesOf(entries: readonly InventoryEntry[], depth: number): [string, string][] {
  return entries.flatMap(({ label, target, entries: below }) => [
    [`${'  '.repeat(depth)}${visibleName(label) || '(no words)'}`, visibleName(target ?? '')] as [
      string,
      string,
    ],
    ...linesOf(below, depth + 1),
  ]);
}

function nextLine({ next }: Inventory, { out }: Voice): string {
  return `Go on with  ${out.strong(visibleName(next.command))}   ${out.quiet(`(${next.about})`)}\n`;
}

function row(page: InventoryPage, name: string): string[] {
  const { links, linkedFrom, sections, title, words } = page;
  const numbers = [sections.length, words, linkedFrom, links.page + links.file + links.away + links.nowhere];
  return [cut(name, widths.page), cut(title ?? '(none)', widths.title), ...numbers.map(String)];
}

/** The pages by their folders, in the order in which they are shown. */
function foldersOf(pages: readonly InventoryPage[]): Map<string, InventoryPage[]> {
  const folders = new Map<string, InventoryPage[]>();
  for (const page of [...pages].sort(byFolder)) {
    const [own] = splitPath(page.path);
    const inside = folders.get(own);
    if (inside) inside.push(page);
    else folders.set(own, [page]);
  }
  return folders;
}

/** Pages of a folder before those of the folders in it. */
function byFolder(one: InventoryPage, other: InventoryPage): number {
  const [a, b] = [splitPath(one.path), splitPath(other.path)];
  const key = ([folder, name]: [string, string]): string =>
    `${folder}\u0000${/^index\./.test(name) ? '' : name}`;
  return key(a) < key(b) ? -1 : 1;
}

function splitPath(path: string): [folder: string, name: string] {
  const slash = path.lastIndexOf('/');
  return slash < 0 ? ['', path] : [path.slice(0, slash), path.slice(slash + 1)];
}

function cut(text: string, most: number): string {
  return text.length > most ? `${text.slice(0, most - 1)}…` : text;
}
