import { type Address, decodePercent, readAddress, readWebAddress } from '../address/href.ts';
import { type SitePath, folderOf, joinPath, nameOf } from '../address/path.ts';
import type { Mark, Target } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { listed, nearest } from '../text/nearest.ts';
import type { Source } from '../text/source.ts';
import type { Destination, SiteFacts } from './types.ts';

/** Where a target leads, or the finding that says why it leads nowhere. */
export type TargetReading = { destination: Destination } | { finding: Finding };

type Written = Extract<Target, { written: string }>;

/** What a target is read against. */
export interface TargetContext {
  site: SiteFacts;
  /** The pages that carry the menu, on which a place without a page must be. */
  carriers: readonly SitePath[];
  source: Source;
}

export function readTarget(target: Target, context: TargetContext): TargetReading {
  switch (target.kind) {
    case 'url':
      return { destination: { kind: 'url', url: target.url } };
    case 'mail':
      return {
        destination: { kind: 'mail', url: `mailto:${encodeURI(target.address.replace(/\s+/g, ''))}` },
      };
    case 'phone':
      return { destination: { kind: 'phone', url: `tel:${target.number.replace(/[^\d+]/g, '')}` } };
    case 'none':
      return { destination: { kind: 'none' } };
    default:
      return new Reading(target, context).read();
  }
}

class Reading {
  readonly #target: Written;
  readonly #site: SiteFacts;
  readonly #carriers: readonly SitePath[];
  readonly #source: Source;

  constructor(target: Written, { site, carriers, source }: TargetContext) {
    this.#target = target;
    this.#site = site;
    this.#carriers = carriers;
    this.#source = source;
  }

  read(): TargetReading {
    const { kind, written } = this.#target;
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

  #inside(address: Extract<Address, { kind: 'inside' }>): TargetReading {
    const { kind, written } = this.#target;
    const { files } = this.#site;
    const file = [written.normalize('NFC'), address.path].find(path => files.has(path));
    if (kind === 'file')
      return file === undefined
        ? this.#missingFile(address.path)
        : { destination: { kind: 'file', path: file } };
    const path = pageAt(address, written, this.#site);
    if (path === null) {
      if (kind === 'address' && file !== undefined) return { destination: { kind: 'file', path: file } };
      return missingPage(this.#target, address.path, this.#site, this.#source);
    }
    if (address.fragment !== null && path !== written.normalize('NFC'))
      return this.#section(path, address.fragment);
    if (kind !== 'section') return { destination: { kind: 'page', path } };
    return this.#failed(
      'missing-section',
      '`section` names a page alone',
      `Add the id:  section: "${path}#…",  or write  page: ${path}`,
    );
  }

  #section(path: SitePath | null, id: string): TargetReading {
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

  #web(): TargetReading {
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

  #other(scheme: string): TargetReading {
    const { kind, written } = this.#target;
    const rest = written.trim().slice(scheme.length + 1);
    if (kind === 'address' && scheme === 'mailto' && rest.includes('@'))
      return { destination: { kind: 'mail', url: `mailto:${encodeURI(decodePercent(rest))}` } };
    if (kind === 'address' && scheme === 'tel' && /\d/.test(rest))
      return { destination: { kind: 'phone', url: `tel:${rest.replace(/[^\d+]/g, '')}` } };
    return this.#failed(
      'bad-address',
      `an address of \`${scheme}:\` is no target`,
      'Targets are pages, sections and files of the site, mail addresses, telephone numbers, and addresses of http or https.',
    );
  }

  #missingFile(path: SitePath): TargetReading {
    const near = nearestPage(path, this.#site.files);
    return this.#failed(
      'missing-file',
      `the site has no file \`${path}\``,
      near ? `Did you mean \`${near}\`?` : 'Add the file, or take the entry out.',
    );
  }

  #failed(rule: Parameters<typeof finding>[0], message: string, remedy: string): TargetReading {
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
): TargetReading {
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

/** The page most likely meant: the same but for case, the same name in another folder, the nearest spelling. */
export function nearestPage(path: SitePath, pages: ReadonlySet<SitePath>): SitePath | null {
  const index = indexes.get(pages) ?? new PathIndex(pages);
  indexes.set(pages, index);
  return index.nearest(path);
}

const indexes = new WeakMap<ReadonlySet<SitePath>, PathIndex>();
/** With more paths than these, only those of the same folder are compared letter by letter. */
const mostCompared = 500;

class PathIndex {
  readonly #byLower = new Map<string, SitePath>();
  readonly #byStem = new Map<string, SitePath>();
  readonly #byName = new Map<string, SitePath[]>();
  readonly #byFolder = new Map<SitePath, SitePath[]>();
  readonly #all: readonly SitePath[];
  readonly #known = new Map<SitePath, SitePath | null>();

  constructor(paths: ReadonlySet<SitePath>) {
    this.#all = [...paths];
    for (const path of paths) {
      const lower = path.toLowerCase();
      if (!this.#byLower.has(lower)) this.#byLower.set(lower, path);
      const stem = lower.replace(/\.html?$/, '');
      if (!this.#byStem.has(stem)) this.#byStem.set(stem, path);
      const name = nameOf(lower);
      this.#byName.set(name, [...(this.#byName.get(name) ?? []).slice(0, 1), path]);
      const folder = this.#byFolder.get(folderOf(path));
      if (folder) folder.push(path);
      else this.#byFolder.set(folderOf(path), [path]);
    }
  }

  nearest(path: SitePath): SitePath | null {
    const known = this.#known.get(path);
    if (known !== undefined) return known;
    const lower = path.toLowerCase();
    const sameName = this.#byName.get(nameOf(lower)) ?? [];
    const near =
      this.#byLower.get(lower) ??
      this.#byStem.get(lower.replace(/\.html?$/, '')) ??
      (sameName.length === 1 ? sameName[0]! : nearest(path, this.#near(path)));
    this.#known.set(path, near);
    return near;
  }

  #near(path: SitePath): readonly SitePath[] {
    return this.#all.length <= mostCompared ? this.#all : (this.#byFolder.get(folderOf(path)) ?? []);
  }
}

function outsideRemedy(address: Extract<Address, { kind: 'root' | 'outside' }>, site: SiteFacts): string {
  const near = nearestPage(address.path.replace(/^[./]+/, ''), site.pages);
  return near
    ? `Paths begin in the site’s folder. Did you mean \`${near}\`?`
    : 'Paths begin in the site’s folder.';
}
