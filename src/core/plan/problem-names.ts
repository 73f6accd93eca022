import { type Part, parts } from './parts/index.ts';
import type { PlanPath } from './places.ts';

/** Which part of the plan the value at this path is. */
export function partOf(path: PlanPath): Part {
  const last = path.at(-1);
  const before = path.at(-2);
  if (path.length === 0) return 'plan';
  if (before === 'languages') return 'language';
  if (before === 'states') return 'state';
  if (before === 'parts' || before === 'looks' || last === 'highlight') return 'look';
  if (typeof last === 'number') return before === 'menus' ? 'menu' : 'entry';
  return last !== undefined && Object.hasOwn(parts, last) ? (last as Part) : 'plan';
}

/** A map in which each language has its own value: what is no part of a plan. */
export function isByLanguage(path: PlanPath): boolean {
  const last = path.at(-1);
  return (
    last === 'languages' ||
    (typeof last === 'string' && partOf(path) === 'plan' && !Object.hasOwn(parts, last))
  );
}

export function nameOf(path: PlanPath): string {
  return parts[partOf(path)].called.replace(/^a(n?) /, 'this ');
}

export function labelOf(path: PlanPath): string {
  const key = path.findLast(step => typeof step === 'string');
  return key === undefined ? 'the plan' : String(key);
}

/** A value in a message: on one line, not too long, and with what cannot be seen made visible. */
export function shown(value: string): string {
  const visible = value.replace(
    /[\p{Cc}\p{Cf}]/gu,
    letter => `\\u${letter.codePointAt(0)!.toString(16).padStart(4, '0')}`,
  );
  return visible.length > 60 ? `${visible.slice(0, 57)}…` : visible;
}
