import { existsSync, readFileSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { Output } from '../files/output.ts';
import { planMark } from '../files/plan-mark.ts';
import { type Glance, SiteRecord } from '../files/record.ts';
import { seenFrom, shownPath } from '../files/paths.ts';
import { listSite } from '../files/site.ts';
import type { BuildResult } from '../files/result.ts';

/**
 * Whether the last build still holds: same plan, no page or finished file changed, and no error to tell. Then the
 * plan need not be understood again, and what was told is told again. Null where a build has to look closer.
 * @param file the plan's
 */
export function glance(file: string): BuildResult | null {
  const folder = dirname(file);
  const record = new SiteRecord(folder);
  if (record.folders.length === 0 || !existsSync(file)) return null;
  const mark = planMark(readFileSync(file));
  const name = record.folders.find(one => record.glance(one)?.plan === mark);
  const known = name === undefined ? null : record.glance(name);
  if (name === undefined || !known || known.seenFrom !== seenFrom(folder)) return null;
  const root = resolve(folder, known.site);
  if (!existsSync(root)) return null;
  const { files, findings } = listSite({ root, plan: file, record, output: name, leaveOut: known.leaveOut });
  const output = new Output(resolve(folder, name), name, record, true);
  if (findings.length > 0 || !output.isSettled(files, known.own)) return null;
  return resultOf(known, shownPath(output.folder), files.length + known.own.length);
}

function resultOf({ menus, pages, findings }: Glance, output: string, same: number): BuildResult {
  return {
    outcome: 'nothing-new',
    status: 0,
    findings: [...findings],
    output,
    inPlace: false,
    menus,
    pages,
    created: [],
    changed: [],
    gone: [],
    same,
    menusAlone: [],
    why: null,
  };
}
