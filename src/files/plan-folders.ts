/**
 * Whether a plan says in so many words that its site and its output are these. What is kept beside a plan may come from anybody,
 * and must not lead elsewhere than the plan itself. False also where it says so in other ways than a line for each.
 */
export function namesFolders(text: string, { site, output }: { site: string; output: string }): boolean {
  return said(text, 'site', '.') === site && said(text, 'output', 'built') === output;
}

/** The value of a line; null where there are several. @param otherwise for none */
function said(text: string, key: string, otherwise: string): string | null {
  const [line, ...more] = text.matchAll(new RegExp(`^["']?${key}["']?[ \\t]*:(.*)$`, 'gm'));
  if (more.length > 0) return null;
  if (!line) return otherwise;
  const value = line[1]!.replace(/(?:^|\s)#.*$/, '').trim();
  return /^(?:"[^"\\]*"|'[^']*')$/.test(value) ? value.slice(1, -1) : value;
}
