/** A finding, as far as somebody who follows it needs. */
export interface Followed {
  rule: string;
  severity: string;
  message: string;
  remedy: string;
  place: {
    file: string;
    position?: { line: number; column: number };
    excerpt?: { from: number; to: number };
  };
}

type Site = Record<string, string>;
/** Follows one remedy; the text that was found is what stands at the place. */
type Way = (site: Site, told: Followed, at: { start: number; end: number }) => void;

let count = 0;
const another = (): string => `another-${String((count += 1))}`;

const put = (site: Site, { place }: Followed, at: { start: number; end: number }, text: string): void => {
  const page = site[place.file]!;
  site[place.file] = page.slice(0, at.start) + text + page.slice(at.end);
};
const found = (site: Site, { place }: Followed, at: { start: number; end: number }): string =>
  site[place.file]!.slice(at.start, at.end);

/** The address in the tag that was found becomes the one that the remedy names. */
const readdressed: Way = (site, told, at) => {
  const named = /`([^`]+)`|(?:Write|it is) {2}(?:href=")?([^\s"]+)/.exec(told.remedy)!;
  const address = (named[1] ?? named[2])!;
  const tag = found(site, told, at);
  put(
    site,
    told,
    at,
    tag.replace(/(href|src)="([^"]*)"/, (_, name: string, old: string) => {
      const isPlace = address.startsWith('#') && old.includes('#');
      return `${name}="${isPlace ? old.replace(/#.*/, '') : ''}${address}"`;
    }),
  );
};

/** By rule, what its remedy says. */
const ways: Record<string, Way> = {
  'dead-link': readdressed,
  'missing-file': readdressed,
  'letter-case': readdressed,
  'wrong-folder': readdressed,
  'missing-hash': readdressed,
  'foreign-path': (site, told, at) => {
    const folder = told.place.file.replace(/[^/]*$/, '');
    const name = `${another()}.pdf`;
    site[folder + name] = 'copied';
    put(site, told, at, found(site, told, at).replace(/href="[^"]*"/, `href="${name}"`));
  },
  'empty-link': (site, told, at) => {
    put(site, told, at, found(site, told, at).replace(/^<a[^>]*>|<\/a>$/g, ''));
  },
  'bad-id': (site, told, at) => {
    put(
      site,
      told,
      at,
      found(site, told, at).replace(/id="([^"]*)"/, (_, id: string) => `id="${id.replaceAll(' ', '-')}"`),
    );
  },
  'same-id': (site, told, at) => {
    put(site, told, at, found(site, told, at).replace(/id="[^"]*"/, `id="${another()}"`));
  },
  'surplus-end': (site, told, at) => {
    put(site, told, at, '');
  },
  'unclosed-list': (site, told, at) => {
    const page = site[told.place.file]!;
    const last = /^(?:[^<]|<(?!ul\b|\/div|\/td|\/nav|p\b|h\d))*<\/li>/.exec(page.slice(at.end))!;
    const end = at.end + last[0].length;
    site[told.place.file] = `${page.slice(0, end)}</ul>${page.slice(end)}`;
  },
  'wrong-current': (site, told, at) => {
    put(site, told, at, found(site, told, at).replace(/ aria-current="page"/, ''));
  },
  untitled: (site, { place }) => {
    const page = site[place.file]!;
    site[place.file] = page.replace(/(<meta charset[^>]*>|<head>)/, `$1<title>${another()}</title>`);
  },
  'same-title': (site, { place }) => {
    site[place.file] = site[place.file]!.replace(/<title>[^<]*/, `<title>${another()}`);
  },
  orphan: (site, { place }) => {
    site['index.html'] = site['index.html']!.replace('</body>', `<p><a href="${place.file}">More</a></body>`);
  },
  // One plan for all pages: what the command in the remedy makes.
  'menu-differs': () => undefined,
  'menu-missing': () => undefined,
};

/** Does in the site what the remedy of a finding says. */
export function follow(site: Site, told: Followed): void {
  const way = ways[told.rule];
  if (!way) throw new Error(`nobody knows how to follow ${told.rule}: ${told.remedy}`);
  const { file, position, excerpt } = told.place;
  const lines = site[file]!.split('\n').slice(0, (position?.line ?? 1) - 1);
  const start = lines.reduce((sum, line) => sum + line.length + 1, 0) + (position?.column ?? 1) - 1;
  way(site, told, { start, end: start + (excerpt ? excerpt.to - excerpt.from : 0) });
}

/** Does in a plan what the remedy of a finding of its build says. */
export function followInPlan(plan: string, { rule, message, remedy, place }: Followed): string {
  switch (rule) {
    case 'no-place': {
      const menu = /the place of `(.*?)`/.exec(message)![1]!;
      const line = /(place: .*)$/m.exec(remedy)![1]!;
      const at = plan.indexOf(`menu: ${menu}`);
      return plan.slice(0, at) + plan.slice(at).replace(/place: .*/, line);
    }
    case 'missing-word': {
      const lines = /^languages:[^]*/m.exec(remedy)?.[0].replaceAll('…', 'X');
      if (lines !== undefined) return `${plan}${lines}\n`;
      const words = [...remedy.matchAll(/(\w[\w-]*): …/g)].map(([, word]) => `${word!}: X`);
      return onLine(plan, place, line => line.replace(/ \}$/, `, words: { ${words.join(', ')} } }`));
    }
    case 'low-contrast': {
      const line = /color: "#\w+"/.exec(remedy)![0];
      return onLine(plan, place, old => old.replace(/\S.*/, line));
    }
    default:
      throw new Error(`nobody knows how to follow ${rule}: ${remedy}`);
  }
}

function onLine(text: string, place: Followed['place'], edit: (line: string) => string): string {
  return text
    .split('\n')
    .map((line, at) => (at === place.position!.line - 1 ? edit(line) : line))
    .join('\n');
}
