import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { makeFolder, makePath } from './real.ts';
import { writeWhole } from './write.ts';

/** Writes one of the sample sites of the package into a folder; files that are there already stay. */
export function copySample(name: 'demo' | 'demo-old', target: string): { written: string[]; kept: string[] } {
  const source = fileURLToPath(new URL(`../${name}`, import.meta.url));
  const written: string[] = [];
  const kept: string[] = [];
  for (const path of filesIn(source)) {
    const bytes = readFileSync(join(source, path));
    const file = join(target, path);
    if (existsSync(file)) {
      if (!readFileSync(file).equals(bytes)) kept.push(path);
      continue;
    }
    makePath(target);
    makeFolder(target, dirname(path));
    writeWhole(file, bytes);
    written.push(path);
  }
  return { written, kept };
}

/** The files below a folder, by their paths in it, in order. */
export function filesIn(root: string, folder = ''): string[] {
  return readdirSync(join(root, folder), { withFileTypes: true })
    .sort((one, other) => (one.name < other.name ? -1 : 1))
    .flatMap(entry => {
      const path = folder === '' ? entry.name : `${folder}/${entry.name}`;
      if (entry.isDirectory()) return filesIn(root, path);
      return entry.isFile() ? [path] : [];
    });
}
