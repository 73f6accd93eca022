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

/** Where a script names an id or a name, in quotes, behind a point or in a selector; -1 where it does not. */
export function names(text: string, name: string): number {
  if (!text.includes(name)) return -1;
  const own = escapePattern(name);
  return behind(
    text,
    [`(["'])${own}\\1`, `\\.${own}\\b(?!\\s*\\()`, `["'\`][^"'\`\n]*#${own}(?![\\w-])`],
    name,
  );
}

/** Where a script names a class, in a selector or by the call for it; -1 where it does not. */
export function namesClass(text: string, name: string): number {
  if (!text.includes(name)) return -1;
  const own = escapePattern(name);
  const call = `getElementsByClassName\\(\\s*["'\`]${own}["'\`]`;
  return behind(text, [`["'\`][^"'\`\n]*\\.${own}(?![\\w-])`, call], name);
}

/** Where the name stands in the first match. */
function behind(text: string, patterns: readonly string[], name: string): number {
  const match = new RegExp(patterns.join('|')).exec(text);
  return match ? match.index + match[0].lastIndexOf(name) : -1;
}

export function escapePattern(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}
