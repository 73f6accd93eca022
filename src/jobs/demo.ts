import { resolve } from 'node:path';
import { type Verification, verified } from '../core/check/verify.ts';
import { shownPath } from '../files/paths.ts';
import { readWholeSite } from '../files/read-whole.ts';
import { copySample, filesIn } from '../files/sample.ts';
import { walkFolder } from '../files/walk.ts';

export type { Verification } from '../core/check/verify.ts';

export interface DemoResult {
  /** The folder, and the same as the user sees it. */
  target: string;
  folder: string;
  written: string[];
  /** Files that the user has changed; they stay. */
  kept: string[];
}

/** Writes the sample site into a folder: to be built, and what came out checked. */
export function demo(folder: string): DemoResult {
  const target = resolve(folder);
  const { written, kept } = copySample('demo', target);
  return { target, folder: shownPath(target), written, kept };
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
