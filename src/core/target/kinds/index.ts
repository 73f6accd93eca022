import type { Keys } from '../../format/key.ts';
import type { Mark } from '../../text/mark.ts';
import type { Destination } from '../destination.ts';
import type { Led, TargetContext, TargetKind, View } from '../kind.ts';
import { addressKindOf } from './address.ts';
import { fileKind } from './file.ts';
import { headingKind } from './heading.ts';
import { insertKind } from './insert.ts';
import { languageKind } from './language.ts';
import { mailKind } from './mail.ts';
import { noneKind } from './none.ts';
import { pageKind } from './page.ts';
import { pagesKind } from './pages.ts';
import { panelKind } from './panel.ts';
import { phoneKind } from './phone.ts';
import { sectionKind } from './section.ts';
import { sectionsKind } from './sections.ts';
import { urlKind } from './url.ts';

/** What the plan can name by a key, in the order in which it is told. */
const named = {
  page: pageKind,
  section: sectionKind,
  file: fileKind,
  mail: mailKind,
  phone: phoneKind,
  url: urlKind,
  heading: headingKind,
  pages: pagesKind,
  sections: sectionsKind,
  insert: insertKind,
  language: languageKind,
  panel: panelKind,
};

type Named = typeof named;
export type TargetKey = keyof Named;

type TargetRead<Kind> = Kind extends { read: (view: View) => infer Target } ? NonNullable<Target> : never;
/** A target as the plan names it; `written` is as the plan has it. */
export type Target =
  TargetRead<Named[TargetKey]> | { kind: 'none' } | { kind: 'address'; written: string; mark: Mark };

type SingleKeys = { [Name in TargetKey]: Named[Name] extends { lead: unknown } ? Name : never }[TargetKey];
/** What stands for one place each; the others stand for many. */
export type SingleTarget = Extract<Target, { kind: SingleKeys | 'none' | 'address' }>;
export type PatternTarget = Exclude<Target, SingleTarget>;

const byName = named as unknown as Readonly<Record<TargetKey, TargetKind<Target>>>;

export const targetKeys = Object.keys(named) as TargetKey[];

type Whole<Of> = (Of extends unknown ? (one: Of) => void : never) extends (all: infer All) => void
  ? All
  : never;
/** The keys of all kinds, for an entry. */
export const keysOfTargets = Object.assign({}, ...targetKeys.map(key => byName[key].keys)) as Whole<
  Named[TargetKey]['keys']
>;

type ButtonKeys<Kind> = Kind extends { inButtons: infer All extends Keys } ? All : never;
export const keysInButtons = Object.assign({}, ...targetKeys.map(key => byName[key].inButtons)) as Whole<
  ButtonKeys<Named[TargetKey]>
>;

/** The keys that go with one target only, each with that target. */
export const companions: readonly (readonly [key: string, target: TargetKey])[] = targetKeys.flatMap(target =>
  (byName[target].only ?? []).map(key => [key, target] as const),
);

/** Keys of targets that are words for people. */
export const targetWords: readonly string[] = targetKeys.flatMap(key => byName[key].words ?? []);

/** Targets below which no entries may lie. */
export const childless: readonly TargetKey[] = targetKeys.filter(key => byName[key].hasEntries === false);

/** Targets that stand for many entries. */
export const patternKeys: readonly TargetKey[] = targetKeys.filter(key => !('lead' in byName[key]));

/** The target that an entry names, by its keys. A heading may have its page beside it, so it is asked first. */
export function targetOf(view: View): Target {
  for (const key of ['heading', ...targetKeys] as const) {
    const found = byName[key].read(view);
    if (found !== null) return found;
  }
  return { kind: 'none' };
}

export function isPattern(target: Target): target is PatternTarget {
  return (patternKeys as readonly string[]).includes(target.kind);
}

type SchemeKey = { [Name in TargetKey]: Named[Name] extends { scheme: unknown } ? Name : never }[TargetKey];
const schemeKeys = targetKeys.filter((key): key is SchemeKey => 'scheme' in named[key]);
const schemes = schemeKeys.map(key => named[key].scheme);
type SchemePlace = NonNullable<ReturnType<(typeof schemes)[number]['lead']>>;

/** The key and the value by which the plan names what an address of such a scheme leads to; null for other schemes. */
export function keyOfScheme(address: string): { key: SchemeKey; value: string } | null {
  const [, scheme = '', rest = ''] = /^([a-z][a-z0-9+.-]*):(.*)$/is.exec(address) ?? [];
  const key = schemeKeys.find(one => named[one].scheme.name === scheme.toLowerCase());
  return key === undefined ? null : { key, value: named[key].scheme.written(rest) };
}

const singles = {
  ...named,
  none: noneKind,
  address: addressKindOf<SchemePlace>(
    (name, rest) => schemes.find(one => one.name === name)?.lead(rest) ?? null,
  ),
} as unknown as Readonly<
  Record<string, { lead: (target: Target, context: TargetContext) => Led<Destination> }>
>;

/** Where a target leads. */
export function readTarget(target: SingleTarget, context: TargetContext): Led<Destination> {
  return singles[target.kind]!.lead(target, context);
}
