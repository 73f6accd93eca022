import type { SitePath } from '../address/path.ts';
import type { Entry } from '../plan/types.ts';
import { counted, shortened } from '../text/nearest.ts';
import type { Ground } from './ground.ts';
import type { ResolvedEntry } from './types.ts';

/** Entries that lead into another language, or say the same in two, are told. */
export function tellLanguage(
  entry: Entry,
  { leadsTo, hreflang }: Pick<ResolvedEntry, 'leadsTo' | 'hreflang'>,
  { tag, carriers }: { tag: string | null; carriers: readonly SitePath[] },
  ground: Ground,
): void {
  const { languages } = ground;
  if (languages === null || tag === null) return;
  const name = (of: string): string => languages.all.find(one => one.tag === of)?.name ?? of;
  if (leadsTo.kind === 'language') {
    const lost = carriers.filter(page => leadsTo.counterparts[page] === undefined);
    if (lost.length === 0 || leadsTo.tag === tag || entry.ifMissing === 'front') return;
    return ground.tell(
      'no-counterpart',
      entry.mark,
      `${counted(lost.length, 'page')} ${lost.length === 1 ? 'has' : 'have'} no counterpart in ${name(leadsTo.tag)} (${shortened(lost, 3)}); there \`${entry.label ?? name(leadsTo.tag)}\` leads to ${leadsTo.front}`,
      'Add the pages, or name them with what they stand for:  page: { … }\nWhere that is as it should be, write  if-missing: front  in the entry.',
    );
  }
  const isFirst = tag === languages.all[0]!.tag;
  if (hreflang !== null && (leadsTo.kind === 'page' || leadsTo.kind === 'section'))
    return ground.tell(
      'no-counterpart',
      entry.mark,
      `\`${leadsTo.path!}\` has no counterpart in ${name(tag)}; \`${entry.label ?? leadsTo.path!}\` leads there to the page in ${name(hreflang)}`,
      `Add the page, or leave the entry out there by naming the others:  page: { ${hreflang}: ${leadsTo.path!} }`,
    );
  const isWords = entry.label !== null && /\p{L}/u.test(entry.label) && entry.versions.size === 0;
  if (
    !isFirst &&
    isWords &&
    (leadsTo.kind === 'page' || leadsTo.kind === 'section' || leadsTo.kind === 'none')
  )
    ground.tell(
      'same-label',
      entry.mark,
      `the label “${entry.label!}” is the same in ${name(tag)}`,
      `Write one for each language:  label: { ${languages.all.map(one => `${one.tag}: …`).join(', ')} }`,
    );
}
