const callPattern = /([A-Za-z_$][\w$]*)\s*\(/g;
const words = new Set([
  'if',
  'for',
  'while',
  'switch',
  'function',
  'return',
  'catch',
  'typeof',
  'Image',
  'Array',
  'alert',
]);

export function callsIn(text: string): string[] {
  return [...text.matchAll(callPattern)].map(match => match[1]!).filter(name => !words.has(name));
}

export function definedIn(text: string): Set<string> {
  const found = [
    ...text.matchAll(/function\s+([A-Za-z_$][\w$]*)|([A-Za-z_$][\w$]*)\s*=\s*(?:function\b|\([^)]*\)\s*=>)/g),
  ];
  return new Set(found.map(match => (match[1] ?? match[2])!));
}

export function withoutDefinitions(text: string): string {
  return text.replace(/function\s+[A-Za-z_$][\w$]*\s*\(/g, '');
}

/** Where a script names something, as text in quotes or behind a point; -1 where it does not. */
export function names(text: string, name: string): number {
  const match = new RegExp(`(["'])${escapePattern(name)}\\1|\\.${escapePattern(name)}\\b(?!\\s*\\()`).exec(
    text,
  );
  return match ? match.index + 1 : -1;
}

export function escapePattern(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}
