import { resolve } from 'node:path';
import { isFolder, planIn } from '../files/paths.ts';

/**
 * The file of a plan, whether it is there or not.
 * @param given a plan file, or a folder with a plan; the folder where the user stands by default
 */
export function planFile(given = '.'): string {
  const path = resolve(given);
  return isFolder(path) ? planIn(path) : path;
}
