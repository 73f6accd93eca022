import type { Place } from './source.ts';
import type { Severity } from './rule.ts';
import { type RuleName, rules } from './rules.ts';

/** One problem, as data: what was expected and what is there (`message`), where, and what to do next. */
export interface Finding {
  /** The name of its rule. */
  rule: string;
  severity: Severity;
  message: string;
  place: Place | null;
  /** The other places of the same cause, without their excerpts. */
  also?: readonly Place[];
  remedy: string | null;
  /** The name of the menu that it is about, where it is about one. */
  menu?: string;
}

/** A finding with its rule's own severity. */
export function finding(
  rule: RuleName,
  place: Place | null,
  message: string,
  remedy: string | null = null,
): Finding {
  return { rule, severity: rules[rule].severity, message, place, remedy };
}

const weight: Record<Severity, number> = { error: 0, warning: 1, note: 2 };

/** By file, position, severity and rule; problems without a place come last. What is said of several places is one finding. */
export function sortFindings(findings: readonly Finding[]): Finding[] {
  const sorted = [...findings].sort(
    (one, other) =>
      comparePlaces(one.place, other.place) ||
      weight[one.severity] - weight[other.severity] ||
      compare(one.rule, other.rule),
  );
  const causes = new Map<string, Finding[]>();
  for (const one of sorted) {
    const key = [one.severity, one.rule, one.message, one.remedy, one.place === null].join('\n');
    const alike = causes.get(key);
    if (alike) alike.push(one);
    else causes.set(key, [one]);
  }
  return [...causes.values()].map(asOne);
}

/** Findings that say the same, the first of them with the places of the others. */
function asOne([first, ...others]: readonly Finding[]): Finding {
  if (others.length === 0 || !first!.place) return first!;
  const also = [...(first!.also ?? []), ...others.flatMap(one => [one.place!, ...(one.also ?? [])])];
  return { ...first!, also: also.map(withoutExcerpt).sort(comparePlaces) };
}

function withoutExcerpt({ file, position }: Place): Place {
  return position ? { file, position } : { file };
}

function comparePlaces(one: Place | null, other: Place | null): number {
  return (
    compare(one?.file ?? '\uffff', other?.file ?? '\uffff') ||
    (one?.position?.line ?? 0) - (other?.position?.line ?? 0) ||
    (one?.position?.column ?? 0) - (other?.position?.column ?? 0)
  );
}

export function hasErrors(findings: readonly Finding[]): boolean {
  return findings.some(one => one.severity === 'error');
}

/** By code units, so that the order is the same on every machine. */
export function compare(one: string, other: string): number {
  return one < other ? -1 : one > other ? 1 : 0;
}
