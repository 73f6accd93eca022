import { join, resolve } from 'node:path';
import { type Verification, verified } from '../core/check/verify.ts';
import { shownPath } from '../files/paths.ts';
import { readWholeSite } from '../files/read-whole.ts';
import { copySample, filesIn } from '../files/sample.ts';
import { walkFolder } from '../files/walk.ts';
import { build } from './build.ts';
import type { BuildResult } from './result.ts';

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
  const target = resolve(folder);
  const { written, kept } = copySample('demo', target);
  const result = await build({ plan: target });
  const verification = result.outcome === 'stopped' ? null : verify(join(target, 'built'));
  return { folder: shownPath(target), written, kept, build: result, verification };
}

/** Checks that every link of every menu in a folder of finished pages leads to its page. */
export function verify(folder: string): Verification {
  return verified(
    readWholeSite(
      folder,
      walkFolder(folder, () => false),
    ).site,
  );
}

/** Writes a sample site as it was before Kamino, with a menu copied by hand, into a folder. */
export function oldDemo(folder: string): { folder: string; pages: number } {
  const target = resolve(folder);
  copySample('demo-old', target);
  return {
    folder: shownPath(target),
    pages: filesIn(target).filter(path => path.endsWith('.html')).length,
  };
}
