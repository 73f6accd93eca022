import type { SitePath } from '../address/path.ts';
import type { Finding } from '../text/finding.ts';
import { listed, shortened } from '../text/nearest.ts';
import { type WalkRuleName, walkRules } from './rules.ts';
import { visitors } from './visitors.ts';

/** One thing that went wrong, for one visitor or several. */
export interface Fault {
  rule: WalkRuleName;
  page: SitePath;
  /** What was seen. */
  what: string;
  /** Of what, where several may be so. */
  things: readonly string[];
  menu: string | null;
  /** Their names. */
  visitors: readonly string[];
  /** A picture (PNG) of the window as it was; null for none. */
  picture: Uint8Array | null;
}

/** What a visitor’s walk notes. */
export type Note = Omit<Fault, 'visitors'> & { visitor: string };

/** The same thing told once, with all visitors whom it concerns, and once for all pages where many have it. */
export function faultsOf(notes: readonly Note[]): Fault[] {
  const faults = new Map<string, Fault & { visitors: string[]; things: string[] }>();
  for (const { visitor, ...note } of notes) {
    const key = [note.rule, note.page, note.what].join('\n');
    const known = faults.get(key);
    if (!known) faults.set(key, { ...note, things: [...note.things], visitors: [visitor] });
    else {
      if (!known.visitors.includes(visitor)) known.visitors.push(visitor);
      known.things.push(...note.things.filter(one => !known.things.includes(one)));
      known.picture ??= note.picture;
    }
  }
  const order = visitors.map(one => one.name);
  for (const { visitors: names } of faults.values())
    names.sort((one, other) => order.indexOf(one) - order.indexOf(other));
  return [...faults.values()];
}

export function findingOf({ rule, page, what, things, visitors: names, menu }: Fault): Finding {
  const { severity, remedy } = walkRules[rule];
  const who = whoOf(names);
  const said = things.length === 0 ? what : `${what}: ${shortened(things, 3)}`;
  return {
    rule,
    severity,
    message: who === '' ? said : `${said} (${who})`,
    place: page === '' ? null : { file: page },
    remedy,
    ...(menu === null ? {} : { menu }),
  };
}

/** Visitors as people call them. */
export function whoOf(names: readonly string[]): string {
  const walking = visitors.filter(one => one.moves !== 'paper');
  if (names.length >= walking.length && walking.every(one => names.includes(one.name)))
    return 'every visitor';
  return listed(
    visitors.filter(one => names.includes(one.name)).map(one => one.called),
    'and',
  );
}
