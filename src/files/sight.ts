import { lstatSync } from 'node:fs';
import { resolve } from 'node:path';
import { crc32 } from 'node:zlib';
import type { Plan } from '../core/plan/types.ts';
import { openPlan } from './plan.ts';
import { SiteRecord } from './record.ts';
import { listSite } from './site.ts';

/**
 * What a plan and its site look like from outside: names, sizes and dates. It is looked at again and again, since on
 * network drives nobody tells of changes.
 */
export class Sight {
  readonly #file: string;
  #plan: Plan | null = null;
  #folder = '';
  #planSeen = '';

  /** @param plan the whole path of a plan */
  constructor(plan: string) {
    this.#file = plan;
  }

  /** The same text as long as nothing has changed. */
  look(): string {
    try {
      const plan = this.#lookAtPlan();
      return `${plan} ${crc32(this.#site())}`;
    } catch (error) {
      // A drive that is not there for a while.
      return String((error as NodeJS.ErrnoException).code);
    }
  }

  #lookAtPlan(): string {
    const { size, mtimeMs } = lstatSync(this.#file);
    const seen = `${size} ${mtimeMs}`;
    if (seen === this.#planSeen) return seen;
    const open = openPlan(this.#file);
    // What is wrong for the moment is of the same site.
    this.#plan = open.plan ?? this.#plan;
    [this.#folder, this.#planSeen] = [open.folder, seen];
    return seen;
  }

  #site(): string {
    if (!this.#plan) return '';
    const { site, output, leaveOut } = this.#plan;
    const record = new SiteRecord(this.#folder);
    const root = resolve(this.#folder, site);
    const { files } = listSite({ root, plan: this.#file, record, output, leaveOut });
    return files.map(({ path, size, time }) => `${path}\n${size} ${time}\n`).join('');
  }
}
