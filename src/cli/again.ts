import { planFile } from '../jobs/given.ts';
import { type Glanced, glance } from '../jobs/glance.ts';
import type { BuildResult, remake } from '../jobs/remake.ts';
import { tellBuild } from './build-report.ts';
import { type Io, voiceOf, withoutControls } from './io.ts';

export { straight } from './straight.ts';

/** How a command line ended, or what it is to go on with. */
export interface Again {
  /** The exit status; null where the whole program is needed. */
  status: number | null;
  file: string;
  glanced: Glanced;
}

const known = new Set(['--quiet', '--json', '--all', '--no-color']);

/** What builds few pages. */
interface Few {
  remake: typeof remake;
}

/**
 * A build in which nothing has changed, of which is told again what the last one told, or few pages: for that little of the
 * program is needed.
 * @param words the command line; null where it asks for more than that
 */
export async function again(
  [command, ...words]: readonly string[],
  given: Io,
  load: () => Few,
): Promise<Again | null> {
  const options = new Set(words.filter(word => word.startsWith('-')));
  const [plan, ...more] = words.filter(word => !word.startsWith('-'));
  if (command !== 'build' || more.length > 0 || ![...options].every(one => known.has(one))) return null;
  const start = Date.now();
  const looked = await lookAt(plan);
  if (!looked) return null;
  const { file, glanced } = looked;
  const result = glanced.result ?? (await rewritten(file, glanced, load));
  if (!result) return { status: null, file, glanced: tried(glanced) };
  const asked = (name: string): true | undefined => (options.has(`--${name}`) ? true : undefined);
  const voice = await voiceOf(withoutControls(given), { color: !asked('no-color'), all: asked('all') });
  const seconds = (Date.now() - start) / 1000;
  const status = tellBuild(result, { quiet: asked('quiet'), json: asked('json') }, seconds, voice);
  return { status, file, glanced };
}

/** A build of few pages; null where the program has to do it. */
async function rewritten(file: string, { seen }: Glanced, load: () => Few): Promise<BuildResult | null> {
  return seen?.few && seen.few.changed.length > 0 ? load().remake(file, seen) : null;
}

/** The program need not try that again. */
const tried = ({ seen, ...glanced }: Glanced): Glanced => ({
  ...glanced,
  seen: seen && { ...seen, few: null },
});

/** What cannot be looked at is told by the program. */
async function lookAt(plan: string | undefined): Promise<Omit<Again, 'status'> | null> {
  try {
    const file = planFile(plan);
    return { file, glanced: await glance(file) };
  } catch {
    return null;
  }
}
