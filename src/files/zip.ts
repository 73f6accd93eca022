import { createWriteStream, renameSync, rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { pipeline } from 'node:stream/promises';
import yazl from 'yazl';
import { LinkInWay, lookAt, makePath, partOf } from './real.ts';

/** What goes into an archive: a file, or bytes. */
export interface Packed {
  path: string;
  from: string | Uint8Array;
}

/** A date that says nothing, so that the same files make the same archive: the first that the format knows. */
const noDate = new Date(1980, 0, 1);
/** Files that hold what is compressed already. */
const isDense = /\.(?:png|jpe?g|gif|webp|avif|woff2?|mp[34]|m4a|ogg|webm|zip|gz|pdf)$/i;

/**
 * Writes an archive (ZIP, APPNOTE 6.3), whole or not at all: the same bytes for the same files, in the order in which they
 * are given. @throws {LinkInWay}
 */
export async function writeZip(target: string, files: readonly Packed[]): Promise<void> {
  makePath(dirname(target));
  if (lookAt(target)?.isSymbolicLink()) throw new LinkInWay(target);
  const part = partOf(target);
  const zip = new yazl.ZipFile();
  try {
    const written = pipeline(zip.outputStream, createWriteStream(part, { flags: 'wx' }));
    // A file that cannot be read ends the archive; what else fails ends the pipeline.
    const failed = new Promise<never>((_, reject) => zip.on('error', reject));
    for (const { path, from } of files) {
      const options = {
        mtime: noDate,
        mode: 0o100644,
        compress: !isDense.test(path),
        forceDosTimestamp: true,
      };
      if (typeof from === 'string') zip.addFile(from, path, options);
      else zip.addBuffer(Buffer.from(from), path, options);
    }
    zip.end();
    await Promise.race([written, failed]);
    renameSync(part, target);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}
