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
  remedy: string | null;
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

/** By file, position, severity and rule; problems without a place come last. */
export function sortFindings(findings: readonly Finding[]): Finding[] {
  return [...findings].sort(
    (one, other) =>
      compare(one.place?.file ?? '\uffff', other.place?.file ?? '\uffff') ||
      (one.place?.position?.line ?? 0) - (other.place?.position?.line ?? 0) ||
      (one.place?.position?.column ?? 0) - (other.place?.position?.column ?? 0) ||
      weight[one.severity] - weight[other.severity] ||
      compare(one.rule, other.rule),
  );
}

export function hasErrors(findings: readonly Finding[]): boolean {
  return findings.some(one => one.severity === 'error');
}

/** By code units, so that the order is the same on every machine. */
export function compare(one: string, other: string): number {
  return one < other ? -1 : one > other ? 1 : 0;
}
