import { type Part, partBelow, parts } from './parts/index.ts';
import type { PlanPath } from './places.ts';

/** Which part of the plan the value at this path is; null where it has no keys of its own. Lines of a list are of its part. */
export function partOf(path: PlanPath): Part | null {
  let part: Part | null = 'plan';
  for (const step of path) if (part !== null && typeof step === 'string') part = partBelow(part, step);
  return part;
}

export function nameOf(path: PlanPath): string {
  return parts[partOf(path) ?? 'plan'].called.replace(/^a(n?) /, 'this ');
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
