import picomatch from 'picomatch';
import type { SitePath } from './path.ts';

/** Whether a path matches any of the patterns (`*`, `**`, `{a,b}`, `[a-z]`); none match where there are none. */
export function pathMatcher(globs: readonly string[], anyCase = false): (path: SitePath) => boolean {
  if (globs.length === 0) return () => false;
  if (globs.includes('**')) return () => true;
  // A name may have any sign in it but `/`, line breaks too.
  const flags = anyCase ? 'is' : 's';
  const options = { dot: true, nocase: anyCase, nonegate: true, noextglob: true, windows: false, flags };
  const tests = globs.map(glob => picomatch(glob.replace(/^\.?\//, ''), options));
  return path => tests.some(test => test(path));
}
