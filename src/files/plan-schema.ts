import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { schemaFile } from '../core/manual/editor.ts';
import { makeFolder } from './real.ts';
import { writeWhole } from './write.ts';

/** Puts the schema of plans beside a plan: as it was written when the program was built, since making it takes a second. */
export function writePlanSchema(planFile: string): void {
  const file = join(dirname(planFile), schemaFile);
  makeFolder(dirname(planFile), dirname(schemaFile));
  writeWhole(file, readFileSync(new URL('./plan.schema.json', import.meta.url)));
}
