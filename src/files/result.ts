import type { Finding } from '../core/text/finding.ts';
import type { WriteOptions, Written } from './writer.ts';

export interface BuildOptions extends WriteOptions {
  /** A plan, or the folder of one. */
  plan?: string;
}

export interface BuildResult extends Written {
  /** `stopped`: nothing was written; `half`: some files were, each of them whole. */
  outcome: 'built' | 'nothing-new' | 'stopped' | 'half';
  /** 0 fine, 1 errors among the findings, 2 a bad plan or a failure. */
  status: 0 | 1 | 2;
  findings: Finding[];
  /** The output folder as the user sees it. */
  output: string;
  /** The pages themselves are changed. */
  inPlace: boolean;
  /** The menus, and how many pages carry each. */
  menus: { name: string; pages: number }[];
  /** Pages of the site. */
  pages: number;
}
