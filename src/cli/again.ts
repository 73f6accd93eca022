import { planFile } from '../jobs/given.ts';
import { type Glanced, glance } from '../jobs/glance.ts';
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

/**
 * Tells again what the last build told, where nothing has changed since: for that little of the program is needed.
 * @param words the command line; null where it asks for more than that
 */
export function again([command, ...words]: readonly string[], given: Io): Again | null {
  const options = new Set(words.filter(word => word.startsWith('-')));
  const [plan, ...more] = words.filter(word => !word.startsWith('-'));
  if (command !== 'build' || more.length > 0 || ![...options].every(one => known.has(one))) return null;
  const start = Date.now();
  const looked = lookAt(plan);
  if (!looked) return null;
  const { file, glanced } = looked;
  const { result } = glanced;
  if (!result) return { status: null, file, glanced };
  const asked = (name: string): true | undefined => (options.has(`--${name}`) ? true : undefined);
  const voice = voiceOf(withoutControls(given), { color: !asked('no-color'), all: asked('all') });
  const seconds = (Date.now() - start) / 1000;
  const status = tellBuild(result, { quiet: asked('quiet'), json: asked('json') }, seconds, voice);
  return { status, file, glanced };
}

/** What cannot be looked at is told by the program. */
function lookAt(plan: string | undefined): Omit<Again, 'status'> | null {
  try {
    const file = planFile(plan);
    return { file, glanced: glance(file) };
  } catch {
    return null;
  }
}
