import type { Finding } from '../core/text/finding.ts';
import { failure } from '../jobs/failure.ts';
import type { Seen } from '../jobs/glance.ts';
import { type BuildResult, make } from '../jobs/make.ts';
import type { Io } from './io.ts';
import { progressOn } from './progress.ts';

/**
 * A whole build without options, by the part of the program that does nothing else.
 * @param seen of its site a moment ago
 * @returns what it did, or why the file system refused it
 */
export async function whole(file: string, seen: Seen | null, io: Io): Promise<BuildResult | Finding> {
  const progress = await progressOn(io, 'pages');
  try {
    return await make(file, { progress: progress.show }, seen);
  } catch (error) {
    const told = failure(error);
    if (!told) throw error;
    return told;
  } finally {
    progress.end();
  }
}
