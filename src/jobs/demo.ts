import { existsSync, mkdirSync, readFileSync, readdirSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { writeWhole } from '../files/write.ts';
import { build } from './build.ts';
import type { BuildResult } from './result.ts';
import { shownPath } from './paths.ts';
import { type Verification, verify } from './verify.ts';

export interface DemoResult {
  /** The folder as the user sees it. */
  folder: string;
  written: string[];
  /** Files that the user has changed; they stay. */
  kept: string[];
  build: BuildResult;
  verification: Verification | null;
}

/** Writes the sample site into a folder, builds it, and checks what came out. */
export async function demo(folder: string): Promise<DemoResult> {
  const { target, written, kept } = copySample('demo', folder);
  const result = await build({ plan: target });
  const verification = result.outcome === 'stopped' ? null : verify(join(target, 'built'));
  return { folder: shownPath(target), written, kept, build: result, verification };
}

/** Writes a sample site as it was before Kamino, with a menu copied by hand, into a folder. */
export function oldDemo(folder: string): { folder: string; pages: number } {
  const { target } = copySample('demo-old', folder);
  return {
    folder: shownPath(target),
    pages: filesIn(target, '').filter(path => path.endsWith('.html')).length,
  };
}

function copySample(name: string, folder: string): { target: string; written: string[]; kept: string[] } {
  const source = fileURLToPath(new URL(`../${name}`, import.meta.url));
  const target = resolve(folder);
  const written: string[] = [];
  const kept: string[] = [];
  for (const path of filesIn(source, '')) {
    const bytes = readFileSync(join(source, path));
    const file = join(target, path);
    if (existsSync(file)) {
      if (!readFileSync(file).equals(bytes)) kept.push(path);
      continue;
    }
    mkdirSync(dirname(file), { recursive: true });
    writeWhole(file, bytes);
    written.push(path);
  }
  return { target, written, kept };
}

function filesIn(root: string, folder: string): string[] {
  return readdirSync(join(root, folder), { withFileTypes: true })
    .sort((one, other) => (one.name < other.name ? -1 : 1))
    .flatMap(entry => {
      const path = folder === '' ? entry.name : `${folder}/${entry.name}`;
      if (entry.isDirectory()) return filesIn(root, path);
      return entry.isFile() ? [path] : [];
    });
}
