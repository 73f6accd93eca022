import type { Command } from 'commander';
import { counted, shortened } from '../core/text/nearest.ts';
import { sizeOf } from '../core/text/size.ts';
import { visibleName } from '../core/text/visible.ts';
import type { PackOptions, PackResult } from '../jobs/pack.ts';
import { type Act, type Voice, tellFindings, tellJson } from './io.ts';

interface Options extends Omit<PackOptions, 'site'> {
  json?: true;
}

const examples = `
Examples:
  $ kamino pack                            packed.zip, and what is new, changed and gone since the last one
  $ kamino pack --to upload                a folder in place of an archive; only what differs is written into it
  $ kamino pack --to upload --delete       what the site no longer has goes from that folder, too
  $ kamino pack --list upload.txt          and the paths to upload, one a line, for a file transfer program
  $ kamino pack --since uploaded.sums      compared with what was uploaded, whatever was packed since
  $ kamino pack --sitemap                  with sitemap.xml and robots.txt

Beside it lies a list of sums, packed.sums, which  sha256sum --check  reads, too.
Exit status: 0 fine, 1 nothing was packed since the site has errors, 2 a failure.`;

export function addPack(program: Command, act: Act): void {
  program
    .command('pack')
    .description('put the finished site together for its upload, and tell what is new, changed and gone')
    .argument('[site]', 'a plan, its folder, or a folder of pages', '.')
    .option('--to <path>', 'a folder, or an archive whose name ends with .zip (packed.zip)')
    .option('--since <list>', 'the list of sums to compare with (that of the last time)')
    .option('--list <file>', 'write the paths that are to be uploaded, one a line')
    .option('--delete', 'take what the site no longer has out of the folder')
    .option('--sitemap', 'add a list of the pages for search engines')
    .option('--despite-errors', 'pack a site in which something is wrong')
    .option('--dry-run', 'tell what would be packed, write nothing')
    .option('--json', 'print the result as one JSON document')
    .addHelpText('after', examples)
    .action((site: string, options: Options) => act(voice => work(site, options, voice))());
}

async function work(site: string, { json, ...options }: Options, voice: Voice): Promise<number> {
  const { pack } = await import('../jobs/pack.ts');
  const result = await pack({ site, ...options });
  if (json) return tellJson('pack', result, voice);
  tellFindings(result.findings, voice);
  const isStopped = result.files === 0;
  if (isStopped) voice.io.err('\nNothing was packed.\n');
  else voice.io.out(report(result, options, voice));
  return result.status;
}

function report(
  result: PackResult,
  { dryRun = false, delete: deletes }: Options,
  { out, tellsAll }: Voice,
): string {
  const { created, changed, same, gone, deleted, files, bytes, target, kind, sums, list } = result;
  const size = bytes === null ? '' : ` (${sizeOf(bytes)})`;
  const shown = visibleName(target);
  const head = dryRun
    ? `${counted(files, 'file')} would be packed into ${shown}`
    : `Packed ${counted(files, 'file')} into ${shown}${size}`;
  const named = (paths: readonly string[]): string =>
    tellsAll ? paths.join(', ') : shortened(paths, mostNamed);
  const row = (name: string, paths: readonly string[], names = named(paths)): string =>
    `  ${out.quiet(name.padEnd(9))} ${String(paths.length).padStart(5)}${names === '' ? '' : `   ${visibleName(names)}`}\n`;
  const taken = new Set(deleted);
  const stay = gone.filter(path => !taken.has(path));
  const rows =
    row('new', created) +
    row('changed', changed) +
    row('the same', same, '') +
    (gone.length > 0 ? row('gone', gone) : '') +
    (deleted.length > 0 ? row('deleted', deleted) : '');
  const left =
    stay.length === 0 || deletes === true
      ? ''
      : kind === 'zip'
        ? `\nWhat is gone from the site is still on the server until you delete it there.\n`
        : `\nWhat is gone from the site is still in ${shown}/;  --delete  takes it out.\n`;
  const lists = dryRun ? 'Nothing was written.\n' : listsTold(sums, list, created.length + changed.length);
  return `${out.strong(head)}\n${rows}${left}\n${lists}`;
}

const mostNamed = 4;

function listsTold(sums: string, list: string | null, count: number): string {
  const paths =
    list === null
      ? ''
      : `The ${counted(count, 'path')} to upload ${count === 1 ? 'is' : 'are'} in ${list}.\n`;
  return `${paths}${sums} lists what is in it, and the next pack is compared with that.\n`;
}
