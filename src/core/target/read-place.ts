import { type Address, readAddress, readWebAddress } from '../address/href.ts';
import { type SitePath, joinPath } from '../address/path.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Mark } from '../text/mark.ts';
import { listed, nearest } from '../text/nearest.ts';
import type { Source } from '../text/source.ts';
import type { SiteFacts } from './facts.ts';
import type { Led, TargetContext } from './kind.ts';
import { nearestPage } from './nearest-page.ts';
import type { Place } from './places.ts';

/** A place of the site as the plan writes it; `address`: as in an `href`, whatever it leads to. */
export interface Written {
  kind: 'page' | 'section' | 'file' | 'address';
  written: string;
  mark: Mark;
}

/** Where addresses of other schemes lead; null where they are no target. */
export type BySchemes<To> = (scheme: string, rest: string) => To | null;

/** Where a path or an address leads. @param others addresses of other schemes */
export function readPlace<To = never>(
  target: Written,
  context: TargetContext,
  others: BySchemes<To> = () => null,
): Led<Place | To> {
  return new Reading(target, context, others).read();
}

class Reading<To> {
  readonly #target: Written;
  readonly #site: SiteFacts;
  readonly #carriers: readonly SitePath[];
  readonly #source: Source;
  readonly #counterpart: (path: SitePath) => SitePath;
  readonly #others: BySchemes<To>;

  constructor(
    target: Written,
    { site, carriers, source, counterpart = path => path }: TargetContext,
    others: BySchemes<To>,
  ) {
    this.#counterpart = counterpart;
    this.#others = others;
    this.#target = target;
    this.#site = site;
    this.#carriers = carriers;
    this.#source = source;
  }

  read(): Led<Place | To> {
    const { kind, written } = this.#target;
    // A name may hold what means something in an address: a colon, a `#`, a `?`.
    const literal = written.normalize('NFC');
    const { pages, files } = this.#site;
    if ((kind === 'page' || kind === 'address') && pages.has(literal)) return this.#to('page', literal);
    if ((kind === 'file' || kind === 'address') && files.has(literal)) return this.#to('file', literal);
    // `section: contact` and `section: "#contact"` mean the same.
    const isBareId = kind === 'section' && !/[#./]/.test(written);
    const address = readAddress(isBareId ? `#${written}` : written, '');
    switch (address.kind) {
      case 'web':
        return this.#web();
      case 'other':
        return this.#other(address.scheme);
      case 'root':
      case 'outside':
        return this.#failed(
          'outside-site',
          `\`${written}\` leaves the site`,
          outsideRemedy(address, this.#site),
        );
      case 'same-page':
        return this.#section(null, address.fragment ?? '');
      case 'inside':
        return this.#inside(address);
    }
  }

  #inside(address: Extract<Address, { kind: 'inside' }>): Led<Place | To> {
    const { kind, written } = this.#target;
    const { files } = this.#site;
    const file = [written.normalize('NFC'), address.path].find(path => files.has(path));
    if (kind === 'file') return file === undefined ? this.#missingFile(address.path) : this.#to('file', file);
    const path = pageAt(address, written, this.#site);
    if (path === null) {
      if (kind === 'address' && file !== undefined) return this.#to('file', file);
      return missingPage(this.#target, address.path, this.#site, this.#source);
    }
    if (address.fragment !== null && path !== written.normalize('NFC'))
      return this.#section(path, address.fragment);
    if (kind !== 'section') return this.#to('page', path);
    return this.#failed(
      'missing-section',
      '`section` names a page alone',
      `Add the id:  section: "${path}#…",  or write  page: ${path}`,
    );
  }

  #to(kind: 'page' | 'file', path: SitePath): Led<Place | To> {
    return { destination: { kind, path: this.#counterpart(path) } };
  }

  #section(named: SitePath | null, id: string): Led<Place | To> {
    const path = named === null ? null : this.#counterpart(named);
    if (id === '')
      return this.#failed(
        'missing-section',
        'a `#` without an id leads nowhere',
        'Write the id of the section behind the #.',
      );
    const pages = path === null ? this.#carriers : [path];
    const lacking = pages.filter(page => !this.#site.sections(page).has(id));
    if (lacking.length === 0) return { destination: { kind: 'section', path, id } };
    const known = lacking.length === 1 ? [...this.#site.sections(lacking[0]!).keys()] : [];
    const near = nearest(id, known);
    const where =
      lacking.length > 3
        ? `${lacking.slice(0, 3).join(', ')} and ${lacking.length - 3} more pages`
        : listed(lacking, 'and');
    const remedy = near
      ? `Did you mean \`#${near}\`?`
      : path === null
        ? `Name its page too:  section: "page.html#${id}"`
        : `Give the section this id, in the page:  id="${id}"`;
    return this.#failed('missing-section', `there is no \`#${id}\` in ${where}`, remedy);
  }

  #web(): Led<Place | To> {
    const { kind, written } = this.#target;
    if (kind !== 'address')
      return this.#failed(
        'missing-page',
        `\`${kind}\` takes a path of this site`,
        `For another site write  url: "${written}"`,
      );
    const url = readWebAddress(written.startsWith('//') ? `https:${written}` : written);
    if (url !== null) return { destination: { kind: 'url', url } };
    return this.#failed(
      'bad-address',
      `\`${written}\` is no address of http or https`,
      'For example  url: "https://example.org/"',
    );
  }

  #other(scheme: string): Led<Place | To> {
    const { kind, written } = this.#target;
    const rest = written.trim().slice(scheme.length + 1);
    const destination = kind === 'address' ? this.#others(scheme, rest) : null;
    if (destination !== null) return { destination };
    return this.#failed(
      'bad-address',
      `an address of \`${scheme}:\` is no target`,
      'Targets are pages, sections and files of the site, mail addresses, telephone numbers, and addresses of http or https.',
    );
  }

  #missingFile(path: SitePath): Led<Place | To> {
    const near = nearestPage(path, this.#site.files);
    return this.#failed(
      'missing-file',
      `the site has no file \`${path}\``,
      near ? `Did you mean \`${near}\`?` : 'Add the file, or take the entry out.',
    );
  }

  #failed(rule: Parameters<typeof finding>[0], message: string, remedy: string): { finding: Finding } {
    const { start, end } = this.#target.mark;
    return { finding: finding(rule, this.#source.place(start, end), message, remedy) };
  }
}

