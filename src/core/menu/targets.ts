import { type Address, decodePercent, readAddress, readWebAddress } from '../address/href.ts';
import { type SitePath, joinPath } from '../address/path.ts';
import type { Mark, Target } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { listed, nearest } from '../text/nearest.ts';
import type { Source } from '../text/source.ts';
import type { SiteLanguages } from './languages.ts';
import { nearestPage } from './nearest-page.ts';
import type { ResolvedPanels, Destination, SectionHeading, SiteFacts } from './types.ts';

/** Where a target leads, or the finding that says why it leads nowhere. */
export type TargetReading = { destination: Destination } | { finding: Finding };

type Written = Extract<Target, { kind: 'page' | 'section' | 'file' | 'address' }>;
/** What stands for one place each; patterns stand for many. */
export type SingleTarget = Exclude<Target, { kind: 'pages' | 'sections' }>;

export function isPattern(target: Target): target is Exclude<Target, SingleTarget> {
  return target.kind === 'pages' || target.kind === 'sections';
}

/** What a target is read against. */
export interface TargetContext {
  site: SiteFacts;
  /** The pages that carry the menu, on which a place without a page must be. */
  carriers: readonly SitePath[];
  source: Source;
  /** Gives a heading an id of Kamino's, the same on every build. */
  giveId: (page: SitePath, heading: SectionHeading) => string;
  /** What stands for a page or file in the language of the menu. */
  counterpart?: (path: SitePath) => SitePath;
  languages?: SiteLanguages | null;
  panels?: readonly ResolvedPanels[];
}

export function readTarget(target: SingleTarget, context: TargetContext): TargetReading {
  switch (target.kind) {
    case 'url':
      return { destination: { kind: 'url', url: target.url } };
    case 'mail':
      return {
        destination: { kind: 'mail', url: mailAddress(target.address, target.subject) },
      };
    case 'heading':
      return readHeading(target, context);
    case 'panel':
      return readPanel(target, context);
    case 'insert':
      return readInsert(target, context);
    case 'language':
      return readLanguage(target, context);
    case 'phone':
      return { destination: { kind: 'phone', url: `tel:${target.number.replace(/[^\d+]/g, '')}` } };
    case 'none':
      return { destination: { kind: 'none' } };
    default:
      return new Reading(target, context).read();
  }
}

function mailAddress(address: string, subject: string | null): string {
  const to = encodeURI(address.replace(/\s+/g, ''));
  return `mailto:${to}${subject === null ? '' : `?subject=${encodeURIComponent(subject)}`}`;
}

/** The place of a heading by its words. Where it has no id it is given one, told by `giveId`. */
function readHeading(
  { page, heading, mark }: Extract<Target, { kind: 'heading' }>,
  context: TargetContext,
): TargetReading {
  const { site, carriers, source, giveId } = context;
  const failed = (message: string, remedy: string): TargetReading => ({
    finding: finding('missing-section', source.place(mark.start, mark.end), message, remedy),
  });
  let path: SitePath | null = null;
  if (page !== null) {
    const reading = readTarget({ kind: 'page', written: page, mark }, context);
    if ('finding' in reading || reading.destination.kind !== 'page') return reading;
    path = reading.destination.path;
  }
  const key = wordsKey(heading);
  let id: string | null = null;
  for (const one of path === null ? carriers : [path]) {
    const headings = site.headings(one);
    const found = headings.find(({ text }) => wordsKey(text) === key);
    if (!found) {
      const near = nearest(
        heading,
        headings.map(({ text }) => text),
      );
      return failed(
        `\`${one}\` has no heading “${heading}”`,
        near ? `Did you mean “${near}”?` : 'Write the heading as it stands in the page.',
      );
    }
    const own = found.id ?? giveId(one, found);
    if (id !== null && id !== own)
      return failed(
        `this heading has another id on \`${one}\` than on other pages`,
        'Name the page, or give all the same id.',
      );
    id = own;
  }
  return { destination: { kind: 'section', path, id: id ?? '' } };
}

/** A panel by its id; the first group that has it. */
function readPanel(
  { written, mark }: Extract<Target, { kind: 'panel' }>,
  { panels = [], source }: TargetContext,
): TargetReading {
  const id = written.replace(/^#/, '');
  const group = panels.find(one => one.panels.some(panel => panel.id === id));
  if (group)
    return {
      destination: {
        kind: 'section',
        path: group.page,
        id,
        panel: { group: group.name, isFirst: id === group.first },
      },
    };
  const known = panels.flatMap(one => one.panels.map(panel => panel.id));
  const near = nearest(id, known);
  return {
    finding: finding(
      'missing-section',
      source.place(mark.start, mark.end),
      `no panel of this plan is called \`${id}\``,
      near ? `Did you mean \`${near}\`?` : 'Name it under `panels`, or lead to a `section`.',
    ),
  };
}

/** The counterparts of the pages that carry the menu. */
function readLanguage(
  { tag, mark }: Extract<Target, { kind: 'language' }>,
  { languages, carriers, source }: TargetContext,
): TargetReading {
  // A language that the plan does not have has been told with the plan.
  if (languages?.all.some(one => one.tag === tag) !== true) return { destination: { kind: 'none' } };
  const front = languages.front(tag);
  if (front === null) {
    const place = source.place(mark.start, mark.end);
    const message = `no page of the site is in \`${tag}\``;
    return { finding: finding('missing-page', place, message, 'Look at the `pages` of that language.') };
  }
  const pairs = carriers.flatMap(page => {
    const other = languages.counterpart(page, tag);
    return other === null ? [] : [[page, other] as const];
  });
  return { destination: { kind: 'language', tag, counterparts: Object.fromEntries(pairs), front } };
}

/** Headings are the same whatever their spaces and letter case. */
export function wordsKey(text: string): string {
  return text.toLowerCase().replace(/\s+/g, ' ').trim();
}

function readInsert(target: Extract<Target, { kind: 'insert' }>, context: TargetContext): TargetReading {
  const { site, source } = context;
  const reading = readTarget({ kind: 'file', written: target.written, mark: target.mark }, context);
  if ('finding' in reading || reading.destination.kind !== 'file') return reading;
  const html = site.text(reading.destination.path);
  if (html !== null) return { destination: { kind: 'insert', html: html.trim() } };
  const place = source.place(target.mark.start, target.mark.end);
  return {
    finding: finding(
      'missing-file',
      place,
      `\`${target.written}\` is no text in UTF-8`,
      'Save the piece as UTF-8.',
    ),
  };
}

class Reading {
  readonly #target: Written;
  readonly #site: SiteFacts;
  readonly #carriers: readonly SitePath[];
  readonly #source: Source;
  readonly #counterpart: (path: SitePath) => SitePath;

  constructor(target: Written, { site, carriers, source, counterpart = path => path }: TargetContext) {
    this.#counterpart = counterpart;
    this.#target = target;
    this.#site = site;
    this.#carriers = carriers;
    this.#source = source;
  }

  read(): TargetReading {
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

  #inside(address: Extract<Address, { kind: 'inside' }>): TargetReading {
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

  #to(kind: 'page' | 'file', path: SitePath): TargetReading {
    return { destination: { kind, path: this.#counterpart(path) } };
  }

  #section(named: SitePath | null, id: string): TargetReading {
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

function outsideRemedy(address: Extract<Address, { kind: 'root' | 'outside' }>, site: SiteFacts): string {
  const near = nearestPage(address.path.replace(/^[./]+/, ''), site.pages);
  return near
    ? `Paths begin in the site’s folder. Did you mean \`${near}\`?`
    : 'Paths begin in the site’s folder.';
}
