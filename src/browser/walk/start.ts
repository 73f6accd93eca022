import { existsSync } from 'node:fs';
import { type Finding, finding } from '../../core/text/finding.ts';
import { findBrowser, isFirefox, isWebkit } from '../find.ts';
import type { Engine } from './tab.ts';

/** What went wrong with the browser itself, and not with a page. */
export function browserEnded(called: string, error: unknown): Finding {
  const message = error instanceof Error ? error.message.split('\n')[0]! : String(error);
  return finding(
    'cannot-read',
    null,
    `${called} did not go on: ${message}`,
    'Try again, with fewer visitors at once:  --visitor keyboard',
  );
}

/**
 * Starts the browser that pages are gone through with; the finding that says why where there is none.
 * @param named its program; the first that is found by default
 * @param probe the script that looks at pages
 */
export async function startEngine(named: string | undefined, probe: string): Promise<Engine | Finding> {
  const program = named ?? findBrowser();
  const none = (message: string, remedy: string): Finding => finding('cannot-read', null, message, remedy);
  if (program === null)
    return none(
      'there is no browser to walk with',
      'Install one:  apt-get install chromium  (Debian, Ubuntu), or Chrome or Edge; or name one:  --browser PATH',
    );
  if (!existsSync(program))
    return none(
      `there is no program ${program}`,
      'Name the program of a Chromium, Chrome, Edge or Firefox, or WebKitWebDriver:  --browser PATH',
    );
  try {
    const start = { program, probe };
    if (isFirefox(program)) return await (await import('./firefox/engine.ts')).startFirefox(start);
    if (isWebkit(program)) return await (await import('./webkit/engine.ts')).startWebkit(start);
    return await (await import('./chromium/engine.ts')).startChromium(start);
  } catch (error) {
    const message = error instanceof Error ? error.message.split('\n')[0]! : String(error);
    return none(
      `the browser ${program} did not start: ${message}`,
      'Try it by hand, or name another one:  --browser PATH',
    );
  }
}
