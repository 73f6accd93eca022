import { planFile } from '../jobs/given.ts';
import { type Glanced, type Seen, glance } from '../jobs/glance.ts';
import type { BuildResult, remake } from '../jobs/remake.ts';
import { tellBuild } from './build-report.ts';
import { type Io, tellFindings, voiceOf, withoutControls } from './io.ts';
import type { whole } from './whole.ts';

export { straight } from './straight.ts';

const known = new Set(['--quiet', '--json', '--all', '--no-color']);

/** Parts of the program: what builds few pages, and what builds all. */
interface Parts {
  few: { remake: typeof remake };
  make: { whole: typeof whole };
}
/** Loads one of them. */
type Load = <Name extends keyof Parts>(name: Name) => Parts[Name];

/**
 * A build, by as little of the program as it takes: where nothing has changed, what the last one told is told again, and few
 * pages are made by a small part.
 * @param words the command line
 * @returns the exit status; null where the command line asks for more than that
 */
export async function again(
  [command, ...words]: readonly string[],
  given: Io,
  load: Load,
): Promise<number | null> {
  const options = new Set(words.filter(word => word.startsWith('-')));
  const [plan, ...more] = words.filter(word => !word.startsWith('-'));
  if (command !== 'build' || more.length > 0 || ![...options].every(one => known.has(one))) return null;
  const start = Date.now();
  const looked = await lookAt(plan);
  if (!looked) return null;
  const { file, glanced } = looked;
  const asked = (name: string): true | undefined => (options.has(`--${name}`) ? true : undefined);
  const voice = await voiceOf(withoutControls(given), { color: !asked('no-color'), all: asked('all') });
  const { seen } = glanced;
  const result =
    glanced.result ??
    (await rewritten(file, seen, load)) ??
    (await load('make').whole(file, seen && { ...seen, few: null }, voice.io));
  if ('rule' in result) {
    tellFindings([result], voice);
    return 2;
  }
  const seconds = (Date.now() - start) / 1000;
  return tellBuild(result, { quiet: asked('quiet'), json: asked('json') }, seconds, voice);
}

/** A build of few pages; null where more has to be done. */
async function rewritten(file: string, seen: Seen | null, load: Load): Promise<BuildResult | null> {
  return seen?.few && seen.few.changed.length > 0 ? load('few').remake(file, seen) : null;
}

/** What cannot be looked at is told by the program. */
async function lookAt(plan: string | undefined): Promise<{ file: string; glanced: Glanced } | null> {
  try {
    const file = planFile(plan);
    return { file, glanced: await glance(file) };
  } catch {
    return null;
  }
}
