import type { AddressStyle } from '../address/href.ts';
import type { SitePath } from '../address/path.ts';
import type { Keys } from '../format/key.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Mark } from '../text/mark.ts';
import type { Source } from '../text/source.ts';
import type { LanguageFacts, ResolvedPanels, SectionHeading, SiteFacts } from './facts.ts';

/** An entry of the plan as it is written for one language. */
export interface View {
  /** What a key says, or undefined. */
  text: (key: string) => string | undefined;
  /** The same as a path: with `/` for `\`. */
  path: (key: string) => string | undefined;
  list: (key: string) => readonly string[] | undefined;
  paths: (key: string) => readonly string[] | undefined;
  mark: (key: string) => Mark;
  /** Tells a language that the plan does not have. */
  known: (tag: string, key: string) => void;
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
  languages?: LanguageFacts | null;
  panels?: readonly ResolvedPanels[];
}

/** Where a target leads, or the finding that says why it leads nowhere. */
export type Led<To> = { destination: To } | { finding: Finding };

/** A kind of target, as the plan names it. */
export interface TargetKind<Target> {
  /** Its keys in an entry: the first names the target, the others go with it. */
  keys: Keys;
  /** The first of them as a button has it; null where buttons have none such. */
  inButtons: Keys | null;
  /** Those of its keys that may stand beside no other target. */
  only?: readonly string[];
  /** Those that are words for people, which may differ by language while the target does not. */
  words?: readonly string[];
  /** Entries may lie below such an entry. */
  hasEntries?: false;
  read: (view: View) => Target | null;
}

/** A kind of target that stands for one place: where it leads. */
export interface SingleKind<Target, To> extends TargetKind<Target> {
  lead: (target: Target, context: TargetContext) => Led<To>;
  /** The scheme of addresses that lead so, and what they lead to and the plan writes for one; null where it is none. */
  scheme?: {
    name: string;
    lead: (rest: string) => To | null;
    written: (rest: string) => string;
  };
}

/** The page that an address is written for. */
export interface AddressFrom {
  page: SitePath;
  /** The folder from which its addresses are read. */
  folder: SitePath;
  links: AddressStyle;
}

/** What a label may be taken from. */
export interface LabelFacts {
  page: (path: SitePath) => string;
  sections: SiteFacts['sections'];
  /** The pages that carry the menu. */
  carriers: readonly SitePath[];
  panels: readonly ResolvedPanels[];
  languages: readonly { tag: string; name: string }[];
}

/** A kind of place that entries lead to. */
export interface PlaceKind<To> {
  /** As in an `href`; null for none. */
  address: (to: To, from: AddressFrom) => string | null;
  /** What an entry is called that has no label of its own. */
  label: (to: To, facts: LabelFacts) => string;
  /** As a line of an outline; null for none. */
  outline: (to: To) => string | null;
  /** What the entry is known by in a designer's own rules; null for its label. */
  hook: (to: To) => string | null;
  /** The page of the site in which it is, or null. */
  page: (to: To) => SitePath | null;
}

export function failed(
  { source }: Pick<TargetContext, 'source'>,
  { start, end }: Mark,
  ...[rule, message, remedy]: [Parameters<typeof finding>[0], string, string]
): { finding: Finding } {
  return { finding: finding(rule, source.place(start, end), message, remedy) };
}

/** What the manual says a target’s key holds without it. */
export const elsewhere = 'another target, or none';