/** The page an address names: as written first, since a name may hold a `%` or `#`, then as a browser reads it. */
function pageAt(
  address: Extract<Address, { kind: 'inside' }>,
  written: string,
  site: SiteFacts,
): SitePath | null {
  const literal = written.normalize('NFC');
  if (site.pages.has(literal)) return literal;
  if (site.pages.has(address.path)) return address.path;
  return (
    ['index.html', 'index.htm']
      .map(name => joinPath(address.path, name))
      .find(path => site.pages.has(path)) ?? null
  );
}

function missingPage(
  target: { written: string; mark: Mark },
  path: SitePath,
  site: SiteFacts,
  source: Source,
): { finding: Finding } {
  const { start, end } = target.mark;
  const place = source.place(start, end);
  if (site.files.has(path) && path !== '') {
    return {
      finding: finding(
        'missing-page',
        place,
        `\`${path}\` is a file of the site, but no page`,
        'Pages are what `read` matches.',
      ),
    };
  }
  const moved = site.movedTo(path);
  if (moved !== null) {
    const message = `the site has no page \`${path}\` any more: it is \`${moved}\` now`;
    return {
      finding: finding('missing-page', place, message, `Let the plan follow:  ${retarget(path, moved)}`),
    };
  }
  const near = nearestPage(path, site.pages);
  const isCase = near !== null && near.toLowerCase() === path.toLowerCase();
  const message = isCase
    ? `\`${path}\` differs from \`${near}\` in letter case, and servers tell them apart`
    : `the site has no page \`${path}\``;
  const remedy =
    near === null
      ? 'Add the page, or take the entry out.'
      : isCase
        ? `Write  ${near}`
        : `Did you mean \`${near}\`?`;
  return { finding: finding('missing-page', place, message, remedy) };
}

/** The command that follows a page. */
export function retarget(from: SitePath, to: SitePath): string {
  const word = (path: string): string => (/^[\w./-]+$/.test(path) ? path : JSON.stringify(path));
  return `kamino entry retarget ${word(from)} ${word(to)}`;
}

function outsideRemedy(address: Extract<Address, { kind: 'root' | 'outside' }>, site: SiteFacts): string {
  const near = nearestPage(address.path.replace(/^[./]+/, ''), site.pages);
  return near
    ? `Paths begin in the site’s folder. Did you mean \`${near}\`?`
    : 'Paths begin in the site’s folder.';
}
